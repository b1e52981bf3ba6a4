import { VisuallyHidden } from '@chakra-ui/react';
import { tellPiece, type Piece, type Plan } from '@coiled-strand/core';
import { memo } from 'react';
import { useBenchView } from '../bench/view-store';
import { useUnits } from '../../../ui/settings/use-units';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
  /** Units done of each part, where it is being made. */
  readonly done?: Readonly<Record<string, number>>;
}

/** The piece told from one end to the other, for whoever hears the page instead of seeing it. */
export function PieceInWords(props: Props) {
  const held = useBenchView((bench) => bench.held !== null);
  return <Told {...props} held={held} />;
}

/** Nobody hears it while something on the bench is dragged. */
const isTold = (before: Props, { held, piece, plan, done }: Props & Held): boolean =>
  held || (before.piece === piece && before.plan === plan && before.done === done);

interface Held {
  readonly held: boolean;
}

const Told = memo(function Told({ piece, plan, done }: Props & Held) {
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
}, isTold);
