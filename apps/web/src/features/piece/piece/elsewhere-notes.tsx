import { Flex, Text } from '@chakra-ui/react';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { useBringBack } from '../../../data/api/queries';
import { Button } from '../../../ui/shell/button';
import { toaster } from '../../../ui/shell/toaster';
import { usePiece } from './piece-store';

/** The piece was put away in another window: nothing more is sent until it is brought back. */
export function PutAwayNote({ pieceId }: { readonly pieceId: string }) {
  const gone = usePiece((state) => state.save === 'gone');
  const bringBack = useBringBack();
  if (!gone) return null;
  return (
    <Flex
      role="alert"
      bg="warnFaint"
      gap="3"
      px={{ base: '4', md: '7' }}
      py="2"
      align="center"
      flexWrap="wrap"
    >
      <Text flex="1" minW="240px">
        This piece was put away in another window. What you change is kept here, and not saved.
      </Text>
      <Button
        variant="solid"
        disabled={bringBack.isPending}
        onClick={() =>
          bringBack.mutate(pieceId, { onSuccess: () => usePiece.getState().setSave('saved') })
        }
      >
        Bring it back
      </Button>
      <Button asChild>
        <Link to="/">To the workshop</Link>
      </Button>
      {bringBack.isError && <Text color="danger">{bringBack.error.message}</Text>}
    </Flex>
  );
}

/** Says that changes of two windows were put together; undo leads back. */
export function MergeNote() {
  const merges = usePiece((state) => state.merges);
  useEffect(() => {
    if (merges === 0) return;
    toaster.create({
      title: 'Another window changed this piece too. Both changes are in it now.',
      action: { label: 'Undo', onClick: () => usePiece.getState().undo() },
    });
  }, [merges]);
  return null;
}
