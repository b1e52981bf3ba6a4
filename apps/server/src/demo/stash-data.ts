import type { LotForm, PackDto } from '@coiled-strand/contract';
import type { Cord, Piece } from '@coiled-strand/core';
import type { Thing } from '@coiled-strand/workshop';
import { PIECES } from './demo-data.js';

// What lies in the drawers, and how shops sell it. All made up. Lengths in mm, money in cents.

const piece = (name: string): Piece => {
  const found = PIECES.find((one) => one.name === name);
  if (!found) throw new Error(`no demo piece ${name}`);
  return found;
};
const cord = (of: string, strand = 0): Thing => ({
  kind: 'cord',
  cord: piece(of).strands[strand]!.cord,
});
const bead = (of: string, index = 0): Thing => {
  const { id: _id, ...own } = piece(of).beads[index]!;
  return { kind: 'bead', bead: own };
};
const finding = (name: string): Thing => ({ kind: 'finding', name });
const LINEN: Cord = {
  name: 'Waxed linen 1 mm',
  kind: 'linen',
  diameter: 1,
  colour: { name: 'natural', hex: '#b8a888' },
};

/** What lies in the drawers. */
export interface DemoLot {
  readonly thing: Thing;
  readonly form: LotForm;
  readonly size: number;
  readonly lots?: number;
  readonly cents: number | null;
  readonly place: string;
  readonly dyeLot?: string;
  readonly boughtDaysAgo: number;
  /** What was cut from it since. */
  readonly used?: number;
  /** What it weighed when it was looked at last, and the empty spool, in g. */
  readonly weighed?: { readonly grams: number; readonly tare: number; readonly found: number };
  readonly useful?: number;
  readonly grams?: number;
}

const METRE = 1000;

const CORD_LOTS: readonly DemoLot[] = [
  {
    thing: cord('Perseid'),
    form: 'spool',
    size: 25 * METRE,
    cents: 420,
    place: 'Drawer 2',
    dyeLot: 'M-04',
    boughtDaysAgo: 70,
    used: 14_200,
  },
  {
    thing: cord('Perseid'),
    form: 'spool',
    size: 25 * METRE,
    cents: 450,
    place: 'Drawer 2',
    dyeLot: 'M-07',
    boughtDaysAgo: 12,
  },
  {
    thing: cord('Meridian', 1),
    form: 'spool',
    size: 100 * METRE,
    cents: 2400,
    place: 'Shelf',
    boughtDaysAgo: 95,
    used: 52_000,
    weighed: { grams: 489, tare: 182, found: 46_500 },
  },
  {
    thing: cord('Meridian', 1),
    form: 'spool',
    size: 30 * METRE,
    cents: 950,
    place: 'Shelf',
    boughtDaysAgo: 20,
  },
  {
    thing: cord('Meridian', 0),
    form: 'spool',
    size: 30 * METRE,
    cents: 950,
    place: 'Shelf',
    boughtDaysAgo: 95,
    used: 17_400,
  },
  ...[0, 1, 2, 3, 4, 5, 6, 7].map((strand): DemoLot => ({
    thing: cord('Azimuth', strand),
    form: 'skein',
    size: 8 * METRE,
    cents: 110,
    place: 'Floss box',
    boughtDaysAgo: 40,
    used: strand % 3 === 0 ? 3900 : 0,
  })),
  ...[0, 1, 2, 3, 4].map((strand): DemoLot => ({
    thing: cord('Twin Peaks', strand),
    form: 'skein',
    size: 8 * METRE,
    cents: 110,
    place: 'Floss box',
    boughtDaysAgo: 40,
    used: strand === 2 ? 6300 : 0,
  })),
  {
    thing: cord('Counterweight'),
    form: 'hank',
    size: 10 * METRE,
    cents: 1100,
    place: 'Leather roll',
    boughtDaysAgo: 33,
    used: 2600,
  },
  {
    thing: { kind: 'cord', cord: LINEN },
    form: 'spool',
    size: 90 * METRE,
    cents: 780,
    place: 'Drawer 2',
    boughtDaysAgo: 33,
    used: 11_000,
    useful: 150,
  },
  {
    thing: cord('Plumb Line'),
    form: 'hank',
    size: 5 * METRE,
    cents: 690,
    place: 'Leather roll',
    boughtDaysAgo: 26,
    used: 1300,
  },
  {
    thing: cord('Orrery'),
    form: 'hank',
    size: 3 * METRE,
    cents: 520,
    place: 'Leather roll',
    boughtDaysAgo: 26,
  },
  {
    thing: cord('Transit'),
    form: 'hank',
    size: 2 * METRE,
    cents: 480,
    place: 'Leather roll',
    boughtDaysAgo: 26,
  },
  {
    thing: cord('Driftwood Moon'),
    form: 'spool',
    size: 50 * METRE,
    cents: 640,
    place: 'Drawer 2',
    boughtDaysAgo: 61,
    used: 21_500,
  },
  {
    thing: cord('Night Tide'),
    form: 'spool',
    size: 20 * METRE,
    cents: 390,
    place: 'Drawer 2',
    boughtDaysAgo: 61,
    used: 16_900,
  },
  {
    thing: cord('Small Dipper'),
    form: 'spool',
    size: 25 * METRE,
    cents: 460,
    place: 'Drawer 2',
    boughtDaysAgo: 50,
    used: 4000,
  },
];

