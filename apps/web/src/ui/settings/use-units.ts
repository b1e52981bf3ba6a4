import { isImperial, speak, speakLength, type LengthUnit, type Saying } from '@coiled-strand/core';
import { useMemo } from 'react';
import { usePreferences } from './use-preferences';

export interface Units {
  readonly unit: LengthUnit;
  readonly cordUnit: LengthUnit;
  /** A finished length or size. */
  readonly size: (mm: number) => string;
  /** A length of cord to cut. */
  readonly cord: (mm: number) => string;
  /** One of many in a sum: fine enough that count times this is the sum shown. */
  readonly each: (mm: number) => string;
  /** A sentence of the core in this maker's units. */
  readonly say: (saying: Saying) => string;
  /** Smallest step of an arrow key, in mm. */
  readonly nudge: number;
}

/** Lengths the way that whoever is signed in says them. */
export function useUnits(): Units {
  const { unit, cordUnit } = usePreferences();
  return useMemo(
    () => ({
      unit,
      cordUnit,
      size: (mm) => speakLength(mm, 'laid', { unit, cordUnit }),
      cord: (mm) => speakLength(mm, 'cord', { unit, cordUnit }),
      each: (mm) => (isImperial(cordUnit) ? `${(mm / 25.4).toFixed(2)} in` : `${mm.toFixed(1)} mm`),
      say: (saying) => speak(saying, { unit, cordUnit }),
      nudge: isImperial(unit) ? 25.4 / 16 : 1,
    }),
    [unit, cordUnit],
  );
}
