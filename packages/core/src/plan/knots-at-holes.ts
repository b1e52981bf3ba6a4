import type { PartLayout, Stop } from '../base/kind/part-kind.js';
import type { Passage } from '../base/kind/reason.js';
import type { Advice } from '../base/measure/advice.js';
import { oneOf } from '../base/measure/plural.js';
import { inSentence, say, size } from '../base/measure/saying.js';

/** Sizes are labelled to a tenth of a millimetre: a hole that is just as wide decides nothing. */
const SLACK = 0.01;

interface Placed {
  readonly id: string;
  readonly layout: Pick<PartLayout, 'passages' | 'stop'>;
}

/** A hole that a knot which is to stop it goes through. */
const slips = ({ passes, runs }: Stop, { hole, runs: through }: Passage): boolean =>
  passes < hole - SLACK && through.some(({ index }) => runs.includes(index));

/**
 * Whether every knot stops what lies beside it: drawn tight it must not go through the hole.
 *
 * @param parts in their order along the piece
 */
export function checkKnotsAtHoles(parts: readonly Placed[]): Advice[] {
  return parts.flatMap(({ id, layout: { stop, passages } }, i): Advice[] => {
    if (!stop) return [];
    const beside = stop.within
      ? passages
      : [parts[i - 1], parts[i + 1]].flatMap((part) => part?.layout.passages ?? []);
    const wide = beside.filter((one) => slips(stop, one));
    const [worst] = [...wide].sort((a, b) => b.hole - a.hole);
    if (!worst) return [];
    const larger = stop.larger.find(({ passes }) => passes >= worst.hole - SLACK);
    return [
      {
        code: 'knot.slips',
        severity: 'error',
        drawn: true,
        message: say`${worst.what} slides over the ${inSentence(stop.what)} beside it: drawn tight the knot goes through ${size(stop.passes)}, and the hole is ${size(worst.hole)}.`,
        remedy: larger
          ? say`${larger.what} is the smallest knot in these cords that holds.`
          : 'No knot in these cords holds. Take a smaller hole or a thicker cord, tie more cords together, or put a smaller bead between.',
        path: `parts[${i}]`,
        part: id,
        ...(larger && !stop.within
          ? {
              fix: {
                label: say`Tie ${oneOf(larger.what)}`,
                path: `parts[${i}].form`,
                value: larger.form,
              },
            }
          : {}),
      },
    ];
  });
}
