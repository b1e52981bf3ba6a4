import type { HandView, MakeView, PieceView, PageView } from '@coiled-strand/contract';
import { planPiece, type PieceFile, type Plan } from '@coiled-strand/core';
import { readFile } from 'node:fs/promises';
import { expect, newPiece, saved, stored, test } from '../fixtures.js';

/** The whole story of one bracelet, from a wrist to the log. */
test('from a wrist to a cut list to a logged bracelet', async ({ page, server }) => {
  await newPiece(page, 'Story');

  await test.step('Fit: a girth in any unit, the room, the sum', async () => {
    const wrist = page.getByRole('textbox', { name: 'Wrist girth, bare' });
    await wrist.fill('7 1/4');
    await wrist.press('Enter');
    await expect(wrist).toHaveValue('18.4 cm');
    await page.getByRole('radio', { name: 'Half an inch' }).click();
    await expect(page.getByRole('button', { name: /^Inside circumference/ })).toBeVisible();
    await saved(page);
    const { piece } = await stored(server, 'Story');
    expect(piece.wearer.wrist).toBeCloseTo(184.15, 6);
    expect(piece.ease).toEqual({ rule: 'half-inch' });
  });

  await test.step('Lay out: two colours, hard tension, the end moved by keys', async () => {
    await page.getByRole('link', { name: /Lay out/ }).click();
    await page.getByRole('button', { name: 'Cords', exact: true }).click();
    const single = { label: 'Single, out as core and back working' };
    await page.getByRole('combobox', { name: 'How it runs' }).selectOption(single);
    await page.getByRole('button', { name: 'Add a cord' }).click();
    await page.getByRole('combobox', { name: 'How it runs' }).nth(1).selectOption(single);
    await page
      .getByRole('combobox', { name: 'Cord, 2' })
      .selectOption({ label: 'Paracord 4 mm, moss' });
    await page.getByRole('button', { name: 'Parts', exact: true }).click();
    await page.getByRole('radio', { name: /Hard/ }).click();
    await page.getByRole('radio', { name: /Hard/ }).press('ArrowLeft');
    await expect(page.getByRole('radio', { name: /Even/ })).toBeChecked();
    const handle = page.getByRole('slider', { name: 'Length of square knots' });
    const before = Number(await handle.getAttribute('aria-valuenow'));
    await handle.focus();
    await handle.press('Shift+ArrowRight');
    await expect(handle).toHaveAttribute('aria-valuenow', String(Math.round(before + 10)));
    await expect(page.locator('[data-advice="fit.off-target"]')).toBeVisible();
    await handle.press('Home');
    await expect(page.locator('[data-advice="fit.off-target"]')).toHaveCount(0);
    await saved(page);
    expect((await stored(server, 'Story')).piece.parts[0]).toMatchObject({ length: null });
  });

  let plan: Plan | undefined;
  await test.step('Cut: the list is the core’s, rounded up, with its reasons', async () => {
    await page.getByRole('link', { name: /Cut/ }).click();
    const { piece } = await stored(server, 'Story');
    const { hand } = await server.get<HandView>('/hand');
    const result = planPiece(piece, hand);
    if (!result.ok) throw new Error('the story cannot be planned');
    plan = result;
    for (const strand of plan.strands) {
      const card = page.getByTestId(`cut-${strand.number}`);
      const inches = strand.cut / 25.4;
      expect(inches).toBeCloseTo(Math.round(inches), 6);
      await expect(card.getByTestId('cut-length')).toHaveText(
        `${Math.floor(inches / 12)} ft ${Math.round(inches % 12)} in`,
      );
      await expect(card.getByText('Reserve', { exact: true })).toBeVisible();
    }
    await expect(page.getByText(/The rule of thumb/)).toBeVisible();
    const first = await page.getByTestId('cut-length').first().textContent();
    await page.getByRole('radio', { name: '99 in 100' }).click();
    await expect(page.getByTestId('cut-length').first()).not.toHaveText(first ?? '');
    await page.keyboard.press('Control+z');
    await expect(page.getByTestId('cut-length').first()).toHaveText(first ?? '');
    await saved(page);
  });

  await test.step('Make: by space bar and tap, back again, in the database at once', async () => {
    await page.getByRole('link', { name: /Make/ }).click();
    await page.getByRole('button', { name: 'Begin making' }).click();
    await expect(page.getByText('Step 1 of')).toBeVisible();
    const steps = 6;
    for (let i = 0; i < steps; i++) await page.keyboard.press('Space');
    await expect(page.getByText('Left cord over')).toBeVisible();
    await expect(page.getByTestId('counter')).toHaveText('0');
    await page.keyboard.press('Space');
    await expect(page.getByText('Right cord over')).toBeVisible();
    await page.getByTestId('tap-area').click({ position: { x: 900, y: 60 } });
    await page.getByTestId('tap-area').click({ position: { x: 900, y: 60 } });
    await expect(page.getByTestId('counter')).toHaveText('3');
    await page.keyboard.press('Backspace');
    await expect(page.getByTestId('counter')).toHaveText('2');
    await expect(page.getByText('Left cord over')).toBeVisible();
    await expect
      .poll(async () => (await stored(server, 'Story')).make?.reached.done)
      .toBe(steps + 2);
    await page.reload();
    await expect(page.getByTestId('counter')).toHaveText('2');
    const units = plan!.parts[0]!.layout.units;
    // Two thirds are tied: it is laid round once, and gone on with.
    for (let i = 2; i < units + 2; i++) await page.keyboard.press('Space');
    await expect(page.getByText('All knots are tied')).toBeVisible();
    await page.getByRole('link', { name: 'On to finishing' }).click();
  });

  await test.step('Finish: the steps of this material, with their cautions', async () => {
    await expect(page.getByText(/Molten cord sticks to skin/)).toBeVisible();
    await expect(page.getByRole('checkbox', { name: 'Look it over' })).toBeDisabled();
    await expect(page.getByText('These stay')).toBeVisible();
    // The joint of the two cords was molten too, and has long cooled in a maker’s hands.
    await page.getByRole('button', { name: 'Stop the timer: the ends cool' }).click();
    for (const name of ['Try it on', 'Trim the ends that go', 'Singe and flatten']) {
      await page.getByRole('checkbox', { name }).click();
      await expect(page.getByRole('checkbox', { name })).toBeChecked();
    }
    // Molten ends are hot for a minute: nothing goes on before, unless the maker says so.
    const next = page.getByRole('checkbox', { name: 'Both halves face the same way' });
    await expect(next).toBeDisabled();
    await expect(page.getByRole('timer')).toContainText('Wait while the ends cool');
    await page.getByRole('button', { name: 'Stop the timer: the ends cool' }).click();
    await expect(next).toBeEnabled();
    const open = page.getByRole('checkbox', { checked: false });
    for (let left = await open.count(); left > 0; left--) {
      await open.first().click();
      await expect(open).toHaveCount(left - 1);
    }
    await page.getByRole('main').getByRole('link', { name: 'Log it' }).click();
  });

  await test.step('Log: what came out beside what was predicted', async () => {
    await page.getByRole('button', { name: 'Log it' }).click();
    await expect(page.getByText('How much was left over?').first()).toBeVisible();
    await page.getByRole('textbox', { name: 'Cord 1, left over' }).fill('9 in');
    await page.getByRole('textbox', { name: 'Cord 2, left over' }).fill('25 cm');
    await page
      .getByRole('textbox', { name: 'Length of the work, without the closure' })
      .fill('19.9');
    await page.getByRole('textbox', { name: 'Minutes measuring and cutting' }).fill('8');
    await page.getByRole('textbox', { name: 'Minutes tying' }).fill('32');
    await page.getByRole('textbox', { name: 'Minutes finishing' }).fill('7');
    await page.getByRole('radio', { name: 'Right', exact: true }).click();
    await page.getByRole('textbox', { name: /Note/ }).fill('Came out even.');
    await page.getByRole('button', { name: 'Log it' }).click();
    await expect(page.getByTestId('logged')).toContainText('in 47 minutes');
    await expect(page.getByTestId('logged')).toContainText(
      /Square knots took \d+ % (more|less) cord/,
    );
    const { id } = await stored(server, 'Story');
    const {
      items: [make],
    } = await server.get<PageView<MakeView>>(`/makes?piece=${id}`);
    expect(make?.record).toMatchObject({
      cords: [{ leftover: 228.6 }, { leftover: 250 }],
      length: 199,
      minutes: 47,
      stages: { prepare: 8, tie: 32, finish: 7 },
      worn: 'right',
      owner: 'Tobias Renn',
    });
    expect(make?.outcome?.length.predicted).toBeCloseTo(plan!.fit.length, 6);
  });
});

