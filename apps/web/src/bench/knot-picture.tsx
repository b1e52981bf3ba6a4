import { partKind, sitesOf, type Piece, type Plan, type Side } from '@coiled-strand/core';
import { useMemo } from 'react';
import './bench.css';
import { Shapes } from './shapes';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
  /** Id of the part it is tied in. */
  readonly part: string;
  /** The unit to be tied next, from 0. */
  readonly unit: number;
  readonly firstSide: Side;
  readonly side: Side;
}

/** Close-up of the next half knot from the model's own curves, the moving cord with its arrow. */
export function KnotPicture({ piece, plan, part: id, unit, firstSide, side }: Props) {
  const index = plan.parts.findIndex((p) => p.id === id);
  const part = plan.parts[index];
  const shapes = useMemo(() => {
    const own = piece.parts[index];
    const site = sitesOf(piece)[index];
    if (!part || !own || !site) return [];
    return partKind(part.kind).picture?.(own, site, part.layout, unit, firstSide) ?? [];
  }, [piece, part, index, unit, firstSide]);
  if (!part || shapes.length === 0) return null;
  // A frame that does not move from knot to knot: centred on the core, wide enough for both loops.
  const half = part.layout.width * 1.4;
  const { pitch } = part.layout;
  return (
    <svg
      role="img"
      aria-label={`Next: the ${side} cord goes over the core`}
      viewBox={`${-half} ${-4.3 * pitch} ${2 * half} ${8.4 * pitch}`}
      preserveAspectRatio="xMidYMin meet"
      style={{ width: '100%', height: '100%', display: 'block' }}
    >
      <Shapes shapes={shapes} />
    </svg>
  );
}
