import { readFileSync } from 'node:fs';
import type { BeadView, PageView, PieceView } from '@coiled-strand/contract';
import type { Locator, Page } from '@playwright/test';
import { clearBench, expect, newPiece, stored, test, widthOf } from '../fixtures.js';
import { violationsIn } from '../accessible.js';

test.afterAll(({ server }) => clearBench(server));

interface Handed {
  readonly name: string;
  readonly type: string;
  readonly text: string;
}

/** Lets go of a file somewhere over the page, as the desktop does. A picture is a square on a ground. */
const drop = (page: Page, handed: Handed): Promise<void> =>
  page.evaluate(async ({ name, type, text }) => {
    const canvas = new OffscreenCanvas(12, 12);
    const pen = canvas.getContext('2d')!;
    pen.fillStyle = '#2b4a6f';
    pen.fillRect(0, 0, 12, 12);
    pen.fillStyle = '#b3324a';
    pen.fillRect(3, 3, 6, 6);
    const what = type.startsWith('image/') ? await canvas.convertToBlob({ type }) : text;
    const dataTransfer = new DataTransfer();
    dataTransfer.items.add(new File([what], name, { type }));
    for (const kind of ['dragenter', 'dragover', 'drop']) {
      const event = new DragEvent(kind, { dataTransfer, bubbles: true, cancelable: true });
      document.body.dispatchEvent(event);
    }
  }, handed);

const paste = (page: Page, text: string): Promise<void> =>
  page.evaluate((words) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', words);
    const event = new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true });
    document.body.dispatchEvent(event);
  }, text);

const dialogOf = (page: Page, name: string | RegExp): Locator => page.getByRole('dialog', { name });

const PATTERN = 'strands: A B B A\nA = #b3324a Brick\nB = #2b4a6f Tide\n> <\n >\n> <\n >\n';

test('a table dropped anywhere is looked at row by row, and what is good goes on to a list', async ({
  page,
  server,
}) => {
  await page.goto('/book');
  await expect(page.getByRole('heading', { name: 'Book of makes' })).toBeVisible();
  await drop(page, {
    name: 'clay.csv',
    type: 'text/csv',
    text: 'Name;Shape;Size (cm);Hole;Colour;Supplier\nClay;round;0,8;1,5 mm;terracotta;x\nStar;star;8;1;sand;y\n;round;0,8;1;sand;\n',
  });
  const dialog = dialogOf(page, 'A table for your lists');
  await expect(dialog.getByText('1 can be taken, 2 cannot be read.')).toBeVisible();
  await expect(dialog.getByText('Not read: Supplier.')).toBeVisible();
  await expect(dialog.getByRole('row', { name: /^3 Star/ })).toContainText('“star” is none of');
  await expect(dialog.getByRole('row', { name: /^4/ })).toContainText('Name is not told.');
  expect(await violationsIn(page, { within: '[role=dialog]' })).toEqual([]);
  await dialog.getByRole('button', { name: 'Put 1 bead on the list' }).click();
  await expect(page.getByRole('heading', { name: 'Your lists' })).toBeVisible();
  const clay = page.getByTestId('thing').filter({ hasText: 'Clay' });
  await expect(clay).toContainText('round, 8 mm, hole 1.5 mm, terracotta');
  const beads = await server.get<BeadView[]>('/beads');
  expect(beads.at(-1)?.value).toMatchObject({ name: 'Clay', length: 8, height: 8, hole: 1.5 });

  // What was saved as a table is known again, word for word.
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  const saved = readFileSync(await (await coming).path(), 'utf8');
  await drop(page, { name: 'Beads.csv', type: 'text/csv', text: saved });
  await expect(dialog.getByText(`${beads.length} are on the list already`)).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Nothing to take' })).toBeDisabled();
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Take Clay off the list' }).click();
  const asking = dialogOf(page, 'Take Clay off the list?');
  await expect(asking.getByText('No piece, lot or kit has to do with this bead.')).toBeVisible();
  await asking.getByRole('button', { name: 'Take it off' }).click();
  await expect(clay).toHaveCount(0);
});

