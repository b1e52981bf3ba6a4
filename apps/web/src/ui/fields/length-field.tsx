import { Field, Flex, Input } from '@chakra-ui/react';
import { Button } from '../shell/button';
import {
  formatLength,
  isImperial,
  parseLength,
  type LengthError,
  type LengthUnit,
} from '@coiled-strand/core';
import { useState, type KeyboardEvent } from 'react';

interface Props {
  readonly label: string;
  /** In mm; null shows an empty field. */
  readonly value: number | null;
  /** Unit it is shown in, and that a bare number is read in. */
  readonly unit: LengthUnit;
  readonly onChange: (mm: number) => void;
  readonly hint?: string;
  readonly placeholder?: string;
  readonly decimals?: number;
  /** Arrow keys change the value by this many mm. */
  readonly nudge?: number;
  readonly error?: string | undefined;
  readonly onClear?: () => void;
}

/** A length as people say it: any unit, fractions, feet and inches. Asks when it can be read two ways. */
export function LengthField({
  label,
  value,
  unit,
  onChange,
  hint,
  placeholder,
  decimals,
  nudge = isImperial(unit) ? 25.4 / 16 : 1,
  error,
  onClear,
}: Props) {
  const shown =
    value === null ? '' : formatLength(value, unit, decimals === undefined ? {} : { decimals });
  /** What is being typed or cannot be read yet; null shows the value. */
  const [draft, setDraft] = useState<string | null>(null);
  const [fault, setFault] = useState<LengthError | null>(null);
  const text = draft ?? shown;

  const settle = (): void => {
    setDraft(null);
    setFault(null);
  };
  const commit = (raw: string): void => {
    if (raw === shown || (raw.trim() === '' && (onClear ?? value === null))) {
      settle();
      if (raw.trim() === '') onClear?.();
      return;
    }
    const parsed = parseLength(raw, unit);
    if (parsed.ok) {
      settle();
      onChange(parsed.mm);
    } else {
      setDraft(raw);
      setFault(parsed.error);
    }
  };
  const press = (event: KeyboardEvent): void => {
    if (event.key === 'Enter') {
      event.preventDefault();
      commit(text);
    } else if (event.key === 'Escape') {
      settle();
    } else if ((event.key === 'ArrowUp' || event.key === 'ArrowDown') && value !== null) {
      event.preventDefault();
      settle();
      const sign = event.key === 'ArrowUp' ? 1 : -1;
      onChange(Math.max(0, Math.round(value / nudge + sign * (event.shiftKey ? 10 : 1)) * nudge));
    }
  };
  const message = fault?.message ?? error;
  return (
    <Field.Root invalid={message !== undefined}>
      <Field.Label>{label}</Field.Label>
      <Input
        data-takes="mm"
        value={text}
        placeholder={placeholder}
        inputMode="text"
        autoComplete="off"
        onChange={(event) => setDraft(event.target.value)}
        onBlur={() => commit(text)}
        onKeyDown={press}
      />
      {message !== undefined && <Field.ErrorText>{message}</Field.ErrorText>}
      {fault && fault.suggestions.length > 0 && (
        <Flex gap="3" flexWrap="wrap" role="group" aria-label="Did you mean">
          {fault.suggestions.map((suggestion) => (
            <Button
              key={suggestion}
              variant="text"
              // Before the blur that would judge the old text once more.
              onPointerDown={(event) => event.preventDefault()}
              onClick={() => commit(suggestion)}
            >
              {suggestion}
            </Button>
          ))}
        </Flex>
      )}
      {hint && message === undefined && <Field.HelperText>{hint}</Field.HelperText>}
    </Field.Root>
  );
}
