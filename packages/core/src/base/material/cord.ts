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
  /** Whether there is wax on it, which glue does not stick to. */
  readonly waxed?: true;
  /** Diameter under tension / nominal. Assumed from common practice; a swatch corrects it. */
  readonly effective: number;
  /** Break-in stretch of a worn piece, as a fraction. Common practice, no source. */
  readonly stretch: number;
  /** Fraction of its diameter that the cord gives where it is squeezed through a hole. Assumed. */
  readonly gives: number;
  /** Too stiff to lie in a narrow bend by itself. Common practice, no source. */
  readonly stiff?: true;
  /** Whether it gives so much that it is pulled out before it is measured. Common practice, no source. */
  readonly pulledOut?: true;
  /** How the surface is drawn. */
  readonly texture: 'braid' | 'twist' | 'smooth';
  /** Whether a cut end frays or bends, and does not go through a hole by itself. Common practice, no source. */
  readonly soft: boolean;
  /** How an end is made to go through holes. Common practice, no source. */
  readonly point: 'point' | 'wax' | 'needle';
}

export const CORD_KIND_FACTS: Readonly<Record<CordKind, CordKindFacts>> = {
  paracord: {
    label: 'paracord',
    ends: 'melts',
    effective: 0.9,
    stretch: 0,
    gives: 0.25,
    texture: 'braid',
    soft: true,
    point: 'wax',
  },
  'nylon-cord': {
    label: 'nylon knotting cord',
    ends: 'melts',
    effective: 0.92,
    stretch: 0,
    gives: 0.25,
    texture: 'twist',
    soft: true,
    point: 'wax',
  },
  'waxed-polyester': {
    label: 'waxed polyester',
    ends: 'melts',
    waxed: true,
    effective: 0.95,
    stretch: 0,
    gives: 0.15,
    texture: 'twist',
    soft: false,
    point: 'wax',
  },
  'waxed-cotton': {
    label: 'waxed cotton',
    ends: 'burns',
    waxed: true,
    effective: 0.95,
    stretch: 0.005,
    gives: 0.15,
    texture: 'smooth',
    soft: false,
    point: 'wax',
  },
  hemp: {
    label: 'hemp',
    ends: 'burns',
    effective: 0.95,
    stretch: 0.005,
    gives: 0.15,
    texture: 'twist',
    soft: true,
    point: 'wax',
  },
  silk: {
    label: 'silk',
    ends: 'burns',
    effective: 0.9,
    stretch: 0.015,
    gives: 0.25,
    pulledOut: true,
    texture: 'twist',
    soft: true,
    point: 'needle',
  },
  linen: {
    label: 'waxed linen',
    ends: 'burns',
    waxed: true,
    effective: 0.95,
    stretch: 0.005,
    gives: 0.15,
    texture: 'twist',
    soft: false,
    point: 'wax',
  },
  floss: {
    label: 'embroidery floss',
    ends: 'burns',
    effective: 0.8,
    stretch: 0.01,
    gives: 0.35,
    texture: 'twist',
    soft: true,
    point: 'needle',
  },
  leather: {
    label: 'leather',
    ends: 'leather',
    effective: 1,
    stretch: 0.02,
    gives: 0.1,
    stiff: true,
    texture: 'smooth',
    soft: false,
    point: 'point',
  },
  'faux-leather': {
    label: 'faux leather',
    ends: 'leather',
    effective: 1,
    stretch: 0.01,
    gives: 0.1,
    stiff: true,
    texture: 'smooth',
    soft: false,
    point: 'point',
  },
};

/** Diameters in mm within which knotting cord is sold; outside them an entry is questioned. */
export const CORD_DIAMETER_LIMITS: PlausibleLimits = { possible: [0.2, 20], usual: [0.4, 8] };

/** Diameter under tension in mm: the one that knots are measured in. */
export const effectiveDiameter = (cord: Cord): number =>
  cord.diameter * (cord.effective ?? CORD_KIND_FACTS[cord.kind].effective);
