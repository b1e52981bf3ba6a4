import { costOfWaste, draftPlan } from '@coiled-strand/core';
import { useMemo } from 'react';
import { useHand } from '../../../../data/api/queries';
import { Choices } from '../../../../ui/fields/choices';
import { useStage } from '../../piece/stage-context';
import { usePiece } from '../../piece/piece-store';
import { CONFIDENCES } from '../../../../ui/settings/cutting-choices';
import { useCurrency } from '../../../../ui/settings/use-currency';
import { useUnits } from '../../../../ui/settings/use-units';

/** How sure the cuts are, and what each degree of it is expected to waste and to cost. */
export function Confidence() {
  const { piece } = useStage();
  const edit = usePiece((state) => state.edit);
  const hand = useHand();
  const units = useUnits();
  const currency = useCurrency();
  const choices = useMemo(
    () =>
      CONFIDENCES.map(({ value, label }) => {
        const plan = draftPlan(
          { ...piece, cutting: { ...piece.cutting, confidence: value } },
          hand,
        );
        if (!plan.ok) return { value, label };
        const cost = costOfWaste(plan);
        const price = cost === null ? '' : `, ${currency} ${cost.toFixed(2)}`;
        return { value, label, detail: `${units.cord(plan.totals.leftover)} left over${price}` };
      }),
    [piece, hand, units, currency],
  );
  return (
    <Choices
      label="How sure that every cord lasts, and what is left over on average"
      value={piece.cutting.confidence}
      onChange={(confidence) =>
        edit((old) => ({ ...old, cutting: { ...old.cutting, confidence } }))
      }
      choices={choices}
    />
  );
}
