import type { MakePlanView, MakeView, PageView } from '@coiled-strand/contract';
import type { Page } from '@playwright/test';
import {
  expect,
  finishAll,
  newPiece,
  phonePage,
  type Running,
  stored,
  test,
  widthOf,
} from '../fixtures.js';

/** The first make of a piece under way, as the server has it. */
async function makeOf(server: Running, name: string): Promise<MakeView> {
  const { id } = await stored(server, name);
  const {
    items: [make],
  } = await server.get<PageView<MakeView>>(`/makes?piece=${id}`);
  if (!make) throw new Error(`nothing is made of ${name}`);
  return make;
}

/** Begins a make of a new piece and goes on by so many actions. */
async function begin(page: Page, name: string, actions: number, template?: string): Promise<void> {
  await newPiece(page, name, template);
  await page.keyboard.press('m');
  await page.getByRole('button', { name: 'Begin making' }).click();
  await expect(page.getByText('Step 1 of')).toBeVisible();
  for (let i = 0; i < actions; i++) await page.keyboard.press('Space');
}
const counter = (page: Page) => page.getByTestId('counter');

test('the server is killed in the middle of a make, the tab too, and it is gone on with', async ({
  page,
  server,
}) => {
  await begin(page, 'Killed', 9);
  await expect(counter(page)).toHaveText('4');
  await expect.poll(async () => (await makeOf(server, 'Killed')).reached.done).toBe(9);
  const address = page.url();
  const context = page.context();
  await server.stop();
  for (let i = 0; i < 5; i++) await page.keyboard.press('Space');
  await expect(counter(page)).toHaveText('9');
  await page.close();
  await server.start();
  const again = await context.newPage();
  await again.goto(address);
  await expect(counter(again)).toHaveText('9');
  await expect.poll(async () => (await makeOf(server, 'Killed')).reached.done).toBe(14);
  await again.keyboard.press('Space');
  await expect.poll(async () => (await makeOf(server, 'Killed')).reached.done).toBe(15);
});

test('two devices follow one make: what was done later counts on both', async ({
  page,
  browser,
  server,
}) => {
  await begin(page, 'Two devices', 9);
  await expect.poll(async () => (await makeOf(server, 'Two devices')).reached.done).toBe(9);
  const tablet = await (await browser.newContext({ baseURL: server.url })).newPage();
  await tablet.goto(page.url());
  await expect(counter(tablet)).toHaveText('4');
  for (let i = 0; i < 3; i++) await tablet.keyboard.press('Space');
  await expect.poll(async () => (await makeOf(server, 'Two devices')).reached.done).toBe(12);
  await expect(counter(page)).toHaveText('7');
  await page.keyboard.press('Backspace');
  await expect.poll(async () => (await makeOf(server, 'Two devices')).reached.done).toBe(11);
  await expect(counter(tablet)).toHaveText('6');
  await tablet.context().close();
});

test('two windows of one browser count one make together, knot by knot', async ({
  page,
  context,
  server,
}) => {
  await begin(page, 'Two windows', 9);
  await expect.poll(async () => (await makeOf(server, 'Two windows')).reached.done).toBe(9);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(counter(other)).toHaveText('4');
  // Neither asks the server meanwhile: what one does the other hears at once, and goes on from there.
  for (const window of [page, other]) {
    await window.route(/\/makes\?/, (route) => route.abort());
  }
  for (const [here, there, text] of [
    [page, other, '5'],
    [other, page, '6'],
    [page, other, '7'],
  ] as const) {
    await here.keyboard.press('Space');
    await expect(counter(here)).toHaveText(text);
    await expect(counter(there)).toHaveText(text);
  }
  await expect.poll(async () => (await makeOf(server, 'Two windows')).reached.done).toBe(12);
  await other.close();
});

