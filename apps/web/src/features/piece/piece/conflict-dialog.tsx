import { Text } from '@chakra-ui/react';
import { Button } from '../../../ui/shell/button';
import { useNavigate } from 'react-router';
import { useAddPiece } from '../../../data/api/queries';
import { Modal } from '../../../ui/shell/modal';
import { ChangesTable } from './changes-table';
import { usePiece } from './piece-store';

/** Two windows changed the same piece: a clear choice, and whatever is not chosen stays in undo. */
export function ConflictDialog() {
  const { conflict, history, keepMine, takeTheirs } = usePiece();
  const add = useAddPiece();
  const navigate = useNavigate();
  if (!conflict || !history) return null;
  const mine = history.now;
  const keepBoth = async (): Promise<void> => {
    const copy = await add.mutateAsync({
      ...mine,
      name: `${mine.name} (other window)`.slice(0, 80),
    });
    takeTheirs();
    await navigate(`/pieces/${copy.id}/layout`);
  };
  return (
    <Modal
      open
      onClose={() => undefined}
      dismissible={false}
      size="wide"
      title="Changed in another window too"
      description="Nothing is lost: what you do not keep can still be reached with undo."
      footer={
        <>
          <Button onClick={takeTheirs}>Use the other</Button>
          <Button onClick={() => void keepBoth()} disabled={add.isPending}>
            Keep both, mine as a new piece
          </Button>
          <Button variant="solid" onClick={keepMine}>
            Keep mine
          </Button>
        </>
      }
    >
      <ChangesTable
        before={mine}
        after={conflict.theirs.piece}
        heads={['This window', 'The other']}
      />
      {add.isError && (
        <Text color="danger" role="alert" mt="3">
          The copy could not be stored: {add.error.message}
        </Text>
      )}
    </Modal>
  );
}
