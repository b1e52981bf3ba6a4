import type { PageView, PieceView, SessionView, WorkshopView } from '@coiled-strand/contract';
import { TEMPLATES } from '@coiled-strand/core';
import {
  expect,
  test as base,
  type Browser,
  type BrowserContext,
  type Locator,
  type Page,
} from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createDatabase } from '../scripts/lib/database.mjs';
import { freePort } from '../scripts/lib/port.mjs';
import { startServer } from '../scripts/lib/server.mjs';

/** A running server on a database of its own, which can be stopped and started again. */
export interface Running {
  readonly url: string;
  readonly databaseUrl: string;
  stop(): Promise<void>;
  start(): Promise<void>;
  get<T>(path: string): Promise<T>;
  /** @param etag of what is changed, where it has one */
  put(path: string, body: unknown, etag?: string): Promise<void>;
}

/**
 * A server of its own.
 *
 * @param env what differs from how it is usually started
 * @param shared address of a database that another server has made; one of its own when left out
 */
export async function launch(
  env: Record<string, string> = {},
  shared?: string,
): Promise<Running & { remove(): Promise<void> }> {
  const admin = process.env['TEST_DATABASE_URL'];
  if (!admin) throw new Error('TEST_DATABASE_URL is not set; run the tests with npm test');
  const database = shared
    ? { url: shared, drop: () => Promise.resolve() }
    : await createDatabase(admin, 'e2e', env['DEMO'] === 'off' ? 'empty' : 'demo');
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  const begin = async () => {
    const server = await startServer(
      { DATABASE_URL: database.url, PORT: String(port), BACKUPS: 'off', ...env },
      'e2e-server.log',
    );
    await server.ready;
    return server;
  };
  let server = await begin();
  return {
    url,
    databaseUrl: database.url,
    stop: () => server.kill(),
    start: async () => {
      server = await begin();
    },
    get: async <T>(path: string) => (await (await fetch(`${url}/api${path}`)).json()) as T,
    put: async (path, body, etag) => {
      await fetch(`${url}/api${path}`, {
        method: 'PUT',
        headers: {
          'Content-Type': 'application/json',
          ...(etag === undefined ? {} : { 'If-Match': `"${etag}"` }),
        },
        body: JSON.stringify(body),
      });
    },
    remove: async () => {
      await server.stop();
      await database.drop();
    },
  };
}

interface Fixtures {
  /** Opens the workshop and waits for it. */
  readonly workshop: Page;
}

/** What a browser keeps of an address, but for the files that never change under their name. */
const STORED = 'cookies,local_storage,indexeddb,cache_storage,service_workers,websql';

/** Forgets what earlier tests left in a browser. */
async function forgetAll(page: Page, origin: string): Promise<void> {
  const client = await page.context().newCDPSession(page);
  await client.send('Storage.clearDataForOrigin', { origin, storageTypes: STORED });
  await client.detach();
}

interface Shared {
  readonly server: Running;
  /** A browser that has the program’s files at hand, compiled: reading them anew in every test takes longer than many a test. */
  readonly warm: BrowserContext;
}

export const test = base.extend<Fixtures, Shared>({
  server: [
    async ({}, use) => {
      const server = await launch();
      await use(server);
      await server.remove();
    },
    { scope: 'worker' },
  ],
  warm: [
    async ({ playwright, launchOptions, server }, use) => {
      // In a folder, as on a device: without one no browser keeps what it compiled of the program, a third of each page.
      const folder = mkdtempSync(join(tmpdir(), 'warm-'));
      const context = await playwright.chromium.launchPersistentContext(folder, {
        ...launchOptions,
        baseURL: server.url,
        viewport: { width: 1280, height: 800 },
        serviceWorkers: 'block',
      });
      await use(context);
      await context.close();
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ server }, use) => {
    await use(server.url);
  },
  // A test that installs the program on a device gets a browser of its own; the others get one without memories.
  context: async ({ browser, warm, baseURL, serviceWorkers }, use) => {
    const own =
      serviceWorkers === 'allow' ? await browser.newContext({ baseURL, serviceWorkers }) : null;
    await use(own ?? warm);
    // The empty page that it began with stays: the last one takes the browser with it.
    for (const page of warm.pages().slice(1)) await page.close();
    await warm.unrouteAll();
    await own?.close();
  },
  page: async ({ context, server }, use) => {
    const page = await context.newPage();
    await forgetAll(page, server.url);
    await use(page);
  },
  workshop: async ({ page }, use) => {
    await page.goto('/');
    await page.getByRole('heading', { level: 1 }).waitFor();
    await use(page);
  },
});
export { expect } from '@playwright/test';

