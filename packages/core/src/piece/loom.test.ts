import { describe, expect, it } from '@jest/globals';
import { patternFaults } from '../craft/floss/pattern.js';
import { readBand, writeBand, type WrittenBand } from '../craft/floss/text.js';
import { READY_PATTERNS, readyPattern } from '../craft/floss/ready.js';
import { simulate } from '../craft/floss/simulate.js';
import type { FlossPart } from '../craft/part/floss/model.js';
import { adviceCodes, planned, testCord } from '../testing.js';
import { templateById } from '../plan/template/templates.js';
import {
  assignPlaces,
  cordsOfBand,
  insertStrand,
  layReady,
  layWritten,
  placesOf,
  recolourPlace,
  removeStrand,
  withStrandCount,
} from './loom.js';
import type { Piece } from './piece.js';
import { runsOf } from './runs.js';

const start = {
  name: 'x',
  wearer: { name: 'Somebody', wrist: 165, hand: 200 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
} as const;
const BAND = 'knotted-floss';
const stripe = templateById('floss-stripe').make(start);
const folded = templateById('floss-chevron').make(start);
const band = (piece: Piece): FlossPart => piece.parts.find((part) => part.id === BAND) as FlossPart;
const colourAt = (piece: Piece): string[] => {
  const runs = runsOf(piece);
  return placesOf(piece, BAND).map((index) => runs[index]!.cord.colour.name);
};
const sound = (piece: Piece): void => {
  expect(patternFaults(band(piece), runsOf(piece).length)).toEqual([]);
  expect([...placesOf(piece, BAND)].sort((a, b) => a - b)).toEqual(
    runsOf(piece).map((run) => run.index),
  );
  planned(piece);
};

describe('strands on the loom', () => {
  it('one is put in beside another, of its colour, and taken out again', () => {
    const more = insertStrand(stripe, BAND, 3);
    sound(more);
    const colours = colourAt(stripe);
    expect(colourAt(more)).toEqual([...colours.slice(0, 3), colours[3], ...colours.slice(3)]);
    const less = removeStrand(more, BAND, 3);
    sound(less);
    expect(colourAt(less)).toEqual(colours);
  });
  it('a folded one goes with both halves, and never the last three', () => {
    const less = removeStrand(folded, BAND, 0);
    sound(less);
    expect(colourAt(less)).toEqual(colourAt(folded).slice(1, -1));
    let piece = stripe;
    for (let i = 0; i < 12; i++) piece = removeStrand(piece, BAND, 0);
    expect(runsOf(piece)).toHaveLength(3);
  });
  it.each([3, 7, 8, 9, 13, 60])('%i of them, whatever there were', (n) => {
    for (const piece of [stripe, folded]) {
      const changed = withStrandCount(piece, BAND, n);
      expect(runsOf(changed)).toHaveLength(n);
      sound(changed);
    }
  });
  it('a colour goes to the strand at a place, with its other half', () => {
    const red = testCord(0.6, { colour: { name: 'red', hex: '#cc2222' } });
    expect(colourAt(recolourPlace(stripe, BAND, 2, red)).filter((c) => c === 'red')).toHaveLength(
      1,
    );
    expect(
      colourAt(recolourPlace(folded, BAND, 2, red)).flatMap((c, i) => (c === 'red' ? i : [])),
    ).toEqual([2, 7]);
    expect(recolourPlace(stripe, BAND, 99, red)).toBe(stripe);
  });
});

describe('ready patterns on the loom', () => {
  it.each(READY_PATTERNS.map(({ id }) => id))(
    '%s is laid on folded and on single strands',
    (id) => {
      for (const piece of [stripe, folded]) {
        const enough = withStrandCount(piece, BAND, readyPattern(id).nearest(12));
        const laid = layReady(enough, BAND, id, { text: 'Ad' });
        expect(laid).not.toBeNull();
        sound(laid!);
        expect(cordsOfBand(laid!, BAND).length).toBeLessThanOrEqual(
          cordsOfBand(piece, BAND).length,
        );
      }
    },
  );
  it('a chevron of folded strands mirrors its colours', () => {
    const colours = colourAt(layReady(folded, BAND, 'chevron')!);
    expect([...colours].reverse()).toEqual(colours);
    expect(adviceCodes(layReady(folded, BAND, 'chevron')!)).not.toContain('floss.returns');
  });
  it('says nothing of what it cannot do, and leaves the piece alone', () => {
    expect(layReady(withStrandCount(stripe, BAND, 7), BAND, 'chevron')).toBeNull();
    expect(assignPlaces([0, 1, 0, 1], [2, 2])).toEqual({ strands: [0, 1], order: [0, 2, 1, 3] });
    expect(assignPlaces([0, 1, 2, 2], [2, 2])).toBeNull();
    expect(assignPlaces([0, 1, 1, 2], [1, 2, 1])!.order).toEqual([0, 1, 2, 3]);
  });
  it('works 40 strands by 300 rows out', () => {
    const rows = Array.from({ length: 300 }, (_, r) => '>'.repeat(r % 2 ? 19 : 20));
    expect(simulate({ lay: 'crossing', rows }, 40).knots.length).toBe(150 * 39);
  });
});

describe('a band that was written down', () => {
  const read = (text: string): WrittenBand => {
    const result = readBand(text);
    if (!result.ok) throw new Error(JSON.stringify(result.faults));
    return result.value;
  };
  const written = (piece: Piece): string => {
    const runs = runsOf(piece);
    return writeBand(
      band(piece),
      placesOf(piece, BAND).map((index) => runs[index]!.cord.colour),
    );
  };

  it.each([
    ['stripe', stripe],
    ['folded', folded],
  ])('leaves the %s band as it was when nothing is changed in it', (_, piece) => {
    const again = layWritten(piece, BAND, read(written(piece)));
    sound(again);
    expect(written(again)).toBe(written(piece));
    expect(again.strands.map(({ legs }) => legs)).toEqual(piece.strands.map(({ legs }) => legs));
  });

  it('comes on to a band of other strands, colours and folds', () => {
    const other = layWritten(folded, BAND, read(written(stripe)));
    sound(other);
    expect(written(other)).toBe(written(stripe));
  });

  it('opens folds where their halves are to have two colours', () => {
    const runs = runsOf(folded).length;
    const text = `strands: ${'AB'.repeat(runs).slice(0, runs - 1)}C\nA=#111111\nB=#222222\nC=#333333\n`;
    const rows = band(folded).rows.join('\n');
    const laid = layWritten(folded, BAND, read(text + rows));
    sound(laid);
    expect(colourAt(laid).at(-1)).toBe('#333333');
    expect(laid.strands.every(({ legs }) => legs.length === 1)).toBe(true);
  });

  it('takes its colours from cords at hand, and letters without one from the band', () => {
    const sea = testCord(1.1);
    const own = cordsOfBand(stripe, BAND)[0]!;
    const cord = { ...own, name: 'sea thread', colour: { name: 'Sea', hex: '#0a5566' } };
    const text = 'strands: A B A\nA = #0A5566 Sea\n>\n>';
    const laid = layWritten(stripe, BAND, read(text), [{ ...cord, kind: sea.kind }, cord]);
    sound(laid);
    const names = placesOf(laid, BAND).map((i) => runsOf(laid)[i]!.cord.name);
    expect(names).toEqual(['sea thread', cordsOfBand(stripe, BAND)[1]!.name, 'sea thread']);
  });
});
