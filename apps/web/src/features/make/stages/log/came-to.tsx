import { Box } from '@chakra-ui/react';
import type { MakeView } from '@coiled-strand/contract';
import type { Plan } from '@coiled-strand/core';
import { needsOf } from '@coiled-strand/workshop';
import { Coins } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Button } from '../../../../ui/shell/button';
import { PriceSum } from '../../../workshop/stock/price-sum';

interface Props {
  readonly entry: MakeView;
  readonly plan: Plan;
}

/** What a make came to: the cord that was cut, and the minutes that it took. */
export function CameTo({ entry, plan }: Props) {
  const [open, setOpen] = useState(false);
  const { record, piece } = entry;
  const needs = useMemo(() => {
    const planned = needsOf(piece, plan);
    return {
      ...planned,
      cuts: planned.cuts.map((cut) => ({
        ...cut,
        length: (cut.strand !== null && record?.cords[cut.strand - 1]?.cut) || cut.length,
      })),
    };
  }, [piece, plan, record]);
  if (!record) return null;
  return (
    <Box mt="4">
      {open ? (
        <PriceSum title="What it came to" needs={needs} work={{ minutes: record.minutes, sd: 0 }} />
      ) : (
        <Button onClick={() => setOpen(true)}>
          <Coins size={18} /> What it came to
        </Button>
      )}
    </Box>
  );
}
