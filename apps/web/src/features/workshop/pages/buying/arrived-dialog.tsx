import { Grid } from '@chakra-ui/react';
import type { ShoppingItemView } from '@coiled-strand/contract';
import { thingName } from '@coiled-strand/workshop';
import { useState } from 'react';
import { useArrived } from '../../../../data/api/week-queries';
import { CountField } from '../../../../ui/fields/count-field';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { toaster } from '../../../../ui/shell/toaster';
import { boughtAs, BoughtFields, type Bought } from '../../stock/bought-fields';
import { FORMS_OF } from '../../stock/words';

interface Props {
  readonly view: ShoppingItemView;
  readonly onClose: () => void;
}

/** What came goes into the stash with its price, in one step. */
export function ArrivedDialog({ view, onClose }: Props) {
  const { item, arrived: before } = view;
  const arrived = useArrived(view.id);
  const [count, setCount] = useState(item.count - before);
  const [bought, setBought] = useState<Bought>({ cents: item.cents, dyeLot: '', place: '' });
  const save = async (): Promise<void> => {
    const lots = await arrived.mutateAsync({
      form: FORMS_OF[item.thing.kind][0]!,
      ...{ count, boughtOn: new Date().toISOString().slice(0, 10) },
      ...boughtAs(bought),
    });
    toaster.create({
      title:
        lots.length === 1 ? 'One lot more in the stash.' : `${lots.length} lots more in the stash.`,
    });
    onClose();
  };
  return (
    <AskDialog
      onClose={onClose}
      title={`${thingName(item.thing)} arrived`}
      description={item.label}
      action="Put it into the stash"
      doing={[arrived]}
      onDo={save}
    >
      <Grid templateColumns="1fr 1fr" gap="4">
        <CountField label="How many" value={count} min={1} max={100} onChange={setCount} />
        <BoughtFields kind={item.thing.kind} bought={bought} onChange={setBought} />
      </Grid>
    </AskDialog>
  );
}
