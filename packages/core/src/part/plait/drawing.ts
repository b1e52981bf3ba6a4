import type { CordStroke, Point, Primitive } from '../../kind/primitive.js';
import { crossingsPerTurn, plaitCurve } from '../../knot/plait.js';
import { strokeOf } from '../../knot/stroke.js';
import { effectiveDiameter } from '../../material/cord.js';
import type { Plaiting } from './model.js';

/** Samples for each crossing, and levels from the back of the plait to its front. */
const SAMPLES = 6;
const LEVELS = 5;

interface Piece {
  readonly level: number;
  readonly bundle: number;
  readonly line: Point[];
}

/**
 * A plait along the bench from one place to another. The curve in space is cut in pieces, which are
 * drawn from the back to the front; a bundle's cords lie side by side in it.
 *
 * @param from in mm from the start of the part; so is `to`
 */
export function plaitStrokes(
  plaiting: Plaiting,
  part: string,
  from: number,
  to: number,
  state: CordStroke['state'],
  name = 'plait',
): Primitive[] {
  const { form, bundles, d, pitch, q } = plaiting;
  if (to - from < 1e-6) return [];
  const turn = pitch * crossingsPerTurn(form);
  const step = pitch / SAMPLES;
  const first = Math.floor(from / step + 1e-9);
  const last = Math.max(first + 1, Math.ceil(to / step - 1e-9));
  const pieces = bundles.flatMap((_, bundle) => {
    const own: Piece[] = [];
    for (let i = first; i < last; i++) {
      const at = (x: number): Point => [x, plaitCurve(form, bundle, x / turn, q)[1] * d];
      const [x0, x1] = [Math.max(from, i * step), Math.min(to, (i + 1) * step)];
      const z = plaitCurve(form, bundle, (x0 + x1) / 2 / turn, q)[2];
      const level = Math.min(LEVELS - 1, Math.max(0, Math.floor(((z + 1.6) / 3.2) * LEVELS)));
      // Where it goes up or down a level, both pieces run on a little, so that no gap shows.
      if (own.at(-1)?.level !== level) {
        own.at(-1)?.line.push(at(x0 + step / 2));
        own.push({ level, bundle, line: [at(Math.max(from, x0 - step / 2)), at(x0)] });
      }
      own.at(-1)!.line.push(at((x0 + x1) / 2), at(x1));
    }
    return own;
  });
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
