import { Grid, Heading, Text } from '@chakra-ui/react';
import type { LotView } from '@coiled-strand/contract';
import { USEFUL } from '@coiled-strand/workshop';
import { useChangeLot } from '../../../../data/api/week-queries';
import { LengthField } from '../../../../ui/fields/length-field';
import { TextField } from '../../../../ui/fields/text-field';
import { useUnits } from '../../../../ui/settings/use-units';
import { aboutOf } from './about-of';

/** What is known of a lot besides how much is left. */
export function AboutLot({ lot }: { readonly lot: LotView }) {
  const units = useUnits();
  const change = useChangeLot(lot.id);
  const about = aboutOf(lot);
  return (
    <>
      <Heading as="h2" fontSize="lg" mb="3">
        About it
      </Heading>
      <Grid templateColumns="1fr 1fr" gap="3">
        <TextField
          label="Where it lies"
          value={lot.place}
          maxLength={120}
          onChange={(place) => change.mutate({ ...about, place })}
        />
        {lot.thing.kind === 'cord' && (
          <>
            <TextField
              label="Dye lot"
              value={lot.dyeLot ?? ''}
              maxLength={60}
              onChange={(dyeLot) => change.mutate({ ...about, dyeLot })}
            />
            <LengthField
              label="Rests are kept from"
              value={lot.useful ?? USEFUL}
              unit={units.unit}
              onChange={(useful) => change.mutate({ ...about, useful })}
              hint="Shorter ones are waste."
            />
          </>
        )}
      </Grid>
      {change.error && (
        <Text color="danger" role="alert" mt="2">
          {change.error.message}
        </Text>
      )}
    </>
  );
}
