import { expect, newPiece, saved, stored, test } from '../fixtures.js';

test('the end of the band is dragged, and everything follows; undo takes one step back', async ({
  page,
  server,
}) => {
  await newPiece(page, 'Dragged');
  const handle = page.getByRole('slider', { name: 'Length of square knots' });
  const bench = page.getByTestId('bench');
  const scale = Number(await bench.getAttribute('data-scale'));
  const before = Number(await handle.getAttribute('aria-valuenow'));
  const cutBefore = await page.getByRole('link', { name: /^Cut/ }).textContent();
  const box = (await handle.boundingBox())!;
  const x = box.x + box.width / 2;
  const y = box.y + box.height / 2;
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 20; i++) await page.mouse.move(x - i * 4, y);
  await page.mouse.up();
  const moved = Number(await handle.getAttribute('aria-valuenow'));
  expect(before - moved).toBeGreaterThan(80 / scale - 2);
  expect(await page.getByRole('link', { name: /^Cut/ }).textContent()).not.toBe(cutBefore);
  await saved(page);
  const [part] = (await stored(server, 'Dragged')).piece.parts;
  expect(part?.kind === 'square-knot-sinnet' && part.length).toBeCloseTo(moved, 0);

  // The core on the bench is as long as it says, at the scale it says.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(handle).toHaveAttribute('aria-valuenow', String(before));
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(handle).toHaveAttribute('aria-valuenow', String(moved));
  await expect(page.getByRole('button', { name: 'Redo' })).toBeDisabled();
});

test('the drawing is true to scale, also at real size against a bank card', async ({ page }) => {
  await newPiece(page, 'True');
  await page.getByRole('button', { name: 'Settings' }).click();
  const slider = page.getByRole('slider', { name: 'Size of the sample' });
  await slider.fill('4.5');
  const card = (await page.getByTestId('real-size-sample').boundingBox())!;
  expect(card.width / card.height).toBeCloseTo(85.6 / 53.98, 1);
  expect(card.width).toBeCloseTo(85.6 * 4.5, 0);
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Real size' }).click();
  const bench = page.getByTestId('bench');
  await expect(bench).toHaveAttribute('data-scale', '4.5');
  const length = Number(
    await page
      .getByRole('slider', { name: 'Length of square knots' })
      .getAttribute('aria-valuenow'),
  );
  const core: number[] = await page
    .locator('[data-part=square-knot-sinnet].cord-laid path')
    .evaluateAll((paths) =>
      paths
        .filter((p) => (p.getAttribute('d')?.match(/[ML]/g) ?? []).length === 2)
        .map((p) => p.getBoundingClientRect().width),
    );
  // Straight core runs, bar to bar.
  expect(Math.max(...core)).toBeCloseTo(length * 4.5, -0.5);
});

test('closed round the wrist it names girth, room and thickness', async ({ page }) => {
  await newPiece(page, 'Round');
  await page.keyboard.press('v');
  const view = page.getByTestId('closed-view');
  await expect(view).toHaveAttribute(
    'aria-label',
    /Wrist 18.3 cm, Room all round 0.4 cm, Inside 20.8 cm, Thickness 1.1 cm/,
  );
  await page.keyboard.press('v');
  await expect(page.getByTestId('bench')).toBeVisible();
});

test('zoom and stages by keys; the keys are listed on “?”', async ({ page }) => {
  await newPiece(page, 'Keys');
  const bench = page.getByTestId('bench');
  const whole = Number(await bench.getAttribute('data-scale'));
  await page.keyboard.press('+');
  await expect
    .poll(async () => Number(await bench.getAttribute('data-scale')))
    .toBeCloseTo(whole * 1.3, 3);
  await page.keyboard.press('0');
  await expect.poll(async () => Number(await bench.getAttribute('data-scale'))).toBe(whole);
  await page.keyboard.press('c');
  await expect(page).toHaveURL(/\/cut$/);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('l');
  await expect(page).toHaveURL(/\/layout$/);
});

test('the bench is zoomed by wheel about the pointer and moved by dragging', async ({ page }) => {
  await newPiece(page, 'Zoomed');
  const bench = page.getByTestId('bench');
  const box = (await bench.boundingBox())!;
  const scale = async (): Promise<number> => Number(await bench.getAttribute('data-scale'));
  const whole = await scale();
  const nought = () =>
    page.locator('.ruler text', { hasText: /^0$/ }).getAttribute('x').then(Number);
  const at = await nought();
  await page.mouse.move(box.x + at, box.y + 200);
  await page.keyboard.down('Control');
  await page.mouse.wheel(0, -120);
  await page.keyboard.up('Control');
  await expect.poll(scale).toBeGreaterThan(whole * 1.05);
  // What was under the pointer still is.
  expect(Math.abs((await nought()) - at)).toBeLessThan(3);
  const before = await nought();
  await page.mouse.move(box.x + 600, box.y + 80);
  await page.mouse.down();
  await page.mouse.move(box.x + 700, box.y + 80, { steps: 5 });
  await page.mouse.up();
  await expect.poll(async () => (await nought()) - before).toBeGreaterThan(80);
  await page.keyboard.press('0');
  await expect.poll(scale).toBe(whole);
});

