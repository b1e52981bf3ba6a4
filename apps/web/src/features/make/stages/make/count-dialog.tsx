import { Flex, Input, Text } from '@chakra-ui/react';
import { pluralOf, type Step } from '@coiled-strand/core';
import { useState, type FormEvent } from 'react';
import { Button } from '../../../../ui/shell/button';
import { Modal } from '../../../../ui/shell/modal';

interface Props {
  readonly step: Step;
  /** Units of the step already done. */
  readonly unit: number;
  readonly open: boolean;
  readonly onClose: () => void;
  /** Sets how many units of the step are done, to all of them. */
  readonly onCount: (unit: number) => void;
}

/** Several units at once: how many are done by now, typed or stepped with large keys. */
export function CountDialog({ step, unit, open, onClose, onCount }: Props) {
  const from = step.from ?? 0;
  const name = pluralOf(step.unitName ?? 'time');
  const [text, setText] = useState<string | null>(null);
  const value = text ?? String(unit + from);
  const number = /^\d+$/.test(value.trim()) ? Number(value) : null;
  const fault =
    number === null
      ? 'A whole number, please.'
      : number < from || number > from + step.units
        ? `Between ${from} and ${from + step.units}.`
        : null;
  const close = (): void => {
    setText(null);
    onClose();
  };
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (number === null || fault) return;
    onCount(number - from);
    close();
  };
  const change = (by: number): void =>
    setText(String(Math.min(from + step.units, Math.max(from, (number ?? 0) + by))));
  return (
    <Modal
      open={open}
      onClose={close}
      title={`How many ${name} are done?`}
      description={`Of ${from + step.units} in all. Count those on the table.`}
    >
      <form onSubmit={submit}>
        <Flex gap="3" align="center">
          <Button size="large" aria-label="Five fewer" onClick={() => change(-5)}>
            −5
          </Button>
          <Input
            aria-label={`${name} done`}
            value={value}
            inputMode="numeric"
            autoFocus
            textAlign="center"
            fontSize="2xl"
            h="64px"
            onFocus={(event) => event.target.select()}
            onChange={(event) => setText(event.target.value)}
          />
          <Button size="large" aria-label="Five more" onClick={() => change(5)}>
            +5
          </Button>
        </Flex>
        <Text color="danger" minH="1.6em" mt="2" role={fault ? 'alert' : undefined}>
          {fault}
        </Text>
        <Flex justify="flex-end" gap="3" mt="2">
          <Button size="large" onClick={close}>
            Cancel
          </Button>
          <Button variant="solid" size="large" type="submit" disabled={fault !== null}>
            Set the count
          </Button>
        </Flex>
      </form>
    </Modal>
  );
}
