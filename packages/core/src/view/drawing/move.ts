import { type KnownCurves, far } from '@coiled-strand/rope';
import type { CordInSpace, InSpace } from '../../base/kind/in-space.js';
import type { Point3 } from '../../base/kind/primitive.js';
import type { Step } from '../../base/kind/step.js';
import type { Side } from '../../base/measure/side.js';
import { firstSideFor } from '../../plan/steps/habits.js';
import { partKind } from '../../craft/part/registry.js';
import type { Piece } from '../../piece/piece.js';
import { placedPart } from '../../plan/placed-parts.js';
import type { Plan } from '../../plan/plan-types.js';

import { tyingInSpace } from './tying-space.js';
import { cellOf, cordOf, type SpaceCord, type SpaceScene } from './space.js';

/** The first part of a line, by its share of the whole: where an end is that goes along it. */
export function wayOf(line: readonly Point3[], share: number): Point3[] {
  const steps = line.slice(1).map((q, i) => far(line[i]!, q));
  let left = Math.min(1, Math.max(0, share)) * steps.reduce((sum, step) => sum + step, 0);
  const out: Point3[] = [line[0]!];
  for (const [i, step] of steps.entries()) {
    const [p, q] = [line[i]!, line[i + 1]!];
    if (left < step) {
      const t = step > 0 ? left / step : 0;
      return [
        ...out,
        [p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1]), p[2] + t * (q[2] - p[2])],
      ];
    }
    out.push(q);
    left -= step;
  }
  return out;
}

/** What of a line lies between two shares of its length. */
function stretch(line: readonly Point3[], from: number, to: number): Point3[] {
  const ahead = wayOf(line, to).reverse();
  return wayOf(ahead, to > 0 ? 1 - Math.max(0, from) / to : 0).reverse();
}

/** What is shown of a step in space: what lies, and what is led along its way, one after the other. */
export interface MoveScene {
  readonly lies: SpaceScene;
  /** Cords that go together are one of these. */
  readonly moving: readonly (readonly SpaceCord[])[];
}

/** Units of finished work that are shown before the one at hand, and how far what lies there is shown beyond it. */
const BEFORE = 4;
const AFTER = 1.2;

/** The line between two places along x: what lies straight is cut off there. */
const cutOff = (line: readonly Point3[], from: number, to: number): Point3[] =>
  line.map(([x, y, z]): Point3 => [Math.min(to, Math.max(from, x)), y, z]);

/** How high a line runs in its middle, where it passes what it is tied round. */
function heightOf(line: readonly Point3[]): number {
  const middle = line.filter((_, i) => 3 * i >= line.length && 3 * i <= 2 * line.length);
  return middle.reduce((sum, [, , z]) => sum + z, 0) / Math.max(1, middle.length);
}

/** The unit at hand of a part: what was tied before it, and its cords going their ways, those in front first. */
function unitInSpace(
  { cords, winds = 0 }: InSpace,
  unit: number,
  pitch: number,
  key: string,
): MoveScene | null {
  // The work is turned back so that the unit at hand faces the maker.
  const [c, s] = [Math.cos(winds * unit), Math.sin(winds * unit)];
  const faced = (line: readonly Point3[]): Point3[] =>
    winds === 0 ? [...line] : line.map(([x, y, z]) => [x, c * y + s * z, c * z - s * y]);
  const [from, to] = [(unit - BEFORE) * pitch, (unit + 1 + AFTER) * pitch];
  const lies: CordInSpace[] = [];
  const moving: CordInSpace[] = [];
  for (const cord of cords) {
    const line = faced(cord.line);
    const { worked } = cord;
    if (!worked) {
      const near = cutOff(line, from, to);
      if (near[0]![0] < near.at(-1)![0]) lies.push({ ...cord, line: near });
      continue;
    }
    const at = (units: number): number => (units - worked.from) / worked.count;
    const [now, then] = [at(unit), at(unit - BEFORE)];
    if (now > 0 && then < 1) {
      lies.push({ ...cord, line: stretch(line, Math.max(0, then), Math.min(1, now)) });
    }
    if (now >= 0 && now < 1) moving.push({ ...cord, line: stretch(line, now, at(unit + 1)) });
  }
  if (moving.length === 0) return null;
  return {
    lies: { cords: lies.map((cord, n) => cordOf(`${key}-lies-${n}`, cord, 0)), beads: [] },
    moving: moving
      .sort((a, b) => heightOf(b.line) - heightOf(a.line))
      .map((cord, n) => [cordOf(`${key}-moving-${n}`, cord, 0)]),
  };
}

