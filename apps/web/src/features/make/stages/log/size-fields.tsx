import { Grid } from '@chakra-ui/react';
import type { MakeLogDto } from '@coiled-strand/contract';
import { partKind, pluralOf, type Plan } from '@coiled-strand/core';
import { Controller, type Control } from 'react-hook-form';
import { CountField } from '../../../../ui/fields/count-field';
import { LengthField } from '../../../../ui/fields/length-field';
import { useUnits } from '../../../../ui/settings/use-units';

/** Units of the parts whose length grows by them: what a hand's pitch is learnt from. */
function tiedUnits(plan: Plan): { readonly count: number; readonly name: string } | null {
  const parts = plan.parts.filter((part) => partKind(part.kind).entry.pitched);
  const [first] = parts;
  if (!first) return null;
  return {
    count: parts.reduce((sum, { layout }) => sum + layout.units, 0),
    name: pluralOf(first.layout.unitName),
  };
}

interface Props {
  readonly plan: Plan;
  readonly control: Control<MakeLogDto>;
}

/** How long the work came out, and in how many units. */
export function SizeFields({ plan, control }: Props) {
  const units = useUnits();
  const tied = tiedUnits(plan);
  return (
    <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="4" maxW="570px">
      <Controller
        control={control}
        name="length"
        render={({ field, fieldState }) => (
          <LengthField
            label="Length of the work, without the closure"
            value={field.value}
            unit={units.unit}
            placeholder={`planned ${units.size(plan.fit.length)}`}
            onChange={field.onChange}
            error={fieldState.error && 'How long did it come out?'}
          />
        )}
      />
      {tied && (
        <Controller
          control={control}
          name="tied"
          render={({ field }) => (
            <CountField
              label={`${tied.name[0]!.toUpperCase()}${tied.name.slice(1)} tied`}
              value={field.value ?? null}
              min={1}
              max={100_000}
              placeholder={`${tied.count}, as planned`}
              onChange={field.onChange}
              onClear={() => field.onChange(undefined)}
            />
          )}
        />
      )}
    </Grid>
  );
}
