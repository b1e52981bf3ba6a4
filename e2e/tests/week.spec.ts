import type {
  CuttingView,
  KitView,
  LotView,
  MakePlanView,
  MakeView,
  OrderView,
  PageView,
} from '@coiled-strand/contract';
import { stepPlaceOf, totalActions } from '@coiled-strand/core';
import { thingKey } from '@coiled-strand/workshop';
import type { Page } from '@playwright/test';
import { expect, stored, test, type Running } from '../fixtures.js';
import { expectAccessible } from '../accessible.js';
import { handsOf, WAYS, type Way } from '../hands.js';

const lots = async (server: Running, query: string): Promise<readonly LotView[]> =>
  (await server.get<PageView<LotView>>(`/lots?limit=100&${query}`)).items;
const sum = (all: readonly LotView[]): number => all.reduce((left, lot) => left + lot.left, 0);

/** An order comes in, is promised, cut, made, logged, priced and handed over. */
async function story(page: Page, server: Running, way: Way): Promise<void> {
  const who = `Wren ${way}`;
  const hands = handsOf(way, page);
  const main = page.getByRole('main');
  const button = (name: string | RegExp) => main.getByRole('button', { name });
  const meridian = await stored(server, 'Meridian');
  const [slate, orange] = [1, 0].map((strand) =>
    thingKey({ kind: 'cord', cord: meridian.piece.strands[strand]!.cord }),
  );
  const ofCord = async (key: string): Promise<readonly LotView[]> =>
    (await lots(server, 'q=paracord')).filter((lot) => lot.key === key);

  await test.step('an order comes in and is promised', async () => {
    await page.goto('/orders');
    await hands.press(main.getByRole('link', { name: 'New order' }));
    await hands.fill(main.getByRole('textbox', { name: 'Who' }), who);
    await hands.fill(main.getByRole('textbox', { name: 'How to reach them' }), 'by the dome');
    await hands.choose(main.getByLabel('Piece'), 'Meridian, Tobias Renn');
    await expect(main.getByTestId('promise')).toContainText('80 times in 100');
    await hands.press(button('Promise the later day'));
    await hands.fill(main.getByRole('textbox', { name: /Price agreed/ }), '42');
    await hands.press(button('Write it down'));
    await expect(main.getByText('An order, promised')).toBeVisible();
  });
  const found = await server.get<PageView<OrderView>>(`/orders?q=${encodeURIComponent(who)}`);
  const order = found.items[0]!;
  expect(order.order.price).toBe(4200);
  expect(order.order.promisedFor).not.toBeNull();

  await test.step('its cords are cut, from two spools and an offcut', async () => {
    const before = { slate: sum(await ofCord(slate!)), orange: sum(await ofCord(orange!)) };
    // An offcut that is just long enough for the core.
    const { thing } = (await ofCord(orange!))[0]!;
    const added = await page.request.post('/api/lots', {
      data: { thing, form: 'offcut', size: 700, lots: 1, cents: 20, place: `Tin of ${who}` },
    });
    expect(added.ok()).toBe(true);
    await page.goto('/cutting/new');
    await expect(main.getByTestId('proof')).toBeVisible({ timeout: 120_000 });
    // What else is ordered is cut another day.
    for (;;) {
      const others = main.getByTestId('wish').filter({ hasNotText: who });
      const left = await others.count();
      if (left === 0) break;
      await hands.press(others.first().getByRole('button', { name: /^Leave/ }));
      await expect(others).toHaveCount(left - 1);
    }
    await expect(main.getByTestId('proof')).toContainText('Proven', { timeout: 120_000 });
    await hands.press(button('Begin to cut'));
    await expect(main.getByText('2 of 2 still to cut')).toBeVisible();
    await hands.press(button(/^Cut: .*working cord/i));
    await expect(main.getByText('1 of 2 still to cut')).toBeVisible();
    const core = main.getByTestId('cut-line').filter({ hasText: 'core cord' });
    await hands.press(core.getByRole('button', { name: 'otherwise' }));
    const dialog = page.getByRole('dialog');
    const from = dialog.getByLabel('From');
    const labels = await from.locator('option').allTextContents();
    await hands.choose(
      from,
      labels.find((label) => label.includes(`tin of ${who.toLowerCase()}`))!,
    );
    await hands.press(dialog.getByRole('button', { name: 'Write it down' }));
    await expect(main.getByText('All cut')).toBeVisible();
    const id = page.url().split('/').at(-1)!;
    const { made } = await server.get<CuttingView>(`/cuttings/${id}`);
    const cut = made.reduce((all, { length }) => all + length, 0);
    const after = sum(await ofCord(slate!)) + sum(await ofCord(orange!));
    expect(after).toBeCloseTo(before.slate + before.orange + 700 - cut, 3);
    await hands.press(button('Done'));
    await expect(main.getByText(/^Closed/)).toBeVisible();
  });

  await test.step('it is made and logged', async () => {
    await page.goto(`/orders/${order.id}`);
    await hands.press(button('Begin one: Meridian'));
    await expect(main.getByText('Step 1 of')).toBeVisible();
    const open = await server.get<PageView<MakeView>>(
      `/makes?piece=${meridian.id}&state=under-way`,
    );
    const make = open.items.find(({ lineId }) => lineId === order.order.lines[0]!.id)!;
    expect(make).toBeDefined();
    const { plan, steps } = await server.get<MakePlanView>(`/makes/${make.id}/plan`);
    await server.put(`/makes/${make.id}/progress`, { at: stepPlaceOf(steps, totalActions(steps)) });
    await page.goto(`/pieces/${meridian.id}/log?make=${make.id}`);
    await hands.fill(main.getByRole('textbox', { name: 'Cord 1, left over' }), '12 cm');
    await hands.fill(main.getByRole('textbox', { name: 'Cord 2, left over' }), '40 cm');
    await hands.fill(
      main.getByRole('textbox', { name: /Length of the work/ }),
      `${Math.round(plan.fit.length)} mm`,
    );
    await hands.fill(main.getByRole('textbox', { name: 'Minutes measuring and cutting' }), '8');
    await hands.fill(main.getByRole('textbox', { name: 'Minutes tying' }), '30');
    await hands.fill(main.getByRole('textbox', { name: 'Minutes finishing' }), '7');
    await hands.press(button('Log it'));
    const logged = main.locator(`#make-${make.id}`);
    await expect(logged).toBeVisible();
    // What was cut goes out of the stash, and the offcut comes back.
    await expect(logged.getByTestId('offcuts')).toBeVisible();
    const told = { slate: sum(await ofCord(slate!)), orange: sum(await ofCord(orange!)) };
    await expect(logged.getByTestId('offcuts')).toContainText('cut in');
    await hands.press(logged.getByRole('button', { name: 'Tell the stash' }));
    await expect(logged.getByTestId('offcuts')).toBeHidden();
    const back = (await lots(server, 'sort=added')).filter(({ form }) => form === 'offcut');
    expect(back.some(({ left }) => Math.abs(left - 400) < 1)).toBe(true);
    // It was cut once, in the session.
    expect(sum(await ofCord(slate!))).toBeCloseTo(told.slate + 400, 3);
    expect(sum(await ofCord(orange!))).toBeCloseTo(told.orange, 3);
    await hands.press(logged.getByRole('button', { name: 'What it came to' }));
    await expect(logged.getByTestId('price-total')).toContainText('€');
    await hands.fill(logged.getByRole('textbox', { name: /Sold at/ }), '42');
    await expect(logged.getByTestId('wage')).toContainText('an hour earns');
  });

  await test.step('and handed over', async () => {
    await page.goto(`/orders/${order.id}`);
    await expect(main.getByText('An order, ready')).toBeVisible();
    await hands.press(button('Hand it over'));
    await expect(main.getByText('An order, handed over')).toBeVisible();
  });

  await test.step('its kit twin is packed', async () => {
    await page.goto('/kits');
    await hands.press(button('Plan a kit'));
    const dialog = page.getByRole('dialog');
    await hands.choose(dialog.getByLabel('Piece'), 'Perseid');
    await hands.fill(dialog.getByRole('textbox', { name: 'Name on the label' }), `Kit of ${who}`);
    await hands.fill(dialog.getByRole('textbox', { name: 'How many packs' }), '2');
    const size = dialog.getByRole('checkbox', { name: /Gift table, large/ });
    if (way === 'by mouse') await dialog.getByText(/Gift table, large/).click();
    else {
      await size.focus();
      await page.keyboard.press('Space');
    }
    await hands.press(dialog.getByRole('button', { name: 'Plan it' }));
    await expect(main.getByRole('heading', { level: 1 })).toHaveText(`Kit of ${who}`);
    const beads = sum((await lots(server, 'kind=bead&q=hematite')).filter(({ left }) => left > 0));
    await hands.press(button('Packs are filled'));
    await hands.press(page.getByRole('dialog').getByRole('button', { name: 'Take them out' }));
    await expect(main.getByText('2 of 2 packed')).toBeVisible();
    const kit = (await server.get<KitView[]>('/kits')).find(
      ({ kit: own }) => own.name === `Kit of ${who}`,
    )!;
    expect(kit.packed).toBe(2);
    const after = sum(await lots(server, 'kind=bead&q=hematite'));
    expect(after).toBeLessThan(beads);
    await hands.press(button('Labels'));
    await expect(main.getByTestId('label')).toHaveCount(2);
  });
}

