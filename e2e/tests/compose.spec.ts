import type { HandView } from '@coiled-strand/contract';
import { planPiece, type Piece } from '@coiled-strand/core';
import type { Page } from '@playwright/test';
import {
  expect,
  finishAll,
  newPiece,
  phonePage,
  type Running,
  saved,
  stored,
  test,
  widthOf,
} from '../fixtures.js';

const kinds = async (server: Running, name: string): Promise<string[]> =>
  (await stored(server, name)).piece.parts.map((part) => part.kind);
const beadsOf = (piece: Piece): string[] =>
  piece.parts.flatMap((part) => (part.kind === 'beads' ? part.beads : []));
const pane = (page: Page, name: string) =>
  page
    .getByRole('group', { name: 'What to lay out' })
    .getByRole('button', { name, exact: true })
    .click();
const partOnBench = (page: Page, name: RegExp) =>
  page.getByTestId('parts-layer').getByRole('button', { name });

test('parts are selected, moved, doubled, mirrored and taken away by keys alone; undo goes back', async ({
  page,
  server,
}) => {
  await newPiece(page, 'By keys', 'One focal bead on a leather cord');
  await page.keyboard.press('l');
  const first = partOnBench(page, /part 1 of 5/);
  await first.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(partOnBench(page, /^Beads, part 3 of 5/)).toBeFocused();
  await expect(page.getByTestId('inspector')).toContainText('Beads');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(partOnBench(page, /^Beads, part 4 of 5/)).toBeFocused();
  await page.keyboard.press('d');
  await expect(partOnBench(page, /^Beads, part 5 of 6/)).toHaveAttribute('aria-pressed', 'true');
  await saved(page);
  expect(await kinds(server, 'By keys')).toEqual([
    'plain',
    'stopper-knot',
    'stopper-knot',
    'beads',
    'beads',
    'plain',
  ]);
  await page.getByRole('button', { name: /^Delete/ }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await saved(page);
  expect(await kinds(server, 'By keys')).toEqual([
    'plain',
    'stopper-knot',
    'beads',
    'stopper-knot',
    'plain',
  ]);
});

test('a bead is dragged from the tray on to the bench, and a part to another place', async ({
  page,
  server,
}) => {
  await newPiece(page, 'Dragged beads', 'One focal bead on a leather cord');
  await page.keyboard.press('l');
  await pane(page, 'Beads');
  const bench = (await page.getByTestId('bench').boundingBox())!;
  const bead = page.locator('[data-bead="Bronze 8 mm"]').getByTitle('Drag on to the bench');
  await bead.scrollIntoViewIfNeeded();
  const from = (await bead.boundingBox())!;
  const plain = (await partOnBench(page, /part 5 of 5/).boundingBox())!;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + 40, from.y - 40, { steps: 4 });
  const scrolled = (await page.getByTestId('bench').boundingBox())!;
  await page.mouse.move(plain.x + 6, scrolled.y + bench.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(partOnBench(page, /^Beads, part 5 of 6/)).toBeVisible();
  await saved(page);
  const { piece } = await stored(server, 'Dragged beads');
  expect(beadsOf(piece)).toEqual(['oval-18', 'round-8']);
  expect(piece.beads.map((b) => b.name)).toEqual(['Labradorite oval 18 mm', 'Bronze 8 mm']);

  // The new part is selected; dragging it moves it.
  await page.mouse.wheel(0, -2000);
  const box = (await partOnBench(page, /^Beads, part 5 of 6/).boundingBox())!;
  const target = (await partOnBench(page, /part 1 of 6/).boundingBox())!;
  const y = box.y + box.height / 2;
  await page.mouse.move(box.x + box.width / 2, y);
  await page.mouse.down();
  await page.mouse.move(target.x + 30, y, { steps: 8 });
  await page.mouse.up();
  await expect(partOnBench(page, /^Beads, part 1 of 6/)).toBeVisible();
  await saved(page);
  expect((await kinds(server, 'Dragged beads'))[0]).toBe('beads');
});

test('a row of beads is filled in the worker so that it lands on the size, and applied', async ({
  page,
  server,
}) => {
  await newPiece(page, 'Filled', 'A beaded square-knot band that slides');
  await page.keyboard.press('l');
  await pane(page, 'Fill to length');
  await page.getByText('Moonstone 6 mm, 84 in hand').click();
  await page.getByRole('button', { name: 'Propose rows' }).click();
  const proposals = page.getByTestId('proposal');
  await expect(proposals).toHaveCount(6);
  const said = (await proposals.first().textContent()) ?? '';
  await proposals.first().getByRole('button', { name: 'Use this row' }).click();
  await saved(page);
  const { piece } = await stored(server, 'Filled');
  const { hand } = await server.get<HandView>('/hand');
  const plan = planPiece(piece, hand);
  if (!plan.ok) throw new Error('the proposal cannot be planned');
  const off = plan.fit.circumference - plan.fit.target;
  expect(said).toContain(
    Math.abs(off) < 0.05
      ? 'exactly'
      : `${Math.abs(off).toFixed(1)} mm ${off > 0 ? 'more' : 'less'}`,
  );
  expect(plan.counters.symmetric).toBe(true);
  await expect(page.getByRole('group', { name: 'Counters' })).toContainText('; symmetric');
});

test('tails too short to pass the hand are shown where they are, and mended with one click', async ({
  page,
  server,
}) => {
  await newPiece(page, 'Too short', 'Beads on leather with a coiled slider');
  await page.keyboard.press('l');
  await page.getByRole('button', { name: 'Closure', exact: true }).first().click();
  const tails = page.getByRole('textbox', { name: 'Each tail, to its stopper' });
  await tails.fill('3 cm');
  await tails.press('Enter');
  const item = page.locator('[data-advice="closure.range"]');
  await expect(item).toContainText('does not pass the hand');
  await item.getByRole('button', { name: /^Tails of/ }).click();
  await expect(item).toHaveCount(0);
  await saved(page);
  const { closure } = (await stored(server, 'Too short')).piece;
  expect('tails' in closure && closure.tails).toBeGreaterThan(30);
  await page.keyboard.press('v');
  await expect(page.getByTestId('closed-view')).toHaveAttribute(
    'aria-label',
    /Drawn in .* cm, Drawn out .* cm, Passes the hand/,
  );
});

test('a part is found by a word, reached by keys, and dragged to its place on the bench', async ({
  page,
  server,
}) => {
  await newPiece(page, 'Put together', 'Three beads on a leather cord');
  await page.keyboard.press('l');
  const open = page.getByRole('button', { name: 'Add a part' });
  const drawer = page.getByRole('dialog', { name: 'Add a part' });
  await open.click();
  // Each in the cord at hand.
  await expect(
    drawer
      .getByRole('button', { name: /^Whipping/ })
      .locator('svg path')
      .first(),
  ).toBeAttached();
  const search = drawer.getByRole('searchbox', { name: 'Search' });
  await search.fill('keeps an end from slipping');
  await expect(drawer.getByRole('button', { name: /^Stopper knot/ })).toBeVisible();
  await expect(drawer.getByRole('button', { name: /^Whipping/ })).toHaveCount(0);
  await search.press('Enter');
  await expect(drawer).toBeHidden();
  await expect(page.getByRole('heading', { name: /^Stopper knot part/ })).toBeVisible();
  await open.click();
  await search.press('ArrowDown');
  await expect(drawer.getByRole('button', { name: /^Square knots/ })).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowLeft');
  await expect(drawer.getByRole('button', { name: /^Spiral of hitches/ })).toBeFocused();
  const tile = (await drawer.getByRole('button', { name: /^Whipping/ }).boundingBox())!;
  const first = (await partOnBench(page, /part 1 of 6/).boundingBox())!;
  await drawer.getByRole('button', { name: /^Whipping/ }).scrollIntoViewIfNeeded();
  const from = (await drawer.getByRole('button', { name: /^Whipping/ }).boundingBox()) ?? tile;
  await page.mouse.move(from.x + 40, from.y + 30);
  await page.mouse.down();
  await page.mouse.move(from.x - 60, from.y, { steps: 4 });
  await page.mouse.move(first.x + 2, first.y + first.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(partOnBench(page, /^Whipping, part 1 of 7/)).toBeVisible();
  await expect(drawer).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(drawer).toBeHidden();
  await saved(page);
  expect((await stored(server, 'Put together')).piece.parts[0]?.kind).toBe('whipping');
});

test('a part is added from the list, a length stretched, the lanes of the strands shown', async ({
  page,
  server,
}) => {
  await newPiece(page, 'Added to', 'Three beads on a leather cord');
  await page.keyboard.press('l');
  await partOnBench(page, /part 1 of 5/).click();
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Whipping/ })
    .click();
  await expect(partOnBench(page, /^Whipping, part 2 of 6/)).toHaveAttribute('aria-pressed', 'true');
  const turns = page.getByRole('textbox', { name: 'Turns' });
  await turns.fill('6');
  await turns.press('Enter');
  await page.getByRole('link', { name: /^Cut/ }).click();
  await expect(page.getByTestId('cut-whipping')).toContainText('Turns, and the way back');
  await page.keyboard.press('l');
  await partOnBench(page, /^Plain cord, part 1 of 6/).click();
  const handle = page.getByRole('slider', { name: 'Length of plain cord' });
  await handle.focus();
  await handle.press('Shift+ArrowRight');
  await saved(page);
  const [plain] = (await stored(server, 'Added to')).piece.parts;
  expect(plain?.kind === 'plain' && plain.length).toBeGreaterThan(10);
  await page.getByRole('button', { name: 'Strands through the work' }).click();
  await expect(
    page.getByTestId('strand-lanes').getByText('1', { exact: true }).first(),
  ).toBeVisible();
});

