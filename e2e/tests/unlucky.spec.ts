import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { MakeView, OrderView, PageView, PieceView } from '@coiled-strand/contract';
import { expect, type Page } from '@playwright/test';
import pg from 'pg';
import { newPiece, saved, stored, type Running } from '../fixtures.js';
import { browserOf, choosePassword, comeIn, invite, signIn, test } from '../people.js';

/** Everybody is signed out, and no page is told. */
async function endSessions({ databaseUrl }: Running): Promise<void> {
  const client = new pg.Client(databaseUrl);
  await client.connect();
  await client.query('delete from session');
  await client.end();
}

/** How far the make of a piece is for the server, as the page’s own session sees it. */
async function doneOf(page: Page, pieceId: string): Promise<number | undefined> {
  const answer = await page.request.get(`/api/makes?piece=${pieceId}&state=under-way`);
  if (!answer.ok()) return undefined;
  return ((await answer.json()) as PageView<MakeView>).items[0]?.reached.done;
}

/** Begins to make a new piece. @returns its id */
async function beginMake(page: Page, name: string): Promise<string> {
  await newPiece(page, name);
  await saved(page);
  await page.getByRole('link', { name: /Make/ }).click();
  await page.getByRole('button', { name: 'Begin making' }).click();
  await page.getByText('Step 1 of').waitFor();
  return new URL(page.url()).pathname.split('/')[2]!;
}

const tap = async (page: Page, times: number): Promise<void> => {
  for (let i = 0; i < times; i++) await page.keyboard.press('Space');
};

