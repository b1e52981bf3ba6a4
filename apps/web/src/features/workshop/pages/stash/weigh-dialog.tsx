import { Box, Grid, Text } from '@chakra-ui/react';
import type { LotView } from '@coiled-strand/contract';
import {
  assumedDensity,
  countByWeight,
  lengthByWeight,
  type Uncertain,
} from '@coiled-strand/workshop';
import { useState } from 'react';
import { aboutIn, useChangeLot, useMove, useUndoMovement } from '../../../../data/api/week-queries';
import { useUnits } from '../../../../ui/settings/use-units';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { toaster } from '../../../../ui/shell/toaster';
import { GramsField } from '../../stock/grams-field';
import { amountText } from '../../stock/words';

/** A kitchen scale is right to so many grams. Common practice, no source. */
const SCALE = 0.5;
/** A weighed length of cord, or some weighed beads, tell of the rest to this share. Assumed. */
const WEIGHED = 0.02;

interface Props {
  readonly lot: LotView;
  readonly onClose: () => void;
}

/** How much is on a spool, or in a bag, by its weight. */
export function WeighDialog({ lot, onClose }: Props) {
  const units = useUnits();
  const move = useMove(lot.id);
  const undo = useUndoMovement();
  const change = useChangeLot(lot.id);
  const [weight, setWeight] = useState<number | null>(null);
  const [tare, setTare] = useState(lot.tare ?? 0);
  const [each, setEach] = useState(lot.grams);
  const found = weight === null ? null : contents(lot, weight, tare, each);
  const save = async (): Promise<void> => {
    if (weight === null || found === null) return;
    if (tare !== (lot.tare ?? 0) || each !== lot.grams) {
      const seen = aboutIn(lot);
      const weighed = { tare, ...(each === null ? {} : { grams: each }) };
      await change.mutateAsync({ seen, wanted: { ...seen.value, ...weighed } });
    }
    const done = await move.mutateAsync({
      reason: 'weighed',
      amount: Math.round(found.value),
      grams: weight,
    });
    toaster.create({
      title: `${amountText(lot.thing, done.lot.left, units)} left.`,
      action: { label: 'Undo', onClick: () => undo.mutate(done.movement) },
    });
    onClose();
  };
  const cord = lot.thing.kind === 'cord';
  return (
    <AskDialog
      onClose={onClose}
      title="Weigh it"
      action="Write it down"
      doing={[move, change]}
      ready={found !== null}
      onDo={save}
    >
      <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="4">
        <Box gridColumn="1 / -1">
          <GramsField
            label={cord ? 'On the scale, with its spool' : 'On the scale, with its bag'}
            value={weight}
            onChange={setWeight}
          />
        </Box>
        <GramsField
          label={cord ? 'The empty spool' : 'The empty bag'}
          value={tare}
          onChange={setTare}
        />
        <GramsField
          label={cord ? 'A metre of this cord' : 'One of them'}
          value={each}
          onChange={setEach}
          placeholder={
            lot.thing.kind === 'cord' ? assumedDensity(lot.thing.cord).value.toFixed(2) : ''
          }
        />
      </Grid>
      <Box mt="5" aria-live="polite">
        {weight !== null && found === null ? (
          <Text color="danger">
            {cord || each !== null
              ? 'That is less than it weighs when it is empty. Weigh again, or mend the weight of the empty one.'
              : 'Weigh one of them first, or ten and divide: then the rest can be counted by weight.'}
          </Text>
        ) : (
          found && (
            <>
              <Text fontSize="xl" fontWeight="600">
                {amountText(lot.thing, found.value, units)}, give or take{' '}
                {amountText(lot.thing, found.uncertainty, units)}
              </Text>
              <Text color="muted">
                {cord && each === null
                  ? 'By the usual weight of this kind and thickness, which is assumed. Weigh a metre of it and the number gets much surer.'
                  : 'By what was weighed of this very lot.'}
              </Text>
            </>
          )
        )}
      </Box>
    </AskDialog>
  );
}

/** What is in a lot by its weight; null where it cannot be. */
function contents(
  { thing }: LotView,
  weight: number,
  tare: number,
  each: number | null,
): Uncertain | null {
  const w = { value: weight, uncertainty: SCALE };
  const t = { value: tare, uncertainty: tare > 0 ? SCALE : 0 };
  const weighed = each === null ? null : { value: each, uncertainty: each * WEIGHED };
  if (thing.kind === 'cord') return lengthByWeight(w, t, weighed ?? assumedDensity(thing.cord));
  return weighed && countByWeight(w, t, weighed);
}
