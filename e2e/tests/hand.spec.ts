import type { HandView, MakeView, PageView } from '@coiled-strand/contract';
import type { Page } from '@playwright/test';
import { Buffer } from 'node:buffer';
import { expect, newPiece, stored, test, type Running } from '../fixtures.js';

/** A photo of one pixel. */
const PIXEL = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==',
  'base64',
);

/** Makes a piece without the hands: begun, gone through, and logged at the server. */
async function loggedMake(page: Page, server: Running, name: string): Promise<MakeView> {
  await newPiece(page, name);
  const { id } = await stored(server, name);
  const make = (await (
    await page.request.post(`/api/pieces/${id}/makes`, { data: {} })
  ).json()) as MakeView;
  const answer = await page.request.put(`/api/makes/${make.id}/log`, {
    data: {
      cords: [{ cut: 3400, leftover: 260 }],
      length: 205,
      minutes: 50,
      stages: { prepare: 10, tie: 34, finish: 6 },
      owner: 'Ines Varga',
      note: 'Tied by the stove.',
    },
  });
  return (await answer.json()) as MakeView;
}

test('a logged make changes the next cut list, which says so; set aside, it does not', async ({
  page,
  server,
}) => {
  await newPiece(page, 'Learns');
  await page.keyboard.press('c');
  // What the hand is known for has come by then.
  await page.waitForLoadState('networkidle');
  const cut = page.getByTestId('cut-length').first();
  const before = await cut.textContent();
  await loggedMake(page, server, 'Teacher');
  await page.goto('/hand');
  const lesson = page.getByTestId('lesson').filter({ hasText: 'Square knots in paracord' }).first();
  await expect(lesson).toContainText('cord for each half knot');
  await expect(page.getByRole('img', { name: /Predicted and actual cord of/ })).toBeVisible();
  const { id } = await stored(server, 'Learns');
  await page.goto(`/pieces/${id}/cut`);
  await expect(
    page.getByText(/your hand takes .* than the model, measured \d+ times/).first(),
  ).toBeVisible();
  await expect(cut).not.toHaveText(before ?? '');

  await page.goto('/hand');
  await lesson.getByRole('button', { name: /by \d+ measurements/ }).click();
  await page.getByRole('button', { name: 'Set Teacher, make 1 aside' }).click();
  await page.getByRole('textbox', { name: 'Why it does not count' }).fill('Tied for a test');
  await page.getByRole('button', { name: 'Set it aside' }).click();
  await expect(page.getByTestId('set-aside')).toContainText('Tied for a test');
  await page.goto(`/pieces/${id}/cut`);
  await expect(cut).toHaveText(before ?? '');
});

test('a swatch is tied, measured, and known', async ({ page, server }) => {
  await page.goto('/hand');
  await page.getByRole('button', { name: 'Measure a swatch' }).click();
  const dialog = page.getByRole('dialog', { name: 'A swatch' });
  await dialog.getByRole('combobox', { name: 'Technique' }).selectOption('plait');
  await dialog.getByRole('combobox', { name: 'Cord', exact: true }).selectOption({ index: 10 });
  const fill = async (name: string, text: string): Promise<void> => {
    const field = dialog.getByRole('textbox', { name, exact: true });
    await field.fill(text);
    await field.press('Enter');
  };
  await fill('Length of the crossings', '6 cm');
  await fill('Cord before', '60 cm');
  await fill('Cord after', '80 cm');
  await expect(dialog).toContainText('there must be less cord than before');
  await expect(dialog.getByRole('button', { name: 'Keep the swatch' })).toBeDisabled();
  await fill('Cord after', '38 cm');
  await expect(dialog).toContainText('cord for each crossing');
  await dialog.getByRole('button', { name: 'Keep the swatch' }).click();
  await expect(page.getByTestId('lesson').filter({ hasText: 'Plait in hemp' })).toBeVisible();
  const known = async (): Promise<number | undefined> =>
    (await server.get<HandView>('/hand')).lessons.find((one) => one.technique === 'plait')?.after
      .rests;
  expect(await known()).toBe(1);
  const lesson = page.getByTestId('lesson').filter({ hasText: 'Plait in hemp' });
  await lesson.getByRole('button', { name: /by 1 measurement/ }).click();
  await lesson.getByRole('button', { name: /^Discard / }).click();
  await expect(lesson).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(lesson).toBeVisible();
  expect(await known()).toBe(1);
});

test('the book is searched, and a make leads back to its log', async ({ page, server }) => {
  await loggedMake(page, server, 'In the book');
  await page.goto('/book');
  const pages = page.getByTestId('book-page');
  await expect(pages.filter({ hasText: 'Meridian, make 1' })).toBeVisible();
  await page.getByRole('searchbox').fill('stove ines');
  await expect(pages.first()).toContainText('Tied by the stove.');
  await expect(page).toHaveURL(/q=stove/);
  await expect(pages.filter({ hasText: 'Meridian' })).toHaveCount(0);
  await page.getByRole('combobox', { name: 'State' }).selectOption({ label: 'Under way' });
  await expect(pages).toHaveCount(0);
  await page.getByRole('combobox', { name: 'State' }).selectOption({ label: 'Finished' });
  const entry = pages.filter({ hasText: 'In the book' });
  const { id } = await stored(server, 'In the book');
  await page.request.delete(`/api/pieces/${id}`);
  await page.reload();
  await expect(entry).toContainText('The piece has been put away.');
  await entry.getByRole('button', { name: 'Bring it back' }).click();
  await entry.getByRole('link').click();
  await expect(page.getByTestId('logged')).toContainText('Ines Varga has it.');
});

test('a log is mended, given a photo, made again, and made into a new piece', async ({
  page,
  server,
}) => {
  const first = await loggedMake(page, server, 'Again');
  await page.goto(`/pieces/${first.pieceId}/log`);
  await page.getByRole('button', { name: 'Correct the log' }).click();
  const file = page.getByTestId('photo-file');
  await file.setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('x') });
  await expect(page.getByRole('alert')).toContainText('not a JPEG, PNG or WebP picture');
  await file.setInputFiles({
    name: 'huge.png',
    mimeType: 'image/png',
    buffer: Buffer.alloc(5_200_000),
  });
  await expect(page.getByRole('alert')).toContainText('up to 5 MB');
  await file.setInputFiles({ name: 'one.png', mimeType: 'image/png', buffer: PIXEL });
  await expect(page.getByRole('img', { name: 'Again, make 1, photo 1' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove photo 1' }).click();
  await expect(page.getByRole('img', { name: 'Again, make 1, photo 1' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('img', { name: 'Again, make 1, photo 1' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Who has it' }).fill('The gift table');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByTestId('logged')).toContainText('The gift table has it.');
  await expect(page.getByTestId('logged').getByRole('img')).toBeVisible();

  await page.getByRole('button', { name: 'Make it again' }).click();
  await expect(page.getByText('Step 1 of')).toBeVisible();
  const { items: makes } = await server.get<PageView<MakeView>>(`/makes?piece=${first.pieceId}`);
  expect(makes.map((make) => make.number)).toEqual([2, 1]);
  expect(makes[0]?.piece).toEqual(first.piece);

  await page.goto(`/pieces/${first.pieceId}/log`);
  await page.getByRole('button', { name: 'A new piece from its plan' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the piece' })).toHaveValue(
    'Again, changed',
  );
  expect((await stored(server, 'Again, changed')).piece.parts).toEqual(first.piece.parts);
});
