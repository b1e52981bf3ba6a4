import { clearBench, expect, newPiece, test, widthOf } from '../fixtures.js';
import { violationsIn } from '../accessible.js';

test.afterAll(({ server }) => clearBench(server));

test('a technique is found, looked at, tied along by keys, and measured', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Knot book' }).click();
  await page.getByRole('searchbox', { name: 'Search' }).fill('half knot core');
  await page.getByRole('link', { name: /^Square knots/ }).click();
  await expect(page.getByRole('heading', { name: 'Square knots', level: 1 })).toBeVisible();
  // By the model, and as this maker's makes tell.
  await expect(page.getByRole('heading', { name: 'In your hand' })).toBeVisible();
  await expect(page.getByText(/20 half knots, one every/)).toHaveCount(2);
  const practice = page.getByTestId('practice');
  await expect(practice.getByText(/half knot 1 of 20, from the left/)).toBeVisible();
  await page.keyboard.press('Space');
  await expect(practice.getByText(/half knot 2 of 20, from the right/)).toBeVisible();
  await page.keyboard.press('Backspace');
  await expect(practice.getByText(/half knot 1 of 20/)).toBeVisible();
  for (let i = 0; i < 19; i++) await page.keyboard.press('Space');
  await expect(practice.getByText(/half knot 20 of 20/)).toBeVisible();
  await expect(practice.getByRole('button', { name: 'Once more from the start' })).toBeVisible();
  expect(await violationsIn(page)).toEqual([]);

  for (let i = 1; i <= 3; i++) {
    await page.getByRole('button', { name: 'Measure a swatch' }).click();
    const dialog = page.getByRole('dialog', { name: 'A swatch' });
    await expect(dialog.getByRole('combobox', { name: 'Technique' })).toHaveValue(
      'square-knot-sinnet',
    );
    for (const [field, words] of [
      [/Length of the half knots/, `${14 + i / 10} cm`],
      ['Cord before', '250 cm'],
      ['Cord after', `${117 + i} cm`],
    ] as const) {
      await dialog.getByRole('textbox', { name: field }).fill(words);
      await dialog.getByRole('textbox', { name: field }).press('Enter');
    }
    await dialog.getByRole('button', { name: 'Keep the swatch' }).click();
    await expect(dialog).toHaveCount(0);
  }
  await expect(page.getByText(/Your 3 swatches lie .* apart/).first()).toBeVisible();
});

test('it is reached from the part on the bench and from the step of a make; it fits a phone', async ({
  page,
}) => {
  await newPiece(page, 'Leads to the book');
  await page.keyboard.press('l');
  await page.getByRole('link', { name: 'In the knot book' }).click();
  await expect(page.getByRole('heading', { name: 'Square knots', level: 1 })).toBeVisible();
  await page.goBack();
  await page.keyboard.press('m');
  await page.getByRole('button', { name: 'Begin making' }).click();
  await expect(page.getByText('Step 1 of')).toBeVisible();
  for (let i = 0; i < 6; i++) await page.keyboard.press('Space');
  await page.getByRole('link', { name: 'Square knots in the knot book' }).click();
  await expect(page.getByRole('heading', { name: 'Square knots', level: 1 })).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  for (const id of ['coiled-slider', 'singe', 'own-knot', '']) {
    await page.goto(`/knot-book/${id}`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expect.poll(() => widthOf(page)).toBeLessThanOrEqual(390);
    expect(await violationsIn(page)).toEqual([]);
  }
  await page.goto('/knot-book/zeppelin-bend');
  await expect(page.getByRole('heading', { name: 'Nothing here' })).toBeVisible();
});
