import type { OwnKnot } from '@coiled-strand/rope';

import type { PartBase, PartSite } from '../../../base/kind/part-kind.js';
import { useOf, KNOT_SPREAD, type Reason, type Use } from '../../../base/kind/reason.js';
import type { Run } from '../../../base/kind/run.js';
import { dealt } from '../../knot/dealt.js';
import { asOneCord } from '../../knot/stopper.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { pickRuns } from '../pick.js';

/** A knot that a maker drew, tied once or in a row. */
export interface OwnKnotPart extends PartBase {
  readonly kind: 'own-knot';
  /** One of the knots of the piece. */
  readonly knot: string;
  readonly units: number;
  readonly runs: readonly number[] | null;
  /** What lies in it where it was drawn with a bead. */
  readonly bead?: string;
}

/** What ties one cord of the knot: one run, or some together as one. */
export interface KnotCord {
  readonly runs: readonly Run[];
  /** In mm under tension, of the one cord that they are. */
  readonly diameter: number;
}

/** The runs that tie, dealt out to the cords of the knot. */
export function cordsOf(part: OwnKnotPart, site: PartSite, knot: OwnKnot): KnotCord[] {
  const runs = pickRuns(site, part.runs);
  const which = dealt(runs.length, knot.board.cords.length);
  return knot.board.cords.map((_, cord) => {
    const own = runs.filter((_, i) => which[i] === cord);
    return { runs: own, diameter: asOneCord(own.map((run) => effectiveDiameter(run.cord))) };
  });
}

/** The diameter that the knot as a whole is drawn by: the mean of its cords. */
export function diameterOf(cords: readonly KnotCord[]): number {
  const some = cords.filter(({ runs }) => runs.length > 0);
  return some.length === 0
    ? 0
    : some.reduce((sum, { diameter }) => sum + diameter, 0) / some.length;
}

/** Cords that differ by more were not what the knot was drawn with. */
const ALIKE = 1.05;

/** Whether the knot is tied with what it was drawn with: as many cords, each of one run, all alike. */
export function asDrawn(cords: readonly KnotCord[]): boolean {
  const all = cords.map(({ diameter }) => diameter);
  return (
    cords.every(({ runs }) => runs.length === 1) && Math.max(...all) <= ALIKE * Math.min(...all)
  );
}

/** What the knot takes of every run over and above its length, and where that comes from. */
export function knotUses(
  part: OwnKnotPart,
  { name, tight }: OwnKnot,
  cords: readonly KnotCord[],
): Use[] {
  const drawn = asDrawn(cords);
  return cords.flatMap(({ runs, diameter }, cord) => {
    const { value, off } = tight.size.uses[cord]!;
    const from: Pick<Reason, 'source' | 'assumed'> = drawn
      ? { source: { how: 'computed', error: value > 0 ? off / value : 0 } }
      : { assumed: true };
    return value <= 0
      ? []
      : runs.map((run) =>
          useOf(
            run,
            {
              area: 'knot',
              code: 'knot.own',
              label: name,
              detail: drawn
                ? 'as your drawing comes out when it is drawn tight, over and above its length'
                : 'by your drawing, for cords tied as one or of unlike thickness; over and above its length',
              spread: KNOT_SPREAD,
              ...from,
            },
            value * diameter,
            part.units,
          ),
        );
  });
}
