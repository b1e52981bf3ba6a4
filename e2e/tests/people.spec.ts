import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { MakeView, PageView, PieceView } from '@coiled-strand/contract';
import { expect, type Page } from '@playwright/test';
import { launch, widthOf } from '../fixtures.js';
import { expectAccessible } from '../accessible.js';
import { handsOf, WAYS } from '../hands.js';
import { browserOf, choosePassword, comeIn, invite, PASSWORD, signIn, test } from '../people.js';

test('an open workshop says so; with a password it asks for names, and others come by link', async ({
  browser,
  house,
}) => {
  const owner = await browserOf(browser, house);
  await owner.goto('/');
  await expect(owner.getByText('Open to whoever sits at this machine')).toBeVisible();
  await owner.goto('/people');
  await expect(owner.getByText('before you let others in')).toBeVisible();
  await choosePassword(owner);
  // Nobody is let in who only knows the address.
  const guest = await browserOf(browser, house);
  await guest.goto('/orders');
  await expect(guest.getByRole('heading', { name: 'Come in' })).toBeVisible();
  await signIn(guest, 'nobody');
  await expect(guest.getByRole('alert')).toContainText('do not go together');

  await comeIn(guest, await invite(owner, 'Maker'), 'Robin');
  await guest.goto('/orders');
  await expect(guest.getByRole('link', { name: 'New order' })).toBeVisible();
  // What the owner sees of it, without asking again.
  await expect(owner.getByText('signs in as robin')).toBeVisible();

  // Another role is there at once, on a page that stands open.
  await owner.getByRole('combobox', { name: 'What Robin may do' }).selectOption('viewer');
  await expect(guest.getByRole('note')).toContainText('as a viewer');
  await expect(guest.getByRole('link', { name: 'New order' })).toBeHidden();
  await guest.getByTestId('order').first().click();
  await expect(guest.getByRole('textbox', { name: /Who/ }).first()).toBeDisabled();

  // And who is sent away is out.
  await owner.getByRole('button', { name: 'Send Robin away' }).click();
  await owner.getByRole('button', { name: 'Send away', exact: true }).last().click();
  await expect(guest.getByRole('heading', { name: 'You are in no workshop' })).toBeVisible();

  await owner.goto('/trail');
  await expect(owner.getByTestId('deed').first()).toContainText('sent Robin away');
  // Out by the door, and in again.
  await owner.goto('/account');
  await owner.getByRole('button', { name: 'Sign out', exact: true }).click();
  await signIn(owner, 'Marit');
  await expect(owner.getByRole('heading', { level: 1 })).toHaveText('Marit Solheim-Okafor');
});

test('a forgotten password is chosen anew by a link', async ({ browser, house }) => {
  const owner = await browserOf(browser, house);
  await choosePassword(owner);
  await owner.goto('/people');
  await owner.getByRole('button', { name: 'A new password for Jonas Wren' }).click();
  const link = await owner.getByRole('textbox', { name: 'Link' }).inputValue();
  const jonas = await browserOf(browser, house);
  await jonas.goto(link);
  await expect(jonas.getByText('made this link for jonas')).toBeVisible();
  await jonas.getByLabel(/^New password/).fill(PASSWORD);
  await jonas.getByRole('button', { name: 'Keep it and sign in' }).click();
  await expect(jonas.getByRole('heading', { level: 1 })).toHaveText('Thistledown Bench');
  // It holds once.
  const again = await browserOf(browser, house);
  await again.goto(link);
  await expect(again.getByText('was used, withdrawn, or is too old')).toBeVisible();
});

