import { expect, type Page } from '@playwright/test';
import axe, { type AxeResults, type RunOnly, type RunOptions } from 'axe-core';

/** WCAG 2.2 AA. */
const WCAG = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/** Which rules are asked: those of WCAG, all that are known, or one by its name. */
type Rules = 'wcag' | 'all' | 'color-contrast';

/** Waits until no colour is on its way to another: it is neither of both. */
const atRest = (page: Page): Promise<unknown> =>
  page.evaluate(() =>
    Promise.all(
      document
        .getAnimations()
        .filter((a) => a.effect?.getComputedTiming().endTime !== Infinity)
        .map((a) => a.finished.catch(() => undefined)),
    ),
  );

/**
 * What is drawn says nothing to the rules, which know no fill: with thousands of lines out of sight they take half
 * the time. What can be pressed in a drawing keeps its lines, since they are its size.
 */
const LINES = `svg :is(path, circle, ellipse, rect, line, polygon, polyline, use, image):not(
  svg :is([role=button], [role=slider], [role=option], [role=radio], [role=checkbox], [role=link], [tabindex], a) *
):not([role], [tabindex]) { display: none !important }`;

/** A colour on its way to another is neither of both. */
const AT_ONCE = '*, *::before, *::after { transition: none !important }';

/**
 * What of a page does not hold to the rules, each with what it is said of. The checker is loaded once a page and
 * works out only what is wrong: that takes a fifth of the time.
 *
 * @param within a selector, for a part of the page
 */
export async function violationsIn(
  page: Page,
  { rules = 'all', within }: { readonly rules?: Rules; readonly within?: string } = {},
): Promise<string[]> {
  await expect(page.locator('[aria-busy=true]')).toHaveCount(0, { timeout: 120_000 });
  await atRest(page);
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  const runOnly: RunOnly | null =
    rules === 'all'
      ? null
      : rules === 'wcag'
        ? { type: 'tag', values: WCAG }
        : { type: 'rule', values: [rules] };
  return page.evaluate(
    async ([where, only, lines]) => {
      type Run = (at: unknown, options: RunOptions) => Promise<AxeResults>;
      const { run } = (window as unknown as { axe: { run: Run } }).axe;
      const style = document.createElement('style');
      style.textContent = lines;
      document.head.append(style);
      const look = async (): Promise<AxeResults['violations']> => {
        const options: RunOptions = {
          resultTypes: ['violations'],
          ...(only ? { runOnly: only } : {}),
        };
        return (await run(where ?? document, options)).violations;
      };
      // A page that is drawn anew while it is looked at was never seen as it is. A fault that is one is there again.
      let violations = await look();
      for (let times = 0; violations.length > 0 && times < 2; times++) {
        await new Promise((resolve) => setTimeout(resolve, 1000));
        violations = await look();
      }
      style.remove();
      return violations.map(
        ({ id, nodes }) =>
          `${id}: ${nodes.map(({ target, html }) => `${target.join(' ')} ${html.slice(0, 200)}`).join('; ')}`,
      );
    },
    [within, runOnly, LINES + AT_ONCE] as const,
  );
}

/** A dialog that shuts off the page behind it, which was there before and was looked at then. */
const MODAL = '[role=dialog][aria-modal=true]';

/**
 * All rules of WCAG in the light theme; the dark one differs by its colours alone. Where a dialog is open it is looked at,
 * else the page.
 */
export async function expectAccessible(page: Page, what: string): Promise<void> {
  const within = (await page.locator(MODAL).count()) > 0 ? { within: MODAL } : {};
  for (const scheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
    const rules = scheme === 'light' ? 'wcag' : 'color-contrast';
    expect(await violationsIn(page, { rules, ...within }), `${what}, ${scheme}`).toEqual([]);
  }
}
