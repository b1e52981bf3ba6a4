import { describe, expect, it } from '@jest/globals';
import type { Step } from '../../base/kind/step.js';
import { speak } from '../../base/measure/speak.js';
import { TERMS, type TermId } from '../../base/measure/terms.js';
import { inMm, planned, start } from '../../testing.js';
import { TEMPLATES, templateById } from '../template/templates.js';
import { makeSteps } from './steps.js';

const stepsOf = (id: string, child = false): Step[] => {
  const { wearer, ...rest } = start;
  const piece = templateById(id).make({
    ...rest,
    wearer: { ...wearer, ...(child && { child: true }) },
  });
  return makeSteps(piece, planned(piece), { hand: 'right' });
};

/** As many letters as a maker reads with both hands full. */
const LETTERS = 140;

/** Whether it names every cord of the piece, one after the other: as long as they are many. */
const listsCords = ({ actions = [] }: Step): boolean =>
  actions.some(
    (action) =>
      action.do === 'order' ||
      action.do === 'plait' ||
      (action.do === 'tie' && action.knot.form === 'band'),
  );

describe('the words of a step', () => {
  it.each(TEMPLATES.map(({ id }) => [id]))(
    '%s: say in at most 140 letters what to watch for, and never their title again',
    (id) => {
      for (const unit of ['cm', 'in'] as const) {
        for (const step of stepsOf(id)) {
          const words = { unit, cordUnit: unit } as const;
          const [title, text] = [speak(step.title, words), speak(step.text, words)];
          expect(text.startsWith(title)).toBe(false);
          if (!listsCords(step)) expect([text, text.length <= LETTERS]).toEqual([text, true]);
        }
      }
    },
  );
  it.each(TEMPLATES.map(({ id }) => [id]))(
    '%s: a caution stands where it bites, and not again in the same stage',
    (id) => {
      const said = stepsOf(id).flatMap(({ stage, cautions }) =>
        cautions.map(({ text }) => `${stage}: ${text}`),
      );
      expect(said).toEqual([...new Set(said)]);
    },
  );
  it('warn of a blade before the first cut, and again days later before the ends are trimmed', () => {
    const blades = stepsOf('floss-stripe').filter(({ cautions }) =>
      cautions.some(({ kind }) => kind === 'blade'),
    );
    expect(blades.map(({ id }) => id)).toEqual(['cut-1', 'trim']);
    const [first] = stepsOf('large-bead-band', true);
    expect(first!.cautions.map(({ kind }) => kind)).toEqual(['child', 'blade']);
  });
  it('name bundles by their strands, and a strand alone by its cord', () => {
    const text = (id: string, step: string): string =>
      speak(stepsOf(id).find((own) => own.id === step)!.text, { unit: 'cm', cordUnit: 'cm' });
    expect(text('seized-laces', 'tie-plait')).toMatch(
      /^From the left: cord 1 \(umber\), cord 2 \(umber\), cord 3 \(umber\), cord 4 \(umber\)\./,
    );
    expect(text('beaded-plait', 'tie-beaded-plait')).toMatch(
      /^From the left: two strands \(grey\), two strands \(grey\), two strands \(grey\)\./,
    );
  });
});

describe('words of the trade', () => {
  const wordsOf = new Map(
    (Object.keys(TERMS) as TermId[]).map((id) => [
      id,
      new RegExp(`\\b${TERMS[id].word}(e?s)?\\b`, 'i'),
    ]),
  );
  it.each(TEMPLATES.map((template) => [template.id, template] as const))(
    '%s: each is explained in the step where it stands first, and nowhere else',
    (_id, template) => {
      const piece = template.make(start);
      const steps = makeSteps(piece, planned(piece), { hand: 'right' });
      for (const [term, word] of wordsOf) {
        // The cut list calls cords by what they do.
        const said = ({ title, text }: Step): string =>
          `${inMm(title)} ${inMm(text).replace(/^(Core|Working|Core and working) cord,/, '')}`;
        const first = steps.find((step) => word.test(said(step)));
        const explained = steps.filter(({ terms }) => terms?.includes(term));
        expect([term, explained.map(({ id }) => id)]).toEqual([term, first ? [first.id] : []]);
      }
    },
  );
});
