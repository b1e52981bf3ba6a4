import type { MakeView, PieceView, TagView } from '@coiled-strand/contract';
import {
  clearBench,
  expect,
  newPiece,
  phonePage,
  saved,
  stored,
  test,
  widthOf,
} from '../fixtures.js';
import { violationsIn } from '../accessible.js';
import { handsOf, WAYS } from '../hands.js';

test.afterAll(({ server }) => clearBench(server));

for (const way of WAYS) {
  test(`a piece is kept under a name, changed, compared and gone back to, ${way}`, async ({
    page,
    server,
  }) => {
    const hands = handsOf(way, page);
    const name = `Kept ${way}`;
    await newPiece(page, name);
    const { id, piece } = await stored(server, name);
    await page.goto(`/versions/${id}`);
    await expect(page.getByText('Nothing was kept yet.')).toBeVisible();
    await hands.press(page.getByRole('button', { name: 'Keep it as it is now' }));
    const asked = page.getByRole('dialog', { name: 'Keep it as it is now' });
    await asked.getByRole('textbox', { name: 'Name' }).fill('First try');
    await hands.press(asked.getByRole('button', { name: 'Keep it' }));
    await expect(page.getByRole('radio', { name: /^First try/ })).toBeChecked();
    await expect(page.getByText('They say the same in everything.')).toBeVisible();

    await hands.press(page.getByRole('link', { name: 'To the piece' }));
    await page.getByRole('textbox', { name: 'Name of the piece' }).fill(`${name}, other`);
    await page.keyboard.press('Enter');
    await page.keyboard.press('Escape');
    await saved(page);
    await page.goto(`/pieces/${id}/fit`);
    const snug = page.getByRole('radio', { name: /^Snug/ });
    if (way === 'by mouse') await page.getByText('Snug').click();
    else {
      await snug.focus();
      await page.keyboard.press('Space');
    }
    await expect
      .poll(async () => (await server.get<PieceView>(`/pieces/${id}`)).piece.ease.rule)
      .toBe('snug');

    await hands.press(page.getByRole('button', { name: 'More' }));
    const entry = page.getByRole('menuitem', { name: 'As it was before' });
    await entry.waitFor();
    if (way === 'by mouse') await entry.click();
    else {
      // Keys that come before the menu has the focus are nobody's.
      await expect(page.getByRole('menu')).toBeFocused();
      await page.keyboard.press('End');
      await page.keyboard.press('ArrowUp');
      await expect(entry).toHaveAttribute('data-highlighted');
      await page.keyboard.press('Enter');
    }
    const changed = page.getByRole('table').last();
    await expect(changed.getByRole('row', { name: /^Room/ })).toContainText('Snug');
    await expect(changed.getByRole('row', { name: /^Name/ })).toContainText(`${name}, other`);
    expect(await violationsIn(page)).toEqual([]);

    await hands.press(page.getByRole('button', { name: 'Go back to it' }));
    await expect
      .poll(async () => (await server.get<PieceView>(`/pieces/${id}`)).piece)
      .toEqual(piece);
    // What it was until then can be gone back to as well.
    await expect(page.getByRole('radio')).toHaveCount(3);
    await expect(page.getByRole('radio', { name: /^Kept by itself/ })).toBeChecked();
    await page.setViewportSize({ width: 390, height: 844 });
    await expect.poll(() => widthOf(page)).toBeLessThanOrEqual(390);
  });
}

test('pieces are sorted under tags, found by them, and a tag is called otherwise', async ({
  page,
  server,
}) => {
  await newPiece(page, 'Sorted');
  await page.goto('/?q=Sorted');
  await page.getByRole('button', { name: 'Tags of Sorted' }).click();
  const asked = page.getByRole('dialog', { name: 'Tags of Sorted' });
  await asked.getByRole('textbox', { name: 'A new tag' }).fill('Spring fair');
  await asked.getByRole('button', { name: 'Add it' }).click();
  await expect(asked.getByRole('checkbox', { name: 'Spring fair' })).toBeChecked();
  expect(await violationsIn(page)).toEqual([]);
  await asked.getByRole('button', { name: 'Keep these' }).click();
  await asked.waitFor({ state: 'hidden' });

  await page.goto('/');
  await page.getByRole('button', { name: /^Spring fair/ }).click();
  await expect(page.getByTestId('piece')).toHaveCount(1);
  await expect(page.getByTestId('piece')).toContainText('Sorted');
  await page.getByRole('button', { name: 'Rename Spring fair' }).click();
  const renaming = page.getByRole('dialog', { name: 'Rename Spring fair' });
  await renaming.getByRole('textbox', { name: 'Name' }).fill('Autumn fair');
  await renaming.getByRole('button', { name: 'Rename it' }).click();
  await expect(page.getByRole('button', { name: /^Autumn fair/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(page.getByTestId('piece')).toHaveCount(1);
  const tags = await server.get<TagView[]>('/tags');
  expect(tags.find(({ tag }) => tag === 'Autumn fair')?.pieces).toBe(1);
  expect(tags.some(({ tag }) => tag === 'Spring fair')).toBe(false);
  await page.getByRole('button', { name: 'All', exact: true }).click();
  await expect(page.getByTestId('piece').nth(3)).toBeVisible();
});

test('what was measured half way on one device is known on another', async ({
  page,
  browser,
  server,
}) => {
  await newPiece(page, 'On two tables');
  const { id } = await stored(server, 'On two tables');
  await page.goto(`/pieces/${id}/make`);
  await page.getByRole('button', { name: 'Begin making' }).click();
  await page.getByText('Step 1 of').waitFor();
  for (let i = 0; i < 12; i++) await page.keyboard.press('Space');
  await page.getByTestId('counter').waitFor();
  const phone = await phonePage(browser, server);
  await phone.goto(`/pieces/${id}/make`);
  await phone.getByTestId('counter').waitFor();

  await page.keyboard.press('r');
  const dialog = page.getByRole('dialog', { name: 'Measure now' });
  await dialog.getByRole('textbox', { name: /Length of the work/ }).fill('4 cm');
  await page.keyboard.press('Enter');
  const told = await dialog.getByTestId('forecast').textContent();
  await expect
    .poll(async () => {
      const { items } = await server.get<{ items: MakeView[] }>(`/makes?piece=${id}`);
      return items[0]?.measured?.length;
    })
    .toBeCloseTo(40, 3);
  await phone.getByRole('button', { name: 'Measure now' }).click();
  const there = phone.getByRole('dialog', { name: 'Measure now' });
  await expect(there.getByTestId('forecast')).toHaveText(told ?? '');
  await there.getByRole('button', { name: 'Discard it' }).click();
  await expect(there.getByTestId('forecast')).toHaveCount(0);
  await expect(dialog.getByTestId('forecast')).toHaveCount(0);
  await phone.context().close();
});
