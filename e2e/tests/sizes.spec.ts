import type { PageView, PieceView } from '@coiled-strand/contract';
import { clearBench, expect, newPiece, stored, test, widthOf } from '../fixtures.js';
import { violationsIn } from '../accessible.js';

test.afterAll(({ server }) => clearBench(server));

test('one design in several sizes: side by side, as a piece, for a kit and for an order', async ({
  page,
  server,
}) => {
  await newPiece(page, 'For many');
  const { id } = await stored(server, 'For many');
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'In other sizes' }).click();
  await expect(page.getByRole('heading', { name: 'For many, in sizes' })).toBeVisible();
  const table = page.getByRole('region', { name: 'Sizes side by side' });
  await expect(table.getByRole('columnheader')).toHaveCount(1);
  await page.getByText('Ines Varga', { exact: true }).click();
  await page.getByText('A run: small, medium, large').click();
  await expect(table.getByRole('columnheader')).toHaveCount(5);
  const knots = table.getByRole('row', { name: /^half knots/ }).getByRole('cell');
  const counts = (await knots.allTextContents()).map(Number);
  expect(counts).toHaveLength(5);
  expect(counts[2]!).toBeLessThan(counts[4]!);
  const small = page.getByRole('textbox', { name: 'Small: wrist' });
  // Much smaller: what is learnt of the hand may come in between, and makes knots longer or shorter.
  await small.fill('11 cm');
  await small.press('Enter');
  await expect.poll(async () => Number(await knots.nth(2).textContent())).toBeLessThan(counts[2]!);
  expect(await violationsIn(page)).toEqual([]);
  await page.setViewportSize({ width: 390, height: 844 });
  await expect.poll(() => widthOf(page)).toBeLessThanOrEqual(390);
  await page.setViewportSize({ width: 1280, height: 800 });

  await page.getByRole('link', { name: 'Plan a kit of these' }).click();
  const kit = page.getByRole('dialog', { name: 'Plan a kit' });
  await expect(kit.getByRole('combobox', { name: 'Piece' })).toHaveValue(id);
  await expect(kit.getByRole('checkbox', { name: /^Ines Varga/ })).toBeChecked();
  await page.goBack();
  await page.getByRole('link', { name: 'Take in an order of these' }).click();
  await expect(page.getByRole('heading', { name: 'New order' })).toBeVisible();
  await expect(page.getByRole('textbox', { name: /size/i })).toHaveCount(5);
  await page.goBack();

  const before = (await server.get<PageView<PieceView>>('/pieces')).total;
  await table.getByRole('button', { name: 'Make it a piece' }).first().click();
  await expect(page.getByRole('textbox', { name: 'Name of the piece' })).toHaveValue(
    'For many, Ines Varga',
  );
  expect((await server.get<PageView<PieceView>>('/pieces')).total).toBe(before + 1);
});

test('a piece is duplicated, and stays as it is', async ({ page, server }) => {
  await newPiece(page, 'The first');
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the piece' })).toHaveValue(
    'The first, copy',
  );
  const [first, copy] = [
    await stored(server, 'The first'),
    await stored(server, 'The first, copy'),
  ];
  expect(copy.id).not.toBe(first.id);
  expect({ ...copy.piece, name: '' }).toEqual({ ...first.piece, name: '' });
});
