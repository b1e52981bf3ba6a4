import type { PlausibleLimits } from '../measure/girth.js';
import type { Copy } from './copy.js';

/** Kinds of cord, by what they are made of and how they behave under a knot. */
export const CORD_KINDS = [
  'paracord',
  'nylon-cord',
  'waxed-polyester',
  'waxed-cotton',
  'hemp',
  'silk',
  'linen',
  'floss',
  'leather',
  'faux-leather',
] as const;
export type CordKind = (typeof CORD_KINDS)[number];

export interface Colour {
  readonly name: string;
  /** `#rrggbb` */
  readonly hex: string;
}

/** A cord as bought: what a plan needs to know of it. */
export interface Cord extends Copy {
  readonly name: string;
  readonly kind: CordKind;
  /** Nominal diameter in mm, as on the label. */
  readonly diameter: number;
  readonly colour: Colour;
  /** Diameter under tension / nominal, 0.5 to 1.2, where the maker measured it. */
  readonly effective?: number;
  /** Standard deviation of its diameter from place to place, in mm, where it was measured in several. */
  readonly spread?: number;
  /** Price of a metre in the workshop's currency, where it is known. */
  readonly price?: number;
}

export interface CordKindFacts {
  readonly label: string;
  /** What the ends do in a flame: melt into a bead, or burn. */
  readonly ends: 'melts' | 'burns' | 'leather';
  /** Diameter under tension / nominal. Assumed from common practice; a swatch corrects it. */
  readonly effective: number;
  /** Break-in stretch of a worn piece, as a fraction. Common practice, no source. */
  readonly stretch: number;
  /** Fraction of its diameter that the cord gives where it is squeezed through a hole. Assumed. */
  readonly gives: number;
  /** How the surface is drawn. */
  readonly texture: 'braid' | 'twist' | 'smooth';
}

const fact = (
  label: string,
  ends: CordKindFacts['ends'],
  effective: number,
  stretch: number,
  gives: number,
  texture: CordKindFacts['texture'],
): CordKindFacts => ({ label, ends, effective, stretch, gives, texture });

export const CORD_KIND_FACTS: Readonly<Record<CordKind, CordKindFacts>> = {
  paracord: fact('paracord', 'melts', 0.9, 0, 0.25, 'braid'),
  'nylon-cord': fact('nylon knotting cord', 'melts', 0.92, 0, 0.25, 'twist'),
  'waxed-polyester': fact('waxed polyester', 'melts', 0.95, 0, 0.15, 'twist'),
  'waxed-cotton': fact('waxed cotton', 'burns', 0.95, 0.005, 0.15, 'smooth'),
  hemp: fact('hemp', 'burns', 0.95, 0.005, 0.15, 'twist'),
  silk: fact('silk', 'burns', 0.9, 0.015, 0.25, 'twist'),
  linen: fact('waxed linen', 'burns', 0.95, 0.005, 0.15, 'twist'),
  floss: fact('embroidery floss', 'burns', 0.8, 0.01, 0.35, 'twist'),
  leather: fact('leather', 'leather', 1, 0.02, 0.1, 'smooth'),
  'faux-leather': fact('faux leather', 'leather', 1, 0.01, 0.1, 'smooth'),
};

/** Diameters in mm within which knotting cord is sold; outside them an entry is questioned. */
export const CORD_DIAMETER_LIMITS: PlausibleLimits = { possible: [0.2, 20], usual: [0.4, 8] };

/** Diameter under tension in mm: the one that knots are measured in. */
export const effectiveDiameter = (cord: Cord): number =>
  cord.diameter * (cord.effective ?? CORD_KIND_FACTS[cord.kind].effective);
