import { Box, Text } from '@chakra-ui/react';
import type { FromLotDto, KitView, LotView } from '@coiled-strand/contract';
import { thingKey, thingName, type PieceNeeds } from '@coiled-strand/workshop';
import { useState } from 'react';
import { usePacked } from '../../../../data/api/week-queries';
import { CountField } from '../../../../ui/fields/count-field';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { lotText } from '../../stock/words';

interface Props {
  readonly view: KitView;
  readonly needs: PieceNeeds;
  readonly stock: readonly LotView[];
  readonly onClose: () => void;
}

/** Packs that were filled: what was counted out for them goes out of the stash. */
export function PackDialog({ view, needs, stock, onClose }: Props) {
  const most = view.kit.number - view.packed;
  const [number, setNumber] = useState(most);
  const packed = usePacked(view.id);
  const picked = pick(needs, stock, number);
  const save = async (): Promise<void> => {
    await packed.mutateAsync({ number, from: picked.from });
    onClose();
  };
  return (
    <AskDialog
      onClose={onClose}
      title="Packs are filled"
      description="Beads and findings go out of the stash; the cord went when it was cut."
      action="Take them out"
      doing={[packed]}
      ready={picked.short.length === 0}
      onDo={save}
    >
      <CountField label="How many" value={number} min={1} max={most} onChange={setNumber} />
      <Box mt="4">
        <Text fontWeight="600">To pick</Text>
        {picked.from.map(({ lot, amount }) => {
          const from = stock.find(({ id }) => id === lot)!;
          return (
            <Text key={lot}>
              {amount} × {thingName(from.thing)} ({lotText(from).toLowerCase()})
            </Text>
          );
        })}
        {picked.from.length === 0 && <Text color="muted">Nothing but the cord.</Text>}
      </Box>
      {picked.short.map((name) => (
        <Text key={name} color="danger">
          Not enough of {name} in the stash. Fill fewer packs, or buy some first.
        </Text>
      ))}
    </AskDialog>
  );
}

/** What comes from which lot, the smallest first, and what there is too little of. */
function pick(
  { things }: PieceNeeds,
  stock: readonly LotView[],
  number: number,
): { readonly from: FromLotDto[]; readonly short: string[] } {
  const from: FromLotDto[] = [];
  const short: string[] = [];
  for (const { thing, count } of things) {
    let left = count * number;
    for (const lot of stock.filter(({ key }) => key === thingKey(thing))) {
      const amount = Math.min(left, lot.left);
      if (amount > 0) from.push({ lot: lot.id, amount });
      left -= amount;
    }
    if (left > 0) short.push(thingName(thing));
  }
  return { from, short };
}
