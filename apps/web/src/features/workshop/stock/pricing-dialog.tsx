import { Grid } from '@chakra-ui/react';
import type { Pricing } from '@coiled-strand/workshop';
import { useState } from 'react';
import { useChangePricing } from '../../../data/api/week-queries';
import { CountField } from '../../../ui/fields/count-field';
import { MoneyField } from '../../../ui/fields/money-field';
import { SelectField } from '../../../ui/fields/select-field';
import { useCurrency } from '../../../ui/settings/use-currency';
import { AskDialog } from '../../../ui/shell/ask-dialog';

interface Props {
  readonly pricing: Pricing;
  readonly onClose: () => void;
}

const NICE = [0, 10, 50, 100, 500];

/** How this workshop makes its prices. */
export function PricingDialog({ pricing: before, onClose }: Props) {
  const currency = useCurrency();
  const change = useChangePricing();
  const [pricing, setPricing] = useState(before);
  const set = (more: Partial<Pricing>): void => setPricing({ ...pricing, ...more });
  const save = async (): Promise<void> => {
    await change.mutateAsync(pricing);
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
