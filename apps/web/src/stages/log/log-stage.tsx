import { Box, Field, Flex, Grid, Heading, Input, Text, Textarea } from '@chakra-ui/react';
import { Button } from '../../shell/button';
import { MakeLogDto, type MakeView } from '@coiled-strand/contract';
import { planPiece, type Compared } from '@coiled-strand/core';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { format } from 'date-fns';
import { Controller, useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { ApiError } from '../../api/client';
import { useLogMake, useMakes } from '../../api/queries';
import { LengthField } from '../../fields/length-field';
import { useStage } from '../../piece/piece-route';
import { StrandBadge } from '../../piece/strand-badge';
import type { Make } from '../../piece/use-make';
import { useUnits } from '../../settings/use-units';
import { useProgress } from '../make/progress-store';

/** What came of it: measured, beside what was predicted. */
export function LogStage() {
  const { make, view } = useStage();
  const { data: makes = [] } = useMakes(view.id);
  const logged = makes.filter((m) => m.loggedAt !== null);
  return (
    <Flex direction="column" gap="10" maxW="980px">
      {make ? (
        <LogForm make={make} key={make.view.id} />
      ) : (
        logged.length === 0 && (
          <Flex direction="column" gap="4" align="flex-start">
            <Text>
              Nothing was made of this piece yet. After the first make, what was left over and how
              long it took is written here, and the next cut list can be trusted more.
            </Text>
            <Button asChild>
              <Link to={`/pieces/${view.id}/make`}>To Make</Link>
            </Button>
          </Flex>
        )
      )}
      {logged.map((entry) => (
        <Logged key={entry.id} entry={entry} />
      ))}
    </Flex>
  );
}

function LogForm({ make }: { readonly make: Make }) {
  const { view } = useStage();
  const units = useUnits();
  const save = useLogMake(view.id);
  const forget = useProgress((state) => state.forget);
  const { plan } = make;
  const { control, handleSubmit, register, formState, setError } = useForm<MakeLogDto>({
    resolver: classValidatorResolver(MakeLogDto),
    defaultValues: {
      cords: plan.strands.map((s) => ({ cut: s.cut, leftover: null as unknown as number })),
      length: null as unknown as number,
      minutes: null as unknown as number,
      note: '',
    },
  });
  const { errors } = formState;
  const submit = handleSubmit(async (record) => {
    try {
      await save.mutateAsync({
        id: make.view.id,
        record: { ...record, note: record.note || undefined },
      });
      forget(make.view.id);
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
        Log this make
      </Heading>
      <Text color="muted" mb="5">
        {make.done < make.total
          ? `${make.total - make.done} steps are not ticked off yet; you can log it all the same.`
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
          <Field.Root invalid={errors.minutes !== undefined}>
            <Field.Label>Minutes at the bench</Field.Label>
            <Input inputMode="numeric" {...register('minutes', { setValueAs: minutesFrom })} />
            {errors.minutes && <Field.ErrorText>How many minutes did it take?</Field.ErrorText>}
          </Field.Root>
        </Grid>
        <Field.Root maxW="570px">
          <Field.Label>Note (may be left out)</Field.Label>
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
        <Flex gap="4" align="center">
          <Button variant="solid" size="large" type="submit" disabled={save.isPending}>
            Log it
          </Button>
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

function Logged({ entry }: { readonly entry: MakeView }) {
  const units = useUnits();
  const plan = planPiece(entry.piece);
  const { record, outcome, loggedAt } = entry;
  if (!record || !outcome || !loggedAt || !plan.ok) return null;
  return (
    <Box data-testid="logged">
      <Heading as="h2" fontSize="xl">
        Made {format(new Date(loggedAt), 'd MMMM yyyy')}
      </Heading>
      <Text color="muted" mb="3">
        For {entry.piece.wearer.name}, in {record.minutes} minutes.
        {record.note && ` ${record.note}`}
      </Text>
      <Box as="table" w="full" maxW="760px" style={{ borderCollapse: 'collapse' }}>
        <thead>
          <tr>
            {['', 'Predicted', 'Came out', ''].map((head, i) => (
              <Box
                as="th"
                key={i}
                textAlign={i === 0 || i === 3 ? 'left' : 'right'}
                fontWeight="400"
                fontSize="sm"
                color="muted"
                py="1"
                pr="4"
              >
                {head}
              </Box>
            ))}
          </tr>
        </thead>
        <tbody>
          <ComparedRow row={outcome.length} label="Length of the work" say={units.size} />
          {outcome.cords.map((row, i) => (
            <ComparedRow
              key={row.label}
              row={row}
              label={`${plan.strands[i]?.role ?? row.label} in the piece`}
              say={units.cord}
            />
          ))}
        </tbody>
      </Box>
      {outcome.takeUp !== null && (
        <Text mt="3">
          Your knots took {Math.abs((outcome.takeUp - 1) * 100).toFixed(0)} %{' '}
          {outcome.takeUp >= 1 ? 'more' : 'less'} cord than the model’s.
        </Text>
      )}
    </Box>
  );
}

interface RowProps {
  readonly row: Compared;
  readonly label: string;
  readonly say: (mm: number) => string;
}

/** Predicted and actual as numbers, and the difference as a bar about the middle. */
function ComparedRow({ row, label, say }: RowProps) {
  const percent = row.off * 100;
  const reach = Math.min(50, Math.abs(percent) * 2.5);
  return (
    <Box as="tr" borderTop="1px solid {colors.line}">
      <Box as="th" textAlign="left" fontWeight="500" py="2" pr="4">
        {label}
      </Box>
      <Box as="td" textAlign="right" pr="4" whiteSpace="nowrap">
        {say(row.predicted)}
      </Box>
      <Box as="td" textAlign="right" pr="4" whiteSpace="nowrap" fontWeight="600">
        {say(row.actual)}
      </Box>
      <Box as="td" w="30%" minW="110px">
        <Flex align="center" gap="3">
          <Box
            position="relative"
            flex="1"
            h="8px"
            bg="faint"
            display={{ base: 'none', sm: 'block' }}
          >
            <Box position="absolute" left="50%" top="-3px" h="14px" w="1px" bg="muted" />
            <Box
              position="absolute"
              top="0"
              h="8px"
              bg="ink"
              style={{ width: `${reach}%`, left: percent >= 0 ? '50%' : `${50 - reach}%` }}
            />
          </Box>
          <Text as="span" fontSize="sm" whiteSpace="nowrap" w="48px">
            {percent >= 0 ? '+' : '−'}
            {Math.abs(percent).toFixed(1)} %
          </Text>
        </Flex>
      </Box>
    </Box>
  );
}
