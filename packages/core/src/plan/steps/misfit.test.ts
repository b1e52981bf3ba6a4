import { describe, expect, it } from '@jest/globals';
import type { Part } from '../../craft/part/registry.js';
import type { Piece } from '../../piece/piece.js';
import { planned, start } from '../../testing.js';
import { asCut } from '../as-cut.js';
import { draftPlan } from '../plan.js';
import type { Plan } from '../plan-types.js';
import { TEMPLATES, templateById } from '../template/templates.js';
import { stillOpen } from './misfit.js';
import { firstStop } from './plan-piece.js';

/** The piece with so many units more in a part, and all others as they were planned. */
function withMore(piece: Piece, plan: Plan, index: number, more: number): Piece {
  const open = stillOpen(piece, plan, 0)!;
  const units = open.layout.units + more;
  return {
    ...piece,
    parts: piece.parts.map((part, i) =>
      i === index ? (open.kind.withUnits!(part, units) as Part) : part,
    ),
  };
}

describe('what is to be done when it does not fit', () => {
  const growing = TEMPLATES.filter((template) => {
    const piece = template.make(start);
    return stillOpen(piece, planned(piece), 0)?.kind.withUnits !== undefined;
  });
  it('is to tie more or fewer of what each is so long, or to leave more or less plain', () => {
    const told = TEMPLATES.map((template) => {
      const piece = template.make(start);
      return stillOpen(piece, planned(piece), 0)?.layout.units ?? 0;
    });
    expect(told.filter((units) => units > 1).length).toBeGreaterThan(8);
    expect(told.filter((units) => units === 1).length).toBeGreaterThan(8);
    expect(growing.length).toBeGreaterThan(3);
  });

  it.each(growing.map((template) => [template.id]))(
    '%s: hands tie a few more, or fewer, from the cords as they were cut',
    (id) => {
      const piece = templateById(id).make(start);
      const plan = planned(piece);
      const { index, layout } = stillOpen(piece, plan, 0)!;
      // A fiftieth of the piece, which is more than a try-on is out.
      const some = Math.max(
        1,
        Math.round((plan.fit.length * 0.02) / (layout.length / layout.units)),
      );
      for (const more of [some, -Math.min(some, layout.units - 1)]) {
        const changed = withMore(piece, plan, index, more);
        const draft = draftPlan(changed);
        if (!draft.ok) throw new Error(JSON.stringify(draft.advice));
        expect([
          more,
          firstStop(changed, asCut(draft, plan), { first: 'left', words: false }),
        ]).toEqual([more, null]);
      }
    },
  );
});
