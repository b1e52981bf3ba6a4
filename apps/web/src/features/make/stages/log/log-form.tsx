import { Box, Field, Flex, Grid, Heading, Text, Textarea } from '@chakra-ui/react';
import type { MakeView, Worn } from '@coiled-strand/contract';
import { sayCount, type Plan } from '@coiled-strand/core';
import type { FormEvent } from 'react';
import { Controller } from 'react-hook-form';
import { Choices } from '../../../../ui/fields/choices';
import { TextRow } from '../../../../ui/fields/text-row';
import { Button } from '../../../../ui/shell/button';
import { CordRows } from './cord-rows';
import { EndsFields } from './ends-fields';
import { MinuteFields } from './minute-fields';
import { Photos } from './photos';
import { SizeFields } from './size-fields';
import { useLog } from './use-log';

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

/** Everything that is measured when a piece is finished; also to correct what was logged. */
export function LogForm({ make, plan, open, onDone }: Props) {
  const { form, submit, discard, saving, waiting, fault } = useLog(make, plan, onDone);
  const { control, register, formState } = form;
  const send = (event: FormEvent): void => {
    event.preventDefault();
    void submit();
  };
  return (
    <Box as="form" onSubmit={send}>
      <Heading as="h2" fontSize="xl" mb="1">
        {make.loggedAt ? `Correct the log of make ${make.number}` : 'Log this make'}
      </Heading>
      <Text color="muted" mb="5">
        {open > 0
          ? `Not ticked off yet: ${sayCount(open, 'step')}. You can log it all the same.`
          : 'Measure what was trimmed away together with what is left of each cord.'}
      </Text>
      <Flex direction="column" gap="5">
        <CordRows strands={plan.strands} control={control} />
        <SizeFields plan={plan} control={control} />
        <EndsFields plan={plan} control={control} />
        <MinuteFields register={register} errors={formState.errors} />
        <Box maxW="760px">
          <Controller
            control={control}
            name="worn"
            render={({ field }) => (
              <Choices<Worn>
                label="How it sits on the wearer (optional)"
                value={field.value ?? ('' as Worn)}
                minWidth="96px"
                choices={WORN_CHOICES}
                onChange={field.onChange}
              />
            )}
          />
        </Box>
        <Grid templateColumns={{ base: '1fr', sm: '1fr 2fr' }} gap="4" maxW="860px">
          <TextRow label="Who has it" maxLength={120} {...register('owner')} />
          <Field.Root>
            <Field.Label>Note: what you would do differently</Field.Label>
            <Textarea {...register('note')} rows={2} />
          </Field.Root>
        </Grid>
        <Photos make={make} editable />
        <Flex gap="4" align="center" flexWrap="wrap">
          <Button variant="solid" size="large" type="submit" disabled={saving}>
            {make.loggedAt ? 'Save' : 'Log it'}
          </Button>
          {onDone && (
            <Button
              size="large"
              onClick={() => {
                void discard();
                onDone();
              }}
            >
              Cancel
            </Button>
          )}
          {fault && (
            <Text color="danger" role="alert">
              {fault}
            </Text>
          )}
          {waiting && (
            <Text role="status" maxW="52ch">
              Logged on this device. It goes into the book of makes by itself as soon as the server
              answers; until then you can still change it.
            </Text>
          )}
        </Flex>
      </Flex>
    </Box>
  );
}
