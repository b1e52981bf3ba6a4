import { TIGHTENED } from '@coiled-strand/rope';
import { describe, expect, it } from '@jest/globals';
import type { Reason } from '../base/kind/reason.js';

import { TEMPLATES } from './template/templates.js';
import { planned, start } from '../testing.js';

/**
 * What has no number behind it: sizes of the body and of findings, and lengths that follow from them by plain
 * geometry.
 */
const BY_MEASURE = [
  ...['girth', 'target', 'thickness', 'beads', 'air', 'bar', 'rigid', 'closure', 'knot'].map(
    (what) => `fit.${what}`,
  ),
  ...['sideways', 'off-target', 'off-length', 'wanted', 'drop', 'hanging', 'neck', 'loose'].map(
    (what) => `fit.${what}`,
  ),
  ...['loop', 'rise', 'stone'].map((what) => `start.${what}`),
  ...['button', 'loop', 'recess', 'socket', 'tails', 'ties', 'turn'].map(
    (what) => `closure.${what}`,
  ),
  ...['around', 'bare', 'straight', 'given'].map((what) => `run.${what}`),
  // As long as the hull it is wound round; as the maker's swatch has it, and as the maker wants it.
  'knot.coil',
  'knot.petal',
  'knot.chain',
];

describe.each(TEMPLATES.map(({ id }) => id))('%s', (id) => {
  const plan = planned(TEMPLATES.find((one) => one.id === id)!.make(start));
  const all: readonly Reason[] = [
    ...plan.strands.flatMap(({ reasons }) => reasons),
    ...plan.auxiliary.flatMap(({ reasons }) => reasons),
    ...plan.fit.targetReasons,
    ...plan.fit.lengthReasons,
  ];
  it('says of every length where its numbers come from, or that they are assumed', () => {
    const silent = all.filter(
      ({ code, source, assumed, hand }) =>
        !source && !assumed && !hand && !BY_MEASURE.includes(code),
    );
    expect(silent.map(({ code }) => code)).toEqual([]);
  });
  it('is no surer of what is computed than the data are', () => {
    const errors = Object.values(TIGHTENED).map(({ error }) => error);
    for (const { code, source, assumed } of all) {
      if (source?.how !== 'computed') continue;
      expect(errors).toContain(source.error);
      expect([code, assumed ?? false]).toEqual([code, false]);
    }
  });
});
