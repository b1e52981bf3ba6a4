import { Field, Input } from '@chakra-ui/react';
import { useState } from 'react';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly required?: boolean;
  readonly maxLength?: number;
}

/** A line of text that is committed as a whole: one step of undo, not one a letter. */
export function TextField({ label, value, onChange, required, maxLength = 80 }: Props) {
  /** What is being typed; null shows the value. */
  const [draft, setDraft] = useState<string | null>(null);
  const text = draft ?? value;
  const empty = required && text.trim() === '';
  const commit = (): void => {
    const clean = text.trim();
    setDraft(null);
    if (clean !== value && !(required && clean === '')) onChange(clean);
  };
  return (
    <Field.Root invalid={empty ?? false}>
      <Field.Label>{label}</Field.Label>
      <Input
        value={text}
        maxLength={maxLength}
        autoComplete="off"
        onChange={(event) => setDraft(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') setDraft(null);
        }}
      />
      {empty && <Field.ErrorText>This needs a name.</Field.ErrorText>}
    </Field.Root>
  );
}