test('a piece goes out as a file and comes back in; a broken one is named and refused', async ({
  page,
  server,
}, info) => {
  await newPiece(page, 'Traveller');
  await page.getByRole('button', { name: 'More' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Export as a file' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('Traveller.strand.json');
  const path = info.outputPath('out.json');
  await download.saveAs(path);
  const file = JSON.parse(await readFile(path, 'utf8')) as PieceFile;
  expect(file.piece).toEqual((await stored(server, 'Traveller')).piece);

  await page.goto('/');
  await page.getByRole('button', { name: 'From a file' }).click();
  const give = (value: unknown) =>
    page.getByTestId('import-file').setInputFiles({
      name: 'edited.strand.json',
      mimeType: 'application/json',
      buffer: Buffer.from(typeof value === 'string' ? value : JSON.stringify(value)),
    });
  const count = async (): Promise<number> =>
    (await server.get<PageView<PieceView>>('/pieces')).total;
  const before = await count();
  const dialog = page.getByRole('dialog');
  await give('{ "format": ');
  await expect(dialog.getByRole('alert')).toContainText('This is not JSON');
  await give({
    ...file,
    piece: { ...file.piece, ends: 'burn', wearer: { name: 'x', wrist: '18 cm' } },
  });
  await expect(dialog.getByRole('alert')).toContainText('piece.wearer.wrist');
  await expect(dialog.getByRole('alert')).toContainText('piece.ends');
  await give({ ...file, piece: { ...file.piece, wearer: { name: 'x', wrist: 18 } } });
  await expect(dialog.getByRole('alert')).toContainText('Did you mean 18 cm');
  expect(await count()).toBe(before);
  await give({ ...file, piece: { ...file.piece, name: 'Traveller, back' } });
  await expect(page.getByRole('textbox', { name: 'Name of the piece' })).toHaveValue(
    'Traveller, back',
  );
  expect(await count()).toBe(before + 1);
});

test('the cut list prints without the bench', async ({ page }) => {
  await newPiece(page, 'On paper');
  await page.getByRole('link', { name: /Cut/ }).click();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('heading', { name: 'On paper: cut list' })).toBeVisible();
  await expect(page.getByTestId('bench')).toBeHidden();
  await expect(page.getByRole('navigation', { name: 'Stages' })).toBeHidden();
  await expect(page.getByTestId('cut-length').first()).toBeVisible();
});
