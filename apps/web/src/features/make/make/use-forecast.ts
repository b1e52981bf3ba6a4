import { forecast, remedies, type Forecast, type HalfWay, type Remedy } from '@coiled-strand/core';
import { useMemo } from 'react';
import type { Make } from './use-make';

export interface Seen {
  readonly half: HalfWay;
  readonly forecast: Forecast;
  readonly remedies: readonly Remedy[];
}

/** What follows from the last measurement of a make; null before there is one. */
export function useForecast(make: Make | null): Seen | null {
  const { plan, measured: half } = make ?? {};
  const { piece, hand } = make?.view ?? {};
  return useMemo(() => {
    if (!half || !plan || !piece || !hand || half.left.length !== plan.strands.length) return null;
    const seen = forecast(piece, plan, hand, half);
    return { half, forecast: seen, remedies: remedies(piece, plan, hand, half, seen) };
  }, [half, plan, piece, hand]);
}
