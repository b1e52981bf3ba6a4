import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensureChromium } from './lib/chromium.mjs';
import { withDemo } from './lib/demo-browser.mjs';
import { ensureDependencies } from './lib/dependencies.mjs';
import { run, say } from './lib/say.mjs';
import { ROOT } from './lib/shell.mjs';

const OUT = join(ROOT, 'docs', 'screenshots');

/** Takes the pictures of docs/screenshots from the demo data, on a database made for it. */
await run(async () => {
  await ensureDependencies();
  await ensureChromium();
  await ensureBuild();
  mkdirSync(OUT, { recursive: true });
  await withDemo('shots', async (browser, url) => {
    const { items: pieces } = await (await fetch(`${url}/api/pieces?sort=laid`)).json();
    const shot = async (file, path, options = {}) => {
      const { width = 1280, height = 800, colorScheme = 'light', rest = 2500, act } = options;
      const page = await browser.newPage({ viewport: { width, height }, colorScheme });
      page.setDefaultTimeout(10_000);
      await page.goto(url + path);
      await page.getByRole('banner').waitFor();
      // A better plan of the week is looked for beside the page for a while.
      await page.waitForTimeout(rest);
      await act?.(page);
      await page.waitForTimeout(400);
      await page.screenshot({ path: join(OUT, `${file}.png`) });
      await page.close();
      say(`${file}.png`);
    };
    const named = (name) => pieces.find(({ piece }) => piece.name === name);
    const [meridian, perseid, azimuth] = ['Meridian', 'Perseid', 'Azimuth'].map(named);
    const at = (piece, stage) => `/pieces/${piece.id}/${stage}`;
    const spaces = (n) => async (page) => {
      for (let i = 0; i < n; i++) await page.keyboard.press('Space');
      await page.waitForTimeout(400);
    };
    await shot('workshop', '/', { rest: 6000 });
    await shot('fit', at(meridian, 'fit'));
    const part = (name) => (page) =>
      page.getByTestId('parts-layer').getByRole('button', { name }).first().click();
    const pane = (name) => (page) =>
      page
        .getByRole('group', { name: 'What to lay out' })
        .getByRole('button', { name, exact: true })
        .click();
    await shot('knot-book', '/knot-book/square-knot-sinnet', { height: 1000, rest: 4000 });
    await shot('layout', at(perseid, 'layout'), { act: part(/^Beads, part 10/) });
    await shot('closed-dark', `${at(perseid, 'layout')}?view=closed`, {
      colorScheme: 'dark',
      act: pane('Closure'),
    });
    await shot('loom', at(azimuth, 'layout'), {
      height: 1000,
      act: async (page) => {
        await page.getByTestId('loom').focus();
        await page.keyboard.press('ArrowRight');
        await page.getByTestId('loom').evaluate((e) => e.blur());
        await page.evaluate(() => window.scrollTo(0, 120));
      },
    });
    await shot('cut', at(perseid, 'cut'), { height: 1000 });
    await shot('make', at(meridian, 'make'), {
      act: async (page) => {
        await page.getByRole('button', { name: 'Begin making' }).click();
        await page.getByText('Step 1 of').waitFor();
        await spaces(20)(page);
      },
    });
    await shot('versions', `/versions/${meridian.id}`, {
      height: 1000,
      act: async (page) => {
        await page.getByRole('radio', { name: /^All in orange/ }).click();
        await page.waitForTimeout(600);
        // Nothing shows where the pointer happens to be.
        await page.mouse.move(0, 0);
      },
    });
    await shot('make-phone', at(meridian, 'make'), { width: 390, height: 844 });
    await shot('finish', at(meridian, 'finish'), {
      act: async (page) => {
        await page.keyboard.press('m');
        await page.getByTestId('making').waitFor();
        await spaces(45)(page);
        await page.keyboard.press('e');
        await page.getByRole('checkbox', { checked: false }).first().click();
        await page.mouse.move(0, 0);
      },
    });
    await shot('log', at(meridian, 'log'), {
      height: 1000,
      act: (page) => page.getByTestId('logged').scrollIntoViewIfNeeded(),
    });
    await shot('hand', '/hand', { height: 1000 });
    const first = async (path) => {
      const found = await (await fetch(`${url}/api/${path}`)).json();
      return (found.items ?? found)[0].id;
    };
    await shot('orders', '/orders');
    await shot('bench-time', '/bench-time', { rest: 6000 });
    await shot('cutting', `/cutting/${await first('cuttings')}`);
    await shot('stash', '/stash?kind=cord&sort=added');
    await shot('board', '/knots/new?from=carrick', {
      rest: 9000,
      act: async (page) => {
        await page.getByTestId('space').focus();
        for (const key of ['ArrowUp', 'ArrowLeft']) await page.keyboard.press(key);
        await page.getByTestId('space').evaluate((e) => e.blur());
      },
    });
    await shot('space', `${at(perseid, 'layout')}?view=space`, {
      rest: 4000,
      act: async (page) => {
        await page.getByTestId('space').focus();
        for (const key of ['ArrowUp', 'ArrowUp', 'ArrowLeft', '+', '+', '+', '+', '+']) {
          await page.keyboard.press(key);
        }
        await page.getByTestId('space').evaluate((e) => e.blur());
      },
    });
  });
});
