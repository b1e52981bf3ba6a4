import { Grid } from '@chakra-ui/react';
import type { MakeLogDto } from '@coiled-strand/contract';
import { numberFrom } from '../../../../ui/fields/number-from';
import { TextRow } from '../../../../ui/fields/text-row';
import type { FieldErrors, UseFormRegister } from 'react-hook-form';

const STAGES = [
  { key: 'prepare', label: 'Minutes measuring and cutting' },
  { key: 'tie', label: 'Minutes tying' },
  { key: 'finish', label: 'Minutes finishing' },
] as const;

/** An empty field stays empty instead of becoming nought. */
const minutesFrom = (text: string): number | null => numberFrom(text) ?? null;

interface Props {
  readonly register: UseFormRegister<MakeLogDto>;
  readonly errors: FieldErrors<MakeLogDto>;
}

/** The time that each stage took. */
export function MinuteFields({ register, errors }: Props) {
  return (
    <Grid templateColumns={{ base: '1fr', sm: 'repeat(3, 1fr)' }} gap="4" maxW="860px">
      {STAGES.map(({ key, label }) => (
        <TextRow
          key={key}
          label={label}
          inputMode="numeric"
          error={errors.stages?.[key] && 'How many minutes? 0 if none.'}
          {...register(`stages.${key}`, { setValueAs: minutesFrom })}
        />
      ))}
    </Grid>
  );
}
