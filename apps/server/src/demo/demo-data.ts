import {
  sumOfMinutes,
  type MakeLogDto,
  type StageMinutesDto,
  type SwatchDto,
  type Worn,
} from '@coiled-strand/contract';
import { templateById, type Cord, type Piece, type Plan, type Wearer } from '@coiled-strand/core';
import { CORDS, FITTINGS, SETTINGS } from '../workshop/first-lists.js';

// All made up. Girths and lengths in mm.

export const WEARERS: readonly Wearer[] = [
  { name: 'Ines Varga', wrist: 158, hand: 191 },
  { name: 'Tobias Renn', wrist: 183, hand: 226 },
  {
    name: 'Oluchi Adeyemi',
    wrist: 149,
    hand: 182,
    ankle: 212,
    neck: 322,
    head: 548,
    allergy: 'nickel',
  },
  { name: 'Piet Langedijk', wrist: 138, hand: 168, head: 530, child: true },
  { name: 'Gift table, small', wrist: 150 },
  { name: 'Gift table, medium', wrist: 165 },
  { name: 'Gift table, large', wrist: 185 },
];

const cord = (colour: string): Cord => {
  const found = CORDS.find((c) => c.colour.name === colour);
  if (!found) throw new Error(`no demo cord in ${colour}`);
  return found;
};
const from = (template: string, name: string, who: string): Piece => {
  const wearer = WEARERS.find((w) => w.name === who);
  if (!wearer) throw new Error(`no demo wearer ${who}`);
  const { confidence, step, practice } = SETTINGS;
  return templateById(template).make({ name, wearer, cutting: { confidence, step, practice } });
};

const meridian: Piece = {
  ...from('buckle-band', 'Meridian', 'Tobias Renn'),
  note: 'Tobias likes a loose fit. For the open evening of the Alder Rise Observatory society.',
  strands: [
    { cord: cord('signal orange'), legs: ['core', 'core'], laidIn: false },
    { cord: cord('slate'), legs: ['working', 'working'], laidIn: true },
  ],
};
const perseid: Piece = {
  ...from('beaded-band', 'Perseid', 'Gift table, medium'),
  note: 'Six for the gift table, two of each size.',
};
const orrery = from('alternating-band', 'Orrery', 'Oluchi Adeyemi');
const transit = from('triple-wrap', 'Transit', 'Oluchi Adeyemi');

export const PIECES: readonly Piece[] = [
  meridian,
  perseid,
  {
    ...from('floss-stripe', 'Azimuth', 'Ines Varga'),
    note: 'The sky over the dome, from the last light to the night.',
  },
  from('floss-chevron', 'Twin Peaks', 'Gift table, medium'),
  from('seized-laces', 'Counterweight', 'Tobias Renn'),
  from('focal-cord', 'Plumb Line', 'Ines Varga'),
  orrery,
  {
    ...transit,
    note: 'Titanium ends: Oluchi does not bear nickel.',
    closure: FITTINGS[5]!.closure,
  },
  {
    ...from('wrapped-stone', 'Driftwood Moon', 'Gift table, medium'),
    note: 'For the gift table; fits over any head.',
  },
  from('lariat', 'Night Tide', 'Oluchi Adeyemi'),
  from('large-bead-band', 'Small Dipper', 'Piet Langedijk'),
];

/** What the workshop sorts its pieces under. */
export const TAGS: Readonly<Record<string, readonly string[]>> = {
  Meridian: ['Open evening'],
  Perseid: ['Gift table'],
  Azimuth: ['Open evening', 'Floss'],
  'Twin Peaks': ['Gift table', 'Floss'],
  'Driftwood Moon': ['Gift table'],
};

/** A piece as it was before it became what it is. */
interface EarlierVersion {
  readonly piece: string;
  /** null where it was only kept by itself. */
  readonly name: string | null;
  readonly daysAgo: number;
  readonly spec: Piece;
}

/** From the first on. */
export const VERSIONS: readonly EarlierVersion[] = [
  {
    piece: 'Meridian',
    name: 'All in orange, snug',
    daysAgo: 24,
    spec: {
      ...meridian,
      ease: { rule: 'snug' },
      strands: meridian.strands.map((strand) => ({ ...strand, cord: cord('signal orange') })),
    },
  },
  {
    piece: 'Meridian',
    name: null,
    daysAgo: 23,
    spec: {
      ...meridian,
      strands: meridian.strands.map((strand) => ({ ...strand, cord: cord('signal orange') })),
    },
  },
];

/** Tied one evening to see how this hand takes waxed cord. */
export const SWATCHES: readonly SwatchDto[] = [
  {
    technique: 'square-knot-sinnet',
    form: 'flat',
    tension: 'even',
    cord: CORDS[8]!,
    units: 30,
    length: 84,
    before: 1600,
    after: 842,
    note: 'Waxed polyester pulls a little shorter than the model.',
  },
];

const DAY = 24 * 60 * 60 * 1000;

/** What was logged of an earlier make. */
interface Earlier {
  /** Index of the piece. */
  readonly piece: number;
  readonly daysAgo: number;
  /** Cord that stayed in the piece over what was predicted, per strand. */
  readonly took: readonly number[];
  /** Finished length minus the planned one, in mm. */
  readonly off: number;
  readonly stages: StageMinutesDto;
  readonly worn: Worn;
  readonly owner: string;
  readonly note: string;
}

export const EARLIER: readonly Earlier[] = [
  {
    piece: 0,
    daysAgo: 21,
    took: [1.01, 1.03],
    off: 2,
    stages: { prepare: 8, tie: 7, finish: 5 },
    worn: 'right',
    owner: 'Tobias Renn',
    note: 'First one in orange and slate. The last four half knots were tight against the buckle.',
  },
  {
    piece: 1,
    daysAgo: 9,
    took: [0.99, 1.02],
    off: -1.5,
    stages: { prepare: 6, tie: 24, finish: 9 },
    worn: 'right',
    owner: 'Gift table',
    note: 'The first of six. The slider was stiff until it had been drawn in and out a few times.',
  },
];

export const earlierRecord = (
  { took, off, stages, worn, owner, note }: Earlier,
  plan: Plan,
): MakeLogDto => ({
  cords: plan.strands.map((strand, i) => ({
    cut: Math.round(strand.cut),
    leftover: Math.round(strand.cut - strand.kept * (took[i] ?? 1)),
  })),
  length: Math.round((plan.fit.length + off) * 10) / 10,
  minutes: sumOfMinutes(stages),
  stages,
  worn,
  owner,
  note,
});

export const daysBefore = (days: number, minutes = 0): Date =>
  new Date(Date.now() - days * DAY + minutes * 60 * 1000);
