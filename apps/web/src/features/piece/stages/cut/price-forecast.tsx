import { Box } from '@chakra-ui/react';
import { usePreferences } from '../../../../ui/settings/use-preferences';
import { makeSteps, TIME_SPREAD, type Plan } from '@coiled-strand/core';
import { minutesOf, needsOf } from '@coiled-strand/workshop';
import { Coins } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useHand } from '../../../../data/api/queries';
import { useStage } from '../../piece/stage-context';
import { Button } from '../../../../ui/shell/button';
import { PriceSum } from '../../../workshop/stock/price-sum';

/** What the piece will come to, before it is made. */
export function PriceForecast({ plan }: { readonly plan: Plan }) {
  const { piece } = useStage();
  const hand = useHand();
  const { hand: leads } = usePreferences();
  const [open, setOpen] = useState(false);
  const needs = useMemo(() => needsOf(piece, plan), [piece, plan]);
  const minutes = useMemo(
    () =>
      open ? minutesOf({ piece, plan, steps: makeSteps(piece, plan, { hand: leads }), hand }) : 0,
    [open, piece, plan, leads, hand],
  );
  return (
    <Box>
      {open ? (
        <PriceSum title="What it will come to" needs={needs} work={{ minutes, sd: TIME_SPREAD }} />
      ) : (
        <Button className="no-print" onClick={() => setOpen(true)}>
          <Coins size={18} /> What it will come to
        </Button>
      )}
    </Box>
  );
}