test('a window that was left open never sets the other back: it asks', async ({
  page,
  browser,
  server,
}) => {
  await begin(page, 'Left open', 9);
  await expect.poll(async () => (await makeOf(server, 'Left open')).reached.done).toBe(9);
  const tablet = await (await browser.newContext({ baseURL: server.url })).newPage();
  await tablet.goto(page.url());
  await expect(counter(tablet)).toHaveText('4');
  // It hears nothing more, as a tablet that slept.
  await tablet.route(/\/makes\?/, (route) => route.abort());
  for (let i = 0; i < 3; i++) await page.keyboard.press('Space');
  await expect.poll(async () => (await makeOf(server, 'Left open')).reached.done).toBe(12);
  await tablet.keyboard.press('Space');
  const asked = tablet.getByRole('dialog', { name: 'This make went on elsewhere' });
  await expect(asked).toContainText(/There: step \d+ of \d+, “.+”, 7 done/);
  await expect(asked).toContainText(/Here: step \d+ of \d+, “.+”, 5 done/);
  expect((await makeOf(server, 'Left open')).reached.done).toBe(12);
  await asked.getByRole('button', { name: 'Go on from there' }).click();
  await expect(counter(tablet)).toHaveText('7');
  await tablet.keyboard.press('Space');
  await expect.poll(async () => (await makeOf(server, 'Left open')).reached.done).toBe(13);
  await tablet.context().close();
});