test('a length that can be read two ways is asked about, and an impossible one is named', async ({
  page,
}) => {
  await newPiece(page, 'Asked');
  const wrist = page.getByRole('textbox', { name: 'Wrist girth, bare' });
  await wrist.fill('7 5');
  await wrist.press('Enter');
  await expect(page.getByText('may be two lengths or one')).toBeVisible();
  await page.getByRole('button', { name: '7.5 cm' }).click();
  await expect(page.locator('[data-advice="measure.implausible"]')).toContainText(
    'cannot be right',
  );
  await expect(page.getByTestId('bench')).toBeVisible();
  await wrist.fill('7.5 in');
  await wrist.press('Enter');
  await expect(page.locator('[data-advice]')).toHaveCount(0);
  await expect(wrist).toHaveValue('19.1 cm');
});

test('a cord that is not on the list is entered and kept', async ({ page, server }) => {
  await newPiece(page, 'Own cord');
  await page.getByRole('link', { name: /Lay out/ }).click();
  await page.getByRole('button', { name: 'Cords', exact: true }).click();
  await page.getByRole('button', { name: 'Enter another' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Use this cord' }).click();
  await expect(dialog.getByText('Give it a name.')).toBeVisible();
  await dialog.getByRole('textbox', { name: 'Name' }).fill('Thick hemp');
  await dialog.getByRole('combobox', { name: 'Kind' }).selectOption('hemp');
  await dialog.getByRole('textbox', { name: 'Diameter' }).fill('1/8 in');
  await dialog.getByRole('textbox', { name: 'Colour, in words' }).fill('straw');
  await dialog.getByRole('button', { name: 'Use this cord' }).click();
  await expect(page.locator('[data-advice="ends.flame"]')).toContainText('burns in a flame');
  await saved(page);
  expect((await stored(server, 'Own cord')).piece.strands[0]?.cord).toMatchObject({
    name: 'Thick hemp',
    kind: 'hemp',
    diameter: 3.175,
  });
});

test('a lariat is folded in rows, its long plain stretch broken, and seen on a neck', async ({
  page,
}) => {
  await newPiece(page, 'Long and thin', 'A lariat');
  await page.getByRole('link', { name: /^Lay out/ }).click();
  const bench = page.getByTestId('bench');
  const scale = async (): Promise<number> => Number(await bench.getAttribute('data-scale'));
  const whole = await scale();
  await page.getByRole('button', { name: 'Folded in rows' }).click();
  await expect.poll(scale).toBeGreaterThan(2 * whole);
  await expect(page.getByText(/^Plain cord goes on from .* to .*$/)).toBeVisible();
  // What is broken out is marked with the part that goes on there.
  const told = page.getByTestId('told-row');
  await expect(told).not.toHaveAttribute('data-selected');
  await page.getByRole('button', { name: /^Plain cord, part \d+ of 21, \d{2,}/ }).focus();
  await page.keyboard.press('Enter');
  await expect(told).toHaveAttribute('data-selected', 'true');
  // Each part is there once, and is taken hold of where it lies: the last by the keys, in the last row.
  const parts = page.getByRole('button', { name: /, part \d+ of 21, / });
  await expect(parts).toHaveCount(21);
  await parts.first().focus();
  await page.keyboard.press('End');
  await expect(parts.last()).toBeFocused();
  const box = (await parts.last().boundingBox())!;
  const top = (await bench.boundingBox())!;
  expect(box.y).toBeGreaterThan(top.y + top.height - 1);
  // A bead of the first row is dragged to the last one.
  const bead = page.getByRole('button', { name: /^Beads, part 2 of 21/ });
  await bead.click();
  const from = (await bead.boundingBox())!;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + 60, box.y, { steps: 4 });
  await page.mouse.move(box.x + box.width + 40, box.y + box.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByRole('button', { name: /^Beads, part 21 of 21/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('2');
  await expect.poll(scale).toBe(whole);

  await page.getByRole('button', { name: 'Worn' }).click();
  const hanging = page.getByTestId('hanging-view');
  await expect(hanging).toHaveAttribute('aria-label', /below the hollow of the neck/);
  await expect(hanging).toHaveAttribute('aria-label', /Reaches down to/);
});
