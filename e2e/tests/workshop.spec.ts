import type {
  FittingView,
  MakeView,
  WearerView,
  WorkshopView,
  PageView,
  PieceView,
} from '@coiled-strand/contract';
import { clearBench, expect, newPiece, saved, stored, test, settingsAgain } from '../fixtures.js';

test.beforeEach(({ server }) => clearBench(server));

test('the demo workshop: each piece with a drawing and what it waits for', async ({
  workshop: page,
}) => {
  const meridian = page.getByTestId('piece').filter({ hasText: 'Tobias Renn' }).first();
  await expect(meridian).toContainText('Planned; made before');
  await expect(meridian.locator('svg .cord').first()).toBeVisible();
  await meridian.getByRole('link').click();
  await expect(page).toHaveURL(/\/fit$/);
});

test('a workshop that measures in inches says everything in inches', async ({ page, server }) => {
  const { settings } = await server.get<WorkshopView>('/workshop');
  await newPiece(page, 'In inches');
  await page.getByRole('button', { name: 'Settings' }).click();
  await page.getByRole('combobox', { name: 'Sizes and finished lengths in' }).selectOption('in');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('textbox', { name: 'Wrist girth, bare' })).toHaveValue('7 3/16 in');
  await expect(page.getByTestId('bench').getByText('inches')).toBeVisible();
  await page.getByRole('textbox', { name: 'Wrist girth, bare' }).fill('7 1/2');
  await page.getByRole('textbox', { name: 'Wrist girth, bare' }).press('Enter');
  await expect(page.getByRole('link', { name: /^Fit/ })).toContainText('8 1/2 in inside');
  await settingsAgain(server, settings);
});

test('a wearer and a buckle that were measured are kept for the next piece', async ({
  page,
  server,
}) => {
  await newPiece(page, 'Measured');
  const name = page.getByRole('textbox', { name: 'Name', exact: true });
  await name.fill('Somebody new');
  await name.press('Enter');
  await page.getByRole('button', { name: 'Save Somebody new as a wearer' }).click();
  await expect(page.getByText('Somebody new is saved among your wearers.')).toBeVisible();
  const wearers = await server.get<WearerView[]>('/wearers');
  expect(wearers.at(-1)?.value).toMatchObject({ name: 'Somebody new', wrist: 183 });

  const end = page.getByRole('slider', { name: 'Length of square knots' });
  const knotted = Number(await end.getAttribute('aria-valuenow'));
  await page.keyboard.press('l');
  await page.getByRole('button', { name: 'Closure', exact: true }).first().click();
  const length = page.getByRole('textbox', { name: 'Bar to bar, closed' });
  await length.fill('1 1/2 in');
  await length.press('Enter');
  await expect(length).toHaveValue('38.1 mm');
  // A longer buckle leaves less to knot.
  await expect
    .poll(async () => Number(await end.getAttribute('aria-valuenow')))
    .toBeLessThan(knotted - 2);
  const buckle = page.getByRole('main').getByRole('textbox', { name: 'Name', exact: true });
  await buckle.fill('The long one');
  await buckle.press('Enter');
  await page.getByRole('button', { name: 'Save it in the drawer' }).click();
  await expect
    .poll(async () => (await server.get<FittingView[]>('/fittings')).at(-1)?.value)
    .toMatchObject({
      name: 'The long one',
      closure: { barToBar: expect.closeTo(38.1, 6) },
    });
});

test('a make goes on by its own plan when the piece is changed, or is set aside and taken up again', async ({
  page,
  server,
}) => {
  await newPiece(page, 'Changed meanwhile');
  await page.keyboard.press('m');
  await page.getByRole('button', { name: 'Begin making' }).click();
  await expect(page.getByText('Step 1 of')).toBeVisible();
  for (let i = 0; i < 2; i++) await page.keyboard.press('Space');
  const title = await page
    .getByTestId('tap-area')
    .getByText(/^Hitch the fold/)
    .textContent();
  await page.keyboard.press('f');
  await page.getByRole('radio', { name: 'Snug' }).click();
  await saved(page);
  await page.keyboard.press('m');
  await expect(page.getByText('The piece has been changed since')).toBeVisible();
  await expect(page.getByTestId('tap-area').getByText(title!)).toBeVisible();
  await page.getByRole('button', { name: 'Set this make aside' }).click();
  await expect(page.getByRole('button', { name: 'Begin making' })).toBeVisible();
  await page.getByRole('button', { name: 'Take it up again' }).click();
  await expect(page.getByTestId('tap-area').getByText(title!)).toBeVisible();
  const { id } = await stored(server, 'Changed meanwhile');
  const { items: makes } = await server.get<PageView<MakeView>>(`/makes?piece=${id}`);
  expect(makes).toHaveLength(1);
  expect(makes[0]?.piece.ease.rule).toBe('two-fingers');
});