test('several makes of a piece run side by side, each with a count of its own', async ({
  page,
}) => {
  await begin(page, 'Side by side', 8);
  await expect(counter(page)).toHaveText('3');
  await page.getByRole('button', { name: 'One more' }).click();
  await expect(page.getByText('Step 1 of')).toBeVisible();
  const makes = page.getByRole('group', { name: 'Makes under way' });
  await expect(makes.getByRole('button', { name: /Make 2/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  for (let i = 0; i < 6; i++) await page.keyboard.press('Space');
  await expect(counter(page)).toHaveText('1');
  await makes.getByRole('button', { name: /Make 1/ }).click();
  await expect(counter(page)).toHaveText('3');
  await page.reload();
  await expect(counter(page)).toHaveText('3');
});

test('the place is found again: by side, by number, by a ruler', async ({ page, server }) => {
  await begin(page, 'Lost', 10);
  await page.keyboard.press('w');
  const dialog = page.getByRole('dialog', { name: 'Where was I?' });
  await expect(dialog).toContainText('5 half knots');
  await expect(dialog).toContainText('The last came from the left; the right is next');
  await expect(dialog.getByRole('img', { name: 'The work with 5 done' })).toBeVisible();
  await dialog.getByRole('button', { name: 'One more' }).click();
  await expect(dialog).toContainText('The last came from the right; the left is next');
  const long = dialog.getByRole('textbox', { name: /measure this part/ });
  await long.fill('10 cm');
  await long.press('Enter');
  // As many as this make was planned with in 10 cm: tests before it may have taught the hand.
  const { id } = await makeOf(server, 'Lost');
  const { plan } = await server.get<MakePlanView>(`/makes/${id}/plan`);
  const { length, units } = plan.parts[0]!.layout;
  const there = (100 * units) / length;
  const count = new RegExp(`\\b(${Math.floor(there)}|${Math.ceil(there)})\\b`);
  await expect(dialog).toContainText(new RegExp(`${count.source} half knots`));
  await dialog.getByRole('button', { name: 'Here I am' }).click();
  await expect(counter(page)).toHaveText(count);
});

test('a foot pedal is taught by stepping on it, and goes on from then on', async ({ page }) => {
  await begin(page, 'Pedal', 7);
  await page.getByRole('button', { name: 'Sound, vibration, foot pedal' }).click();
  await page.getByRole('menuitem', { name: /Foot pedal/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Foot pedal' });
  await dialog.waitFor();
  await page.keyboard.press('PageDown');
  await expect(dialog).toContainText('It sends PageDown.');
  await dialog.getByRole('button', { name: 'Done' }).click();
  await expect(dialog).toBeHidden();
  await expect(counter(page)).toHaveText('2');
  await page.keyboard.press('PageDown');
  await expect(counter(page)).toHaveText('3');
});

test('a move is shown slowly, and not to who does not bear motion', async ({ page }) => {
  await begin(page, 'Slowly', 6);
  await page.getByRole('button', { name: 'Show me slowly' }).click();
  const way = page.getByTestId('step-picture').locator('.going-in').first();
  await expect(way).toBeAttached();
  const moves = (): Promise<number> => way.evaluate((path) => path.getAnimations().length);
  expect(await moves()).toBe(1);
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await expect.poll(moves).toBe(0);
  await page.keyboard.press('Space');
  await expect(page.locator('.going-in')).toHaveCount(0);
});

test('measured half way, the make says what will come out, on the bench too', async ({ page }) => {
  await begin(page, 'Half way', 17);
  await page.keyboard.press('r');
  const dialog = page.getByRole('dialog', { name: 'Measure now' });
  const fill = async (name: RegExp, text: string): Promise<void> => {
    const field = dialog.getByRole('textbox', { name });
    await field.fill(text);
    await field.press('Enter');
  };
  await fill(/Length of the work/, '9.2 cm');
  await expect(dialog.getByTestId('forecast')).toContainText(/Every cord lasts/);
  await expect(dialog.getByTestId('forecast')).toContainText('nine times in ten between');
  await fill(/Cord 1, left/, '60 cm');
  await expect(dialog).toContainText('A cord will run out.');
  await expect(dialog).toContainText('Join a cord');
  await expect(dialog).toContainText('Stop short');
  await expect(dialog).toContainText(/Begin the closure after \d+ half knots/);
  await dialog.getByRole('button', { name: 'Go on' }).click();
  const band = page.getByTestId('forecast-band');
  await expect(band).toBeVisible();
  await expect(band).toContainText('close by here');
  await page.reload();
  await expect(band).toBeVisible();
});

test('glue cures on while server and browser are restarted, and says what must wait', async ({
  browser,
  page,
  server,
}) => {
  await begin(page, 'Cures', 120, 'A beaded square-knot band that slides');
  await page.getByRole('link', { name: 'On to finishing' }).click();
  for (const name of ['Try it on', 'Trim the ends that go', 'Glue the ends']) {
    await page.getByRole('checkbox', { name }).click();
  }
  const timer = page.getByRole('timer');
  await expect(timer).toContainText('Wait while the glue cures: 23 h 59 min');
  await expect(page.getByTestId('waits')).toContainText('Do not wear it, wet it');
  await expect(page.getByText(/Not yet: the glue cures/).first()).toBeVisible();
  await expect
    .poll(async () => (await makeOf(server, 'Cures')).timers.map((one) => one.step))
    .toEqual(['ends-glue']);
  await server.stop();
  await server.start();
  // Another browser knows nothing but what the server kept.
  const other = await (await browser.newContext()).newPage();
  await other.goto(page.url());
  await expect(other.getByRole('timer')).toContainText('Wait while the glue cures: 23 h');
  await other.context().close();
});

test('on a phone a whole make is made by thumb: taps, a long press, finishing, the log', async ({
  browser,
  server,
}) => {
  const page = await phonePage(browser, server);
  await newPiece(page, 'By thumb');
  await page.getByRole('link', { name: /Make/ }).tap();
  await page.getByRole('button', { name: 'Begin making' }).tap();
  const next = page.getByRole('button', { name: /Done, next|Tied, next/ });
  for (let i = 0; i < 5; i++) await next.tap();
  await expect(counter(page)).toHaveText('0');
  await counter(page).tap();
  await expect(counter(page)).toHaveText('1');
  // The thumb's button is in sight without scrolling, whatever the step says.
  const box = (await next.boundingBox())!;
  expect(box.y + box.height).toBeLessThanOrEqual(844);
  const { x, y } = (await counter(page).boundingBox())!;
  const touch = { clientX: x + 20, clientY: y + 20, pointerType: 'touch', bubbles: true };
  await counter(page).dispatchEvent('pointerdown', touch);
  const dialog = page.getByRole('dialog', { name: /How many half knots are done/ });
  await expect(dialog).toBeVisible();
  await counter(page).dispatchEvent('pointerup', touch);
  await dialog.getByRole('button', { name: 'Five more' }).tap();
  await dialog.getByRole('button', { name: 'Set the count' }).tap();
  await expect(counter(page)).toHaveText('6');
  for (let i = 0; i < 60; i++) {
    if (!(await next.isVisible())) break;
    await next.tap();
  }
  await page.getByRole('link', { name: 'On to finishing' }).tap();
  await finishAll(page, (control) => control.tap());
  await page.getByRole('main').getByRole('link', { name: 'Log it' }).tap();
  await page.getByRole('textbox', { name: 'Cord 1, left over' }).fill('30 cm');
  await page.getByRole('textbox', { name: /Length of the work/ }).fill('20 cm');
  await page.getByRole('button', { name: 'Log it' }).tap();
  await expect(page.getByTestId('logged')).toContainText('Tobias Renn has it');
  expect(await widthOf(page)).toBeLessThanOrEqual(390);
  await page.context().close();
});
