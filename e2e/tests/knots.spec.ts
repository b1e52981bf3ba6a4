import type { HandView, KnotView, PageView, MakeView } from '@coiled-strand/contract';
import type { Locator, Page } from '@playwright/test';
import {
  clearBench,
  expect,
  finishAll,
  newPiece,
  phonePage,
  saved,
  stored,
  test,
  widthOf,
} from '../fixtures.js';
import { violationsIn } from '../accessible.js';

test.afterAll(({ server }) => clearBench(server));

/** A place on the board in cord diameters, y upwards. */
type Place = readonly [x: number, y: number];

/** In from the left, a loop upwards, and through it again: three crossings. */
const LOOPED: readonly Place[] = [
  [-14, 0],
  [-3, -0.6],
  [5, 0],
  [6.5, 3],
  [4, 6],
  [0, 6.5],
  [-4, 5],
  [-4.5, 1.5],
  [-3, -2.5],
  [0, -3.5],
  [2, -1],
  [2, 2],
  [4, 4.5],
  [5, 2],
  [4.5, -3],
  [8, -6],
  [14, -7],
];

/** Where a place of an empty board lies on the screen. */
async function onScreen(page: Page): Promise<(place: Place) => readonly [number, number]> {
  const box = (await page.getByTestId('board').boundingBox())!;
  const scale = Math.min(box.width / 32, box.height / 20);
  return ([x, y]) => [box.x + box.width / 2 + x * scale, box.y + box.height / 2 - y * scale];
}

async function drawByMouse(page: Page, line: readonly Place[]): Promise<void> {
  const at = await onScreen(page);
  const [first, ...rest] = line;
  await page.mouse.move(...at(first!));
  await page.mouse.down();
  for (const place of rest) await page.mouse.move(...at(place), { steps: 5 });
  await page.mouse.up();
}

const verdict = (page: Page): Locator => page.getByTestId('verdict');
const keptAs = async (page: Page, name: string): Promise<void> => {
  await page.getByRole('textbox', { name: 'What it is called' }).fill(name);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page).toHaveURL(/\/knots\/[\da-f-]{36}$/);
};

