import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { clearBench, expect, newPiece, test } from '../fixtures.js';
import { violationsIn } from '../accessible.js';

test.afterAll(({ server }) => clearBench(server));

/** The file that a button gives, as far as its first bytes. */
async function saved(page: Page, button: string | RegExp): Promise<{ name: string; file: Buffer }> {
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: button }).click();
  const download = await coming;
  return { name: download.suggestedFilename(), file: readFileSync(await download.path()) };
}

test('a piece goes on paper: strip, booklet, cut list and labels', async ({ page }) => {
  await newPiece(page, 'On paper');
  await page.getByRole('button', { name: 'More' }).press('Enter');
  await expect(page.getByRole('menuitem', { name: 'Put on paper' })).toBeVisible();
  await expect(page.getByRole('menu')).toBeFocused();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: 'On paper on paper or as a file' });
  await expect(dialog).toBeVisible();
  expect(await violationsIn(page, { within: '[role=dialog]' })).toEqual([]);
  const strip = await saved(page, 'Save as PDF');
  expect(strip.name).toBe('On-paper-Strip.pdf');
  expect(strip.file.subarray(0, 5).toString()).toBe('%PDF-');
  await expect(dialog.getByText('On-paper-Strip.pdf is saved.')).toBeVisible();
  for (const [what, name] of [
    ['Booklet', 'On-paper-Booklet.pdf'],
    ['Cut list', 'On-paper-Cut-list.pdf'],
    ['Labels for the cords', 'On-paper-Labels-for-the-cords.pdf'],
    ['Label with a code', 'On-paper-Label-with-a-code.pdf'],
  ] as const) {
    await dialog.getByRole('radio', { name: new RegExp(`^${what}`, 'u') }).check({ force: true });
    const one = await saved(page, 'Save as PDF');
    expect(one.name).toBe(name);
    expect(one.file.length).toBeGreaterThan(5000);
  }
  for (const [what, name, begins] of [
    ['Table of cuts', 'On-paper-Table-of-cuts.csv', '\ufeffnumber,for'],
    ['Drawing', 'On-paper.svg', '<?xml'],
  ] as const) {
    await dialog.getByRole('radio', { name: new RegExp(`^${what}`, 'u') }).check({ force: true });
    const one = await saved(page, 'Save it');
    expect(one.name).toBe(name);
    await expect(dialog.getByText(`${name} is saved.`)).toBeVisible();
    expect(one.file.toString('utf8').startsWith(begins)).toBe(true);
  }
  await dialog.getByLabel('Of', { exact: true }).selectOption('closed');
  expect((await saved(page, 'Save it')).name).toBe('On-paper-closed.svg');
  await dialog.getByRole('radio', { name: /^Label with a code/u }).check({ force: true });
  // A code is of use only where a phone can reach the program.
  await expect(dialog.getByText(/this machine alone/u)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
});

test('the cut list offers itself on paper, and on the paper that was chosen last', async ({
  page,
}) => {
  await newPiece(page, 'Letter');
  await page.getByRole('link', { name: /^Cut/u }).click();
  await page.getByRole('button', { name: 'Put it on paper' }).click();
  await page.getByLabel('Paper', { exact: true }).selectOption('letter');
  const { file } = await saved(page, 'Save as PDF');
  // 8 1/2 inches in points.
  expect(file.toString('latin1')).toMatch(/\/MediaBox \[0 0 612(?:\.\d+)? 792/u);
  await page.reload();
  await page.getByRole('button', { name: 'Put it on paper' }).click();
  await expect(page.getByLabel('Paper', { exact: true })).toHaveValue('letter');
});

test('the stash has labels that open each lot, and is had as a table', async ({ page }) => {
  await page.goto('/stash');
  await expect(page.getByTestId('lot').first()).toBeVisible();
  const { name, file } = await saved(page, 'Labels');
  expect(name).toBe('Labels-for-the-stash.pdf');
  expect(file.length).toBeGreaterThan(10_000);
  await expect(
    page.getByText(/^Labels-for-the-stash.pdf is saved. .*this machine alone/u),
  ).toBeVisible();
  const table = await saved(page, 'Save as CSV');
  expect(table.name).toBe('Stash.csv');
  await expect(page.getByText('Stash.csv is saved.')).toBeVisible();
  const shown = await page.getByTestId('lot').count();
  expect(table.file.toString('utf8').trim().split('\r\n').length).toBeGreaterThan(shown);
  await page.getByTestId('lot').first().getByRole('link').click();
  const one = await saved(page, 'Label');
  expect(one.file.subarray(0, 5).toString()).toBe('%PDF-');
});

test('the book of makes and the hand are had as tables, whole', async ({ page }) => {
  await page.goto('/book');
  const book = await saved(page, 'Save as CSV');
  const rows = book.file.toString('utf8').trim().split('\r\n');
  const total = Number(/^\d+/u.exec(await page.getByText(/^\d+ makes?$/u).innerText())![0]);
  expect(rows).toHaveLength(total + 1);
  await page.goto('/hand');
  const hand = await saved(page, 'Save as CSV');
  expect(hand.name).toBe('Hand.csv');
  expect(hand.file.toString('utf8')).toContain('factor');
});
