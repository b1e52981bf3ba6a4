import { Field, Input } from '@chakra-ui/react';
import { useState, type KeyboardEvent } from 'react';

interface Props {
  readonly label: string;
  /** null shows an empty field. */
  readonly value: number | null;
  readonly min: number;
  readonly max: number;
  readonly onChange: (count: number) => void;
  /** Given where the field may be left empty. */
  readonly onClear?: (() => void) | undefined;
  readonly placeholder?: string | undefined;
}

/** A whole number, committed as a whole; arrow keys change it by one. */
export function CountField({ label, value, min, max, onChange, onClear, placeholder }: Props) {
  /** What is being typed; null shows the value. */
  const [draft, setDraft] = useState<string | null>(null);
  const text = draft ?? (value === null ? '' : String(value));
  const fault = faultOf(text, min, max, onClear !== undefined);
  const commit = (): void => {
    if (draft === null || fault !== null) return;
    setDraft(null);
    if (draft.trim() === '') onClear?.();
    else if (Number(draft) !== value) onChange(Number(draft));
  };
  const press = (event: KeyboardEvent): void => {
    const step = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (event.key === 'Enter') {
      // It takes the number and does not send the form it stands in.
      event.preventDefault();
      commit();
    } else if (event.key === 'Escape') setDraft(null);
    else if (step !== undefined && value !== null) {
      event.preventDefault();
      setDraft(null);
      onChange(Math.min(max, Math.max(min, value + step * (event.shiftKey ? 10 : 1))));
    }
  };
  return (
    <Field.Root invalid={draft !== null && fault !== null}>
      <Field.Label>{label}</Field.Label>
      <Input
        value={text}
        placeholder={placeholder}
        inputMode="numeric"
        autoComplete="off"
        onChange={(event) => setDraft(event.target.value)}
        onBlur={commit}
        onKeyDown={press}
      />
      {draft !== null && fault !== null && <Field.ErrorText>{fault}</Field.ErrorText>}
    </Field.Root>
  );
}

function faultOf(text: string, min: number, max: number, mayBeEmpty: boolean): string | null {
  const clean = text.trim();
  if (clean === '') return mayBeEmpty ? null : 'How many?';
  if (!/^\d+$/.test(clean)) return 'A whole number, please.';
  const n = Number(clean);
  return n < min || n > max ? `Between ${min} and ${max}.` : null;
}
