import type { HalfWay } from '@coiled-strand/core';
import { keptByMake } from './kept-by-make';

/** What was measured last in each make. */
export const useMeasures = keptByMake<HalfWay>('measures', 'taken');
