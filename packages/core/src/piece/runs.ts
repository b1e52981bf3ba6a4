import { memoize } from '@coiled-strand/rope';

import type { Run, RunRole } from '../base/kind/run.js';
import { workingOf } from '../craft/knot/lanes.js';
import { partKind, type Part } from '../craft/part/registry.js';
import type { Piece, Strand } from './piece.js';

/** Every run of a piece, in the order of its strands. A turned leg makes two: out as core, back working. */
export const runsOf = ({ strands }: Pick<Piece, 'strands'>): readonly Run[] => runsOfAll(strands);

const runsOfAll = memoize((strands: readonly Strand[]): readonly Run[] =>
  strands
    .flatMap(({ cord, legs, laidIn }, i) =>
      legs.slice(0, 2).flatMap((role, half) => {
        const run = (as: RunRole): Omit<Run, 'index'> => ({
          strand: i + 1,
          half: half as 0 | 1,
          role: as,
          cord,
          laidIn,
          folded: legs.length > 1,
        });
        return role === 'turned' ? [run('core'), run('working')] : [run(role)];
      }),
    )
    .map((run, index) => ({ ...run, index })),
);

const needsWorking = (part: Part): boolean => partKind(part.kind).entry.ties !== undefined;

/** First and last part that working cords tie; null when there is none. */
export function tiedSpan(parts: readonly Part[]): readonly [number, number] | null {
  const first = parts.findIndex(needsWorking);
  return first < 0 ? null : [first, parts.findLastIndex(needsWorking)];
}

/** Whether part `index` lies between the first and the last part that working cords tie. */
export const liesInside = (span: readonly [number, number] | null, index: number): boolean =>
  span !== null && index >= span[0] && index <= span[1];

/**
 * The runs that lie in a part. Working cords that are laid in lie only between the first and the last
 * part that they tie; those that end by their knots end with the last.
 *
 * @param inside whether the part lies between those
 */
export function runsIn(
  part: Pick<Part, 'roles'>,
  runs: readonly Run[],
  inside: boolean,
): readonly Run[] {
  const here = inside ? runs : runs.filter((run) => !endsByKnots(run, runs));
  const { roles } = part;
  if (!roles) return here;
  return here.map((run) => {
    const role = roles[run.index];
    return role === undefined || role === 'turned' ? run : { ...run, role };
  });
}

/** Whether a working run is over when its knots are: it was laid in, or came back from a turn. */
function endsByKnots(run: Run, runs: readonly Run[]): boolean {
  if (run.role !== 'working') return false;
  if (run.laidIn) return true;
  return runs.some(
    (other) => other.strand === run.strand && other.half === run.half && other.role === 'core',
  );
}

/** The runs that reach the closure: all but working cords that end by their knots. */
export const runsAtClosure = (runs: readonly Run[]): Run[] =>
  runs.filter((run) => !endsByKnots(run, runs));

/** The working runs that end by their knots, and need a tail to tie the last of them with. */
export const runsEndingByKnots = (runs: readonly Run[]): Run[] =>
  workingOf(runs).filter((run) => endsByKnots(run, runs));
