import { Box, Flex, Grid } from '@chakra-ui/react';
import type { MakeLogDto } from '@coiled-strand/contract';
import type { StrandPlan } from '@coiled-strand/core';
import { Controller, type Control } from 'react-hook-form';
import { LengthField } from '../../../../ui/fields/length-field';
import { StrandBadge } from '../../../piece/piece/strand-badge';
import { useUnits } from '../../../../ui/settings/use-units';

interface Props {
  readonly strands: readonly StrandPlan[];
  readonly control: Control<MakeLogDto>;
}

/** What was cut of every cord, and what was left over. */
export function CordRows({ strands, control }: Props) {
  const units = useUnits();
  return strands.map((strand, index) => (
    <Flex key={strand.number} gap="4" align="flex-start">
      <Box pt="7">
        <StrandBadge number={strand.number} cord={strand.cord} size={34} />
      </Box>
      <Grid templateColumns="1fr 1fr" gap="4" flex="1" maxW="520px">
        <Controller
          control={control}
          name={`cords.${index}.cut`}
          render={({ field, fieldState }) => (
            <LengthField
              label={`Cord ${strand.number}, cut`}
              value={field.value}
              unit={units.cordUnit}
              onChange={field.onChange}
              error={fieldState.error && 'How long was it cut?'}
            />
          )}
        />
        <Controller
          control={control}
          name={`cords.${index}.leftover`}
          render={({ field, fieldState }) => (
            <LengthField
              label={`Cord ${strand.number}, left over`}
              value={field.value}
              unit={units.unit}
              placeholder={`about ${units.size(strand.leftover)}`}
              onChange={field.onChange}
              error={
                fieldState.error &&
                (fieldState.error.type ? 'How much was left over?' : fieldState.error.message)
              }
            />
          )}
        />
      </Grid>
    </Flex>
  ));
}
