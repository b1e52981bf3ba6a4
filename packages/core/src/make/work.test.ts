import { describe, expect, it } from '@jest/globals';
import { callAt } from '../kind/step.js';
import { TEMPLATES, templateById } from '../template/templates.js';
import { planned } from '../testing.js';
import { unitsDone } from './progress.js';
import { makeSteps } from './steps.js';
import { tryOnPlace } from './work.js';

const start = {
  name: 'x',
  wearer: { name: 'Somebody', wrist: 165, hand: 200, neck: 360, ankle: 215, head: 560 },
  cutting: { sureness: 0.95, step: 10, practice: 'practised' },
} as const;
const habits = { unit: 'cm', cordUnit: 'cm', hand: 'right' } as const;
const of = (id: string) => {
  const piece = templateById(id).make(start);
  const plan = planned(piece);
  return { plan, steps: makeSteps(piece, plan, habits) };
};

describe('trying on half way', () => {
  it.each(TEMPLATES.map((t) => t.id))('%s: at two thirds of its length, or not at all', (id) => {
    const { plan } = of(id);
    const place = tryOnPlace(plan);
    if (!place) return;
    const { start: at, layout } = plan.parts[place.part]!;
    const length = plan.parts.at(-1)!.start + plan.parts.at(-1)!.layout.length;
    const where = at + (layout.length * place.unit) / layout.units;
    // Between parts the nearest seam before it is taken.
    expect(where / length).toBeLessThan(0.72);
    expect(place.unit === 0 || where / length > 0.6).toBe(true);
  });
  it.each(TEMPLATES.map((t) => t.id))('%s: no unit is lost or tied twice', (id) => {
    const { plan, steps } = of(id);
    for (const { id: part, kind, layout } of plan.parts) {
      const own = steps.filter((step) => step.part === part);
      const sum = own.reduce((total, step) => total + step.units, 0);
      expect(unitsDone(steps, 1e6, part)).toBe(sum);
      if (kind === 'square-knot-sinnet' || kind === 'knotted-floss') expect(sum).toBe(layout.units);
      let from = 0;
      for (const step of own) {
        expect(step.from).toBe(from);
        from += step.units;
      }
    }
  });
  it('goes on with the words of every knot where it left off', () => {
    const { steps } = of('floss-chevron');
    const [first, rest] = steps.filter((step) => step.part === 'knotted-floss');
    const words = [callAt(first!, first!.units - 1), callAt(rest!, 0), callAt(rest!, 1)];
    expect(new Set(words).size).toBe(3);
    const whole = planned(templateById('floss-chevron').make(start)).parts.find(
      (part) => part.kind === 'knotted-floss',
    )!;
    expect(first!.calls!.order.length + rest!.calls!.order.length).toBe(whole.layout.units);
  });
});
