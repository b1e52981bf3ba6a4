import type { MakePlanView, MakeView, WorkshopView } from '@coiled-strand/contract';
import { stepPlaceOf, type StepPlace } from '@coiled-strand/core';
import type { Page } from '@playwright/test';
import {
  expect,
  finishAll,
  newPiece,
  phonePage,
  stored,
  test,
  widthOf,
  settingsAgain,
} from '../fixtures.js';
import { expectAccessible } from '../accessible.js';

/** Each stage, and what is opened there one after another. */
const STAGES: readonly (readonly [stage: string, open?: (page: Page) => AsyncIterable<string>])[] =
  [['fit'], ['layout', panes], ['cut'], ['make', making], ['finish', finishing], ['log', settings]];

async function* panes(page: Page): AsyncGenerator<string> {
  for (const pane of ['Beads', 'Cords', 'Closure', 'Fill to length']) {
    await page.getByRole('main').getByRole('button', { name: pane, exact: true }).click();
    yield pane;
  }
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByRole('dialog', { name: 'Add a part' }).waitFor();
  yield 'add a part';
}

async function* making(page: Page): AsyncGenerator<string> {
  await page.getByRole('button', { name: 'Begin making' }).click();
  await page.getByText('Step 1 of').waitFor();
  yield 'under way';
  for (let i = 0; i < 9; i++) await page.keyboard.press('Space');
  await page.getByTestId('counter').waitFor();
  yield 'knots';
  for (const [key, name] of [
    ['n', /How many half knots/],
    ['w', 'Where was I?'],
    ['r', 'Measure now'],
  ] as const) {
    await page.keyboard.press(key);
    const dialog = page.getByRole('dialog', { name });
    await dialog.waitFor();
    if (key === 'r') {
      for (const [field, text] of [
        [/Length of the work/, '4 cm'],
        [/Cord 1, left/, '40 cm'],
      ] as const) {
        await dialog.getByRole('textbox', { name: field }).fill(text);
        await dialog.getByRole('textbox', { name: field }).press('Enter');
      }
      await dialog.getByText('What can be done').waitFor();
    }
    yield String(name);
    await page.keyboard.press('Escape');
    await dialog.waitFor({ state: 'hidden' });
  }
}

/** Where a make stands after so many actions. */
async function placeIn(page: Page, makeId: string, done: number): Promise<StepPlace> {
  const answer = await page.request.get(`/api/makes/${makeId}/plan`);
  return stepPlaceOf(((await answer.json()) as MakePlanView).steps, done);
}

async function* finishing(page: Page): AsyncGenerator<string> {
  const make = await page.request.post(
    page.url().replace(/pieces\/(.*)\/finish/, 'api/pieces/$1/makes'),
    {
      data: {},
    },
  );
  const { id, reached } = (await make.json()) as MakeView;
  await page.request.put(`/api/makes/${id}/progress`, {
    data: {
      at: await placeIn(page, id, reached.total - 3),
      timers: [{ step: 'ends-singe', startedAt: new Date().toISOString() }],
    },
  });
  await page.reload();
  await page.getByRole('timer').waitFor();
  yield 'with a wait';
}

async function* settings(page: Page): AsyncGenerator<string> {
  await page.getByRole('button', { name: 'Settings' }).click();
  await page.getByRole('dialog').waitFor();
  yield 'settings';
}

test('the workshop holds to WCAG 2.2 AA in both themes', async ({ page }) => {
  await page.goto('/');
  await page.getByTestId('piece').first().waitFor();
  await expectAccessible(page, 'workshop');
  await page.getByRole('button', { name: 'New piece' }).click();
  await page.getByRole('dialog').waitFor();
  await expectAccessible(page, 'new piece');
});

for (const [stage, open] of STAGES) {
  test(`the stage ${stage} holds to WCAG 2.2 AA in both themes`, async ({ page }) => {
    await newPiece(page, `Seen at ${stage}`);
    if (stage !== 'fit') await page.goto(page.url().replace(/fit$/, stage));
    await page.getByTestId('bench').waitFor();
    await expectAccessible(page, 'as it opens');
    if (open) for await (const what of open(page)) await expectAccessible(page, what);
  });
}