/** The stored piece of a name, as the server has it. */
export async function stored(server: Running, name: string): Promise<PieceView> {
  const q = encodeURIComponent(name);
  const { items } = await server.get<PageView<PieceView>>(`/pieces?limit=100&q=${q}`);
  const piece = items.find((p) => p.piece.name === name);
  if (!piece) throw new Error(`no piece is called ${name}`);
  return piece;
}

/** Pieces that the demo lays on the bench. */
const DEMO_PIECES = 11;

/** Puts away what other tests left on the bench: the files share a server, and a full bench is slow. */
export async function clearBench(server: Running): Promise<void> {
  const { items } = await server.get<PageView<PieceView>>('/pieces?sort=laid&limit=100');
  for (const { id } of items.slice(DEMO_PIECES)) {
    await fetch(`${server.url}/api/pieces/${id}`, { method: 'DELETE' });
  }
}

/** Who the pieces of the tests are for. */
const WEARER = { name: 'Tobias Renn', wrist: 183, hand: 226 };

/**
 * Lays a new piece on the bench, as the dialog does, and opens it at Fit.
 *
 * @param template how the label of its template begins; a flat one-colour band when left out
 */
export async function newPiece(
  page: Page,
  name: string,
  template = 'A square-knot band',
): Promise<void> {
  const start = TEMPLATES.find(({ label }) => label.startsWith(template));
  if (!start) throw new Error(`no template begins with ${template}`);
  const workshop = (await (await page.request.get('/api/workshop')).json()) as WorkshopView;
  const { step, confidence, practice, ends } = workshop.settings;
  const piece = start.make({ name, wearer: WEARER, cutting: { step, confidence, practice }, ends });
  const { token } = (await (await page.request.get('/api/session')).json()) as SessionView;
  const headers: Record<string, string> = token === null ? {} : { 'X-Session-Token': token };
  const answer = await page.request.post('/api/pieces', { data: piece, headers });
  const { id } = (await answer.json()) as PieceView;
  await page.goto(`/pieces/${id}/fit`);
  await page.getByTestId('bench').waitFor();
}

/** Puts the settings of a workshop back: the tests of a file share it. */
export async function settingsAgain(
  server: Running,
  settings: WorkshopView['settings'],
): Promise<void> {
  const { etags } = await server.get<WorkshopView>('/workshop');
  await server.put('/workshop/settings', settings, etags.settings);
}

/** Waits until the server has what is seen. */
export const saved = (page: Page): Promise<void> =>
  page.locator('[data-testid=save-state][data-state=saved]').waitFor({ state: 'attached' });

/** A page on a phone with a touch screen, in a context of its own: close that when done. */
export async function phonePage(browser: Browser, server: Running): Promise<Page> {
  const context = await browser.newContext({
    baseURL: server.url,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  });
  return context.newPage();
}

/** Nothing of the page is cut off at the side of a phone. */
export const widthOf = (page: Page): Promise<number> =>
  page.evaluate(() => document.documentElement.scrollWidth);

/**
 * Ticks every finishing step off, in order, and does not wait for glue to cure.
 *
 * @param press how a control is pressed: by mouse, thumb or key
 */
export async function finishAll(
  page: Page,
  press: (control: Locator) => Promise<void>,
): Promise<void> {
  const open = page.getByRole('checkbox', { checked: false });
  await open.first().waitFor();
  const stop = page.getByRole('button', { name: /^Stop the timer/ });
  for (let left = await open.count(); left > 0; left--) {
    await press(open.first());
    await expect(open).toHaveCount(left - 1);
    if (await stop.isVisible()) await press(stop);
  }
}
