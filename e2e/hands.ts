import type { Locator, Page } from '@playwright/test';
import { deep } from '../scripts/lib/deep.mjs';

/** How somebody works a page: with a mouse, or with keys alone. */
export interface Hands {
  /** A button, a link, a choice. */
  press(what: Locator): Promise<void>;
  /** A line to type into. */
  fill(what: Locator, text: string): Promise<void>;
  /** One of the browser’s own list. */
  choose(what: Locator, label: string): Promise<void>;
}

const mouse = (): Hands => ({
  press: (what) => what.click(),
  async fill(what, text) {
    await what.click();
    await what.fill(text);
    await what.press('Tab');
  },
  async choose(what, label) {
    await what.selectOption({ label });
  },
});

/** More stops than any page has. */
const STOPS = 300;

/** Goes with Tab until something has the focus, as a hand on the keys does. */
async function tabTo(page: Page, what: Locator): Promise<void> {
  await what.waitFor();
  for (let stop = 0; stop < STOPS; stop++) {
    if (await what.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`Tab does not come to ${String(what)}`);
}

const keys = (page: Page): Hands => ({
  async press(what) {
    await tabTo(page, what);
    await page.keyboard.press('Enter');
  },
  async fill(what, text) {
    await tabTo(page, what);
    await page.keyboard.press('Control+a');
    // A field for a day takes its parts one after the other.
    if ((await what.getAttribute('type')) === 'date') {
      const [year, month, day] = text.split('-');
      await page.keyboard.type(`${month}${day}${year}`);
    } else await page.keyboard.type(text);
    await page.keyboard.press('Tab');
  },
  async choose(what, label) {
    await tabTo(page, what);
    // A list may still be coming while its keys are pressed: whoever looks at it presses on until it is right.
    for (let stop = 0; stop < STOPS; stop++) {
      const options = await what.locator('option').allTextContents();
      const wanted = options.indexOf(label);
      const now = await what.evaluate((list) => (list as HTMLSelectElement).selectedIndex);
      if (wanted === now && wanted >= 0) return;
      if (wanted < 0) await page.waitForTimeout(50);
      else await page.keyboard.press(wanted > now ? 'ArrowDown' : 'ArrowUp');
    }
    throw new Error(`“${label}” is not to be chosen in ${String(what)}`);
  },
});

const HANDS = { 'by mouse': mouse, 'by keyboard alone': keys };
export type Way = keyof typeof HANDS;

/** Ways that whole stories are gone: what can be done by keys can be done by mouse too, which `npm run test:deep` tries. */
export const WAYS: readonly Way[] = deep(['by mouse', 'by keyboard alone'], ['by keyboard alone']);

export const handsOf = (way: Way, page: Page): Hands => HANDS[way](page);