test('whoever is signed out in the middle of a make loses no knot', async ({ browser, house }) => {
  const owner = await browserOf(browser, house);
  await choosePassword(owner);
  const answer = await owner.request.get('/api/pieces?sort=laid');
  const [meridian] = ((await answer.json()) as PageView<PieceView>).items;
  await owner.goto(`/pieces/${meridian!.id}/make`);
  await owner.getByRole('button', { name: 'Begin making' }).click();
  await owner.getByText('Step 1 of').waitFor();
  // From another device: everybody out.
  const phone = await browserOf(browser, house);
  await phone.goto('/account');
  await signIn(phone, 'marit');
  await phone.getByRole('button', { name: 'Sign out everywhere' }).click();
  await expect(phone.getByRole('heading', { name: 'Come in' })).toBeVisible();
  await expect(owner.getByRole('heading', { name: 'Come in' })).toBeVisible();
  await signIn(owner, 'marit');
  await owner.getByText(/^Step \d+ of/).waitFor();
  for (let i = 0; i < 5; i++) await owner.keyboard.press('Space');
  await expect(async () => {
    const makes = await owner.request.get('/api/makes?state=under-way');
    const { items } = (await makes.json()) as PageView<MakeView>;
    expect(items.find(({ pieceId }) => pieceId === meridian!.id)?.reached.done).toBe(5);
  }).toPass();
});

test('a page at one server follows what is changed through the other within a second', async ({
  browser,
  house,
}) => {
  const other = await launch({}, house.databaseUrl);
  const [here, there] = [await browserOf(browser, house), await browserOf(browser, other)];
  await here.goto('/stash');
  await there.goto('/stash?kind=cord');
  await here.getByTestId('lot').first().waitFor();
  await there.getByTestId('lot').first().click();
  await there.getByRole('button', { name: 'Take some' }).waitFor();
  const lot = new URL(there.url()).pathname;
  await here.goto(lot);
  await here.getByTestId('lot-left').waitFor();
  const before = await here.getByTestId('lot-left').innerText();
  await there.getByRole('button', { name: 'Take some' }).click();
  const dialog = there.getByRole('dialog');
  await dialog.getByRole('textbox').first().fill('3 in');
  await dialog.getByRole('textbox').first().press('Enter');
  await dialog.getByRole('button').last().click();
  await dialog.waitFor({ state: 'hidden' });
  await expect(here.getByTestId('lot-left')).not.toHaveText(before);
  await other.remove();
});

test.describe('moving house', () => {
  const folder = mkdtempSync(join(tmpdir(), 'coiled-strand-house-'));
  test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

  test('everything goes into a file, comes back when asked for, and begins a new machine', async ({
    browser,
    house,
  }) => {
    const owner = await browserOf(browser, house);
    await choosePassword(owner);
    await owner.goto('/backups');
    const [download] = await Promise.all([
      owner.waitForEvent('download'),
      owner.getByRole('link', { name: 'Save everything in a file' }).click(),
    ]);
    expect(download.suggestedFilename()).toMatch(/^thistledown-bench-\d{4}-\d\d-\d\d\.gz$/);
    const file = join(folder, 'all.gz');
    await download.saveAs(file);

    await owner.goto('/');
    await owner.getByRole('button', { name: 'Put Meridian away' }).click();
    await expect(owner.getByText('10 pieces on the bench')).toBeVisible();
    await owner.goto('/backups');
    // A file that broke off is refused.
    const broken = join(folder, 'broken.gz');
    writeFileSync(broken, readFileSync(file).subarray(0, 9_000));
    await owner.getByTestId('backup-file').setInputFiles(broken);
    await expect(owner.getByRole('alert')).toContainText('no whole backup');
    await owner.getByTestId('backup-file').setInputFiles(file);
    const dialog = owner.getByRole('dialog');
    await expect(dialog).toContainText('11 pieces');
    await dialog.getByRole('button', { name: 'Cancel' }).click();
    await owner.goto('/');
    await expect(owner.getByText('10 pieces on the bench')).toBeVisible();
    await owner.goto('/backups');
    await owner.getByTestId('backup-file').setInputFiles(file);
    await dialog.getByRole('button', { name: 'Replace the workshop' }).click();
    await expect(owner.getByText('is back as it was')).toBeVisible();
    await owner.goto('/');
    await expect(owner.getByText('11 pieces on the bench')).toBeVisible();

    const fresh = await launch({ DEMO: 'off' });
    const there = await browserOf(browser, fresh);
    await there.goto('/');
    await expect(there.getByRole('heading', { name: 'A new workshop' })).toBeVisible();
    await there.getByTestId('backup-file').setInputFiles(file);
    await expect(there.getByRole('heading', { name: 'Come in' })).toBeVisible();
    await signIn(there, 'marit');
    await expect(there.getByText('11 pieces on the bench')).toBeVisible();
    await fresh.remove();
  });

  for (const way of WAYS) {
    test(`an empty installation gets its workshop and owner ${way}`, async ({ browser }) => {
      const fresh = await launch({ DEMO: 'off' });
      const page = await browserOf(browser, fresh);
      const hands = handsOf(way, page);
      await page.goto('/');
      await hands.fill(page.getByLabel('Name of the workshop'), 'A new bench');
      await hands.fill(page.getByLabel('What you are called'), 'Mo');
      await hands.fill(page.getByLabel('Name to sign in with'), 'mo');
      await hands.fill(page.getByLabel(/^Password/), PASSWORD);
      await hands.press(page.getByRole('button', { name: 'Open the workshop' }));
      await expect(page.getByRole('heading', { level: 1 })).toHaveText('A new bench');
      await expect(page.getByText('Start with a wrist')).toBeVisible();
      await fresh.remove();
    });
  }
});