test('what uses a thing is told before it goes; the lists fit a phone and can be used by all', async ({
  page,
}) => {
  await page.goto('/lists?list=wearers');
  await page.getByRole('button', { name: 'Take Ines Varga off the list' }).click();
  const asking = dialogOf(page, 'Take Ines Varga off the list?');
  await expect(asking.getByText(/keep their copy/)).toBeVisible();
  await expect(asking.getByRole('link').first()).toBeVisible();
  await asking.getByRole('button', { name: 'Cancel' }).click();
  await page.getByRole('searchbox', { name: 'Search' }).fill('renn');
  await expect(page.getByTestId('thing')).toHaveCount(1);
  // Emptied, and another list asked for before anything is drawn anew: both count.
  await page.getByRole('searchbox', { name: 'Search' }).evaluate((box: HTMLInputElement) => {
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(box, '');
    box.dispatchEvent(new Event('input', { bubbles: true }));
    const [beads] = [...document.querySelectorAll('button')].filter(
      ({ textContent }) => textContent === 'Beads',
    );
    beads!.click();
  });
  await expect(page).toHaveURL(/\/lists\?list=beads$/);
  for (const list of ['Cords', 'Beads', 'Findings', 'Wearers']) {
    await page.getByRole('button', { name: list, exact: true }).click();
    await expect(page.getByTestId('thing').first()).toBeVisible();
    expect(await violationsIn(page)).toEqual([]);
  }
  await page.setViewportSize({ width: 390, height: 844 });
  await expect.poll(() => widthOf(page)).toBeLessThanOrEqual(390);
});

test('a pattern dropped on the loom is laid there; dropped elsewhere it becomes a piece', async ({
  page,
  server,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New piece' }).waitFor();
  await drop(page, { name: 'mine.band.txt', type: 'text/plain', text: PATTERN });
  const asking = dialogOf(page, 'A pattern for a band');
  await expect(asking.getByText(/4 rows on 4 strands/)).toBeVisible();
  await asking.getByRole('button', { name: 'Make a piece of it' }).click();
  await expect(page.getByTestId('loom')).toBeVisible();
  const band = async () =>
    (await stored(server, 'A knotted band')).piece.parts.find(
      (part) => part.kind === 'knotted-floss',
    );
  expect(await band()).toMatchObject({ rows: ['><', '>', '><', '>'] });

  await drop(page, { name: 'x.txt', type: 'text/plain', text: PATTERN.replace('> <\n', '< >\n') });
  const text = dialogOf(page, 'The pattern as text');
  await expect(text.getByTestId('text-preview')).toBeVisible();
  await text.getByRole('button', { name: 'Lay it on the loom' }).click();
  await expect.poll(band).toMatchObject({ rows: ['<>', '>', '><', '>'] });

  // A picture asks whether it is woven or kept.
  await drop(page, { name: 'dots.png', type: 'image/png', text: '' });
  const picture = dialogOf(page, 'What is this picture for?');
  await picture.getByRole('button', { name: 'Weave it into the band' }).click();
  await expect(page.getByText('dots.png')).toBeVisible();
  await expect(page.getByTestId('picture-preview').locator('svg')).toBeVisible();
  await page.keyboard.press('Escape');
});

test('a piece that is pasted is asked about; into a field it is pasted as ever; what is nothing is left', async ({
  page,
  server,
}) => {
  await newPiece(page, 'Passed on');
  const { id } = await stored(server, 'Passed on');
  const file = await server.get<object>(`/pieces/${id}/file`);
  const count = async (): Promise<number> =>
    (await server.get<PageView<PieceView>>('/pieces')).total;
  const before = await count();
  await page.goto('/');
  await paste(page, 'good morning');
  await page.getByRole('button', { name: 'New piece' }).waitFor();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await paste(page, '{ "format": "something else" }');
  await expect(dialogOf(page, 'This cannot be taken in')).toContainText('format');
  await page.keyboard.press('Escape');
  await paste(page, JSON.stringify(file));
  const asking = dialogOf(page, 'A piece');
  await expect(asking.getByText(/“Passed on” for .*, of \d+ part/)).toBeVisible();
  expect(await count()).toBe(before);
  await asking.getByRole('button', { name: 'Put it into the workshop' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the piece' })).toHaveValue('Passed on');
  expect(await count()).toBe(before + 1);
  await drop(page, { name: 'x.bin', type: 'application/octet-stream', text: 'nothing' });
  await expect(dialogOf(page, 'This cannot be taken in')).toContainText(
    'none of what can be taken in',
  );
});
