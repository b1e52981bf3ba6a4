import { Flex, Text } from '@chakra-ui/react';
import { Button } from '../../../ui/shell/button';
import { Modal } from '../../../ui/shell/modal';
import { settle } from './arrival-store';
import { FileFaults } from './file-faults';
import { useTakePiece } from './use-take-piece';

interface Props {
  readonly name: string;
  readonly file: object;
}

/** What a file says of its piece, before the server has looked whether it is good. */
interface Told {
  readonly piece?: {
    readonly name?: unknown;
    readonly wearer?: { readonly name?: unknown };
    readonly parts?: unknown;
  };
}
const words = (value: unknown, otherwise: string): string =>
  typeof value === 'string' && value !== '' ? value : otherwise;

/** The file of a piece: it is put into the workshop as a piece of its own. */
export function PieceArrival({ name, file }: Props) {
  const { take, faults, isPending } = useTakePiece();
  const { piece } = file as Told;
  const parts = Array.isArray(piece?.parts) ? piece.parts.length : 0;
  return (
    <Modal
      open
      onClose={settle}
      title="A piece"
      description={name}
      footer={
        <>
          <Button onClick={settle}>Cancel</Button>
          <Button
            variant="solid"
            disabled={isPending}
            onClick={() => void take(file).then((taken) => taken && settle())}
          >
            Put it into the workshop
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4">
        <Text>
          “{words(piece?.name, 'Without a name')}” for {words(piece?.wearer?.name, 'somebody')}, of{' '}
          {parts} {parts === 1 ? 'part' : 'parts'}. It becomes a new piece; nothing you have is
          changed.
        </Text>
        {faults.length > 0 && <FileFaults name={name} faults={faults} />}
      </Flex>
    </Modal>
  );
}
