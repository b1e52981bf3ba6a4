import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '../shell/button';
import { useNavigate } from 'react-router';
import { useAddPiece } from '../api/queries';
import { Modal } from '../shell/modal';
import { differences } from './differences';
import { usePiece } from './piece-store';

const show = (value: unknown): string =>
  value === null || value === undefined
    ? '—'
    : typeof value === 'number'
      ? String(Number(value.toFixed(2)))
      : typeof value === 'string'
        ? value
        : JSON.stringify(value);

/** Two windows changed the same piece: a clear choice, and whatever is not chosen stays in undo. */
export function ConflictDialog() {
  const { conflict, history, keepMine, takeTheirs } = usePiece();
  const add = useAddPiece();
  const navigate = useNavigate();
  if (!conflict || !history) return null;
  const mine = history.now;
  const rows = differences(mine, conflict.theirs.piece);
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
      <Flex fontSize="sm" color="muted" py="1">
        <Box flex="1">What differs</Box>
        <Box w="30%">This window</Box>
        <Box w="30%">The other</Box>
      </Flex>
      {rows.map((row) => (
        <Flex key={row.path} py="1.5" gap="2" borderTop="1px solid {colors.line}">
          <Text flex="1" minW="0" wordBreak="break-word">
            {row.path}
          </Text>
          <Text w="30%" wordBreak="break-word">
            {show(row.mine)}
          </Text>
          <Text w="30%" wordBreak="break-word">
            {show(row.theirs)}
          </Text>
        </Flex>
      ))}
      {add.isError && (
        <Text color="danger" role="alert" mt="3">
          The copy could not be stored: {add.error.message}
        </Text>
      )}
    </Modal>
  );
}
