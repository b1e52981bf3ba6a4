import { Text } from '@chakra-ui/react';
import type { GivenReason, LotView } from '@coiled-strand/contract';
import { useState } from 'react';
import { useMove, useUndoMovement } from '../../../../data/api/week-queries';
import { TextRow } from '../../../../ui/fields/text-row';
import { useUnits } from '../../../../ui/settings/use-units';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { toaster } from '../../../../ui/shell/toaster';
import { AmountField } from '../../stock/amount-field';
import { amountText } from '../../stock/words';

/** Something goes out, or what is there is found anew. */
export type Way = 'used' | 'lost' | 'given-away' | 'found';

const TITLES: Readonly<Record<Way, string>> = {
  used: 'Take some out',
  lost: 'Some of it is lost',
  'given-away': 'Some of it is given away',
  found: 'What is there',
};

interface Props {
  readonly lot: LotView;
  readonly way: Way;
  readonly onClose: () => void;
}

/** Writes a line into the ledger, with the way back. */
export function MoveDialog({ lot, way, onClose }: Props) {
  const units = useUnits();
  const cord = lot.thing.kind === 'cord';
  const move = useMove(lot.id);
  const undo = useUndoMovement();
  const [amount, setAmount] = useState<number | null>(way === 'found' ? lot.left : null);
  const [note, setNote] = useState('');
  const reason: GivenReason = way === 'found' ? (cord ? 'measured' : 'counted') : way;
  const save = async (): Promise<void> => {
    if (amount === null) return;
    const done = await move.mutateAsync({ reason, amount, note: note.trim() });
    toaster.create({
      title: `${amountText(lot.thing, done.lot.left, units)} left.`,
      action: { label: 'Undo', onClick: () => undo.mutate(done.movement) },
    });
    onClose();
  };
  const off = way === 'found' && amount !== null ? amount - lot.left : 0;
  return (
    <AskDialog
      onClose={onClose}
      title={TITLES[way]}
      action="Write it down"
      doing={[move]}
      ready={amount !== null}
      onDo={save}
    >
      <AmountField
        label={cord ? 'Length' : 'How many'}
        kind={lot.thing.kind}
        value={amount}
        onChange={setAmount}
      />
      <Text color="muted" fontSize="sm" mt="1" mb="4">
        {way === 'found'
          ? Math.abs(off) < 0.5
            ? 'As it stands in the ledger.'
            : `${amountText(lot.thing, Math.abs(off), units)} ${off < 0 ? 'less' : 'more'} than the ledger says. The difference is written down.`
          : `${amountText(lot.thing, lot.left, units)} are left.`}
      </Text>
      <TextRow
        label="What for"
        value={note}
        maxLength={400}
        onChange={(event) => setNote(event.target.value)}
      />
    </AskDialog>
  );
}
