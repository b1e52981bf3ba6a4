import { Field, Input } from '@chakra-ui/react';
import { useState } from 'react';
import { numberFrom } from '../../../ui/fields/number-from';

interface Props {
  readonly label: string;
  /** In g; null shows an empty field. */
  readonly value: number | null;
  readonly onChange: (grams: number) => void;
  readonly placeholder?: string;
}

const MAX_GRAMS = 100_000;

/** A weight in grams: what follows from it is seen while it is typed. */
export function GramsField({ label, value, onChange, placeholder }: Props) {
  const [draft, setDraft] = useState<string | null>(null);
  const read = draft === null ? value : (numberFrom(draft) ?? null);
  const bad =
    draft !== null && draft.trim() !== '' && !(read !== null && read >= 0 && read <= MAX_GRAMS);
  const commit = (): void => {
    if (draft === null || bad) return;
    setDraft(null);
    if (read !== null && draft.trim() !== '') onChange(read);
  };
  return (
    <Field.Root invalid={bad}>
      <Field.Label>{label} (g)</Field.Label>
      <Input
        data-takes="g"
        value={draft ?? (value === null ? '' : String(value))}
        inputMode="decimal"
        autoComplete="off"
        placeholder={placeholder}
        onChange={(event) => {
          setDraft(event.target.value);
          const typed = numberFrom(event.target.value);
          if (typed !== undefined && typed >= 0 && typed <= MAX_GRAMS) onChange(typed);
        }}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            commit();
          }
          if (event.key === 'Escape') setDraft(null);
        }}
      />
      {bad && <Field.ErrorText>A weight in grams, please, such as 31.2.</Field.ErrorText>}
    </Field.Root>
  );
}
