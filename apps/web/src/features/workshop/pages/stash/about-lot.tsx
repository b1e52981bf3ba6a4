import { Grid, Heading } from '@chakra-ui/react';
import type { AboutLotDto, LotView } from '@coiled-strand/contract';
import { USEFUL } from '@coiled-strand/workshop';
import { aboutIn, useChangeLot } from '../../../../data/api/week-queries';
import { LengthField } from '../../../../ui/fields/length-field';
import { TextField } from '../../../../ui/fields/text-field';
import { ChangeFault } from '../../../../ui/shell/change-fault';
import { useUnits } from '../../../../ui/settings/use-units';

/** What is known of a lot besides how much is left. */
export function AboutLot({ lot }: { readonly lot: LotView }) {
  const units = useUnits();
  const change = useChangeLot(lot.id);
  const seen = aboutIn(lot);
  const set = (more: Partial<AboutLotDto>): void =>
    change.mutate({ seen, wanted: { ...seen.value, ...more } });
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
          onChange={(place) => set({ place })}
        />
        {lot.thing.kind === 'cord' && (
          <>
            <TextField
              label="Dye lot"
              value={lot.dyeLot ?? ''}
              maxLength={60}
              onChange={(dyeLot) => set({ dyeLot })}
            />
            <LengthField
              label="Rests are kept from"
              value={lot.useful ?? USEFUL}
              unit={units.unit}
              onChange={(useful) => set({ useful })}
              hint="Shorter ones are waste."
            />
          </>
        )}
      </Grid>
      <ChangeFault change={change} read={aboutIn} />
    </>
  );
}
