import { Field, Input } from '@chakra-ui/react';
import { useState } from 'react';
import { centsFrom, sayMoney } from './money';

interface Props {
  readonly label: string;
  /** In whole cents; null shows an empty field. */
  readonly value: number | null;
  readonly currency: string;
  readonly onChange: (cents: number | null) => void;
  /** Whether it may be left empty: nobody knows. */
  readonly mayBeEmpty?: boolean;
  readonly placeholder?: string;
}

/** An amount of money, committed as a whole. */
export function MoneyField({ label, value, currency, onChange, mayBeEmpty, placeholder }: Props) {
  const [draft, setDraft] = useState<string | null>(null);
  const [bad, setBad] = useState(false);
  const shown = value === null ? '' : sayMoney(value, '').trim();
  const commit = (): void => {
    if (draft === null) return;
    if (draft.trim() === '' && mayBeEmpty) onChange(null);
    else {
      const cents = centsFrom(draft);
      if (cents === null) {
        setBad(true);
        return;
      }
      onChange(cents);
    }
    setBad(false);
    setDraft(null);
  };
  return (
    <Field.Root invalid={bad}>
      <Field.Label>
        {label} ({currency})
      </Field.Label>
      <Input
        value={draft ?? shown}
        inputMode="decimal"
        autoComplete="off"
        placeholder={placeholder}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            commit();
          }
          if (event.key === 'Escape') {
            setDraft(null);
            setBad(false);
          }
        }}
      />
      {bad && <Field.ErrorText>An amount such as 12.50, please.</Field.ErrorText>}
    </Field.Root>
  );
}
