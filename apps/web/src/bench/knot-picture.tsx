import {
  partKind,
  sitesOf,
  type Bounds,
  type PartLayout,
  type Piece,
  type Plan,
  type Side,
} from '@coiled-strand/core';
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
  /** What it shows, in words. */
  readonly label: string;
}

/** A frame that does not move from knot to knot: centred on the core, wide enough for both loops. */
function frameOf({ width, pitch }: PartLayout): Bounds {
  const half = width * 1.4;
  return { x: -half, y: -4.3 * pitch, width: 2 * half, height: 8.4 * pitch };
}

/** Close-up of the next knot from the model's own curves, the moving cord with its arrow. */
export function KnotPicture({ piece, plan, part: id, unit, firstSide, label }: Props) {
  const index = plan.parts.findIndex((p) => p.id === id);
  const part = plan.parts[index];
  const picture = useMemo(() => {
    const own = piece.parts[index];
    const site = sitesOf(piece)[index];
    if (!part || !own || !site) return null;
    const kind = partKind(part.kind);
    return {
      shapes: kind.picture?.(own, site, part.layout, unit, firstSide) ?? [],
      frame: kind.pictureFrame?.(own, site) ?? frameOf(part.layout),
    };
  }, [piece, part, index, unit, firstSide]);
  if (!picture || picture.shapes.length === 0) return null;
  const { shapes, frame } = picture;
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`${frame.x} ${frame.y} ${frame.width} ${frame.height}`}
      preserveAspectRatio="xMidYMin meet"
      style={{ width: '100%', height: '100%', display: 'block' }}
    >
      <Shapes shapes={shapes} />
    </svg>
  );
}
