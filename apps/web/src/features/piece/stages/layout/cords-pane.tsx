import { STRAND_WAYS, strandWay, type Part, type Piece, type Strand } from '@coiled-strand/core';
import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Plus, Trash2 } from 'lucide-react';
import { memo } from 'react';
import { SelectField } from '../../../../ui/fields/select-field';
import { usePiece, usePiecePart } from '../../piece/piece-store';
import { Button } from '../../../../ui/shell/button';
import { ToolButton } from '../../../../ui/shell/tool-button';
import { CordPicker } from '../../../workshop/stash/cord-picker';

const edit = (change: (strands: readonly Strand[]) => readonly Strand[]): void =>
  usePiece.getState().edit((piece): Piece => {
    const strands = change(piece.strands);
    return { ...piece, strands, parts: rolesFor(piece, strands) };
  });
const put = (index: number, more: Partial<Strand>): void =>
  edit((strands) => strands.map((s, i) => (i === index ? { ...s, ...more } : s)));

/** What cords do in single parts is told by their numbers: it holds while those stay the same. */
function rolesFor(piece: Piece, strands: readonly Strand[]): readonly Part[] {
  const same = piece.strands.every(({ legs }, i) => legs.join() === strands[i]?.legs.join());
  return same ? piece.parts : piece.parts.map((part) => ({ ...part, roles: undefined }));
}

const MAX_STRANDS = 60;

/** Every strand with its cord, its colour and how it runs. */
export const CordsPane = memo(function CordsPane() {
  const strands = usePiecePart((piece) => piece.strands);
  return (
    <Box>
      <Flex as="ol" listStyleType="none" direction="column" gap="5" m="0" p="0">
        {strands.map((strand, index) => (
          <StrandFields
            key={index}
            strand={strand}
            index={index}
            onRemove={
              strands.length > 1
                ? () => edit((all) => all.filter((_, i) => i !== index))
                : undefined
            }
          />
        ))}
      </Flex>
      <Button
        mt="5"
        disabled={strands.length >= MAX_STRANDS}
        onClick={() =>
          edit((all) => [...all, { cord: all.at(-1)!.cord, legs: ['core'], laidIn: false }])
        }
      >
        <Plus size={18} /> Add a cord
      </Button>
      <Text color="muted" fontSize="sm" mt="4" maxW="60ch">
        A folded cord has its fold at the start. Where one half works harder than the other the fold
        is moved off the middle, and the cut list says where.
      </Text>
    </Box>
  );
});

interface StrandProps {
  readonly strand: Strand;
  readonly index: number;
  readonly onRemove: (() => void) | undefined;
}

const OTHER = 'other';

function StrandFields({ strand, index, onRemove }: StrandProps) {
  const way = strandWay(strand);
  return (
    <Grid
      as="li"
      templateColumns={{ base: '1fr 44px', md: '3fr 2fr 44px' }}
      gap="3"
      alignItems="start"
    >
      <Box gridColumn={{ base: '1 / -1', md: 'auto' }}>
        <CordPicker
          role="Cord"
          number={index + 1}
          cord={strand.cord}
          onChange={(cord) => put(index, { cord })}
        />
      </Box>
      <SelectField
        label="How it runs"
        value={way?.id ?? OTHER}
        options={[
          ...(way ? [] : [{ value: OTHER, label: strand.legs.join(' and ') }]),
          ...STRAND_WAYS.map(({ id, label }) => ({ value: id, label })),
        ]}
        onChange={(id) => {
          const next = STRAND_WAYS.find((w) => w.id === id);
          if (next) put(index, { legs: next.legs, laidIn: next.laidIn });
        }}
      />
      <Box pt="6">
        {onRemove && (
          <ToolButton label={`Remove cord ${index + 1}`} onClick={onRemove}>
            <Trash2 size={17} />
          </ToolButton>
        )}
      </Box>
    </Grid>
  );
}
