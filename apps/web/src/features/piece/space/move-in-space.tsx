import {
  drawMoveInSpace,
  TIGHTENED_CURVES,
  wayOf,
  type Piece,
  type Plan,
  type Side,
  type Step,
} from '@coiled-strand/core';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { boxOf } from './scene';
import { SpaceView } from './space-view';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly step: Step;
  /** Unit of the step, from 0. */
  readonly unit: number;
  readonly firstSide: Side;
  readonly label: string;
  /** Counts up each time the move is to be shown slowly. */
  readonly slow: number;
  /** What is shown where it has no curves in space. */
  readonly flat: ReactNode;
}

/** Milliseconds that an end takes to go along its whole way; of several moves, what each takes at the least. */
const WAY = 3200;
const MOVE = 1400;
/** The way is drawn so often at most, in ms: a tube is made anew each time. */
const EACH = 50;

/** How much of its way an end has gone: all of it, but while it is shown slowly. */
function useShare(slow: number, moves: number): number {
  const way = Math.max(WAY, MOVE * moves);
  const [gone, setGone] = useState<{ readonly of: number; readonly share: number } | null>(null);
  useEffect(() => {
    const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    if (slow === 0 || still) return undefined;
    const begun = performance.now();
    const timer = setInterval(() => {
      const share = Math.min(1, (performance.now() - begun) / way);
      setGone({ of: slow, share });
      if (share === 1) clearInterval(timer);
    }, EACH);
    return () => clearInterval(timer);
  }, [slow, way]);
  return gone?.of === slow ? gone.share : 1;
}

/** Share of its way that one of several has gone that go one after the other. */
const ownShare = (share: number, at: number, of: number): number =>
  Math.min(1, Math.max(0, share * of - at));

/** A move or a unit in space: each end goes along its way, over and under what lies there. */
export function MoveInSpace({ piece, plan, step, unit, firstSide, label, slow, flat }: Props) {
  const move = useMemo(
    () => drawMoveInSpace(piece, plan, step, unit, firstSide, TIGHTENED_CURVES),
    [piece, plan, step, unit, firstSide],
  );
  const share = useShare(slow, move?.moving.length ?? 0);
  /** As wide as it becomes, so that nothing jumps while the end goes on. */
  const frame = useMemo((): readonly [number, number] => {
    const cords = move ? [...move.lies.cords, ...move.moving.flat()] : [];
    const [wide, high] = boxOf({ cords, beads: [] }).size;
    return [wide, high];
  }, [move]);
  const scene = useMemo(() => {
    const moving = move?.moving ?? [];
    return {
      cords: [
        ...(move?.lies.cords ?? []),
        ...moving.flatMap((together, i) => {
          const gone = ownShare(share, i, moving.length);
          return together.flatMap((cord) =>
            gone > 0 ? [{ ...cord, line: wayOf(cord.line, Math.max(0.02, gone)) }] : [],
          );
        }),
      ],
      beads: [],
    };
  }, [move, share]);
  if (!move) return flat;
  return (
    <SpaceView
      scene={scene}
      label={label}
      height={280}
      frame={frame}
      passing={share < 1}
      flat={flat}
    />
  );
}
