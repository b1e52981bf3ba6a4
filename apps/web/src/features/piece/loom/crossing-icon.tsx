import { latticeFor, leftWorks, swaps, wrapsOf, type Crossing } from '@coiled-strand/core';

interface Props {
  readonly crossing: Crossing;
}

const LATTICE = latticeFor({ lay: 'crossing', tension: 'even' }, 5);
const { along: A, across: C, d: D } = LATTICE;

/** The ways of the worker and of the one it goes round, from left to right. */
function ways(crossing: Crossing): readonly [worker: string, other: string] {
  const s = leftWorks(crossing) ? 1 : -1;
  if (crossing === '.') return [`M${-2 * A} ${-C}H${2 * A}`, `M${-2 * A} ${C}H${2 * A}`];
  return swaps(crossing)
    ? [
        `M${-2 * A} ${-2 * s * C}L${2 * A} ${2 * s * C}`,
        `M${-2 * A} ${2 * s * C}L${2 * A} ${-2 * s * C}`,
      ]
    : [
        `M${-2 * A} ${-2 * s * C}L0 ${0.4 * s * C}L${2 * A} ${-2 * s * C}`,
        `M${-2 * A} ${2 * s * C}L0 0L${2 * A} ${2 * s * C}`,
      ];
}

/** A knot as it will look, on the ends of its two strands. */
export function CrossingIcon({ crossing }: Props) {
  const [worker, other] = ways(crossing);
  const knot =
    crossing === '.'
      ? ''
      : wrapsOf([0, 0], crossing, LATTICE, 'crossing', 2)
          .map((line) => line.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.join(' ')}`).join(''))
          .join('');
  return (
    <svg
      aria-hidden
      width="30"
      height="28"
      viewBox={`${-2.2 * A} ${-2.2 * C} ${4.4 * A} ${4.4 * C}`}
      fill="none"
      stroke="currentColor"
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      <path d={other} strokeWidth={D * 0.5} opacity="0.55" />
      <path
        d={worker}
        strokeWidth={D * (crossing === '.' ? 0.5 : 0.9)}
        opacity={crossing === '.' ? 0.55 : 1}
      />
      <path d={knot} strokeWidth={D * 1.25} />
    </svg>
  );
}
