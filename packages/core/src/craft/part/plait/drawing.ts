import type { PartLayout } from '../../../base/kind/part-kind.js';
import type { CordStroke, Point, Primitive } from '../../../base/kind/primitive.js';
import { crossingsPerTurn, plaitCurve } from '../../knot/plait.js';
import { moved, strokeOf } from '../../knot/stroke.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import type { Plaiting } from './model.js';

/** Samples for each crossing, and levels from the back of the plait to its front. */
const SAMPLES = 6;
const LEVELS = 5;

interface Piece {
  readonly level: number;
  readonly bundle: number;
  readonly line: Point[];
}

/** A stretch of a plait, in mm from where it begins, and how much further along the bench it lies. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly further: number;
}

/** A plait along the bench from one place to another, in mm from the start of the part. */
export const plaitStrokes = (
  plaiting: Plaiting,
  part: string,
  from: number,
  to: number,
  state: CordStroke['state'],
  name?: string,
  view?: 'above' | 'edge',
): Primitive[] => stretchStrokes(plaiting, part, [{ from, to, further: 0 }], state, name, view);

/**
 * A plait in stretches with something else between them. The curve in space is cut in pieces, which are
 * drawn from the back to the front; a bundle's cords lie side by side in it.
 *
 * @param view from above, or from its edge: then the front of the plait lies to the side of y < 0
 */
export function stretchStrokes(
  plaiting: Plaiting,
  part: string,
  stretches: readonly Stretch[],
  state: CordStroke['state'],
  name = 'plait',
  view: 'above' | 'edge' = 'above',
): Primitive[] {
  const { form, bundles, d, pitch, q } = plaiting;
  const turn = pitch * crossingsPerTurn(form);
  const step = pitch / SAMPLES;
  const piecesOf = (bundle: number, { from, to, further }: Stretch): Piece[] => {
    const own: Piece[] = [];
    if (to - from < 1e-6) return own;
    const first = Math.floor(from / step + 1e-9);
    const last = Math.max(first + 1, Math.ceil(to / step - 1e-9));
    for (let i = first; i < last; i++) {
      const place = (x: number): readonly [across: number, towards: number] => {
        const [, y, z] = plaitCurve(form, bundle, x / turn, q);
        return view === 'above' ? [y, z] : [-z, y];
      };
      const at = (x: number): Point => [x + further, place(x)[0] * d];
      const [x0, x1] = [Math.max(from, i * step), Math.min(to, (i + 1) * step)];
      const z = place((x0 + x1) / 2)[1];
      const level = Math.min(LEVELS - 1, Math.max(0, Math.floor(((z + 1.6) / 3.2) * LEVELS)));
      // Where it goes up or down a level, both pieces run on a little, so that no gap shows.
      if (own.at(-1)?.level !== level) {
        own.at(-1)?.line.push(at(x0 + step / 2));
        own.push({ level, bundle, line: [at(Math.max(from, x0 - step / 2)), at(x0)] });
      }
      own.at(-1)!.line.push(at((x0 + x1) / 2), at(x1));
    }
    return own;
  };
  const pieces = bundles.flatMap((_, bundle) =>
    stretches.flatMap((stretch) => piecesOf(bundle, stretch)),
  );
  return Array.from({ length: LEVELS }, (_, level) => level).flatMap((level) =>
    bundles.flatMap((runs, bundle) => {
      const lines = pieces
        .filter((piece) => piece.level === level && piece.bundle === bundle)
        .map((piece) => piece.line);
      if (lines.length === 0) return [];
      return runs.map((run, i): CordStroke => {
        const own = effectiveDiameter(run.cord);
        const aside = (i - (runs.length - 1) / 2) * own * 0.92;
        return strokeOf(
          run,
          `${part}-${name}-${state}-${level}-${run.index}`,
          part,
          lines.map((line) => line.map(([x, y]): Point => [x, y + aside])),
          state,
        );
      });
    }),
  );
}

/** The whole plait seen from its edge, lying on the skin. */
export const edgeOfPlait = (
  plaiting: Plaiting,
  part: string,
  { length, thickness }: Pick<PartLayout, 'length' | 'thickness'>,
): Primitive[] =>
  moved(plaitStrokes(plaiting, part, 0, length, 'laid', 'closed', 'edge'), 0, -thickness / 2);