/** A line as the work hangs down: what is the upper edge on the bench is the maker's left. */
const hung = (line: readonly Point3[], left: boolean): Point3[] =>
  line.map(([x, y, z]) => [left ? -y : y, -x, z]);

/** As it hangs before the maker; for hands that begin on the right, as those do that work mirrored, mirrored. */
function hanging({ lies, moving }: MoveScene, firstSide: Side): MoveScene {
  const left = firstSide === firstSideFor('right');
  const hang = (cords: readonly SpaceCord[]): SpaceCord[] =>
    cords.map((cord) => ({ ...cord, line: hung(cord.line, left) }));
  return { lies: { ...lies, cords: hang(lies.cords) }, moving: moving.map(hang) };
}

/** What of a step says how it looks in space. */
type Turned = Pick<Step, 'look' | 'part' | 'from' | 'aside' | 'tied' | 'tiedBy'>;

/** Whether a step can be one that is shown in space. */
export const movesInSpace = (piece: Piece, step: Turned): boolean =>
  step.tied !== undefined || partMoves(piece, step);

/** Whether its part can be; a few of these cannot after all, for want of curves like theirs. */
function partMoves(piece: Piece, step: Turned): boolean {
  const part = piece.parts.find(({ id }) => id === step.part);
  if (!part) return false;
  const kind = partKind(part.kind);
  return step.look?.kind === 'part' && !step.aside && kind.inSpace !== null;
}

/**
 * A step in space: a unit of a part whose knots were computed, hanging before the maker; or else the moves by which its
 * knot is tied.
 *
 * @param unit unit of the step, from 0
 * @param known the curves of knots that were drawn tight
 * @returns null for any other step
 */
export function drawMoveInSpace(
  piece: Piece,
  plan: Plan,
  step: Turned,
  unit: number,
  firstSide: Side,
  known: KnownCurves,
): MoveScene | null {
  return partInSpace(piece, plan, step, unit, firstSide, known) ?? tiedInSpace(piece, step, unit);
}

/** The moves of a knot, one after the other. */
function tiedInSpace(piece: Piece, step: Turned, unit: number): MoveScene | null {
  const tying = tyingInSpace(piece, step, unit);
  if (!tying) return null;
  const cords = (own: readonly CordInSpace[], key: string): SpaceCord[] =>
    own.map((cord, n) => cordOf(`${key}-${n}`, cord, 0));
  return {
    lies: { cords: cords(tying.lies, 'lies'), beads: [] },
    moving: tying.moves.map((go, n) => cords(go, `move-${n}`)),
  };
}

function partInSpace(
  piece: Piece,
  plan: Plan,
  step: Turned,
  unit: number,
  firstSide: Side,
  known: KnownCurves,
): MoveScene | null {
  const placed = placedPart(piece, plan, step.part);
  if (!placed || !partMoves(piece, step)) return null;
  const { part, kind, site, layout } = placed;
  const cell = cellOf(placed, known);
  const own = cell && kind.inSpace?.draw(part, site, layout, cell, 1);
  const scene =
    own && unitInSpace(own, unit + (step.from ?? 0), layout.length / layout.units, part.id);
  return scene ? hanging(scene, firstSide) : null;
}
