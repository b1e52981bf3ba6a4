import type { Piece, PlanResult } from '@coiled-strand/core';
import { useEffect, useState } from 'react';
import { atRest } from '../../../ui/shell/at-rest';

const trying = () => import('./trying');

/**
 * A draft, and a moment later what hands found of it: a list of pieces is seen before hands have tried them all.
 *
 * @param draft null where there is none
 */
export function useTried(piece: Piece, draft: PlanResult | null): PlanResult | null {
  const [tried, setTried] = useState<{ of: PlanResult; plan: PlanResult } | null>(null);
  useEffect(() => {
    if (!draft?.ok) return;
    let wanted = true;
    atRest(() => {
      void trying().then(({ tryPlan }) => {
        if (wanted) setTried({ of: draft, plan: tryPlan(piece, draft) });
      });
    });
    return () => {
      wanted = false;
    };
  }, [piece, draft]);
  return tried?.of === draft ? tried.plan : draft;
}
