import { Box, Field, Flex, Grid, Heading, Input, Text, Textarea } from '@chakra-ui/react';
import { MakeLogDto, sumOfMinutes, type MakeView, type Worn } from '@coiled-strand/contract';
import { partKind, pluralOf, type Plan } from '@coiled-strand/core';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { Controller, useForm } from 'react-hook-form';
import { ApiError } from '../../api/client';
import { useLogMake } from '../../api/queries';
import { Choices } from '../../fields/choices';
import { CountField } from '../../fields/count-field';
import { LengthField } from '../../fields/length-field';
import { StrandBadge } from '../../piece/strand-badge';
import { useUnits } from '../../settings/use-units';
import { Button } from '../../shell/button';
import { useMeasures } from '../../make/measure-store';
import { useProgress } from '../../make/progress-store';
import { minutesOf } from './minutes';
import { Photos } from './photos';

interface Props {
  readonly make: MakeView;
  readonly plan: Plan;
  /** Actions that are not ticked off yet. */
  readonly open: number;
  readonly onDone?: () => void;
}

const WORN_CHOICES: readonly { value: Worn; label: string }[] = [
  { value: 'too-tight', label: 'Too tight' },
  { value: 'snug', label: 'Snug' },
  { value: 'right', label: 'Right' },
  { value: 'loose', label: 'Loose' },
  { value: 'too-loose', label: 'Too loose' },
];

const STAGES = [
  { key: 'prepare', label: 'Minutes measuring and cutting' },
  { key: 'tie', label: 'Minutes tying' },
  { key: 'finish', label: 'Minutes finishing' },
] as const;

/** What a new log begins with: cut as planned, time as it was counted, the rest to be measured. */
function startOf({ record, seconds, piece }: MakeView, plan: Plan): MakeLogDto {
  if (record) {
    return {
      cords: record.cords.map((cord) => ({ ...cord })),
      length: record.length,
      minutes: record.minutes,
      stages: record.stages ?? { prepare: 0, tie: record.minutes, finish: 0 },
      ...(record.tied === undefined ? {} : { tied: record.tied }),
      ...(record.worn === undefined ? {} : { worn: record.worn }),
      owner: record.owner ?? '',
      note: record.note ?? '',
    };
  }
  return {
    cords: plan.strands.map((s) => ({ cut: s.cut, leftover: null as unknown as number })),
    length: null as unknown as number,
    minutes: 0,
    stages: minutesOf(seconds),
    owner: piece.wearer.name,
    note: '',
  };
}

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

/** Everything that is measured when a piece is finished; also to mend what was logged. */
export function LogForm({ make, plan, open, onDone }: Props) {
  const units = useUnits();
  const save = useLogMake(make.pieceId);
  const forget = useProgress((state) => state.forget);
  const { control, handleSubmit, register, formState, setError } = useForm<MakeLogDto>({
    resolver: classValidatorResolver(MakeLogDto),
    defaultValues: startOf(make, plan),
  });
  const { errors } = formState;
  const tied = tiedUnits(plan);
  const submit = handleSubmit(async (record) => {
    try {
      await save.mutateAsync({
        id: make.id,
        record: {
          ...record,
          minutes: record.stages ? sumOfMinutes(record.stages) : record.minutes,
          note: record.note || undefined,
          owner: record.owner || undefined,
        },
      });
      forget(make.id);
      useMeasures.getState().take(make.id, null);
      onDone?.();
    } catch (error) {
      if (!(error instanceof ApiError)) return;
      for (const { path, message } of error.body.faults ?? []) {
        const name = path.replace(/\[(\d+)\]/g, '.$1') as 'length';
        setError(name, { message });
      }
    }
  });
  return (
    <Box as="form" onSubmit={(event: React.FormEvent) => void (event.preventDefault(), submit())}>
      <Heading as="h2" fontSize="xl" mb="1">
        {make.loggedAt ? `Mend the log of make ${make.number}` : 'Log this make'}
      </Heading>
      <Text color="muted" mb="5">
        {open > 0
          ? `${open} steps are not ticked off yet; you can log it all the same.`
          : 'Measure what was trimmed away together with what is left of each cord.'}
      </Text>
      <Flex direction="column" gap="5">
        {plan.strands.map((strand, index) => (
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
        ))}
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
        <Grid templateColumns={{ base: '1fr', sm: 'repeat(3, 1fr)' }} gap="4" maxW="860px">
          {STAGES.map(({ key, label }) => (
            <Field.Root key={key} invalid={errors.stages?.[key] !== undefined}>
              <Field.Label>{label}</Field.Label>
              <Input
                inputMode="numeric"
                {...register(`stages.${key}`, { setValueAs: minutesFrom })}
              />
              {errors.stages?.[key] && (
                <Field.ErrorText>How many minutes? Nought if none.</Field.ErrorText>
              )}
            </Field.Root>
          ))}
        </Grid>
        <Box maxW="760px">
          <Controller
            control={control}
            name="worn"
            render={({ field }) => (
              <Choices<Worn>
                label="How it sits on the wearer (may be left out)"
                value={field.value ?? ('' as Worn)}
                minWidth="96px"
                choices={WORN_CHOICES}
                onChange={field.onChange}
              />
            )}
          />
        </Box>
        <Grid templateColumns={{ base: '1fr', sm: '1fr 2fr' }} gap="4" maxW="860px">
          <Field.Root>
            <Field.Label>Who has it</Field.Label>
            <Input {...register('owner')} maxLength={120} autoComplete="off" />
          </Field.Root>
          <Field.Root>
            <Field.Label>Note: what you would do differently</Field.Label>
            <Textarea
              {...register('note')}
              rows={2}
              bg="raised"
              border="1px solid {colors.line}"
              borderRadius="soft"
              px="3"
              py="2"
              w="full"
            />
          </Field.Root>
        </Grid>
        <Photos make={make} editable />
        <Flex gap="4" align="center" flexWrap="wrap">
          <Button variant="solid" size="large" type="submit" disabled={save.isPending}>
            {make.loggedAt ? 'Keep it so' : 'Log it'}
          </Button>
          {onDone && (
            <Button size="large" onClick={onDone}>
              Leave it
            </Button>
          )}
          {save.isError && (
            <Text color="danger" role="alert">
              {save.error.message}
            </Text>
          )}
        </Flex>
      </Flex>
    </Box>
  );
}

/** An empty field stays empty instead of becoming nought. */
const minutesFrom = (text: string | number | null): number | null => {
  const clean = String(text ?? '').trim();
  return clean === '' ? null : Number(clean.replace(',', '.'));
};