test('knots counted with the server away wait for the workshop that they were tied in', async ({
  browser,
  house,
}) => {
  const page = await browserOf(browser, house);
  await choosePassword(page);
  await page.getByRole('textbox', { name: 'A workshop of your own' }).fill('Attic');
  await page.getByRole('button', { name: 'Begin it' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Attic');
  const piece = await beginMake(page, 'In the attic');

  // The session is ended while the server is away; whoever signs in lands in the first of two workshops.
  await house.stop();
  await tap(page, 8);
  await endSessions(house);
  await house.start();
  await signIn(page, 'marit');
  await expect(page.getByRole('alert')).toContainText('There is no such piece');
  await page.getByRole('button', { name: 'Look in Attic' }).click();
  await page.getByText(/^Step \d+ of/).waitFor();
  await expect.poll(() => doneOf(page, piece)).toBe(8);

  // Another tab goes to the other workshop before what was counted here is sent.
  await page.route('**/progress', (route) => route.abort());
  await tap(page, 3);
  const tab = await page.context().newPage();
  await tab.goto('/account');
  await tab.getByRole('button', { name: 'Work here' }).click();
  await expect(tab.getByRole('heading', { level: 1 })).toHaveText('Thistledown Bench');
  await page.unroute('**/progress');
  await expect(page.getByRole('alert')).toContainText('There is no such piece');
  await page.getByRole('button', { name: 'Look in Attic' }).click();
  await expect.poll(() => doneOf(page, piece)).toBe(11);
  await page.getByText(/^Step \d+ of/).waitFor();
});

test('on a shared tablet what one did waits for them, whoever signs in first', async ({
  browser,
  house,
}) => {
  const tablet = await browserOf(browser, house);
  await choosePassword(tablet);
  const link = await invite(tablet, 'Maker');
  const elsewhere = await browserOf(browser, house);
  await comeIn(elsewhere, link, 'Robin');
  const piece = await beginMake(tablet, 'On the tablet');

  await house.stop();
  await tap(tablet, 6);
  await endSessions(house);
  await house.start();
  await signIn(tablet, 'robin');
  await tablet.getByText(/^Step \d+ of/).waitFor();
  // Robin goes on where the server has it, which has heard of none of them.
  await tap(tablet, 2);
  await expect.poll(() => doneOf(tablet, piece)).toBe(2);
  await tablet.goto('/account');
  await tablet.getByRole('button', { name: 'Sign out', exact: true }).click();
  await signIn(tablet, 'marit');
  await expect(tablet.getByRole('heading', { level: 1 })).toHaveText('Marit Solheim-Okafor');
  // She was further than he.
  await expect.poll(() => doneOf(tablet, piece)).toBe(6);
  await tablet.goto(`/pieces/${piece}/make`);
  await expect(tablet.getByText(/^Step \d+ of/)).toBeVisible();
});

test('what is said to be saved on this device is there when the browser is killed that moment', async ({
  house,
  playwright,
}, { project }) => {
  const profile = mkdtempSync(join(tmpdir(), 'coiled-strand-browser-'));
  const open = async (): Promise<Page> => {
    const options = { ...project.use.launchOptions, baseURL: house.url };
    return (await playwright.chromium.launchPersistentContext(profile, options)).newPage();
  };
  const page = await open();
  await newPiece(page, 'Killed');
  await saved(page);
  const { pathname } = new URL(page.url());
  const wrist = (on: Page) => on.getByRole('textbox', { name: /^Wrist/ });
  await house.stop();
  await wrist(page).fill('15.5');
  await page.keyboard.press('Enter');
  await page.getByText('Saved on this device').waitFor();
  execFileSync('pkill', ['-KILL', '-f', profile]);

  await house.start();
  const again = await open();
  await again.goto(pathname);
  await expect(wrist(again)).toHaveValue('15.5 cm');
  await saved(again);
  expect((await stored(house, 'Killed')).piece.wearer.wrist).toBe(155);
  await again.context().close();
  rmSync(profile, { recursive: true, force: true });
});

/** An order of the demo that is open, on its page. */
async function orderOpen(page: Page): Promise<OrderView> {
  const answer = await page.request.get('/api/orders?sort=due');
  const order = ((await answer.json()) as PageView<OrderView>).items[0]!;
  await page.goto(`/orders/${order.id}`);
  await page.getByLabel('Note', { exact: true }).waitFor();
  return order;
}

test('what is typed in an order stays when somebody else changes it, who is shown beside it', async ({
  browser,
  house,
}) => {
  const page = await browserOf(browser, house);
  const other = await browserOf(browser, house);
  const order = await orderOpen(page);
  await orderOpen(other);
  await page.getByLabel('Note', { exact: true }).fill('wrap it in blue');
  await page.getByRole('textbox', { name: /^Price agreed/ }).fill('48');
  await page.getByRole('textbox', { name: /^Price agreed/ }).press('Tab');

  await other.getByRole('textbox', { name: /^Price agreed/ }).fill('52');
  await other.getByRole('textbox', { name: /^Price agreed/ }).press('Tab');
  await other.getByRole('textbox', { name: /^Paid/ }).fill('10');
  await other.getByRole('textbox', { name: /^Paid/ }).press('Tab');
  await other.getByRole('button', { name: 'Keep the changes' }).click();
  await expect(other.getByRole('button', { name: 'Keep the changes' })).toBeHidden();

  // Without anything done here: it is told as it happens.
  const told = page.getByTestId('changed-meanwhile');
  await expect(told).toContainText('Price agreed: theirs is 52.00');
  await expect(told).toContainText('As they have it now: Paid');
  await expect(page.getByLabel('Note', { exact: true })).toHaveValue('wrap it in blue');
  await expect(page.getByRole('textbox', { name: /^Price agreed/ })).toHaveValue('48.00');
  await expect(page.getByRole('textbox', { name: /^Paid/ })).toHaveValue('10.00');
  await page.getByRole('button', { name: 'Take theirs: Price agreed' }).click();
  await expect(page.getByRole('textbox', { name: /^Price agreed/ })).toHaveValue('52.00');
  await page.getByRole('button', { name: 'I have seen it' }).click();
  await expect(told).toBeHidden();
  await page.getByRole('button', { name: 'Keep the changes' }).click();
  await expect
    .poll(async () => (await house.get<OrderView>(`/orders/${order.id}`)).order)
    .toMatchObject({ price: 5200, paid: 1000, note: 'wrap it in blue' });
});

test('Back, a link and a reload ask before they take what was typed', async ({
  browser,
  house,
}) => {
  const page = await browserOf(browser, house);
  await page.goto('/orders');
  await page.getByRole('link', { name: 'New order' }).click();
  const who = page.getByRole('textbox', { name: 'Who' });
  await who.fill('Isolde Marsh');
  // A hand is slower than the page; a test is not.
  await expect
    .poll(() =>
      page.evaluate(() => window.dispatchEvent(new Event('beforeunload', { cancelable: true }))),
    )
    .toBe(false);
  await page.goBack();
  const asks = page.getByRole('dialog', { name: 'Leave without keeping it?' });
  await asks.getByRole('button', { name: 'Go on typing' }).click();
  await expect(who).toHaveValue('Isolde Marsh');
  await page.getByRole('link', { name: 'Orders', exact: true }).first().click();
  await asks.getByRole('button', { name: 'Go on typing' }).click();
  // The browser itself asks; it is told to stay.
  let asked = 0;
  page.on('dialog', (dialog) => {
    asked++;
    void dialog.dismiss();
  });
  await page.evaluate(() => window.location.reload()).catch(() => undefined);
  await expect.poll(() => asked).toBe(1);
  await expect(who).toHaveValue('Isolde Marsh');
  await page.goBack();
  await asks.getByRole('button', { name: 'Leave it' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Orders' })).toBeVisible();
});

test('a request whose answer is lost is sent once more and done once', async ({
  browser,
  house,
}) => {
  const page = await browserOf(browser, house);
  await page.goto('/orders/new');
  await page.getByRole('textbox', { name: 'Who' }).fill('Perrin Vale');
  await page
    .getByRole('combobox', { name: 'Piece' })
    .selectOption({ label: 'Meridian, Tobias Renn' });
  // It arrives, and the answer does not.
  await page.route('**/api/orders', async (route) => {
    if (route.request().method() !== 'POST') return route.continue();
    await route.fetch();
    return route.abort();
  });
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('alert')).toContainText('The server is not answering');
  await page.unrouteAll();
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Perrin Vale');
  const { total } = await house.get<PageView<OrderView>>('/orders?q=perrin');
  expect(total).toBe(1);
});

test('a clock that is three hours off changes nothing of what is told', async ({
  browser,
  house,
}) => {
  const told = async (hours: number): Promise<readonly string[]> => {
    const page = await browserOf(browser, house);
    await page.clock.setSystemTime(Date.now() + hours * 3_600_000);
    await page.goto('/');
    await page.getByTestId('cures').first().waitFor();
    await expect(page.getByTestId('due')).toHaveCount(4);
    const all = [
      await page.getByTestId('cures').allInnerTexts(),
      await page.getByTestId('due').allInnerTexts(),
      [await page.getByTestId('now').innerText()],
    ].flat();
    await page.context().close();
    return all;
  };
  const right = await told(0);
  expect(right.length).toBeGreaterThan(3);
  expect(await told(3)).toEqual(right);
  expect(await told(-3)).toEqual(right);
});

test('a browser that is full says that it keeps nothing, and what was counted still comes in', async ({
  browser,
  house,
}) => {
  const page = await browserOf(browser, house);
  // Nothing more goes into any of its stores. A browser asks for its quota once, so it is set before the first page.
  const client = await page.context().newCDPSession(page);
  await client.send('Storage.overrideQuotaForOrigin', { origin: house.url, quotaSize: 1 });
  await choosePassword(page);
  await page.evaluate(() => {
    for (const store of [localStorage, sessionStorage]) {
      for (let size = 1 << 20; size > 0; size >>= 1) {
        try {
          for (let n = 0; ; n++) store.setItem(`full ${size} ${n}`, 'x'.repeat(size));
        } catch {
          // Not even so much is left.
        }
      }
    }
  });

  const piece = await beginMake(page, 'No room');
  await house.stop();
  await tap(page, 5);
  await expect(page.getByRole('alert').filter({ hasText: 'no room' })).toContainText(
    'leave this window open',
  );
  // A change of the piece is not said to be saved either.
  await page.getByRole('link', { name: /Fit/ }).click();
  const name = page.getByRole('textbox', { name: 'Name of the piece' });
  await name.fill('No room at all');
  await name.press('Enter');
  await expect(page.getByTestId('save-state')).toContainText('leave this window open');

  await house.start();
  await expect.poll(() => doneOf(page, piece)).toBe(5);
  const nameThere = async () =>
    ((await (await page.request.get(`/api/pieces/${piece}`)).json()) as PieceView).piece.name;
  await expect.poll(nameThere).toBe('No room at all');
});
