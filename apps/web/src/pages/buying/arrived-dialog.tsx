import { Grid, Text } from '@chakra-ui/react';
import type { ShoppingItemView } from '@coiled-strand/contract';
import { thingName } from '@coiled-strand/core';
import { useState } from 'react';
import { useArrived } from '../../api/week-queries';
import { CountField } from '../../fields/count-field';
import { MoneyField } from '../../fields/money-field';
import { TextRow } from '../../fields/text-row';
import { useCurrency } from '../../settings/use-currency';
import { Button } from '../../shell/button';
import { Modal } from '../../shell/modal';
import { toaster } from '../../shell/toaster';
import { FORMS_OF } from '../../stock/words';

interface Props {
  readonly view: ShoppingItemView;
  readonly onClose: () => void;
}

/** What came goes into the stash with its price, in one step. */
export function ArrivedDialog({ view, onClose }: Props) {
  const { item, arrived: before } = view;
  const currency = useCurrency();
  const arrived = useArrived(view.id);
  const [count, setCount] = useState(item.count - before);
  const [cents, setCents] = useState(item.cents);
  const [dyeLot, setDyeLot] = useState('');
  const [place, setPlace] = useState('');
  const save = async (): Promise<void> => {
    const lots = await arrived.mutateAsync({
      form: FORMS_OF[item.thing.kind][0]!,
      ...{ count, cents, place: place.trim(), boughtOn: new Date().toISOString().slice(0, 10) },
      ...(dyeLot.trim() === '' ? {} : { dyeLot: dyeLot.trim() }),
    });
    toaster.create({
      title:
        lots.length === 1 ? 'One lot more in the stash.' : `${lots.length} lots more in the stash.`,
    });
    onClose();
  };
  return (
    <Modal
      open
      onClose={onClose}
      title={`${thingName(item.thing)} arrived`}
      description={item.label}
      footer={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button variant="solid" onClick={() => void save()} disabled={arrived.isPending}>
            Put it into the stash
          </Button>
        </>
      }
    >
      <Grid templateColumns="1fr 1fr" gap="4">
        <CountField label="How many" value={count} min={1} max={100} onChange={setCount} />
        <MoneyField
          label="Price of one"
          value={cents}
          currency={currency}
          onChange={setCents}
          mayBeEmpty
          placeholder="not known"
        />
        {item.thing.kind === 'cord' && (
          <TextRow
            label="Dye lot, as on the label"
            value={dyeLot}
            maxLength={60}
            onChange={(event) => setDyeLot(event.target.value)}
          />
        )}
        <TextRow
          label="Where it lies"
          value={place}
          maxLength={120}
          onChange={(event) => setPlace(event.target.value)}
        />
      </Grid>
      {arrived.error && (
        <Text color="danger" role="alert" mt="3">
          {arrived.error.message}
        </Text>
      )}
    </Modal>
  );
}