const OTHER_LOTS: readonly DemoLot[] = [
  {
    thing: bead('Perseid'),
    form: 'strand',
    size: 40,
    lots: 3,
    cents: 360,
    place: 'Bead tray',
    boughtDaysAgo: 30,
  },
  {
    thing: bead('Perseid'),
    form: 'strand',
    size: 40,
    cents: 360,
    place: 'Bead tray',
    boughtDaysAgo: 60,
    used: 29,
    grams: 0.31,
  },
  {
    thing: bead('Orrery', 0),
    form: 'strand',
    size: 42,
    lots: 2,
    cents: 980,
    place: 'Bead tray',
    boughtDaysAgo: 45,
  },
  {
    thing: bead('Orrery', 1),
    form: 'pack',
    size: 22,
    lots: 2,
    cents: 240,
    place: 'Bead tray',
    boughtDaysAgo: 45,
  },
  {
    thing: bead('Orrery', 1),
    form: 'pack',
    size: 22,
    cents: 240,
    place: 'Bead tray',
    boughtDaysAgo: 80,
    used: 15,
  },
  {
    thing: bead('Plumb Line'),
    form: 'loose',
    size: 3,
    cents: 2100,
    place: 'Bead tray',
    boughtDaysAgo: 26,
    used: 1,
  },
  {
    thing: bead('Night Tide'),
    form: 'pack',
    size: 18,
    cents: 1350,
    place: 'Bead tray',
    boughtDaysAgo: 61,
  },
  {
    thing: bead('Small Dipper'),
    form: 'pack',
    size: 40,
    cents: 520,
    place: 'Bead tray',
    boughtDaysAgo: 50,
  },
  {
    thing: bead('Driftwood Moon'),
    form: 'pack',
    size: 60,
    cents: 310,
    place: 'Bead tray',
    boughtDaysAgo: 50,
    used: 4,
  },
  {
    thing: bead('Counterweight'),
    form: 'pack',
    size: 12,
    cents: 900,
    place: 'Bead tray',
    boughtDaysAgo: 33,
  },
  {
    thing: finding('Buckle, 16 mm slot'),
    form: 'pack',
    size: 10,
    cents: 450,
    place: 'Findings box',
    boughtDaysAgo: 95,
    used: 6,
  },
  {
    thing: finding('Button'),
    form: 'loose',
    size: 4,
    cents: 480,
    place: 'Findings box',
    boughtDaysAgo: 26,
    used: 1,
  },
  {
    thing: finding('Titanium cord end'),
    form: 'pack',
    size: 4,
    cents: 1240,
    place: 'Findings box',
    boughtDaysAgo: 26,
  },
  {
    thing: finding('Hook and ring'),
    form: 'loose',
    size: 1,
    cents: 520,
    place: 'Findings box',
    boughtDaysAgo: 26,
  },
  {
    thing: finding('Breakaway clasp'),
    form: 'pack',
    size: 5,
    cents: 375,
    place: 'Findings box',
    boughtDaysAgo: 50,
    used: 2,
  },
];

export const LOTS: readonly DemoLot[] = [...CORD_LOTS, ...OTHER_LOTS];

const pack = (thing: Thing, label: string, size: number, cents: number): PackDto => ({
  thing,
  label,
  size,
  cents,
});

/** How shops sell it. */
export const PACKS: readonly PackDto[] = [
  pack(cord('Perseid'), 'spool of 25 m', 25 * METRE, 450),
  pack(cord('Perseid'), 'spool of 100 m', 100 * METRE, 1350),
  pack(cord('Meridian', 0), 'spool of 30 m', 30 * METRE, 950),
  pack(cord('Meridian', 0), 'spool of 100 m', 100 * METRE, 2400),
  pack(cord('Meridian', 0), 'by the metre', METRE, 45),
  pack(cord('Meridian', 1), 'spool of 30 m', 30 * METRE, 950),
  pack(cord('Meridian', 1), 'spool of 100 m', 100 * METRE, 2400),
  pack(cord('Meridian', 1), 'by the metre', METRE, 45),
  pack(cord('Night Tide'), 'spool of 20 m', 20 * METRE, 390),
  ...[0, 1, 2, 3, 4].map((strand) =>
    pack(cord('Twin Peaks', strand), 'skein of 8 m', 8 * METRE, 110),
  ),
  pack(cord('Transit'), 'by the inch', 25.4, 22),
  pack(cord('Plumb Line'), 'by the metre', METRE, 160),
  pack(bead('Perseid'), 'strand of 40', 40, 360),
  pack(bead('Orrery', 0), 'strand of 42', 42, 980),
  pack(bead('Orrery', 1), 'pack of 22', 22, 240),
  pack(bead('Plumb Line'), 'one by one', 1, 740),
  pack(finding('Buckle, 16 mm slot'), 'pack of 10', 10, 450),
  pack(finding('Button'), 'one by one', 1, 120),
  pack(finding('Hook and ring'), 'one by one', 1, 520),
];
