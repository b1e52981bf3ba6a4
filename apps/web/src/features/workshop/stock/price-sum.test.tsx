import { describe, expect, it } from '@jest/globals';
import type { LotView, PackDto, Stored } from '@coiled-strand/contract';
import { planPiece, templateById, type Plan } from '@coiled-strand/core';
import { needsOf, type PieceNeeds } from '@coiled-strand/workshop';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { listen, renderIn } from '../../../testing';
import { PriceSum } from './price-sum';
import { lotView } from './testing';

const made = templateById('buckle-band').make({
  name: 'Band',
  wearer: { name: 'x', wrist: 165, hand: 200 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
});
const plan = planPiece(made) as Plan;
const [one] = needsOf(made, plan).cuts;
/** Two cuts of one cord, three metres together. */
const needs: PieceNeeds = {
  cuts: [
    { ...one!, id: 'a', length: 2000 },
    { ...one!, id: 'b', length: 1000 },
  ],
  things: [],
};
const cord = { kind: 'cord', cord: one!.cord } as const;

/** @param lots of the cord, in the stash @param packs that shops sell it in */
const show = (
  lots: readonly LotView[],
  packs: readonly Stored<PackDto>[] = [],
  more: { readonly sd?: number; readonly agreed?: number; readonly of?: PieceNeeds } = {},
) => {
  listen((path) => (path.endsWith('/of-things') ? lots : path.endsWith('/packs') ? packs : []));
  renderIn(
    {},
    <PriceSum
      title="What it costs"
      needs={more.of ?? needs}
      work={{ minutes: 60, sd: more.sd ?? 0 }}
      agreed={more.agreed}
    />,
  );
};
/** What a row says: `1.00 €`, or that there is no price. */
const rowOf = async (name: RegExp): Promise<string> =>
  (await screen.findByText(name, { selector: 'dt' })).nextElementSibling!.textContent;
/** Thirty metres for 10 €. */
const spool = lotView(cord, 'spool', 30_000, { cents: 1000 });

describe('a price', () => {
  it('is the sum of what is read: cord at what was paid for it, work, and shares of both', async () => {
    show([spool]);
    // 3 m of 30 m that cost 10.00; an hour at 15.00; 15 % of 16.00; 10 % of 18.40; up to whole halves.
    expect(await rowOf(/Paracord/)).toContain('1.00');
    expect(await rowOf(/^Work/)).toContain('15.00');
    expect(await rowOf(/^Overhead/)).toContain('2.40');
    expect(await rowOf(/^Margin/)).toContain('1.84');
    expect(await rowOf(/^Rounded up/)).toContain('0.26');
    expect(screen.getByTestId('price-total').textContent).toContain('20.50');
  });
  it('takes what was paid over all lots of a cord, and nothing from those whose price nobody knows', async () => {
    show([
      spool,
      lotView(cord, 'dear', 10_000, { cents: 3000, size: 10_000 }),
      lotView(cord, 'gift', 9),
    ]);
    // 40.00 for 40 m.
    expect(await rowOf(/Paracord/)).toContain('3.00');
  });
  it('goes by how shops sell a cord that was never bought, by the cheapest of them', async () => {
    const pack = (id: string, size: number, cents: number): Stored<PackDto> =>
      ({ id, value: { thing: cord, size, cents } }) as unknown as Stored<PackDto>;
    show([], [pack('hank', 5000, 1000), pack('spool', 50_000, 5000)]);
    expect(await rowOf(/Paracord/)).toContain('3.00');
  });
  it('says what has no price, and leaves it out', async () => {
    const { price: _, ...unpriced } = one!.cord;
    const of = { ...needs, cuts: needs.cuts.map((cut) => ({ ...cut, cord: unpriced })) };
    show([], [], { of });
    expect(await rowOf(/Paracord/)).toBe('no price');
    expect(screen.getByText(/What has no price is left out/)).toBeTruthy();
  });
  it('tells how far it goes either way only where the time is not known', async () => {
    show([spool]);
    await screen.findByTestId('price-total');
    expect(screen.queryByText(/in eight of ten makes/)).toBeNull();
  });
  it('names the range where it is not', async () => {
    show([spool], [], { sd: 0.35 });
    const range = (await screen.findByText(/in eight of ten makes/)).textContent;
    const [low, high] = [...range.matchAll(/\d+\.\d\d/g)].map(Number);
    expect(low).toBeLessThan(20.5);
    expect(high).toBeGreaterThan(20.5);
  });
});

describe('a price looked at backwards', () => {
  it('says what an hour earns at what was agreed, and at another', async () => {
    show([spool], [], { agreed: 2050 });
    // 20.50 less the cord and 15 % on it, over the hour and the 15 % on that.
    expect((await screen.findByTestId('wage')).textContent).toContain('16.83');
    const field = screen.getByRole('textbox', { name: /Sold at/ });
    await userEvent.clear(field);
    await userEvent.type(field, '1{Enter}');
    expect(screen.getByTestId('wage').textContent).toContain('it does not even pay the material');
  });
  it('asks nothing where nothing was agreed', async () => {
    show([spool]);
    await screen.findByTestId('price-total');
    expect(screen.queryByTestId('wage')).toBeNull();
  });
});
