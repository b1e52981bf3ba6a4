import type { PieceBead } from '../../piece/piece.js';
import { beadOf, colourOf, cordOf } from './materials.js';

/** Cords and beads that the templates are made of. */

export const SLATE = cordOf('Paracord 4 mm', 'paracord', 4, 'slate', '#5b6b78');
export const ORANGE = cordOf('Paracord 4 mm', 'paracord', 4, 'signal orange', '#e8702a');
export const MIDNIGHT = cordOf('Waxed cotton 1 mm', 'waxed-cotton', 1, 'midnight blue', '#26304f');
export const HEMP = cordOf('Hemp 1 mm', 'hemp', 1, 'straw', '#b59b6a');
export const HAZEL = cordOf('Leather 2 mm', 'leather', 2, 'hazel', '#7a5334');
export const THIN_LEATHER = cordOf('Leather 1.5 mm', 'leather', 1.5, 'black', '#2a2623');
export const COCOA = cordOf('Leather 3 mm', 'leather', 3, 'cocoa', '#53382a');
export const THICK = cordOf('Leather 8 mm', 'leather', 8, 'chestnut', '#6b4129');
export const TWINE = cordOf('Waxed polyester 1 mm', 'waxed-polyester', 1, 'driftwood', '#8b7a66');
export const NIGHT = cordOf('Knotting cord 0.8 mm', 'nylon-cord', 0.8, 'night blue', '#2c3350');
export const SILK = cordOf('Silk 0.7 mm', 'silk', 0.7, 'grey', '#8c8f94');
export const WOOD_CORD = cordOf('Waxed cotton 1.5 mm', 'waxed-cotton', 1.5, 'forest', '#3e5a45');

export const GREY6 = beadOf(
  'grey-6',
  'Hematite grey 6 mm',
  'round',
  [6, 6],
  1.4,
  colourOf('hematite grey', '#5d6167'),
);
export const WOOD8: PieceBead = {
  ...beadOf('wood-8', 'Wood 8 mm', 'round', [8, 8], 3, colourOf('walnut', '#7d5a3a')),
  delicate: true,
};
export const FOCAL = beadOf(
  'oval-18',
  'Labradorite oval 18 mm',
  'oval',
  [18, 13],
  2.4,
  colourOf('labradorite', '#5f7480'),
);
export const MOON6 = beadOf(
  'moon-6',
  'Moonstone 6 mm',
  'round',
  [6, 6],
  1.8,
  colourOf('moonstone', '#c9cdd0'),
);
export const RING: PieceBead = {
  ...beadOf('ring-5', 'Ring 5 mm, 1 mm wire', 'ring', [1, 5], 3.2, colourOf('silver', '#b5b8ba')),
  holeLong: 3.2,
};
export const BRONZE = beadOf(
  'bronze-8',
  'Bronze 8 mm',
  'round',
  [8, 8],
  2.4,
  colourOf('bronze', '#8a6a3f'),
);
export const BIG = beadOf(
  'big-14',
  'Large-hole bead 14 mm',
  'barrel',
  [14, 13],
  8.6,
  colourOf('pewter', '#8b8d8c'),
);
export const COVER: PieceBead = {
  ...beadOf('cover-6', 'Wood 6 mm', 'round', [6, 6], 2.6, colourOf('bleached wood', '#c8b391')),
  delicate: true,
};
export const PEARL: PieceBead = {
  ...beadOf('pearl-8', 'Pearl drop 8 mm', 'drop', [10, 8], 1, colourOf('pearl', '#e6dfd2')),
  delicate: true,
};
export const SEA10 = beadOf(
  'sea-10',
  'Amazonite 10 mm',
  'round',
  [10, 10],
  1.2,
  colourOf('amazonite', '#7fb0a6'),
);
export const SEA8 = beadOf(
  'sea-8',
  'Amazonite 8 mm',
  'round',
  [8, 8],
  1.2,
  colourOf('amazonite', '#8dbab1'),
);
export const SEA6 = beadOf(
  'sea-6',
  'Amazonite 6 mm',
  'round',
  [6, 6],
  1.2,
  colourOf('amazonite', '#9dc5bd'),
);
export const WOOD12: PieceBead = {
  ...beadOf('wood-12', 'Wood 12 mm', 'round', [12, 12], 3.4, colourOf('beech', '#c49a6c')),
  delicate: true,
};

const floss = (colour: string, hex: string) =>
  cordOf('Embroidery floss', 'floss', 0.6, colour, hex);
/** From the last light to the night. */
export const DUSK = [
  floss('indigo', '#2f3a66'),
  floss('plum', '#6b4a7d'),
  floss('rose', '#b9647c'),
  floss('apricot', '#e7a06c'),
] as const;
export const PEAKS = [
  floss('pine', '#2c5246'),
  floss('moss', '#6d8a55'),
  floss('sand', '#d9c49a'),
  floss('rust', '#b0562f'),
  floss('snow', '#eef0ee'),
] as const;
export const LACE = cordOf('Leather lace 3 mm', 'leather', 3.2, 'umber', '#5a3d2b');
export const LINEN = cordOf('Waxed linen 1 mm', 'linen', 1, 'charcoal', '#2d2f33');
export const PETAL_CORDS = [
  cordOf('Waxed cotton 1.5 mm', 'waxed-cotton', 1.5, 'lilac', '#8b7aa8'),
  cordOf('Waxed cotton 1.5 mm', 'waxed-cotton', 1.5, 'leaf', '#6f8f6a'),
] as const;
export const LARGE13 = beadOf(
  'large-13',
  'Large-hole bead 13 mm',
  'barrel',
  [13, 14],
  8.8,
  colourOf('pewter', '#83868a'),
);
export const SEED3 = beadOf(
  'seed-3',
  'Glass bead 3 mm',
  'round',
  [3, 3.4],
  1.4,
  colourOf('ice', '#b9d3dc'),
);
