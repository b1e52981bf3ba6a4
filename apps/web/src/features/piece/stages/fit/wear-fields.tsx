import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import type { Piece, Wear, WearSite } from '@coiled-strand/core';
import { memo } from 'react';
import { Choices } from '../../../../ui/fields/choices';
import { CountField } from '../../../../ui/fields/count-field';
import { LengthField } from '../../../../ui/fields/length-field';
import { usePiece, usePiecePart } from '../../piece/piece-store';
import { useUnits } from '../../../../ui/settings/use-units';

const SITES: readonly { value: WearSite; label: string }[] = [
  { value: 'wrist', label: 'Wrist' },
  { value: 'ankle', label: 'Ankle' },
  { value: 'neck', label: 'Neck' },
];

/** Where it is worn, how often it goes round, and a length wanted instead of girth and room. */
export const WearFields = memo(function WearFields() {
  const wear = usePiecePart((piece) => piece.wear);
  const units = useUnits();
  const set = (more: Partial<Wear>): void =>
    usePiece.getState().edit((old): Piece => ({ ...old, wear: { ...old.wear, ...more } }));
  return (
    <Box>
      <Heading as="h2" fontSize="lg" mb="3">
        Where it is worn
      </Heading>
      <Flex direction="column" gap="4">
        <Choices
          label="Round the"
          value={wear.site}
          minWidth="90px"
          choices={SITES}
          onChange={(site) => set({ site })}
        />
        <Grid templateColumns="1fr 1fr" gap="4">
          <CountField
            label="Times round"
            value={wear.turns}
            min={1}
            max={6}
            onChange={(turns) => set({ turns })}
          />
          <LengthField
            label="Length wanted instead"
            value={wear.length}
            unit={units.unit}
            placeholder="by girth and room"
            onChange={(mm) => set({ length: Math.min(3000, Math.max(20, mm)) })}
            onClear={() => set({ length: null })}
          />
        </Grid>
      </Flex>
    </Box>
  );
});
