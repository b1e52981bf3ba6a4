import { describe, expect, it } from '@jest/globals';
import { mirroredCrossing, swaps, type Crossing } from './crossing.js';
import {
  fitToStrands,
  insertRows,
  knotsInRow,
  mirrorAcross,
  mirrorAlong,
  patternFaults,
  removeRows,
  repeated,
  withSign,
  type FlossPattern,
} from './pattern.js';
import { READY_PATTERNS, readyPattern } from './ready.js';
import { orderAfter, pathOf, repeatsToReturn, simulate, type Simulation } from './simulate.js';
import { tyingOrder } from './tying-order.js';

/** Numbers from 0 to 1 that are the same in every run (mulberry32). */
function seeded(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

function randomPattern(random: () => number, strands: number): FlossPattern {
  const pick = (signs: string): string => signs[Math.floor(random() * signs.length)]!;
  const rows = 2 * (1 + Math.floor(random() * 12));
  return random() < 0.7
    ? {
        lay: 'crossing',
        rows: Array.from({ length: rows }, (_, r) =>
          Array.from({ length: Math.floor((strands - (r % 2)) / 2) }, () => pick('><)(.')).join(''),
        ),
      }
    : {
        lay: 'leader',
        rows: Array.from({ length: rows }, () =>
          Array.from({ length: strands - 1 }, () => pick('-|')).join(''),
        ),
      };
}

const CASES = Array.from({ length: 60 }, (_, seed) => {
  const random = seeded(seed + 1);
  const strands = 3 + Math.floor(random() * 40);
  return { seed, strands, pattern: randomPattern(random, strands) };
});

/** Where each knot lies and whose colour it shows, in a form that can be compared. */
const shown = (sim: Simulation, colour: (strand: number) => unknown = (s) => s): string[] =>
  sim.knots.map(({ row, place, worker }) => `${row} ${place} ${String(colour(worker))}`).sort();

const sum = (list: Iterable<number>): number => [...list].reduce((a, b) => a + b, 0);

describe.each(CASES)('a random pattern $seed on $strands strands', ({ strands, pattern }) => {
  const sim = simulate(pattern, strands);

  it('has no fault, and keeps every strand in every row', () => {
    expect(patternFaults(pattern, strands)).toEqual([]);
    const all = Array.from({ length: strands }, (_, i) => i);
    for (let r = 0; r <= sim.rows; r++)
      expect([...orderAfter(sim, r)].sort((a, b) => a - b)).toEqual(all);
  });

  it('counts two strands in every knot', () => {
    expect(sum(sim.worksIn) + sum(sim.carriedIn)).toBe(2 * sim.knots.length);
  });

  it('moves strands exactly where they change places', () => {
    const moves = sim.knots.filter(({ crossing }) => swaps(crossing)).length;
    let apart = 0;
    for (let r = 0; r < sim.rows; r++) {
      // In a leader's row the leader goes all the way, and every other strand one place.
      const [a, b] = [orderAfter(sim, r), orderAfter(sim, r + 1)];
      apart += sum(a.map((s, p) => Math.abs(b.indexOf(s) - p)));
    }
    expect(apart).toBe(2 * moves);
  });

  it('is tied in an order in which each strand ties its knots one after the other', () => {
    const order = tyingOrder(sim);
    const numbers = order.map((knot) => sim.knots.indexOf(knot));
    expect([...numbers].sort((a, b) => a - b)).toEqual(
      Array.from({ length: sim.knots.length }, (_, k) => k),
    );
    const last = new Int32Array(strands).fill(-1);
    for (const [i, k] of numbers.entries()) {
      for (const strand of [order[i]!.worker, order[i]!.carried]) {
        expect(k).toBeGreaterThan(last[strand]!);
        last[strand] = k;
      }
    }
  });

  it('worked k times is k times itself once its order returns', () => {
    const times = repeatsToReturn(orderAfter(sim, sim.rows));
    if (times * sim.rows > 4000) return;
    const whole = repeated(pattern, times);
    // A leader that ends at the other edge comes back another way: only an even number is whole.
    if (pattern.lay === 'leader' && whole.rows.length % 2 === 1) return;
    const once = simulate(whole, strands);
    expect([...orderAfter(once, once.rows)]).toEqual(Array.from({ length: strands }, (_, i) => i));
    const thrice = simulate(whole, strands, 3);
    expect([...thrice.worksIn]).toEqual([...once.worksIn].map((n) => 3 * n));
    expect([...thrice.carriedIn]).toEqual([...once.carriedIn].map((n) => 3 * n));
    expect(thrice.knots.length).toBe(3 * once.knots.length);
  });

  it('forth, and then its mirror image, brings every strand back', () => {
    if (pattern.lay === 'leader') return;
    const back = [...pattern.rows]
      .reverse()
      .map((row) => [...row].map((c) => mirroredCrossing(c as Crossing)).join(''));
    // A bare row between keeps the places of the rows; another makes their number even.
    const bare = (row: number): string => '.'.repeat(knotsInRow('crossing', row, strands));
    const rows = [...pattern.rows, bare(0), ...back, bare(1)];
    const there = simulate({ lay: 'crossing', rows }, strands);
    expect([...orderAfter(there, there.rows)]).toEqual(
      Array.from({ length: strands }, (_, i) => i),
    );
  });

  it('mirroredCrossing twice is itself, and mirroredCrossing once shows the mirroredCrossing colours', () => {
    if (strands % 2 === 1 && pattern.lay === 'crossing') return;
    const mirror = mirrorAcross(pattern, strands);
    expect(mirrorAcross(mirror, strands)).toEqual(pattern);
    if (pattern.lay === 'leader') return;
    const other = simulate(mirror, strands);
    const back = Array.from(
      { length: other.knots.length },
      (_, k) =>
        `${other.knots[k]!.row} ${strands - 2 - other.knots[k]!.place} ${strands - 1 - other.knots[k]!.worker}`,
    ).sort();
    expect(back).toEqual(shown(sim));
  });
});

describe('the simulator', () => {
  it('leads one strand over all others in a slanting row', () => {
    const sim = simulate(readyPattern('stripe').make({ strands: 6, colours: 6 }).pattern, 6);
    const path = pathOf(sim, 0);
    expect(path.slice(0, 6)).toEqual([0, 1, 2, 3, 4, 5]);
    expect([...sim.worksIn]).toEqual(Array.from({ length: 6 }, () => 5));
  });
  it('leaves both strands at their sides where one goes forth and back', () => {
    const sim = simulate({ lay: 'crossing', rows: [')(', '.'] }, 4);
    expect([...orderAfter(sim, 2)]).toEqual([0, 1, 2, 3]);
    expect([...sim.worksIn]).toEqual([1, 0, 0, 1]);
    expect([...sim.bareIn]).toEqual([1, 1, 1, 1]);
  });
  it('counts the loops at the edges', () => {
    const sim = simulate({ lay: 'crossing', rows: ['>>', '>', '>>', '>', '.>', '>'] }, 4);
    expect(sim.edgeLoops).toEqual({ left: 1, right: 2 });
    expect(simulate({ lay: 'leader', rows: ['---', '---', '---', '---'] }, 4).edgeLoops).toEqual({
      left: 1,
      right: 2,
    });
  });
  it('shows the leader or the strand it crosses', () => {
    const sim = simulate({ lay: 'leader', rows: ['-|', '|-'] }, 3);
    expect(sim.knots.map(({ worker }) => worker)).toEqual([0, 2, 0, 1]);
    expect(sim.knots.map(({ place }) => place)).toEqual([0, 1, 1, 0]);
    expect([...orderAfter(sim, 2)]).toEqual([0, 1, 2]);
  });
  it('tells after how many repeats the order returns', () => {
    expect(repeatsToReturn([0, 1, 2])).toBe(1);
    expect(repeatsToReturn([1, 0, 3, 4, 2])).toBe(6);
  });
});

describe('the order of tying', () => {
  it('keeps a strand in the hand for a whole slanting row', () => {
    const sim = simulate(readyPattern('stripe').make({ strands: 8, colours: 8 }).pattern, 8, 3);
    const workers = tyingOrder(sim).map(({ worker }) => worker);
    const changes = workers.filter((w, i) => i > 0 && w !== workers[i - 1]).length;
    // The corner at the start and the one at the end are tied with shorter rows.
    expect(changes).toBeLessThanOrEqual(sim.knots.length / 7 + 8);
  });
  it('ties a chevron arm by arm', () => {
    const sim = simulate(readyPattern('chevron').make({ strands: 10, colours: 5 }).pattern, 10, 2);
    const workers = tyingOrder(sim).map(({ worker }) => worker);
    const changes = workers.filter((w, i) => i > 0 && w !== workers[i - 1]).length;
    expect(changes).toBeLessThanOrEqual(sim.knots.length / 4);
  });
});

describe('editing a pattern', () => {
  const pattern: FlossPattern = { lay: 'crossing', rows: ['>>', '>', '<)', '.'] };
  it('changes one knot, and leaves the rest', () => {
    expect(withSign(pattern, 2, 1, '<').rows).toEqual(['>>', '>', '<<', '.']);
    expect(withSign(pattern, 9, 0, '<')).toEqual(pattern);
    expect(withSign(pattern, 0, 0, '-')).toEqual(pattern);
  });
  it('puts rows in and takes them out two at a time, where places go by turns', () => {
    expect(insertRows(pattern, 3).rows).toEqual(['>>', '>', '<)', '.', '<)', '.']);
    expect(removeRows(pattern, 0).rows).toEqual(['<)', '.']);
    expect(removeRows({ lay: 'crossing', rows: ['>>', '>'] }, 0).rows).toHaveLength(2);
    expect(insertRows({ lay: 'leader', rows: ['-|'] }, 0).rows).toEqual(['-|', '-|']);
  });
  it('mirrors end for end without doubling the turns', () => {
    expect(mirrorAlong(pattern).rows).toEqual(['>>', '>', '<)', '.', '>(', '<']);
    expect(patternFaults(mirrorAlong(pattern), 4)).toEqual([]);
  });
  it.each([3, 5, 6, 9])('fits itself to %i strands', (strands) => {
    expect(patternFaults(fitToStrands(pattern, strands), strands)).toEqual([]);
  });
  it('names the row that does not fit, and the sign that is none', () => {
    expect(patternFaults(pattern, 6)[0]).toMatchObject({ code: 'floss.row', path: 'rows[0]' });
    expect(patternFaults({ lay: 'crossing', rows: ['>x', '>'] }, 4)[0]).toMatchObject({
      code: 'floss.sign',
    });
    expect(patternFaults({ lay: 'crossing', rows: ['>>'] }, 4)[0]).toMatchObject({
      code: 'floss.odd',
    });
    expect(patternFaults({ lay: 'crossing', rows: [] }, 4)[0]).toMatchObject({
      code: 'floss.rows',
    });
    expect(patternFaults(pattern, 2)[0]).toMatchObject({ code: 'floss.strands' });
  });
});

describe.each(READY_PATTERNS)('the ready pattern $label', (ready) => {
  it.each([3, 7, 8, 10, 11, 16, 24, 41, 60])(
    'adapts to about %i strands, and returns to its order',
    (wanted) => {
      const strands = ready.nearest(wanted);
      const start = { strands, colours: 3, text: 'ALDER 7' };
      expect(ready.lacks(start)).toBeNull();
      const { pattern, colours } = ready.make(start);
      expect(patternFaults(pattern, strands)).toEqual([]);
      expect(colours).toHaveLength(strands);
      expect(Math.max(...colours)).toBeLessThan(3);
      const sim = simulate(pattern, strands);
      expect(repeatsToReturn(orderAfter(sim, sim.rows))).toBe(1);
    },
  );
});

describe('ready patterns', () => {
  it.each(['chevron', 'double-chevron', 'diamond'])('%s is the same in a mirror', (id) => {
    const strands = readyPattern(id).nearest(12);
    const { pattern, colours } = readyPattern(id).make({ strands, colours: 3 });
    const sim = simulate(pattern, strands, 2);
    const at = new Map<string, number>();
    for (const { row, place, worker } of sim.knots) at.set(`${row} ${place}`, colours[worker]!);
    for (const [key, colour] of at) {
      const [row, place] = key.split(' ').map(Number);
      expect(at.get(`${row} ${strands - 2 - place!}`)).toBe(colour);
    }
  });
  it('say what they need', () => {
    expect(readyPattern('chevron').lacks({ strands: 7, colours: 3 })).toMatch(/even number/);
    expect(readyPattern('double-chevron').lacks({ strands: 10, colours: 3 })).toMatch(/4, 8, 12/);
    expect(readyPattern('letters').lacks({ strands: 12, colours: 2, text: '??' })).toMatch(/word/);
    expect(readyPattern('hearts').lacks({ strands: 4, colours: 2 })).toMatch(/at least 8/);
    expect(() => readyPattern('none')).toThrow(/none/);
  });
  it('letters show the word, read along the band', () => {
    const { pattern } = readyPattern('letters').make({ strands: 8, colours: 2, text: 'L' });
    const seen = pattern.rows.map((row) => row.replaceAll('-', ' ')).filter((row) => row.trim());
    expect(seen).toEqual(['|||||||', '      |', '      |', '      |', '      |']);
  });
  it('a heart is as broad as high, and alike at both sides', () => {
    const { pattern } = readyPattern('hearts').make({ strands: 12, colours: 2 });
    for (const row of pattern.rows) expect([...row].reverse().join('')).toBe(row);
    const filled = pattern.rows.filter((row) => row.includes('|')).length;
    expect(filled).toBeGreaterThanOrEqual(8);
    expect(filled).toBeLessThanOrEqual(10);
  });
});
