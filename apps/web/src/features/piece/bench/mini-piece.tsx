import { Text } from '@chakra-ui/react';
import {
  draftPlan,
  drawBench,
  firstSideFor,
  type Hand,
  type Piece,
  type PlanResult,
} from '@coiled-strand/core';
import { useMemo } from 'react';
import { useHand } from '../../../data/api/queries';
import './bench.css';
import { isLarge } from './large';
import { Layers } from './shapes';

interface Props {
  readonly piece: Piece;
  /** The hand it was planned with; what is known of it now when absent. */
  readonly hand?: Hand;
  /** Its plan, where that is there already. */
  readonly planned?: PlanResult;
  /** What is done so far, by part; all when absent. */
  readonly done?: Readonly<Record<string, number>>;
  /** Millimetres across the picture; the piece's own length when absent. */
  readonly span?: number;
  /** Whether a shorter stretch is shown from the start or about the middle. */
  readonly from?: 'start' | 'middle';
  readonly height: number;
}

/** A small true drawing of a piece. */
export function MiniPiece({ piece, hand, planned, done, span, from = 'start', height }: Props) {
  const known = useHand();
  const large = isLarge(piece);
  const drawing = useMemo(() => {
    // Nothing of it could be made out, and the page would stand still for it.
    if (large) return null;
    // A picture does not wait for hands to try it.
    const plan = planned ?? draftPlan(piece, hand ?? known);
    if (!plan.ok) return null;
    return drawBench(piece, plan, {
      firstSide: firstSideFor('right'),
      tails: false,
      ...(done === undefined ? {} : { done }),
    });
  }, [piece, done, hand, known, planned, large]);
  if (large) {
    return (
      <Text color="muted" py="4">
        {piece.parts.length} parts on {piece.strands.length} strands: too many for a small picture.
      </Text>
    );
  }
  if (!drawing) return null;
  const { bounds } = drawing;
  const width = span ?? bounds.width;
  const x = from === 'middle' ? bounds.x + (bounds.width - width) / 2 : bounds.x;
  return (
    <svg
      aria-hidden
      className="mini-piece"
      viewBox={`${x} ${bounds.y} ${width} ${bounds.height}`}
      preserveAspectRatio={span === undefined ? 'xMidYMid meet' : 'xMinYMid meet'}
      style={{ display: 'block', width: '100%', height }}
    >
      <Layers layers={drawing.layers} />
    </svg>
  );
}