test('the book, the numbers and the hand hold to WCAG 2.2 AA in both themes', async ({ page }) => {
  await page.goto('/book');
  await page.getByTestId('book-page').first().waitFor();
  await expectAccessible(page, 'the book');
  await page.goto('/numbers');
  await page.getByRole('table', { name: 'Overhand knot' }).waitFor();
  await expectAccessible(page, 'the numbers');
  await page.goto('/hand');
  await page.getByRole('img', { name: /Predicted and actual/ }).waitFor();
  await page
    .getByRole('button', { name: /by 1 measurement/ })
    .first()
    .click();
  await page
    .getByRole('button', { name: /^Set .* aside$/ })
    .first()
    .click();
  await expectAccessible(page, 'the hand');
  await page.getByRole('button', { name: 'Measure a swatch' }).click();
  await page.getByRole('dialog').waitFor();
  await expectAccessible(page, 'a swatch');
});

test('the log of a make holds to WCAG 2.2 AA in both themes', async ({ page, server }) => {
  const { id } = await stored(server, 'Meridian');
  await page.goto(`/pieces/${id}/log`);
  await page.getByTestId('logged').waitFor();
  await expectAccessible(page, 'logged');
  await page.getByRole('button', { name: 'Correct the log' }).click();
  await expectAccessible(page, 'mended');
});

test('the loom holds to WCAG 2.2 AA in both themes', async ({ page }) => {
  await newPiece(page, 'Seen on the loom', 'A knotted band in slanting stripes');
  await page.goto(page.url().replace(/fit$/, 'layout'));
  await page.getByTestId('loom').waitFor();
  await expectAccessible(page, 'the loom');
  for (const name of ['Ready patterns', 'From a picture']) {
    await page.getByRole('button', { name }).click();
    await page.getByRole('dialog').waitFor();
    await expectAccessible(page, name);
    await page.keyboard.press('Escape');
    await page.getByRole('dialog').waitFor({ state: 'hidden' });
  }
});

test('on a phone a whole make is tapped through, with targets of 44 px', async ({
  browser,
  server,
}) => {
  const page = await phonePage(browser, server);
  await newPiece(page, 'On the phone');
  expect(await widthOf(page)).toBeLessThanOrEqual(390);
  await page.getByRole('link', { name: /Make/ }).tap();
  await page.getByRole('button', { name: 'Begin making' }).tap();
  await expect(page.getByText('Step 1 of')).toBeVisible();
  for (const button of await page.getByTestId('tap-area').getByRole('button').all()) {
    const box = (await button.boundingBox())!;
    expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(44);
  }
  for (let i = 0; i < 5; i++) await page.getByRole('button', { name: 'Done, next' }).tap();
  await expect(page.getByTestId('counter')).toHaveText('0');
  await page.getByTestId('counter').tap();
  await page.getByTestId('counter').tap();
  await expect(page.getByTestId('counter')).toHaveText('2');
  await page.context().close();
});

test('a whole make by keyboard alone, for a left-handed maker', async ({ page, server }) => {
  const { settings } = await server.get<WorkshopView>('/workshop');
  await newPiece(page, 'Left-handed');
  await page.getByRole('button', { name: 'Settings' }).focus();
  await page.keyboard.press('Enter');
  // The dialog takes the focus when it has opened; a key pressed before that goes elsewhere.
  await expect(page.getByRole('dialog').locator(':focus')).toBeVisible();
  await page.getByRole('radio', { name: /^Right/ }).press('ArrowRight');
  await expect(page.getByRole('radio', { name: /^Left/ })).toBeChecked();
  await page.keyboard.press('Escape');
  await page.keyboard.press('m');
  await page.getByRole('button', { name: 'Begin making' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Step 1 of')).toBeVisible();
  for (let i = 0; i < 5; i++) await page.keyboard.press('Space');
  await expect(page.getByText('Right cord over')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByText('Left cord over')).toBeVisible();
  await page.keyboard.press('n');
  const number = page.getByRole('dialog').getByRole('textbox');
  await number.fill('12');
  await number.press('Enter');
  await expect(page.getByTestId('counter')).toHaveText('12');
  for (let i = 0; i < 60; i++) await page.keyboard.press('Space');
  await expect(page.getByText('All knots are tied')).toBeVisible();
  await page.keyboard.press('e');
  await finishAll(page, async (control) => {
    await control.focus();
    await page.keyboard.press('Space');
  });
  await expect(page.getByRole('heading', { name: 'Finished' })).toBeVisible();
  await page.keyboard.press('g');
  await page.getByRole('textbox', { name: 'Cord 1, left over' }).focus();
  await page.keyboard.type('30 cm');
  await page.getByRole('textbox', { name: /Length of the work/ }).focus();
  await page.keyboard.type('19.8');
  await page.getByRole('button', { name: 'Log it' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('logged')).toContainText('19.8 cm');
  // The settings are the workshop's; the other tests are made by a right-handed one.
  await settingsAgain(server, settings);
});