test('an overhand knot is drawn, planned, cut, made and logged', async ({ page, server }) => {
  await test.step('drawn: as it was it falls apart, one crossing turned it holds', async () => {
    await page.goto('/knots');
    await page.getByRole('link', { name: 'Draw a knot' }).click();
    await drawByMouse(page, LOOPED);
    await expect(page.getByTestId('crossing')).toHaveCount(3);
    await expect(verdict(page)).toContainText('It falls apart');
    await expect(page.getByRole('button', { name: 'Keep it' })).toBeDisabled();
    await page.getByTestId('crossing').nth(1).click();
    await expect(verdict(page)).toContainText('It holds', { timeout: 120_000 });
    await expect(verdict(page)).toContainText('the same crossings as an overhand knot');
    const taken = page.getByTestId('sizes').getByText(/±/).first();
    // What an overhand knot takes in the table: 10.1 diameters.
    expect(Number.parseFloat((await taken.textContent())!)).toBeCloseTo(10.1, 0);
    await page.keyboard.press('Control+z');
    await expect(verdict(page)).toContainText('It falls apart');
    await page.keyboard.press('Control+y');
    await expect(verdict(page)).toContainText('It holds');
    await keptAs(page, 'Tide knot');
  });

  await test.step('planned: it is a part like the others', async () => {
    await newPiece(page, 'With a knot', 'One focal bead on a leather cord');
    await page.getByRole('link', { name: /Lay out/ }).click();
    await page.getByRole('button', { name: 'Add a part' }).click();
    await page.getByRole('button', { name: 'Tide knot' }).click();
    await expect(page.getByRole('heading', { name: /Knot of your own/ })).toBeVisible();
    const field = page.getByRole('textbox', { name: 'Knots in a row' });
    await field.fill('12');
    await field.press('Enter');
    await saved(page);
    const { piece } = await stored(server, 'With a knot');
    const [knot] = piece.knots!;
    const list = await server.get<KnotView[]>('/knots');
    expect(knot!.origin).toBe(list.find(({ value }) => value.name === 'Tide knot')!.id);
  });

  await test.step('cut: its cord is a reason with an error', async () => {
    await page.getByRole('link', { name: /Cut/ }).first().click();
    await expect(page.getByText('Tide knot').first()).toBeVisible();
  });

  await test.step('made: move by move, each with its picture', async () => {
    await page.getByRole('link', { name: /Make/ }).click();
    await page.getByRole('button', { name: 'Begin making' }).click();
    await expect(page.getByText('Step 1 of')).toBeVisible();
    const lay = page.getByText('Tie 12 knots: Tide knot').first();
    for (let i = 0; i < 60 && !(await lay.isVisible()); i++) {
      await page.keyboard.press('Space');
      await page.waitForTimeout(50);
    }
    await expect(lay).toBeVisible();
    const picture = page.getByTestId('step-picture');
    await expect(
      page
        .getByTestId('tying-moves')
        .getByText(/over the cord/)
        .first(),
    ).toBeVisible();
    await expect(page.locator('.cord-moving').first()).toBeAttached();
    await picture.getByRole('button', { name: 'In space' }).click();
    await expect(picture.locator('canvas')).toBeVisible();
    await picture.getByRole('button', { name: 'Show me slowly' }).click();
    await picture.getByRole('button', { name: 'In space' }).click();
    await expect(page.locator('.cord-moving').first()).toBeAttached();
    const done = page.getByText('All knots are tied');
    for (let i = 0; i < 120 && !(await done.isVisible()); i++) {
      await page.keyboard.press('Space');
      await page.waitForTimeout(50);
    }
    await page.getByRole('link', { name: 'On to finishing' }).click();
    await finishAll(page, (control) => control.click());
    await page.getByRole('main').getByRole('link', { name: 'Log it' }).click();
  });

  await test.step('logged, and the make keeps the knot that it was planned with', async () => {
    await page.getByRole('button', { name: 'Log it' }).click();
    await page.getByRole('textbox', { name: 'Cord 1, left over' }).fill('20 cm');
    await page.getByRole('textbox', { name: 'Length of the work, without the closure' }).fill('18');
    await page.getByRole('textbox', { name: 'Minutes measuring and cutting' }).fill('8');
    await page.getByRole('textbox', { name: 'Minutes tying' }).fill('32');
    await page.getByRole('textbox', { name: 'Minutes finishing' }).fill('7');
    await page.getByRole('button', { name: 'Log it' }).click();
    await expect(page.getByTestId('logged')).toBeVisible();
    const { id, piece } = await stored(server, 'With a knot');
    const origin = piece.knots![0]!.origin;
    await page.goto(`/knots/${origin}`);
    await expect(verdict(page)).toContainText('It holds', { timeout: 120_000 });
    await page.getByRole('button', { name: 'For the other hand' }).click();
    await expect(verdict(page)).toContainText('seen in the mirror', { timeout: 120_000 });
    await page.getByRole('button', { name: 'Keep the change' }).click();
    await expect(page.getByText('“Tide knot” is kept.')).toBeVisible();
    const makes = await server.get<PageView<MakeView>>(`/makes?piece=${id}`);
    const [kept] = makes.items[0]!.piece.knots!;
    const now = await server.get<KnotView>(`/knots/${origin}`);
    expect([kept!.version, now.version]).toEqual([1, 2]);
    expect(kept!.board).not.toEqual(now.value.board);
    const hand = await server.get<HandView>('/hand');
    expect(JSON.stringify(hand)).toContain(`own-knot:${origin}`);
    // The piece still has the old one, and offers the new.
    await page.goto(`/pieces/${id}/layout`);
    await page
      .getByTestId('parts-layer')
      .getByRole('button', { name: /^Knot of your own/ })
      .click();
    await page.getByRole('button', { name: 'Take it as it is now' }).click();
    await saved(page);
    const after = await stored(server, 'With a knot');
    expect(after.piece.knots!.map(({ version }) => version)).toEqual([2]);
  });
});

