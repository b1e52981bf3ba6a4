import type { Thing } from '@coiled-strand/workshop';
import { MoneyField } from '../../../ui/fields/money-field';
import { TextRow } from '../../../ui/fields/text-row';
import { useCurrency } from '../../../ui/settings/use-currency';

/** What is told of something that was bought. */
export interface Bought {
  /** What one cost; null where nobody knows. */
  readonly cents: number | null;
  readonly dyeLot: string;
  readonly place: string;
}

interface Props {
  readonly kind: Thing['kind'];
  readonly bought: Bought;
  readonly onChange: (bought: Bought) => void;
}

/** Price, dye lot and place of something that was bought. */
export function BoughtFields({ kind, bought, onChange }: Props) {
  const currency = useCurrency();
  const set = (more: Partial<Bought>): void => onChange({ ...bought, ...more });
  return (
    <>
      <MoneyField
        label="Price of one"
        value={bought.cents}
        currency={currency}
        onChange={(cents) => set({ cents })}
        mayBeEmpty
        placeholder="not known"
      />
      {kind === 'cord' && (
        <TextRow
          label="Dye lot, as on the label"
          value={bought.dyeLot}
          maxLength={60}
          onChange={(event) => set({ dyeLot: event.target.value })}
        />
      )}
      <TextRow
        label="Where it lies"
        value={bought.place}
        maxLength={120}
        onChange={(event) => set({ place: event.target.value })}
      />
    </>
  );
}

/** The same as it is sent: what is left empty is not told. */
export const boughtAs = ({ cents, dyeLot, place }: Bought) => ({
  cents,
  place: place.trim(),
  ...(dyeLot.trim() === '' ? {} : { dyeLot: dyeLot.trim() }),
});
