import { describe, expect, it } from '@jest/globals';
import { callAt } from '../../base/kind/step.js';
import { TEMPLATES, templateById } from '../template/templates.js';
import { closureKind } from '../../craft/closure/registry.js';
import { partKind } from '../../craft/part/registry.js';
import { planned, start } from '../../testing.js';
import { unitsDone } from '../../make/progress.js';
import { makeSteps } from './steps.js';
import { tryOnPlace } from '../try-on-place.js';

const habits = { unit: 'cm', cordUnit: 'cm', hand: 'right' } as const;
const of = (id: string) => {
  const piece = templateById(id).make(start);
  const plan = planned(piece);
  return { piece, plan, steps: makeSteps(piece, plan, habits) };
};

describe('trying on half way', () => {
  it.each(TEMPLATES.map((t) => t.id))('%s: when about two thirds are tied, or not at all', (id) => {
    const { piece, plan } = of(id);
    const place = tryOnPlace(piece, plan);
    if (!place) return;
    // A core that is set in its closure is laid round before anything is tied.
    if (place.part < 0) return expect(closureKind(piece.closure.type).entry.setsCore).toBe(true);
    const seconds = plan.parts.map(
      ({ kind, layout }) => layout.units * partKind(kind).entry.seconds,
    );
    const { units } = plan.parts[place.part]!.layout;
    const done =
      seconds.slice(0, place.part).reduce((sum, own) => sum + own, 0) +
      (seconds[place.part]! * place.unit) / units;
    const share = done / seconds.reduce((sum, own) => sum + own, 0);
    expect(share).toBeCloseTo(place.share, 9);
    // A piece that is worn open is laid round before the knots it hangs by.
    if (closureKind(piece.closure.type).open) return;
    expect(share).toBeGreaterThanOrEqual(0.5);
    expect(share).toBeLessThanOrEqual(0.8);
  });
  it.each(TEMPLATES.map((t) => t.id))('%s: no unit is lost or tied twice', (id) => {
    const { plan, steps } = of(id);
    for (const { id: part, kind, layout } of plan.parts) {
      const own = steps.filter((step) => step.part === part);
      const sum = own.reduce((total, step) => total + (step.aside ? 0 : step.units), 0);
      expect(unitsDone(steps, 1e6, part)).toBe(sum);
      if (kind === 'square-knot-sinnet' || kind === 'knotted-floss') expect(sum).toBe(layout.units);
      let from = 0;
      for (const step of own) {
        expect(step.from).toBe(from);
        if (!step.aside) from += step.units;
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
