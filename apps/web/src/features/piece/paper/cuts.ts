import { speakLength, type Plan, type SpokenUnits } from '@coiled-strand/core';

/** One cord to cut. */
interface Cut {
  /** Its number among the strands; null for one that is cut besides. */
  readonly number: number | null;
  readonly role: string;
  readonly name: string;
  readonly colour: string;
  readonly mm: number;
  readonly fold: number | null;
  /** Comes with something else, and is not cut. */
  readonly given: boolean;
  readonly reasons: Plan['strands'][number]['reasons'];
}

/** All that is cut for a piece. */
export const cutsOf = ({ strands, auxiliary }: Plan): Cut[] => [
  ...strands.map(({ number, role, cord, cut, fold, given, reasons }) => ({
    number,
    role,
    name: cord.name,
    colour: cord.colour.name,
    mm: cut,
    fold,
    given,
    reasons,
  })),
  ...auxiliary.map(({ label, cord, cut, reasons }) => ({
    number: null,
    role: label,
    name: cord?.name ?? 'Any thin strong thread',
    colour: cord?.colour.name ?? '',
    mm: cut,
    fold: null,
    given: false,
    reasons,
  })),
];

/** How a cord lies when it is used, in words. */
export const sayFold = ({ fold, given }: Pick<Cut, 'fold' | 'given'>, units: SpokenUnits): string =>
  given
    ? 'comes with the loop, not cut'
    : fold === null
      ? 'used single'
      : `fold at ${speakLength(fold, 'cord', units)}`;
