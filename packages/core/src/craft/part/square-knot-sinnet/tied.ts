import type { PartStep } from '../../../base/kind/part-kind.js';
import { otherSide, type Side } from '../../../base/measure/side.js';
import { tiedIn } from '../../knot/tied.js';
import type { SinnetForm, SinnetSetting } from './model.js';

/** The side on which the cord hangs that goes over the core next. */
export const sideOf = (form: SinnetForm, unit: number, first: Side): Side =>
  form === 'flat' && unit % 2 === 1 ? otherSide(first) : first;

/** How its half knots are tied, one after the other: after each both cords have changed sides. */
export function tiedHalfKnots(
  { form, core, working }: SinnetSetting,
  first: Side,
): Pick<PartStep, 'tied'> {
  const cores = Math.min(4, core.length);
  if (cores === 0) return {};
  const [one, other] = working;
  const family = cores === 2 ? '' : `.${cores}`;
  const tied = [0, 1].map((unit) => {
    const side = sideOf(form, unit, first);
    // The cord that begins is on that side, and the other beside it.
    const begins = form === 'flat' || unit === 0 ? one : other;
    const waits = begins === one ? other : one;
    const [left, right] = side === 'left' ? [begins, waits] : [waits, begins];
    // Which side comes first is in the tying itself.
    return tiedIn(`half-knot.${side}${family}`, [...core.slice(0, cores), left, right], 'left');
  });
  return { tied };
}
