import { placesOf, runsOf, type FlossPart, type Piece } from '@coiled-strand/core';
import type { Page } from '@playwright/test';
import { expect, newPiece, saved, stored, test } from '../fixtures.js';

const STRIPES = 'A knotted band in slanting stripes';
const band = (piece: Piece): FlossPart =>
  piece.parts.find((part) => part.kind === 'knotted-floss')!;
const loom = (page: Page) => page.getByTestId('loom');
const layOut = async (page: Page): Promise<void> => {
  await page.keyboard.press('l');
  await loom(page).scrollIntoViewIfNeeded();
};

test('a knot is changed by a touch, several by a stroke, one by keys; undo goes back', async ({
  page,
  server,
}) => {
  await newPiece(page, 'On the loom', STRIPES);
  await layOut(page);
  // The first knot of the first row lies just behind the strands’ heads, between the first two.
  await loom(page).click({ position: { x: 64 + 27, y: 14 + 27 } });
  await expect(page.getByTestId('loom-status')).toContainText('Row 1 of 16, knot 1: backward');
  await page.getByRole('button', { name: /^Forward and back/ }).click();
  const box = (await loom(page).boundingBox())!;
  await page.mouse.move(box.x + 64 + 3 * 27, box.y + 14 + 27);
  await page.mouse.down();
  await page.mouse.move(box.x + 64 + 3 * 27, box.y + 14 + 5 * 27, { steps: 12 });
  await page.mouse.up();
  await saved(page);
  const { rows } = band((await stored(server, 'On the loom')).piece);
  expect(rows[0]).toBe('<>>>');
  expect(rows[2]!.startsWith(')))')).toBe(true);
  await page.getByRole('button', { name: 'Undo' }).click();
  await saved(page);
  expect(band((await stored(server, 'On the loom')).piece).rows[2]).toBe('>>>>');
  await loom(page).focus();
  await page.keyboard.press('Home');
  await page.keyboard.press('4');
  await expect(page.getByTestId('loom-status')).toContainText('backward and forth');
});

test('a colour is dragged on to a strand', async ({ page, server }) => {
  await newPiece(page, 'Dragged colour', STRIPES);
  await layOut(page);
  const chip = page.getByRole('button', { name: 'apricot', exact: true });
  // Both in sight, and neither so near an edge that the page scrolls under the drag.
  await loom(page).evaluate((e) => window.scrollBy(0, e.getBoundingClientRect().top - 240));
  const from = (await chip.boundingBox())!;
  const box = (await loom(page).boundingBox())!;
  await page.mouse.move(from.x + 20, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 30, from.y + 4, { steps: 4 });
  await page.mouse.move(box.x + 40, box.y + 14 + 13, { steps: 10 });
  await page.mouse.up();
  await saved(page);
  const { piece } = await stored(server, 'Dragged colour');
  const runs = runsOf(piece);
  expect(runs[placesOf(piece, 'knotted-floss')[0]!]!.cord.colour.name).toBe('apricot');
});

test('a picture is worked out in the worker and laid on the loom', async ({ page, server }) => {
  await newPiece(page, 'From a picture', STRIPES);
  await layOut(page);
  const picture = await page.evaluate(() => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [48, 22];
    const ctx = canvas.getContext('2d')!;
    ctx.fillStyle = '#2f3a66';
    ctx.fillRect(0, 0, 48, 22);
    ctx.fillStyle = '#e7a06c';
    ctx.fillRect(12, 0, 12, 22);
    return canvas.toDataURL('image/png').split(',')[1]!;
  });
  await page.getByRole('button', { name: 'From a picture' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByTestId('picture-file').setInputFiles({
    name: 'broken.png',
    mimeType: 'image/png',
    buffer: Buffer.from('no picture'),
  });
  await expect(dialog.getByRole('alert')).toContainText('not a picture that can be read');
  await dialog.getByTestId('picture-file').setInputFiles({
    name: 'block.png',
    mimeType: 'image/png',
    buffer: Buffer.from(picture, 'base64'),
  });
  await expect(dialog).toContainText('24 rows of 11 knots');
  await dialog.getByRole('button', { name: 'Lay it on the loom' }).click();
  await saved(page);
  const { piece } = await stored(server, 'From a picture');
  expect(runsOf(piece)).toHaveLength(12);
  expect(band(piece).lay).toBe('leader');
  expect(band(piece).rows.filter((row) => row === '|'.repeat(11))).toHaveLength(6);
  // A strand’s whole cut list follows.
  await page.keyboard.press('c');
  await expect(page.getByTestId('cut-1')).toContainText('Knots it ties');
  await page.getByRole('radio', { name: /All as long as the longest/ }).click();
  await saved(page);
  expect((await stored(server, 'From a picture')).piece.cutting.equal).toBe(true);
});

test('a band is tied strand by strand, and a wrong knot is gone back to', async ({ page }) => {
  await newPiece(page, 'Tied wrong', 'A knotted band in chevrons');
  await page.keyboard.press('m');
  await page.getByRole('button', { name: 'Begin making' }).click();
  await expect(page.getByText('Step 1 of')).toBeVisible();
  while (!(await page.getByTestId('counter').isVisible())) await page.keyboard.press('Space');
  for (let i = 0; i < 12; i++) await page.keyboard.press('Space');
  await expect(page.getByTestId('counter')).toHaveText('12');
  await expect(page.getByTestId('tap-area')).toContainText(/Row \d+: strand \d/);
  await expect(page.getByRole('img', { name: /^Next: Row/ })).toBeVisible();
  await page.getByRole('button', { name: 'I tied the wrong one' }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^9\s*Row/ })
    .click();
  await expect(page.getByTestId('counter')).toHaveText('8');
});
