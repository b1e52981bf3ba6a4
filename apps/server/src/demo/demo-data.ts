import {
  sumOfMinutes,
  type FittingDto,
  type MakeLogDto,
  type SettingsDto,
  type StageMinutesDto,
  type SwatchDto,
  type Worn,
} from '@coiled-strand/contract';
import {
  templateById,
  type Bead,
  type Cord,
  type Piece,
  type Plan,
  type Wearer,
} from '@coiled-strand/core';

// All made up. Girths and lengths in mm.

export const SETTINGS: SettingsDto = {
  unit: 'cm',
  cordUnit: 'ft',
  step: 25.4,
  sureness: 0.95,
  practice: 'practised',
  ends: { melts: 'singe', burns: 'glue', leather: 'glue' },
  hand: 'right',
  currency: '€',
};

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

const spool = (
  name: string,
  kind: Cord['kind'],
  diameter: number,
  [colour, hex]: readonly [string, string],
  price: number,
): Cord => ({
  name: `${name} ${diameter} mm, ${colour}`,
  kind,
  diameter,
  colour: { name: colour, hex },
  price,
});
const paracord = (name: string, hex: string, diameter = 4): Cord =>
  spool('Paracord', 'paracord', diameter, [name, hex], 0.35);

export const CORDS: readonly Cord[] = [
  paracord('slate', '#5c6b76'),
  paracord('signal orange', '#e5682a'),
  paracord('midnight blue', '#27365c'),
  paracord('moss', '#69783f'),
  paracord('dusk rose', '#b4687a'),
  paracord('chalk', '#d9d6cb'),
  paracord('night violet', '#4c3f72', 3),
  spool('Nylon knotting cord', 'nylon-cord', 2, ['pine', '#2f5a49'], 0.4),
  spool('Waxed polyester', 'waxed-polyester', 1.5, ['ochre', '#b8862f'], 0.25),
  spool('Waxed cotton', 'waxed-cotton', 2, ['umber', '#5f4535'], 0.3),
  spool('Hemp', 'hemp', 2, ['natural', '#b59f79'], 0.2),
  spool('Round leather', 'leather', 2, ['tan', '#a06a3f'], 1.6),
];

const bead = (
  name: string,
  shape: Bead['shape'],
  size: readonly [number, number],
  hole: number,
  colour: readonly [string, string],
  count: number,
): Bead => ({
  name,
  shape,
  length: size[0],
  height: size[1],
  hole,
  colour: { name: colour[0], hex: colour[1] },
  count,
});

/** Harmed by heat. */
const delicate = (own: Bead): Bead => ({ ...own, delicate: true });

export const BEADS: readonly Bead[] = [
  bead('Hematite grey 6 mm', 'round', [6, 6], 1.4, ['hematite grey', '#5d6167'], 180),
  bead('Moonstone 6 mm', 'round', [6, 6], 1.8, ['moonstone', '#c9cdd0'], 84),
  {
    ...bead('Ring 5 mm, 1 mm wire', 'ring', [1, 5], 3.2, ['silver', '#b5b8ba'], 120),
    holeLong: 3.2,
  },
  bead('Labradorite oval 18 mm', 'oval', [18, 13], 2.4, ['labradorite', '#5f7480'], 3),
  bead('Bronze 8 mm', 'round', [8, 8], 2.4, ['bronze', '#8a6a3f'], 24),
  delicate(bead('Pearl drop 8 mm', 'drop', [10, 8], 1, ['pearl', '#e6dfd2'], 18)),
  bead('Amazonite 10 mm', 'round', [10, 10], 1.2, ['amazonite', '#7fb0a6'], 26),
  bead('Amazonite 8 mm', 'round', [8, 8], 1.2, ['amazonite', '#8dbab1'], 38),
  delicate(bead('Wood 12 mm', 'round', [12, 12], 3.4, ['beech', '#c49a6c'], 40)),
  delicate(bead('Wood 6 mm', 'round', [6, 6], 2.6, ['bleached wood', '#c8b391'], 60)),
];

/** Assumed measures of usual sizes; makers enter those of their own. */
const buckle = (slot: number, barToBar: number, thickness: number, bar: number): FittingDto => ({
  name: `Buckle, ${slot} mm slot`,
  closure: {
    type: 'side-release-buckle',
    name: `Buckle, ${slot} mm slot`,
    slot,
    barToBar,
    thickness,
    bar,
    colour: '#2b3136',
  },
});

export const FITTINGS: readonly FittingDto[] = [
  buckle(16, 34, 9.5, 3),
  buckle(20, 42, 11, 3.5),
  buckle(10, 25, 7.5, 2.2),
  {
    name: 'Horn button, 15 mm',
    closure: {
      type: 'loop-and-button',
      name: 'Horn button, 15 mm',
      shape: 'disc',
      diameter: 15,
      thickness: 3,
      hole: 2.2,
      colour: '#6b5238',
      buttonAt: 'end',
      loops: 1,
    },
  },
  {
    name: 'Lobster clasp, 12 mm, with chain',
    closure: {
      type: 'lobster',
      name: 'Lobster clasp, 12 mm',
      length: 12,
      thickness: 3,
      to: 'ring',
      extender: 40,
      colour: '#a9adb0',
    },
  },
  {
    name: 'Titanium cord ends, hook and ring',
    closure: {
      type: 'cord-ends',
      name: 'Titanium cord end',
      by: 'crimp',
      length: 10,
      socket: 6,
      bore: 3.3,
      clasp: 'hook-and-ring',
      claspLength: 20,
      colour: '#8f9296',
    },
  },
  {
    name: 'Breakaway clasp for children',
    closure: {
      type: 'breakaway-clasp',
      name: 'Breakaway clasp',
      length: 20,
      thickness: 7,
      rated: 'child',
      colour: '#4d5a63',
    },
  },
];

const cord = (colour: string): Cord => {
  const found = CORDS.find((c) => c.colour.name === colour);
  if (!found) throw new Error(`no demo cord in ${colour}`);
  return found;
};
const from = (template: string, name: string, who: string): Piece => {
  const wearer = WEARERS.find((w) => w.name === who);
  if (!wearer) throw new Error(`no demo wearer ${who}`);
  const { sureness, step, practice } = SETTINGS;
  return templateById(template).make({ name, wearer, cutting: { sureness, step, practice } });
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
