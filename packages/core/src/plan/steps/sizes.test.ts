import { describe, expect, it } from '@jest/globals';
import { EXAMPLE_PIECE } from '../../piece/example.js';
import { TEMPLATES } from '../template/templates.js';
import { inSizes, ofSize, RUN, RUN_GIRTHS } from './sizes.js';

const run = RUN.map((name, i) => ofSize(name, 'wrist', RUN_GIRTHS.wrist[i]!));

describe('one design in several sizes', () => {
  it('is planned for each by itself, the design as it is', () => {
    const sized = inSizes(EXAMPLE_PIECE, run);
    expect(sized.map(({ piece }) => piece.wearer.name)).toEqual(['Small', 'Medium', 'Large']);
    for (const { piece, plan } of sized) {
      expect({ ...piece, wearer: null }).toEqual({ ...EXAMPLE_PIECE, wearer: null });
      expect(plan.ok).toBe(true);
    }
    const circumferences = sized.map(({ plan }) => (plan.ok ? plan.fit.circumference : 0));
    expect(circumferences[1]! - circumferences[0]!).toBeGreaterThan(5);
    expect(circumferences[2]! - circumferences[1]!).toBeGreaterThan(5);
  });

  it.each(TEMPLATES.map((template) => [template.id, template] as const))(
    'takes no less cord for a larger one of %s',
    (id, template) => {
      const made = template.make({
        name: 'x',
        wearer: ofSize('x', 'wrist', 165),
        cutting: { confidence: 0.95, step: 1, practice: 'practised' },
      });
      const { site } = made.wear;
      const [small, , large] = inSizes(
        made,
        RUN.map((name, i) => ofSize(name, site, RUN_GIRTHS[site][i]!)),
      );
      if (!small!.plan.ok || !large!.plan.ok) throw new Error(`${id} cannot be planned`);
      // Of a chain a bead takes the place of dearer stitches.
      if (made.parts.some(({ kind }) => kind === 'chain-cord')) return;
      expect(large!.plan.totals.cut).toBeGreaterThanOrEqual(small!.plan.totals.cut);
    },
  );
});
