import type { Thing } from '@coiled-strand/workshop';
import { CountField } from '../../../ui/fields/count-field';
import { LengthField } from '../../../ui/fields/length-field';
import { useUnits } from '../../../ui/settings/use-units';

interface Props {
  readonly label: string;
  readonly kind: Thing['kind'];
  /** mm of cord, pieces of anything else; null while nothing is said. */
  readonly value: number | null;
  readonly onChange: (amount: number) => void;
  readonly hint?: string;
}

const MAX_AMOUNT = 1_000_000;

/** So much of a thing: a length of cord, a number of anything else. */
export function AmountField({ label, kind, value, onChange, hint }: Props) {
  const units = useUnits();
  return kind === 'cord' ? (
    <LengthField
      label={label}
      value={value}
      unit={units.cordUnit}
      onChange={onChange}
      {...(hint === undefined ? {} : { hint })}
    />
  ) : (
    <CountField label={label} value={value} min={0} max={MAX_AMOUNT} onChange={onChange} />
  );
}
