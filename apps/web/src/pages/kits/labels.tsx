import { Box, Grid, Text } from '@chakra-ui/react';
import type { KitDto } from '@coiled-strand/contract';
import { thingName, type PieceNeeds } from '@coiled-strand/core';
import { ArrowLeft, Printer } from 'lucide-react';
import { useUnits } from '../../settings/use-units';
import { Button } from '../../shell/button';

interface Props {
  readonly kit: KitDto;
  readonly needs: PieceNeeds;
  readonly onBack: () => void;
}

/** A label for each pack, to print and cut. */
export function Labels({ kit, needs, onBack }: Props) {
  const units = useUnits();
  return (
    <>
      <Box className="no-print" display="flex" gap="3" mb="6">
        <Button onClick={onBack}>
          <ArrowLeft size={18} /> Back to the kit
        </Button>
        <Button variant="solid" onClick={() => window.print()}>
          <Printer size={18} /> Print {kit.number} labels
        </Button>
      </Box>
      <Grid
        className="print-grid"
        templateColumns={{ base: '1fr', sm: '1fr 1fr', lg: '1fr 1fr 1fr' }}
        gap="0"
      >
        {Array.from({ length: kit.number }, (_, n) => (
          <Box
            key={n}
            border="1px dashed {colors.line}"
            p="4"
            className="print-keep"
            data-testid="label"
          >
            <Text fontWeight="600" fontSize="lg" lineHeight="1.2">
              {kit.name}
            </Text>
            <Text fontSize="sm" color="muted" mb="1">
              {n + 1} of {kit.number}
            </Text>
            {needs.cuts.map(({ id, cord, length }) => (
              <Text key={id} fontSize="sm" lineHeight="1.35">
                {units.cord(length)} {cord.name}, {cord.colour.name}
              </Text>
            ))}
            {needs.things.map(({ thing, count }) => (
              <Text key={thingName(thing)} fontSize="sm" lineHeight="1.35">
                {count} × {thingName(thing)}
              </Text>
            ))}
          </Box>
        ))}
      </Grid>
    </>
  );
}
