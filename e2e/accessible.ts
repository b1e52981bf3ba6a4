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
 * What of a page does not hold to the rules, each with what it is said of. The checker is loaded once a page and
 * works out only what is wrong: that takes a fifth of the time.
 *
 * @param within a selector, for a part of the page
 */
export async function violationsIn(
  page: Page,
  { rules = 'all', within }: { readonly rules?: Rules; readonly within?: string } = {},
): Promise<string[]> {
  await atRest(page);
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  const runOnly: RunOnly | null =
    rules === 'all'
      ? null
      : rules === 'wcag'
        ? { type: 'tag', values: WCAG }
        : { type: 'rule', values: [rules] };
  return page.evaluate(
    async ([where, only]) => {
      type Run = (at: unknown, options: RunOptions) => Promise<AxeResults>;
      const { run } = (window as unknown as { axe: { run: Run } }).axe;
      const { violations } = await run(where ?? document, {
        resultTypes: ['violations'],
        ...(only ? { runOnly: only } : {}),
      });
      return violations.map(
        ({ id, nodes }) =>
          `${id}: ${nodes.map(({ target, html }) => `${target.join(' ')} ${html.slice(0, 200)}`).join('; ')}`,
      );
    },
    [within, runOnly] as const,
  );
}

/** All rules of WCAG in the light theme; the dark one differs by its colours alone. */
export async function expectAccessible(page: Page, what: string): Promise<void> {
  for (const scheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
    const rules = scheme === 'light' ? 'wcag' : 'color-contrast';
    expect(await violationsIn(page, { rules }), `${what}, ${scheme}`).toEqual([]);
  }
}
