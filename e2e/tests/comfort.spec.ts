import type { Page } from '@playwright/test';
import { clearBench, expect, newPiece, stored, test, widthOf } from '../fixtures.js';

test.afterAll(({ server }) => clearBench(server));

/** The screens that are no stage of a piece, and one of a piece that there is. */
const SCREENS = ['/', '/lists', '/knot-book', '/knot-book/square-knot-sinnet', '/numbers', '/kits'];
const OF_A_PIECE = ['/sizes/', '/versions/'];

async function screens(page: Page, id: string): Promise<readonly string[]> {
  await page.goto(`/versions/${id}`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  return [...SCREENS, ...OF_A_PIECE.map((path) => `${path}${id}`), `/pieces/${id}/layout`];
}

test('at 200 and 400 per cent nothing is cut off, and nothing is scrolled sideways', async ({
  page,
  server,
}) => {
  // Many screens, one after the other.
  test.slow();
  await newPiece(page, 'Seen large');
  const { id } = await stored(server, 'Seen large');
  for (const path of await screens(page, id)) {
    await page.goto(path);
    // More than a line that says what is being fetched.
    await expect
      .poll(async () => (await page.getByRole('main').innerText()).length)
      .toBeGreaterThan(60);
    // A window of 1280 by 800 at twice and four times the size.
    for (const [width, height] of [
      [640, 400],
      [320, 400],
    ] as const) {
      await page.setViewportSize({ width, height });
      const fits = (): Promise<void> =>
        expect
          .poll(() => widthOf(page), { message: `${path} at ${width}`, timeout: 30_000 })
          .toBe(width);
      // A browser that is busy may go on with the rules for its size before; a page that is opened does not.
      await fits().catch(async () => {
        await page.reload();
        await page.getByRole('main').waitFor();
        await fits();
      });
    }
  }
});

test('in colours of somebody’s own, what is chosen and what has the focus is told by a line', async ({
  page,
  server,
}) => {
  await newPiece(page, 'In own colours');
  const { id } = await stored(server, 'In own colours');
  await page.request.put(`/api/pieces/${id}/tags`, { data: { tags: ['By line'] } });
  await page.emulateMedia({ forcedColors: 'active' });
  await page.goto('/?tag=By+line');
  const chip = page.getByRole('button', { name: /^By line/ });
  const outline = (): Promise<string> =>
    chip.evaluate((element) => getComputedStyle(element).outlineStyle);
  await expect(chip).toHaveAttribute('aria-pressed', 'true');
  expect(await outline()).toBe('solid');
  await chip.click();
  await page.mouse.move(0, 0);
  await page.getByRole('heading', { level: 1 }).click();
  await expect.poll(outline).toBe('none');
  // A cord is the colour that it is, and its number stands on it.
  await page.goto(`/pieces/${id}/layout`);
  const badge = page
    .getByRole('complementary', { name: 'Answers' })
    .locator('.true-colour')
    .first();
  const { strands } = (await stored(server, 'In own colours')).piece;
  const [r, g, b] = [1, 3, 5].map((at) =>
    Number.parseInt(strands[0]!.cord.colour.hex.slice(at, at + 2), 16),
  );
  await expect(badge).toHaveCSS('background-color', `rgb(${r}, ${g}, ${b})`);
});

test('the piece is told in words from its start to its end, and how far it is made', async ({
  page,
}) => {
  await newPiece(page, 'In words');
  const told = page.getByRole('list', { name: 'In words, from its start to its end' });
  await expect(told.getByRole('listitem')).toHaveCount(3);
  await expect(told.getByRole('listitem').first()).toHaveText(/^At the start: /);
  await expect(told.getByRole('listitem').nth(1)).toHaveText(
    /^Part 1, square knots, .* long, from .* on, \d+ half knots$/,
  );
  await expect(told.getByRole('listitem').last()).toHaveText(/^At the end, at .* cm: /);
  await page.getByRole('link', { name: /^Make/ }).click();
  await page.getByRole('button', { name: 'Begin making' }).click();
  await page.getByText('Step 1 of').waitFor();
  for (let i = 0; i < 12; i++) await page.keyboard.press('Space');
  await expect(told.getByRole('listitem').nth(1)).toHaveText(/ 7 of \d+ half knots done$/);
});

test('who does not bear motion sees none on the new screens', async ({ page, server }) => {
  await newPiece(page, 'Quiet');
  const { id } = await stored(server, 'Quiet');
  await page.emulateMedia({ reducedMotion: 'reduce' });
  for (const path of await screens(page, id)) {
    await page.goto(path);
    await page.getByRole('main').waitFor();
    const moving = await page.evaluate(() =>
      document
        .getAnimations()
        .filter(({ effect }) => Number(effect?.getComputedTiming().duration ?? 0) > 1)
        .map((one) => (one as CSSAnimation).animationName ?? 'a transition'),
    );
    expect([path, ...moving]).toEqual([path]);
  }
});
