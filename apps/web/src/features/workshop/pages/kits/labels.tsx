import { Box, Grid, Text } from '@chakra-ui/react';
import type { KitDto } from '@coiled-strand/contract';
import { thingName, type PieceNeeds } from '@coiled-strand/workshop';
import { ArrowLeft } from 'lucide-react';
import { addressOf } from '../../../piece/paper/address';
import { TagsButton } from '../../../piece/paper/tags-button';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';

interface Props {
  readonly kit: KitDto;
  readonly needs: PieceNeeds;
  readonly onBack: () => void;
}

/** A label for each pack, to print and cut; its code opens the piece. */
export function Labels({ kit, needs, onBack }: Props) {
  const units = useUnits();
  const contents = [
    ...needs.cuts.map(
      ({ cord, length }) => `${units.cord(length)} ${cord.name}, ${cord.colour.name}`,
    ),
    ...needs.things.map(({ thing, count }) => `${count} × ${thingName(thing)}`),
  ];
  return (
    <>
      <Box className="no-print" display="flex" gap="3" mb="6">
        <Button onClick={onBack}>
          <ArrowLeft size={18} /> Back to the kit
        </Button>
        <TagsButton
          title={`${kit.name}, labels`}
          label={`Save ${kit.number} labels as PDF`}
          size="large"
          tags={() =>
            Array.from({ length: kit.number }, (_, n) => ({
              title: kit.name,
              lines: [`${n + 1} of ${kit.number}`, ...contents],
              url: addressOf(`/pieces/${kit.pieceId}`),
            }))
          }
        />
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
            {contents.map((line) => (
              <Text key={line} fontSize="sm" lineHeight="1.35">
                {line}
              </Text>
            ))}
          </Box>
        ))}
      </Grid>
    </>
  );
}
