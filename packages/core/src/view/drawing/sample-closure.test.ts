import { describe, expect, it } from '@jest/globals';
import { CLOSURE_KINDS } from '../../craft/closure/registry.js';
import { testCord } from '../../testing.js';
import { makeSteps } from '../../plan/steps/steps.js';
import { drawBench } from './bench.js';
import { sampleClosure } from './sample-closure.js';

describe('a small piece that shows a closure', () => {
  it.each(CLOSURE_KINDS.map(({ entry }) => entry.type))(
    'is there for %s, without a fault',
    (type) => {
      for (const cord of [
        testCord(1.2),
        testCord(4),
        { ...testCord(3), kind: 'leather' as const },
      ]) {
        const sample = sampleClosure(type, cord)!;
        expect(sample.piece.closure.type).toBe(type);
        const faults = sample.plan.advice.filter(({ severity }) => severity === 'error');
        expect(faults.map(({ code }) => code)).toEqual([]);
        const drawn = drawBench(sample.piece, sample.plan, { firstSide: 'left', tails: false });
        expect(drawn.bounds.width).toBeGreaterThan(50);
        const { length } = makeSteps(sample.piece, sample.plan, { hand: 'right' });
        expect(length).toBeGreaterThan(4);
      }
    },
  );
});
