import { stepPlaceOf, sideAt } from '@coiled-strand/core';
import { useLayoutEffect, useRef } from 'react';
import { useProgress } from '../../make/progress-store';
import type { Make } from '../../make/use-make';
import { beginWait } from '../../make/waits';
import { giveCue } from './cues';

/** The ways through a make. */
export interface Moves {
  readonly forward: () => void;
  readonly back: () => void;
  /** To so many units of the step at hand. */
  readonly count: (unit: number) => void;
}

/** @param onMove after every move */
export function useMoves(make: Make, onMove: () => void): Moves {
  const { done, steps, place, finishFrom } = make;
  const set = useProgress((state) => state.set);
  // Two taps may come before the page has drawn the first: each counts from where the last one led.
  const at = useRef(done);
  useLayoutEffect(() => {
    at.current = done;
  }, [done]);
  const moveTo = (to: number): void => {
    if (to < 0 || to > finishFrom) return;
    at.current = to;
    onMove();
    set(
      make.view,
      stepPlaceOf(make.steps, to),
      (done < finishFrom && steps[place.index]?.stage) || 'tie',
    );
  };
  return {
    forward: () => {
      if (at.current >= finishFrom) return;
      moveTo(at.current + 1);
      cueAfter(make, at.current);
    },
    back: () => moveTo(at.current - 1),
    count: (unit) => moveTo(done - place.unit + unit),
  };
}

/** What ears and hands are told after an action, and the wait that begins with it. */
function cueAfter({ steps, ...make }: Make, done: number): void {
  let before = 0;
  for (const step of steps) {
    if (done <= before + step.units) {
      const unit = done - before;
      const stepDone = unit === step.units;
      giveCue({ side: stepDone ? null : sideAt(step, unit), stepDone });
      if (stepDone) beginWait({ ...make, steps, done }, step);
      return;
    }
    before += step.units;
  }
}