for (const way of WAYS) {
  test(`an order, from its first word to its last, ${way}`, async ({ page, server }) => {
    test.slow();
    await story(page, server, way);
  });
}

test('a spool is weighed, and a bead measured, by instruments', async ({
  page,
  context,
  server,
}) => {
  const panel = await context.newPage();
  await panel.goto('/instruments');
  const face = (which: string) =>
    panel.getByRole('region', { name: which }).getByTestId('instrument-face');
  await expect(face('Scale')).toContainText('at rest');
  const hands = (which: string, data: object) =>
    page.request.put(`/api/instruments/${which}`, { data });

  await test.step('weighed', async () => {
    const [spool] = (await lots(server, 'q=slate')).filter(({ tare }) => tare !== null);
    await page.goto(`/stash/${spool!.id}`);
    await page.getByRole('button', { name: 'Weigh it' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('textbox', { name: /On the scale/ }).click();
    await hands('scale', { value: 310.2 });
    await expect(dialog.getByRole('textbox', { name: /On the scale/ })).toHaveValue('310.2');
    await expect(dialog.getByText('give or take')).toBeVisible();
    await dialog.getByRole('button', { name: 'Write it down' }).click();
    await expect(dialog).toBeHidden();
    const after = await server.get<LotView>(`/lots/${spool!.id}`);
    // By hand: (310.2 - 182) g at 6.597 g/m.
    expect(after.left / 1000).toBeCloseTo(19.43, 1);
    await expect(page.getByTestId('movement').first()).toContainText('310.2 g on the scale');
    // And back, by its opposite.
    await page.getByRole('button', { name: 'Undo: Weighed anew' }).first().click();
    await expect
      .poll(async () => (await server.get<LotView>(`/lots/${spool!.id}`)).left)
      .toBeCloseTo(spool!.left, 3);
  });

  await test.step('measured, with the plug pulled in between', async () => {
    const { id } = await stored(server, 'Perseid');
    await page.goto(`/pieces/${id}/layout`);
    await page.getByRole('main').getByRole('button', { name: 'Beads', exact: true }).click();
    await page.getByRole('button', { name: 'Enter a bead' }).first().click();
    const dialog = page.getByRole('dialog');
    const length = dialog.getByRole('textbox', { name: 'Along the cord' });
    await length.click();
    const before = await length.inputValue();
    // On its way when the plug is pulled: nothing is taken.
    await hands('caliper', { value: 60 });
    await hands('caliper', { plugged: false });
    await expect(face('Caliper')).toContainText('not there');
    expect(await length.inputValue()).toBe(before);
    // What it comes back with was measured by nobody; what it moves to is taken.
    await hands('caliper', { plugged: true });
    await expect(face('Caliper')).toContainText('60.00 mm');
    expect(await length.inputValue()).toBe(before);
    await hands('caliper', { value: 7.25 });
    await expect(face('Caliper')).toContainText('7.25 mm');
    await expect(length).toHaveValue(/7\.25/);
    // What cannot be is questioned as if it were typed.
    await hands('caliper', { value: 400 });
    await expect(face('Caliper')).toContainText('too much');
    await expect(length).toHaveValue(/7\.25/);
  });
  await panel.close();
});

test('hours and moved work: the plan follows, and goes out as a calendar', async ({
  page,
  server,
}) => {
  await page.goto('/bench-time');
  const slots = page.getByTestId('bench-day').getByRole('button');
  await slots.first().waitFor();
  // While a better plan is looked for, stretches still move.
  const calmed = () =>
    expect(page.getByTestId('timeline')).toHaveAttribute('aria-busy', 'false', {
      timeout: 120_000,
    });
  await calmed();
  await slots.first().focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog');
  const when = dialog.getByLabel('When');
  const choices = await when.locator('option').allTextContents();
  await when.selectOption({ index: Math.min(4, choices.length - 1) });
  await dialog.getByRole('button', { name: 'Do it then' }).click();
  await expect(page.getByRole('button', { name: /put there by hand/ }).first()).toBeVisible();
  await calmed();
  expect((await server.get<{ week: { pins: unknown[] } }>('/workshop')).week.pins).toHaveLength(1);
  const calm = page.getByTestId('bench-day').first();
  await expect(calm.getByRole('button', { name: /put there by hand/ })).toHaveCount(0);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'As a calendar' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('bench-time.ics');
  await page
    .getByRole('button', { name: /put there by hand/ })
    .first()
    .click();
  await page.getByRole('dialog').getByRole('button', { name: 'Let the plan choose' }).click();
  await expect(page.getByRole('button', { name: /put there by hand/ })).toHaveCount(0);
});

const PAGES = [
  '/',
  '/orders',
  '/orders/new',
  '/bench-time',
  '/cutting',
  '/cutting/new',
  '/stash',
  '/buying',
  '/kits',
  '/instruments',
];

test('every page of the week can be read by everybody, in both themes', async ({
  page,
  server,
}) => {
  test.slow();
  const { items: orders } = await server.get<PageView<OrderView>>('/orders');
  const { items: sessions } = await server.get<PageView<{ id: string }>>('/cuttings');
  const [kit] = await server.get<KitView[]>('/kits');
  const [lot] = await lots(server, 'kind=cord');
  const one = [
    `/orders/${orders[0]!.id}`,
    `/cutting/${sessions[0]!.id}`,
    `/kits/${kit!.id}`,
    `/stash/${lot!.id}`,
  ];
  for (const path of [...PAGES, ...one]) {
    await page.goto(path);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await expect(
      page.getByRole('status').filter({ hasText: /ing the|Planning|Laying/ }),
    ).toHaveCount(0, { timeout: 120_000 });
    await expectAccessible(page, path);
  }
});
