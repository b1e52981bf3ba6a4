import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { MakeView, PageView } from '@coiled-strand/contract';
import type { BrowserContext, Page } from '@playwright/test';
import { expect, launch, newPiece, stored, test, type Running } from '../fixtures.js';
import { violationsIn } from '../accessible.js';

const NEVER_OPENED = '00000000-0000-4000-8000-000000000000';

test.use({ serviceWorkers: 'allow' });

const DIST = fileURLToPath(new URL('../../apps/web/dist', import.meta.url));

/** Opens the workshop and waits until the program lies on the device and serves the page. */
async function install(page: Page): Promise<void> {
  await page.goto('/');
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  await page.reload();
  await expect
    .poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null))
    .toBe(true);
}

const makesOf = async (server: Running, pieceId: string): Promise<readonly MakeView[]> =>
  (await server.get<PageView<MakeView>>(`/makes?piece=${pieceId}`)).items;

/** Everything is kept that the pages were told, and nothing is on its way any more. */
const settled = async (page: Page): Promise<void> => {
  await page.waitForLoadState('networkidle').catch(() => undefined);
};

/** The network off: nobody answers the browser, whichever part of it asks. */
async function networkOff(context: BrowserContext, server: Running): Promise<void> {
  await context.setOffline(true);
  await server.stop();
}
async function networkOn(context: BrowserContext, server: Running): Promise<void> {
  await server.start();
  await context.setOffline(false);
}

test('from install to a logged make with the network off; all of it comes in when it is back', async ({
  page,
  context,
  server,
}) => {
  await install(page);
  await newPiece(page, 'At the fair');
  const { id } = await stored(server, 'At the fair');
  await page.keyboard.press('m');
  await page.getByRole('button', { name: 'Begin making' }).click();
  await expect(page.getByText('Step 1 of')).toBeVisible();
  for (let i = 0; i < 9; i++) await page.keyboard.press('Space');
  await expect(page.getByTestId('counter')).toHaveText('4');
  await expect.poll(async () => (await makesOf(server, id))[0]?.reached.done).toBe(9);
  await settled(page);

  await networkOff(context, server);
  // Opened anew, as from the home screen: by the workshop, to the piece, to the make.
  await page.goto('/');
  await page
    .getByRole('link', { name: /At the fair/ })
    .first()
    .click();
  await page.getByTestId('bench').waitFor();
  await page.keyboard.press('m');
  await expect(page.getByTestId('counter')).toHaveText('4');
  for (let i = 0; i < 6; i++) await page.keyboard.press('Space');
  await expect(page.getByTestId('counter')).toHaveText('10');

  await page.keyboard.press('r');
  const measure = page.getByRole('dialog', { name: 'Measure now' });
  await measure.getByRole('textbox', { name: /Length of the work/ }).fill('4 cm');
  await measure.getByRole('textbox', { name: /Length of the work/ }).press('Enter');
  await expect(measure.getByText('What can be done')).toBeVisible();
  await page.keyboard.press('Escape');

  await page.reload();
  await expect(page.getByTestId('counter')).toHaveText('10');

  await page.getByRole('link', { name: /^Log/ }).click();
  await fillLog(page);
  await page.getByRole('button', { name: 'Log it' }).click();
  await expect(page.getByText(/Logged on this device/)).toBeVisible();
  // It outlives the page.
  await page.reload();
  await expect(page.getByText(/Logged on this device/)).toBeVisible();

  await networkOn(context, server);
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  // The log and the knots that were counted go separate ways.
  await expect
    .poll(async () => (await makesOf(server, id))[0])
    .toMatchObject({ reached: { done: 15 }, record: { length: 172 } });
  await expect(page.getByText(/Logged on this device/)).toHaveCount(0);
});

/** Writes down what a make came to. */
async function fillLog(page: Page): Promise<void> {
  await page.getByRole('textbox', { name: 'Cord 1, left over' }).fill('12 cm');
  const length = page.getByRole('textbox', { name: 'Length of the work, without the closure' });
  await length.fill('17.2 cm');
  await length.press('Enter');
  await page.getByRole('textbox', { name: 'Minutes tying' }).fill('32');
}

test('what was never opened here says so, and the program says what it has on this device', async ({
  page,
  context,
  server,
}) => {
  await install(page);
  await page.getByRole('button', { name: 'Settings' }).click();
  await expect(page.getByTestId('on-this-device')).toContainText('opens without a network');
  expect(await violationsIn(page, { within: '[role=dialog]' })).toEqual([]);
  await page.keyboard.press('Escape');
  const manifest = (await (await page.request.get('/manifest.webmanifest')).json()) as {
    icons: { src: string; sizes: string }[];
  };
  for (const { src } of manifest.icons) {
    expect((await page.request.get(src)).headers()['content-type']).toBe('image/png');
  }
  await settled(page);
  await networkOff(context, server);
  await page.goto(`/pieces/${NEVER_OPENED}/fit`);
  await expect(page.getByRole('alert')).toContainText('not answering');
  await page.goto('/');
  await expect(page.getByText(/as they were known on this device/)).toBeVisible();
  await networkOn(context, server);
});

test('a newer program waits for a make to be done, and is used when it is asked for', async ({
  browser,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'coiled-strand-web-'));
  cpSync(DIST, folder, { recursive: true });
  const server = await launch({ WEB_ROOT: folder });
  const context = await browser.newContext({ baseURL: server.url, serviceWorkers: 'allow' });
  try {
    const making = await context.newPage();
    await install(making);
    await newPiece(making, 'Under way');
    await making.keyboard.press('m');
    await making.getByRole('button', { name: 'Begin making' }).click();
    await expect(making.getByText('Step 1 of')).toBeVisible();

    // The next version: the page bears a mark, and what puts it on a device knows it.
    const page = join(folder, 'index.html');
    writeFileSync(page, readFileSync(page, 'utf8').replace('<html', '<html data-next'));
    const worker = join(folder, 'sw.js');
    const old = readFileSync(worker, 'utf8');
    const next = old.replace(/(url:"index\.html",revision:")[0-9a-f]+"/, '$1next"');
    expect(next).not.toBe(old);
    writeFileSync(worker, next);

    const other = await context.newPage();
    await other.goto('/');
    await other.evaluate(async () => {
      await (await navigator.serviceWorker.getRegistration())?.update();
    });
    const use = other.getByRole('button', { name: 'Use it now' });
    await use.click();
    await expect(other.getByText(/waits until it is done/)).toBeVisible();
    // The make goes on as it was, also opened anew.
    await making.reload();
    await expect(making.getByText('Step 1 of')).toBeVisible();
    await expect(making.locator('html[data-next]')).toHaveCount(0);
    await making.keyboard.press('Space');
    await expect(making.getByText('Step 2 of')).toBeVisible();

    await making.goto('/');
    await use.click();
    await expect(other.locator('html[data-next]')).toHaveCount(1);
    await expect(use).toHaveCount(0);
  } finally {
    await context.close();
    await server.remove();
    rmSync(folder, { recursive: true, force: true });
  }
});
