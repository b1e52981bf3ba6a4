import { forecast, remedies, type Forecast, type HalfWay, type Remedy } from '@coiled-strand/core';
import { useMemo } from 'react';
import type { Make } from '../../piece/use-make';
import { useMeasures } from './measure-store';

export interface Seen {
  readonly half: HalfWay;
  readonly forecast: Forecast;
  readonly remedies: readonly Remedy[];
}

/** What follows from the last measurement of a make; null before there is one. */
export function useForecast(make: Make | null): Seen | null {
  const half = useMeasures((state) => (make ? state.taken[make.view.id] : undefined));
  const { plan, view } = make ?? {};
  return useMemo(() => {
    if (!half || !plan || !view || half.left.length !== plan.strands.length) return null;
    const seen = forecast(view.piece, plan, view.hand, half);
    return { half, forecast: seen, remedies: remedies(view.piece, plan, view.hand, half, seen) };
  }, [half, plan, view]);
}
