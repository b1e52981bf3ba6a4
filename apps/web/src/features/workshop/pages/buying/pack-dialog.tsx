import { Grid } from '@chakra-ui/react';
import { thingName, type Thing } from '@coiled-strand/workshop';
import { useState } from 'react';
import { useAddPack } from '../../../../data/api/week-queries';
import { MoneyField } from '../../../../ui/fields/money-field';
import { TextRow } from '../../../../ui/fields/text-row';
import { useCurrency } from '../../../../ui/settings/use-currency';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { AmountField } from '../../stock/amount-field';

interface Props {
  readonly thing: Thing;
  readonly onClose: () => void;
}

/** How a thing is sold where this maker buys. */
export function PackDialog({ thing, onClose }: Props) {
  const currency = useCurrency();
  const add = useAddPack();
  const [label, setLabel] = useState('');
  const [size, setSize] = useState<number | null>(null);
  const [cents, setCents] = useState<number | null>(null);
  const ready = label.trim() !== '' && size !== null && size > 0 && cents !== null;
  const save = async (): Promise<void> => {
    if (!ready) return;
    await add.mutateAsync({ thing, label: label.trim(), size, cents });
    onClose();
  };
  return (
    <AskDialog
      onClose={onClose}
      title={`How is it sold? ${thingName(thing)}`}
      action="Keep it"
      doing={[add]}
      ready={ready}
      onDo={save}
    >
      <Grid templateColumns="1fr 1fr" gap="4">
        <TextRow
          label="As the shop says it"
          wide
          value={label}
          maxLength={80}
          placeholder={thing.kind === 'cord' ? 'spool of 25 m, by the metre' : 'pack of 22'}
          onChange={(event) => setLabel(event.target.value)}
        />
        <AmountField
          label={thing.kind === 'cord' ? 'Length of one' : 'Pieces in one'}
          kind={thing.kind}
          value={size}
          onChange={setSize}
        />
        <MoneyField
          label="Price of one"
          value={cents}
          currency={currency}
          onChange={setCents}
          mayBeEmpty
        />
      </Grid>
    </AskDialog>
  );
}
