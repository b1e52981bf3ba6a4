import { expect, test as base, type Browser, type Page } from '@playwright/test';
import { launch, type Running } from './fixtures.js';

export const PASSWORD = 'seven knots in one cord';

interface Fixtures {
  /** A server of this test alone: it does not stay open. */
  readonly house: Running;
}
export const test = base.extend<Fixtures>({
  house: async ({}, use) => {
    const house = await launch();
    await use(house);
    await house.remove();
  },
});

/** Somebody’s own browser. */
export const browserOf = async (browser: Browser, { url }: Running): Promise<Page> => {
  const context = await browser.newContext({ baseURL: url, acceptDownloads: true });
  return context.newPage();
};

export async function choosePassword(page: Page): Promise<void> {
  await page.goto('/account');
  await page.getByLabel(/^New password/).fill(PASSWORD);
  await page.getByRole('button', { name: 'Choose it' }).click();
  await expect(page.getByText('You sign in as marit.')).toBeVisible();
}

export async function signIn(page: Page, name: string): Promise<void> {
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

/** The owner makes a link; whoever it is for opens it. */
export async function invite(owner: Page, role: string): Promise<string> {
  await owner.goto('/people');
  await owner.getByRole('button', { name: 'Invite somebody' }).click();
  await owner.getByRole('radio', { name: role }).click();
  await owner.getByRole('button', { name: 'Make a link' }).click();
  const link = await owner.getByRole('textbox', { name: 'Link' }).inputValue();
  await owner.getByRole('button', { name: 'Done' }).click();
  return link;
}

export async function comeIn(page: Page, link: string, name: string): Promise<void> {
  await page.goto(link);
  await page.getByLabel('What you are called').fill(name);
  await page.getByLabel('Name to sign in with').fill(name.toLowerCase());
  await page.getByLabel(/^Password/).fill(PASSWORD);
  await page.getByRole('button', { name: 'Join', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Thistledown Bench');
}
