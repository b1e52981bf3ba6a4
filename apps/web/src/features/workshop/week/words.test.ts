import { describe, expect, it } from '@jest/globals';
import type { JobView, OrderState } from '@coiled-strand/contract';
import type { Slot, Task } from '@coiled-strand/workshop';
import { linesText, madeOf, NEXT_STATE, STATE_WORDS, whoOf } from './order-words';
import { actionOf, slotsOn, wayTo } from './slot-words';

type Line = Parameters<typeof madeOf>[0]['order']['lines'][number];
const order = (lines: readonly Partial<Line>[]) =>
  ({ order: { lines } }) as unknown as Parameters<typeof madeOf>[0];

describe('an order in words', () => {
  it('goes from asked to handed over, each state once, and no further', () => {
    const seen: OrderState[] = [];
    for (let state: OrderState | undefined = 'asked'; state; state = NEXT_STATE[state]?.state) {
      expect(seen).not.toContain(state);
      seen.push(state);
    }
    expect(seen.map((state) => STATE_WORDS[state])).toEqual([
      'asked for',
      'promised',
      'in work',
      'ready',
      'handed over',
    ]);
    expect(NEXT_STATE['called-off']).toBeNull();
  });
  it('says its lines, and how many only where there are several', () => {
    const lines = [
      { number: 2, what: 'Perseid', size: 'small' },
      { number: 1, what: 'Meridian', size: '' },
    ];
    expect(linesText({ order: { lines } })).toBe('2 × Perseid, small; Meridian');
  });
  it('counts no more of a line as made than were ordered', () => {
    const lines = [
      { number: 2, made: 3 },
      { number: 4, made: 1 },
    ];
    expect(madeOf(order(lines))).toEqual({ made: 3, all: 6 });
  });
  it('names nobody who was forgotten', () => {
    const { order: one } = { order: { customer: 'Wren' } } as unknown as Parameters<
      typeof whoOf
    >[0];
    expect(whoOf({ order: one, forgotten: false })).toBe('Wren');
    expect(whoOf({ order: one, forgotten: true })).not.toContain('Wren');
  });
});

describe('a stretch at the bench in words', () => {
  const task = (more: Partial<Task>): Task => ({
    ...{ id: 't', job: 'j', what: 'tie', minutes: 10, splits: true, wait: 0, batch: null },
    ...more,
  });
  it.each([
    [{ what: 'prepare' }, 'Measure and cut'],
    [{ what: 'prepare', batch: 'dye', wait: 60 }, 'Dye'],
    [{ what: 'prepare', batch: 'dye', wait: 0 }, 'Measure and cut'],
    [{ what: 'tie' }, 'Tie'],
    [{ what: 'finish' }, 'Finish'],
    [{ what: 'finish', batch: 'glue' }, 'Glue and finish'],
  ] as const)('%j is “%s”', (more, words) => {
    expect(actionOf(task(more))).toBe(words);
  });
  it('leads to the order before a make is begun, and to the make from then on', () => {
    const job = { pieceId: 'p', makeId: null, orderId: null } as JobView;
    expect(wayTo(job)).toBe('/pieces/p/fit');
    expect(wayTo({ ...job, orderId: 'o' })).toBe('/orders/o');
    expect(wayTo({ ...job, orderId: 'o', makeId: 'm' })).toBe('/pieces/p/make');
  });
  it('is left out where its piece is gone', () => {
    const slot = (job: string) => ({ task: task({ job }), start: 0, end: 1 }) as unknown as Slot;
    const plan = { slots: [slot('here'), slot('gone')] } as unknown as Parameters<
      typeof slotsOn
    >[0]['plan'];
    const byId = new Map([['here', { pieceId: 'p' } as JobView]]);
    expect(slotsOn({ plan, byId }).map(({ job }) => job.pieceId)).toEqual(['p']);
  });
});