test('who is forgotten is gone from the page, and what still speaks of them is named', async ({
  browser,
  house,
}) => {
  const owner = await browserOf(browser, house);
  await owner.goto('/personal-data');
  // She is a customer too: which of the two lists comes first is not told.
  const wearers = owner.getByRole('region', { name: 'Wearers' });
  const [saved] = await Promise.all([
    owner.waitForEvent('download'),
    wearers.getByRole('link', { name: 'Save what is kept of Oluchi Adeyemi' }).click(),
  ]);
  const kept = JSON.parse(readFileSync(await saved.path(), 'utf8')) as { wearer: object };
  expect(kept.wearer).toMatchObject({ name: 'Oluchi Adeyemi', allergy: 'nickel' });
  await wearers.getByRole('button', { name: 'Forget Oluchi Adeyemi' }).click();
  await owner.getByRole('button', { name: 'Forget them' }).click();
  const told = owner.getByRole('dialog', { name: 'Oluchi Adeyemi is forgotten' });
  await expect(told).toContainText('Piece Transit');
  await told.getByRole('button', { name: 'Done' }).click();
  await expect(wearers.getByText('Oluchi Adeyemi')).toHaveCount(0);
});

/** All that comes has come: nothing on the page changes for a while. */
const atRest = (page: Page): Promise<void> =>
  expect(async () => {
    const before = await page.content();
    await page.waitForTimeout(400);
    expect(await page.content()).toBe(before);
  }).toPass();

test('every page of the house can be read by everybody, in both themes', async ({
  browser,
  house,
}) => {
  const page = await browserOf(browser, house);
  const check = async (path: string): Promise<void> => {
    await page.goto(path);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await atRest(page);
    await expectAccessible(page, path);
    // And nothing of it lies beyond the side of a phone.
    await page.setViewportSize({ width: 390, height: 800 });
    // What is shown on wide pages only goes with the next frame.
    await expect.poll(() => widthOf(page), { message: path }).toBe(390);
    await page.setViewportSize({ width: 1280, height: 800 });
  };
  await check('/account');
  await choosePassword(page);
  const link = await invite(page, 'Viewer');
  for (const path of ['/account', '/people', '/personal-data', '/trail', '/backups']) {
    await check(path);
  }
  await page.goto('/account');
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await page.getByRole('heading', { name: 'Come in' }).waitFor();
  await check('/');
  await check(new URL(link).pathname + new URL(link).hash);
});
