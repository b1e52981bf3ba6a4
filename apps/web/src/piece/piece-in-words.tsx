import { VisuallyHidden } from '@chakra-ui/react';
import { tellPiece, type Piece, type Plan } from '@coiled-strand/core';
import { memo, useDeferredValue } from 'react';
import { useUnits } from '../settings/use-units';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
  /** Units done of each part, where it is being made. */
  readonly done?: Readonly<Record<string, number>>;
}

/** The piece told from one end to the other, for whoever hears the page instead of seeing it. */
export function PieceInWords(props: Props) {
  // Nobody hears it while something is dragged.
  return <Told {...useDeferredValue(props)} />;
}

const Told = memo(
  function Told({ piece, plan, done }: Props) {
    const units = useUnits();
    return (
      <VisuallyHidden asChild>
        <ol aria-label={`${piece.name}, from its start to its end`} data-testid="in-words">
          {tellPiece(piece, plan, done).map((told, i) => (
            <li key={i}>{units.say(told)}</li>
          ))}
        </ol>
      </VisuallyHidden>
    );
  },
  (a, b) => a.piece === b.piece && a.plan === b.plan && a.done === b.done,
);