test('a piece begins from a template, drawn for whom it is', async ({ workshop: page, server }) => {
  await page.getByRole('button', { name: 'New piece' }).click();
  const dialog = page.getByRole('dialog', { name: 'New piece' });
  await dialog
    .getByRole('combobox', { name: 'For' })
    .selectOption({ label: 'Oluchi Adeyemi, wrist 14.9 cm' });
  const card = dialog.getByRole('radio', { name: 'A stone caught in a loop' });
  await expect(card.locator('svg .bead')).toBeVisible();
  await card.click();
  await dialog.getByRole('textbox', { name: 'Name of the piece' }).fill('Caught');
  await dialog.getByRole('button', { name: 'Lay it on the bench' }).click();
  await expect(page).toHaveURL(/\/fit$/);
  const { piece } = await stored(server, 'Caught');
  expect(piece.wearer).toMatchObject({ name: 'Oluchi Adeyemi', allergy: 'nickel' });
  expect(piece.parts.map((part) => part.kind)).toEqual(['plain', 'stone', 'plain']);
  expect(piece.wear).toEqual({ site: 'neck', turns: 1, length: null });
});

test('a spiral for somebody who is on no list, with a child’s cautions', async ({
  page,
  server,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New piece' }).click();
  const dialog = page.getByRole('dialog', { name: 'New piece' });
  await dialog.getByRole('textbox', { name: 'Name of the piece' }).fill('Wound');
  await dialog.getByRole('combobox', { name: 'For' }).selectOption({ label: 'Somebody else' });
  await page.getByRole('textbox', { name: 'Who' }).fill('A niece');
  await page.getByRole('textbox', { name: 'Wrist' }).fill('5 1/2 in');
  await page.getByRole('button', { name: 'Lay it on the bench' }).click();
  await page.getByText('A child', { exact: true }).click();
  await expect(page.locator('[data-advice="wearer.child"]')).toContainText(
    'local product-safety rules',
  );
  await page.getByRole('link', { name: /Lay out/ }).click();
  await page.getByRole('radio', { name: /^Spiral/ }).click();
  await saved(page);
  const { piece } = await stored(server, 'Wound');
  expect(piece.wearer).toMatchObject({ name: 'A niece', child: true });
  expect(piece.wearer.wrist).toBeCloseTo(139.7, 6);
  expect(piece.parts[0]).toMatchObject({ form: 'spiral' });
});

test('a bench of many pieces comes in pages, and is searched and ordered', async ({
  page,
  server,
}) => {
  const { items } = await server.get<PageView<PieceView>>('/pieces?sort=laid');
  for (let i = 0; i < 26; i++) {
    const piece = { ...items[0]!.piece, name: `Many ${String(i).padStart(2, '0')}` };
    await page.request.post('/api/pieces', { data: piece });
  }
  await page.goto('/');
  const pieces = page.getByTestId('piece');
  await expect(pieces).toHaveCount(12);
  // What was laid last is seen first.
  await expect(pieces.first()).toContainText('Many 25');
  await page.getByRole('button', { name: 'Show more' }).click();
  await expect(pieces).toHaveCount(24);
  await page.getByRole('searchbox', { name: 'Search' }).fill('many 1');
  await expect(page.getByText('12 pieces found')).toBeVisible();
  await page.getByRole('combobox', { name: 'Order' }).selectOption('name');
  await expect(pieces.first()).toContainText('Many 01');
  // The way back leads to the same list.
  await pieces.first().getByRole('link').click();
  await page.getByTestId('bench').waitFor();
  await page.goBack();
  await expect(page.getByText('12 pieces found')).toBeVisible();
  await clearBench(server);
});

test('a piece of hundreds of parts is planned beside the page, and not drawn small', async ({
  page,
  server,
}) => {
  const { items } = await server.get<PageView<PieceView>>('/pieces?sort=laid');
  const [{ piece }] = items as [PieceView];
  const parts = Array.from({ length: 160 }, (_, i) => ({ ...piece.parts[0]!, id: `p${i}` }));
  const answer = await page.request.post('/api/pieces', {
    data: { ...piece, name: 'Hundreds', parts },
  });
  const { id } = (await answer.json()) as PieceView;
  await page.goto('/?q=hundreds');
  await expect(page.getByText('160 parts on')).toBeVisible();
  await page.goto(`/pieces/${id}/fit`);
  await page.getByTestId('bench').waitFor();
  const length = page.getByTitle('Show the sum').first();
  const before = await length.textContent();
  const wrist = page.getByRole('textbox', { name: 'Wrist girth, bare' });
  await wrist.fill('19.9');
  await wrist.press('Enter');
  await expect(length).not.toHaveText(before!);
  await saved(page);
  await clearBench(server);
});
