import { Box } from '@chakra-ui/react';
import { partKind, type Piece, type Plan } from '@coiled-strand/core';
import { useSelection } from '../bench/selection-store';
import { later } from '../../../ui/shell/later';

const Seen = later(
  () => import('../space/seen-in-space').then((m) => m.SeenInSpace),
  'Fetching the curves of its knots',
);

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
}

/** The piece in space, or the part of it that is selected. */
export function PieceInSpace({ piece, plan }: Props) {
  const selected = useSelection((state) => state.part);
  const select = useSelection((state) => state.select);
  const part = piece.parts.find(({ id }) => id === selected);
  return (
    <Box bg="bench" px={{ base: '2', md: '4' }} pt="12" pb="2">
      <Seen
        piece={piece}
        plan={plan}
        label={part ? `${partKind(part.kind).entry.label} in space` : `${piece.name} in space`}
        {...(part ? { only: part.id, onAll: () => select(null) } : {})}
      />
    </Box>
  );
}
