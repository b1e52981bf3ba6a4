import { describe, expect, it } from '@jest/globals';
import {
  ANY_HAND,
  secondsBesides,
  tyingSeconds,
  doneByPart,
  totalActions,
  GLUE_CURES,
  makeSteps,
  TEMPLATES,
} from '@coiled-strand/core';
import { planned } from '@coiled-strand/core/testing';
import { minutesOf, tasksOf } from './from-plan.js';

const PIECES = TEMPLATES.map((template) => {
  const piece = template.make({
    name: template.label,
    wearer: { name: 'x', wrist: 165, hand: 200, neck: 350, ankle: 220, head: 560 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
    ends: { melts: 'singe', burns: 'glue', leather: 'glue' },
  });
  const plan = planned(piece);
  const steps = makeSteps(piece, plan, { hand: 'right' });
  return { name: template.label, planned: { piece, plan, steps, hand: ANY_HAND }, plan };
});

describe('tasks of a piece', () => {
  it.each(PIECES)('$name: take as long as its steps and knots', ({ planned: own, plan }) => {
    const seconds = tyingSeconds(own.piece, plan, ANY_HAND) + secondsBesides(own.steps);
    // A step that takes no time but a wait is told as a second.
    expect(Math.abs(minutesOf(own) * 60 - seconds)).toBeLessThan(5);
  });
  it.each(PIECES)(
    '$name: keep their names while the make goes on, and get less',
    ({ planned: own }) => {
      const whole = tasksOf('j', own);
      expect(new Set(whole.map(({ id }) => id)).size).toBe(whole.length);
      const total = totalActions(own.steps);
      let before = Infinity;
      for (let done = 0; done <= total; done += Math.max(1, Math.floor(total / 17))) {
        const left = tasksOf('j', own, done);
        const ids = whole.map(({ id }) => id);
        expect(left.every(({ id }) => ids.includes(id))).toBe(true);
        const minutes = left.reduce((sum, t) => sum + t.minutes, 0);
        expect(minutes).toBeLessThanOrEqual(before + 1e-9);
        before = minutes;
      }
      expect(tasksOf('j', own, total)).toEqual([]);
      expect(doneByPart(own.steps, total).closure).toBe(1);
    },
  );
  it('end where glue has to cure, and say what was laid out', () => {
    const glued = PIECES.flatMap(({ planned: own }) =>
      tasksOf('j', own).filter(({ batch, wait }) => batch === 'glue' && wait > 0),
    );
    expect(glued.length).toBeGreaterThan(0);
    for (const { wait, splits } of glued)
      expect([wait, splits]).toEqual([GLUE_CURES.minutes, false]);
  });
});
