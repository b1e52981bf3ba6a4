import { Box, Flex, Text } from '@chakra-ui/react';
import type { PieceView } from '@coiled-strand/contract';
import { Minus, Plus, X } from 'lucide-react';
import { SelectField } from '../../../ui/fields/select-field';
import { Button } from '../../../ui/shell/button';
import type { Wish } from './demand';

const MAX_PIECES = 200;

interface Props {
  readonly pieces: readonly PieceView[];
  readonly wishes: readonly Wish[];
  readonly onChange: (wishes: readonly Wish[]) => void;
}

/** Pieces and how many of each. */
export function PickPieces({ pieces, wishes, onChange }: Props) {
  const setNumber = (id: string, number: number): void =>
    onChange(wishes.map((wish) => (wish.id === id ? { ...wish, number } : wish)));
  const add = (id: string): void => {
    const view = pieces.find((one) => one.id === id);
    if (!view) return;
    const fresh = `p${wishes.length + 1}-${id.slice(0, 8)}`;
    onChange([
      ...wishes,
      { id: fresh, pieceId: id, piece: view.piece, name: view.piece.name, number: 1 },
    ]);
  };
  return (
    <>
      <Flex as="ul" listStyleType="none" m="0" p="0" direction="column" gap="1" mb="4">
        {wishes.map(({ id, name, number }) => (
          <Flex as="li" key={id} align="center" gap="1" data-testid="wish">
            <Text flex="1" minW="0" lineHeight="1.25">
              {name}
            </Text>
            <Button
              variant="bare"
              size="icon"
              aria-label={`One less of ${name}`}
              disabled={number <= 1}
              onClick={() => setNumber(id, number - 1)}
            >
              <Minus size={16} />
            </Button>
            <Text w="26px" textAlign="center" fontWeight="600" fontSize="lg">
              {number}
            </Text>
            <Button
              variant="bare"
              size="icon"
              aria-label={`One more of ${name}`}
              disabled={number >= MAX_PIECES}
              onClick={() => setNumber(id, number + 1)}
            >
              <Plus size={16} />
            </Button>
            <Button
              variant="bare"
              size="icon"
              aria-label={`Leave ${name} out`}
              onClick={() => onChange(wishes.filter((wish) => wish.id !== id))}
            >
              <X size={16} />
            </Button>
          </Flex>
        ))}
      </Flex>
      <Box>
        <SelectField
          label="Add a piece"
          value=""
          options={[
            { value: '', label: wishes.length === 0 ? 'Choose one' : 'Another one' },
            ...pieces.map(({ id, piece }) => ({
              value: id,
              label: `${piece.name}, ${piece.wearer.name}`,
            })),
          ]}
          onChange={add}
        />
      </Box>
    </>
  );
}
