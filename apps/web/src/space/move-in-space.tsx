import {
  drawMoveInSpace,
  wayOf,
  type Piece,
  type Plan,
  type Side,
  type Step,
} from '@coiled-strand/core';
import { useEffect, useMemo, useState } from 'react';
import { boxOf } from './scene';
import { SpaceView } from './space-view';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly step: Step;
  readonly firstSide: Side;
  readonly label: string;
  /** Counts up each time the move is to be shown slowly. */
  readonly slow: number;
}

/** Milliseconds that an end takes to go along its whole way. */
const WAY = 3200;
/** The way is drawn so often at most, in ms: a tube is made anew each time. */
const EACH = 50;

/** How much of its way an end has gone: all of it, but while it is shown slowly. */
function useShare(slow: number): number {
  const [gone, setGone] = useState<{ readonly of: number; readonly share: number } | null>(null);
  useEffect(() => {
    const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    if (slow === 0 || still) return undefined;
    const begun = performance.now();
    const timer = setInterval(() => {
      const share = Math.min(1, (performance.now() - begun) / WAY);
      setGone({ of: slow, share });
      if (share === 1) clearInterval(timer);
    }, EACH);
    return () => clearInterval(timer);
  }, [slow]);
  return gone?.of === slow ? gone.share : 1;
}

/** A move of a knot in space: the end goes along its way, over and under what lies there. */
export function MoveInSpace({ piece, plan, step, firstSide, label, slow }: Props) {
  const share = useShare(slow);
  const move = useMemo(
    () => drawMoveInSpace(piece, plan, step, firstSide),
    [piece, plan, step, firstSide],
  );
  /** As wide as it becomes, so that nothing jumps while the end goes on. */
  const frame = useMemo((): readonly [number, number] => {
    const cords = [...(move?.lies.cords ?? []), ...(move?.moving ?? [])];
    const [wide, high] = boxOf({ cords, beads: [] }).size;
    return [wide, high];
  }, [move]);
  const scene = useMemo(
    () => ({
      cords: [
        ...(move?.lies.cords ?? []),
        ...(move?.moving ?? []).map((cord) => ({
          ...cord,
          line: wayOf(cord.line, Math.max(0.02, share)),
        })),
      ],
      beads: [],
    }),
    [move, share],
  );
  if (!move) return null;
  return (
    <SpaceView
      scene={scene}
      label={label}
      height={280}
      frame={frame}
      passing={share < 1}
      flat={null}
    />
  );
}
