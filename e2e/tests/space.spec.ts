import { createHash } from 'node:crypto';
import sharp from 'sharp';
import { clearBench, expect, newPiece, test } from '../fixtures.js';

test.afterAll(({ server }) => clearBench(server));

test('a piece is turned round in space, by keys and by drag, whole and part by part', async ({
  page,
}) => {
  await newPiece(page, 'Seen round', 'A beaded square-knot band');
  await page.getByRole('link', { name: /Lay out/ }).click();
  await page.getByRole('button', { name: 'In space' }).click();
  const space = page.getByTestId('space');
  await expect(space.locator('canvas')).toBeVisible();
  await expect(page).toHaveURL(/view=space/);
  const picture = async () =>
    createHash('sha256')
      .update(await space.locator('canvas').screenshot())
      .digest('hex');
  await space.focus();
  /** The picture once it does not change any more. */
  const settled = async (): Promise<string> => {
    let now = await picture();
    await expect
      .poll(
        async () => {
          const before = now;
          now = await picture();
          return now === before;
        },
        { intervals: [700] },
      )
      .toBe(true);
    return now;
  };
  // It is drawn once the curves of its knots are there: what turns is surely drawn.
  const first = await settled();
  await page.keyboard.press('ArrowUp');
  await expect.poll(picture).not.toBe(first);
  const tilted = await settled();
  await page.keyboard.press('Home');
  // Drawn away from the page, it may come a moment after the key.
  await expect.poll(picture).not.toBe(tilted);
  const flat = await settled();
  await page.keyboard.press('ArrowUp');
  await expect.poll(picture).not.toBe(flat);
  await page.keyboard.press('Home');
  await expect.poll(picture).toBe(flat);
  const box = (await space.boundingBox())!;
  await page.mouse.move(box.x + 300, box.y + 150);
  await page.mouse.down();
  await page.mouse.move(box.x + 400, box.y + 190, { steps: 4 });
  await page.mouse.up();
  await expect.poll(picture).not.toBe(flat);
  // What is selected is seen alone.
  await page
    .getByRole('listitem')
    .getByRole('button', { name: /Square knots/ })
    .first()
    .click();
  await expect(space).toHaveAttribute('aria-label', /^Square knots in space/);
  // Its knots are opened out, and drawn tight again.
  const openness = page.getByLabel('How far it is drawn tight');
  await expect(openness).toBeVisible();
  const tight = await settled();
  await openness.fill('0');
  await expect.poll(picture).not.toBe(tight);
  const open = await settled();
  await openness.press('ArrowRight');
  await expect.poll(picture).not.toBe(open);
  await openness.press('End');
  await expect.poll(picture).toBe(tight);
  await page.getByRole('button', { name: 'The whole piece' }).click();
  await expect(space).toHaveAttribute('aria-label', /^Seen round in space/);
  await expect(openness).toBeHidden();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as glTF' }).click();
  expect((await download).suggestedFilename()).toBe('Seen-round.gltf');
  const picturing = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a picture' }).click();
  const still = await picturing;
  expect(still.suggestedFilename()).toBe('Seen-round.png');
  // Something is on it, and nothing is behind that.
  const { channels } = await sharp(await still.path()).stats();
  expect(channels).toHaveLength(4);
  expect(channels[3]!.mean).toBeGreaterThan(2);
  expect(channels[3]!.mean).toBeLessThan(200);
});

test('nothing is taken up: every part is listed with its picture and its length', async ({
  page,
}) => {
  await newPiece(page, 'From end to end', 'A beaded square-knot band');
  await page.getByRole('link', { name: /Lay out/ }).click();
  const rows = page.getByRole('listitem').filter({ has: page.getByTestId('still') });
  await expect(rows.first()).toBeVisible();
  await expect(rows.first()).toContainText(/Square knots.*half knots.*cm/);
  const drawn = async (): Promise<number[]> =>
    page
      .getByTestId('still')
      .evaluateAll((all) => all.map((one) => (one as HTMLImageElement).naturalWidth));
  await expect.poll(async () => (await drawn()).length).toBeGreaterThan(10);
  await expect.poll(async () => Math.min(...(await drawn()))).toBeGreaterThan(100);
  // Pictures come in any order, so that the second row may not be the second that has one.
  await rows.filter({ hasText: /^2\D/ }).getByRole('button').click();
  await expect(page.getByTestId('inspector')).toContainText('part 2 of');
});

test('a half knot is shown slowly in space, and the next one after it', async ({ page }) => {
  await newPiece(page, 'Slowly round', 'A beaded square-knot band');
  await page.getByRole('link', { name: /Make/ }).click();
  await page.getByRole('button', { name: 'Begin making' }).click();
  await expect(page.getByText('Step 1 of')).toBeVisible();
  const picture = page.getByTestId('step-picture');
  const inSpace = picture.getByRole('button', { name: 'In space' });
  for (let i = 0; i < 60 && !(await inSpace.isVisible()); i++) {
    await page.keyboard.press('Space');
    await page.waitForTimeout(50);
  }
  await inSpace.click();
  await expect(inSpace).toHaveAttribute('aria-pressed', 'true');
  const canvas = picture.locator('canvas');
  await expect(canvas).toBeVisible();
  /** How much there is to be told apart on it: nothing on an empty one. */
  const contrast = async (): Promise<number> =>
    Math.max(...(await sharp(await canvas.screenshot()).stats()).channels.map((c) => c.stdev));
  await expect.poll(contrast).toBeGreaterThan(5);
  const seen = async (): Promise<string> => (await canvas.screenshot()).toString('base64');
  const tied = await seen();
  await picture.getByRole('button', { name: 'Show me slowly' }).click();
  await expect.poll(seen).not.toBe(tied);
  // Stays in space from unit to unit.
  await page.getByRole('button', { name: 'Tied, next' }).click();
  await expect(page.getByRole('main').getByText(/of \d+ half knots done/)).toBeVisible();
  await expect(canvas).toBeVisible();
});

test('where nothing can be drawn in space the flat drawing stays, and says why', async ({
  page,
}) => {
  await page.addInitScript(() => {
    for (const { prototype } of [HTMLCanvasElement, OffscreenCanvas]) {
      prototype.getContext = (() => null) as never;
    }
  });
  await newPiece(page, 'Seen flat');
  await page.goto(page.url().replace(/fit.*/, 'layout?view=space'));
  await expect(page.getByRole('note').filter({ hasText: 'WebGL 2 is missing' })).toBeVisible();
  await expect(page.getByRole('img', { name: /in space/ })).toBeVisible();
});

test('a browser that cannot draw away from the page draws on it', async ({ page }) => {
  await page.addInitScript(() => Reflect.deleteProperty(window, 'OffscreenCanvas'));
  await page.goto('/knots/new?from=overhand');
  await expect(page.getByTestId('verdict')).toContainText('It holds', { timeout: 120_000 });
  const space = page.getByTestId('space');
  await space.focus();
  const before = await space.screenshot();
  await page.keyboard.press('ArrowUp');
  await expect.poll(async () => (await space.screenshot()).equals(before)).toBe(false);
  expect(await page.evaluate(() => document.querySelector('canvas')!.getContext('2d'))).toBeNull();
});