test('a beaded band is made step by step, bead by bead, and logged', async ({ page, server }) => {
  await newPiece(page, 'Whole story', 'A beaded square-knot band that slides');
  await page.keyboard.press('c');
  await expect(page.getByTestId('cut-slider')).toContainText('Slider cord');
  await page.keyboard.press('m');
  await page.getByRole('button', { name: 'Begin making' }).click();
  await expect(page.getByText('Step 1 of')).toBeVisible();
  const { make } = await stored(server, 'Whole story');
  for (let i = 0; i < 6; i++) await page.keyboard.press('Space');
  await expect(page.getByText('Pull the core taut', { exact: true })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByText('Left cord over')).toBeVisible();
  await expect(page.getByTestId('counter')).toHaveText('0');
  for (let i = 7; i < (make?.reached.total ?? 0); i++) await page.keyboard.press('Space');
  await expect(page.getByText('All knots are tied')).toBeVisible();
  await page.getByRole('link', { name: 'On to finishing' }).click();
  await finishAll(page, (control) => control.click());
  await page.getByRole('main').getByRole('link', { name: 'Log it' }).click();
  await page.getByRole('textbox', { name: 'Cord 1, left over' }).fill('20 cm');
  await page.getByRole('textbox', { name: 'Cord 2, left over' }).fill('30 cm');
  await page.getByRole('textbox', { name: /Length of the work/ }).fill('16.5');
  await page.getByRole('textbox', { name: 'Minutes measuring and cutting' }).fill('15');
  await page.getByRole('textbox', { name: 'Minutes tying' }).fill('50');
  await page.getByRole('textbox', { name: 'Minutes finishing' }).fill('10');
  await page.getByRole('button', { name: 'Log it' }).click();
  await expect(page.getByTestId('logged')).toContainText('in 75 minutes');
});

test('on a phone a bead is added by a tap and a part changed, and nothing is cut off', async ({
  browser,
  server,
}) => {
  const page = await phonePage(browser, server);
  await newPiece(page, 'Phone beads', 'Three beads on a leather cord');
  await page.getByRole('link', { name: /Lay out/ }).tap();
  await partOnBench(page, /^Beads, part 3 of 5/).tap();
  await expect(page.getByTestId('inspector')).toContainText('Beads');
  await pane(page, 'Beads');
  await page.getByRole('button', { name: 'Add Amazonite 10 mm' }).tap();
  await saved(page);
  expect(beadsOf((await stored(server, 'Phone beads')).piece)).toEqual([
    'bronze-8',
    'bronze-8',
    'bronze-8',
    'round-10',
  ]);
  expect(await widthOf(page)).toBeLessThanOrEqual(390);
  await page.context().close();
});
