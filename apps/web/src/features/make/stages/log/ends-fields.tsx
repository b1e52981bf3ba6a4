import { Grid, Text } from '@chakra-ui/react';
import type { EndsDto, MakeLogDto } from '@coiled-strand/contract';
import { shortestEnd, type EndsWere, type Plan } from '@coiled-strand/core';
import { Controller, type Control } from 'react-hook-form';
import { Choices } from '../../../../ui/fields/choices';
import { LengthField } from '../../../../ui/fields/length-field';
import { useUnits } from '../../../../ui/settings/use-units';

const WERE: readonly { value: EndsWere; label: string }[] = [
  { value: 'plenty', label: 'Longer than needed' },
  { value: 'enough', label: 'Just enough' },
  { value: 'short', label: 'Too short' },
];

interface Props {
  readonly plan: Plan;
  readonly control: Control<MakeLogDto>;
}

/** How short an end was and how it was to tie with: what the next ones are cut by. */
export function EndsFields({ plan, control }: Props) {
  const units = useUnits();
  const planned = shortestEnd(plan);
  if (planned === null) return null;
  return (
    <Controller
      control={control}
      name="ends"
      render={({ field, fieldState }) => {
        // Half of it while the other half is still to be said: it is asked for when the log is sent.
        const ends = field.value as Partial<EndsDto> | undefined;
        const said = (more: Partial<EndsDto>): void => field.onChange({ ...ends, ...more });
        return (
          <Grid templateColumns={{ base: '1fr', md: '277px 1fr' }} gap="4" maxW="860px">
            <LengthField
              label="Shortest end tied with, as trimmed (optional)"
              value={ends?.shortest ?? null}
              unit={units.unit}
              placeholder={`planned ${units.size(planned.mm)}`}
              onChange={(shortest) => said({ shortest })}
              onClear={() => field.onChange(undefined)}
            />
            {ends?.shortest !== undefined && (
              <Choices<EndsWere>
                label="For your fingers it was"
                value={ends.was ?? ('' as EndsWere)}
                minWidth="170px"
                choices={WERE}
                onChange={(was) => said({ was })}
              />
            )}
            {fieldState.error && (
              <Text color="danger" role="alert">
                Was that end long enough to tie with?
              </Text>
            )}
          </Grid>
        );
      }}
    />
  );
}