test('a figure-eight is drawn by keys alone, and turned in space by keys', async ({ page }) => {
  await page.goto('/knots/new');
  const board = page.getByTestId('board');
  await board.focus();
  // Where the pencil goes, by arrow keys from where it begins at the left.
  let at: Place = [-14, 0];
  const go = async ([x, y]: Place): Promise<void> => {
    const steps: [string, number][] = [
      [x > at[0] ? 'ArrowRight' : 'ArrowLeft', Math.abs(x - at[0])],
      [y > at[1] ? 'ArrowUp' : 'ArrowDown', Math.abs(y - at[1])],
    ];
    for (const [key, count] of steps) {
      for (let i = 0; i < count; i++) await page.keyboard.press(key);
    }
    at = [x, y];
    await page.keyboard.press('Enter');
  };
  const line: Place[] = [
    [-11, 0],
    [-10, 5],
    [-3, 8],
    [-4, -1],
    [-1, -3],
    [2, 0],
    [-1, 3],
    [-4, 1],
    [-5, -2],
    [-3, -5],
    [2, -6],
    [5, -3],
    [2, 3],
    [-1, 3],
    [-2, 0],
    [1, -3],
    [4, -1],
    [3, 8],
    [10, 5],
    [11, 0],
  ];
  for (const place of line) await go(place);
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('cord')).toHaveCount(1);
  const crossings = page.getByTestId('crossing');
  await expect(crossings).toHaveCount(4);
  await expect(verdict(page)).toContainText('It falls apart', { timeout: 120_000 });
  await crossings.nth(2).focus();
  await page.keyboard.press('Enter');
  await expect(verdict(page)).toContainText('It holds', { timeout: 120_000 });
  await expect(verdict(page)).toContainText('a figure-eight knot');
  const space = page.getByTestId('space');
  await space.focus();
  const before = await space.screenshot();
  for (const key of ['ArrowLeft', 'ArrowLeft', 'ArrowUp', '+']) await page.keyboard.press(key);
  await expect.poll(async () => (await space.screenshot()).equals(before)).toBe(false);
});

test('by thumb on a phone, and to WCAG 2.2 AA', async ({ browser, server, page }) => {
  const phone = await phonePage(browser, server);
  await phone.goto('/knots/new');
  const at = await onScreen(phone);
  const client = await phone.context().newCDPSession(phone);
  const touch = (type: string, place?: Place) =>
    client.send('Input.dispatchTouchEvent', {
      type: type as 'touchStart',
      touchPoints: place ? [{ x: at(place)[0], y: at(place)[1] }] : [],
    });
  await touch('touchStart', LOOPED[0]);
  for (const place of LOOPED.slice(1)) await touch('touchMove', place);
  await touch('touchEnd');
  await expect(phone.getByTestId('cord')).toHaveCount(1);
  await expect(verdict(phone)).toContainText('It falls apart', { timeout: 120_000 });
  await phone.getByTestId('crossing').nth(1).tap();
  await expect(verdict(phone)).toContainText('It holds', { timeout: 120_000 });
  expect(await widthOf(phone)).toBeLessThanOrEqual(390);
  await phone.context().close();
  for (const path of ['/knots', '/knots/new?from=overhand']) {
    await page.goto(path);
    await page.getByRole('heading', { level: 1 }).waitFor();
    if (path.includes('new'))
      await expect(verdict(page)).toContainText('It holds', { timeout: 120_000 });
    expect(await violationsIn(page, { rules: 'wcag' })).toEqual([]);
  }
});
