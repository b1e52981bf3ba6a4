import type { FittingDto, SettingsDto } from '@coiled-strand/contract';
import type { Bead, Cord } from '@coiled-strand/core';

// What a workshop begins with: it can do nothing without cords, beads and closures to choose from. All made up;
// lengths in mm.

export const SETTINGS: SettingsDto = {
  unit: 'cm',
  cordUnit: 'ft',
  step: 25.4,
  confidence: 0.95,
  practice: 'practised',
  ends: { melts: 'singe', burns: 'glue', leather: 'glue' },
  hand: 'right',
  currency: '€',
};

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
