import { laidAt, layoutOf } from '@coiled-strand/rope';
import type { CordInSpace } from '../../base/kind/in-space.js';
import type { Point3 } from '../../base/kind/primitive.js';
import { tiedAt, type Step } from '../../base/kind/step.js';
import { BAR, cordsTied, postRadius, sideBySide, unstriped, widthOf } from './tied-cords.js';
import { tyingIn, type TiedPiece } from '../../piece/tyings.js';

/** How far a post stands out to both sides of what is laid round it, in diameters. */
const POST = 4;

/** How a unit of a step is tied, in space: what lies there, and the stretch that each move lays, in order. In mm. */
export function tyingInSpace(
  piece: TiedPiece,
  step: Pick<Step, 'tied' | 'tiedBy'>,
  unit: number,
): {
  readonly lies: readonly CordInSpace[];
  readonly moves: readonly (readonly CordInSpace[])[];
} | null {
  const tied = tiedAt(step, unit);
  const cords = tied && cordsTied(piece, tied);
  const tying = tied && tyingIn(piece, tied);
  if (!cords || !tying) return null;
  const layout = layoutOf(tying);
  const d = widthOf(cords);
  const inMm = (line: readonly Point3[]): Point3[] =>
    line.map(([x, y, z]): Point3 => [x * d, y * d, z * d]);
  const laid = (go: number, when: 'lies' | 'moving'): CordInSpace[] =>
    laidAt(layout, go)
      .filter((one) => one.when === when && one.line.length > 1)
      .flatMap(({ strand, line }) => sideBySide(cords[strand]!, inMm(line)))
      .map(({ run, ...rest }) => ({ ...rest, run: unstriped(run) }));
  const [first] = cords;
  const post: CordInSpace[] =
    layout.tying.round === 'rims'
      ? [
          {
            run: { strand: 0, cord: { ...first!.cord, colour: { name: 'post', hex: BAR } } },
            diameter: 2 * d * postRadius(layout.board),
            line: inMm([
              [0, 0, -POST],
              [0, 0, POST],
            ]),
          },
        ]
      : [];
  return {
    lies: [...laid(0, 'lies'), ...post],
    moves: layout.goes.map((_, go) => laid(go, 'moving')),
  };
}
