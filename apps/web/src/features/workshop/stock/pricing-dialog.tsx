import { Grid } from '@chakra-ui/react';
import type { Pricing } from '@coiled-strand/workshop';
import type { Seen } from '../../../data/api/changes';
import { useChangePricing } from '../../../data/api/week-queries';
import { CountField } from '../../../ui/fields/count-field';
import { MoneyField } from '../../../ui/fields/money-field';
import { SelectField } from '../../../ui/fields/select-field';
import { useCurrency } from '../../../ui/settings/use-currency';
import { sayMoney } from '../../../ui/fields/money';
import { AskDialog } from '../../../ui/shell/ask-dialog';
import { ChangedMeanwhile, type Words } from '../../../ui/shell/changed-meanwhile';
import { useDraft } from '../../../ui/shell/use-draft';

interface Props {
  readonly pricing: Seen<Pricing>;
  readonly onClose: () => void;
}

const NICE = [0, 10, 50, 100, 500];

const percent = (share: number): string => `${Math.round(share * 100)} %`;
const wordsIn = (currency: string): Words<Pricing> => ({
  hour: { label: 'An hour at the bench', say: (cents) => sayMoney(cents, currency) },
  overhead: { label: 'Overhead', say: percent },
  margin: { label: 'Margin', say: percent },
  nice: {
    label: 'Rounded up to',
    say: (cents) => (cents === 0 ? 'the cent' : sayMoney(cents, currency)),
  },
  below: { label: 'Less than that by', say: (cents) => sayMoney(cents, currency) },
});

/** How this workshop makes its prices. */
export function PricingDialog({ pricing: stored, onClose }: Props) {
  const currency = useCurrency();
  const change = useChangePricing();
  const draft = useDraft(stored);
  const { value: pricing, set, seen } = draft;
  const save = async (): Promise<void> => {
    await change.mutateAsync({ seen, wanted: pricing });
    onClose();
  };
  return (
    <AskDialog
      onClose={onClose}
      title="How you price"
      action="Keep it"
      doing={[change]}
      onDo={save}
    >
      <ChangedMeanwhile draft={draft} words={wordsIn(currency)} />
      <Grid templateColumns="1fr 1fr" gap="4">
        <MoneyField
          label="An hour at the bench"
          value={pricing.hour}
          currency={currency}
          onChange={(hour) => set({ hour: hour ?? 0 })}
        />
        <CountField
          label="Overhead, in percent of material and work"
          value={Math.round(pricing.overhead * 100)}
          min={0}
          max={500}
          onChange={(percent) => set({ overhead: percent / 100 })}
        />
        <CountField
          label="Margin, in percent of all that"
          value={Math.round(pricing.margin * 100)}
          min={0}
          max={500}
          onChange={(percent) => set({ margin: percent / 100 })}
        />
        <SelectField
          label="Rounded up to"
          value={String(pricing.nice)}
          options={NICE.map((nice) => ({
            value: String(nice),
            label: nice === 0 ? 'the cent' : `whole ${(nice / 100).toFixed(2)} ${currency}`,
          }))}
          onChange={(nice) => set({ nice: Number(nice) })}
        />
      </Grid>
    </AskDialog>
  );
}
