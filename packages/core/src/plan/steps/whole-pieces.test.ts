import { describe, expect, it } from '@jest/globals';
import { sumOf } from '../../base/kind/reason.js';
import { callAt } from '../../base/kind/step.js';
import type { Saying } from '../../base/measure/saying.js';
import { speak } from '../../base/measure/speak.js';
import { TEMPLATES, templateById } from '../template/templates.js';
import { planned, start } from '../../testing.js';
import { closureKind } from '../../craft/closure/registry.js';
import { closureSiteOf, sitesOf } from '../../piece/sites.js';
import { callNext } from '../../make/call.js';
import { freeLengthAtStart } from './set-up.js';
import { doneByPart, totalActions } from '../../make/progress.js';
import { makeSteps } from './steps.js';

const habits = { unit: 'in', cordUnit: 'in', hand: 'right' } as const;
const inInches = (saying: Saying | null | undefined): string => speak(saying ?? '', habits);
const stepsOf = (id: string) => {
  const piece = templateById(id).make(start);
  return { piece, steps: makeSteps(piece, planned(piece), habits) };
};
const titles = (id: string): string[] => stepsOf(id).steps.map((step) => inInches(step.title));
const before = (list: readonly string[], one: RegExp, other: RegExp): void => {
  const [a, b] = [list.findIndex((t) => one.test(t)), list.findIndex((t) => other.test(t))];
  expect(a).toBeGreaterThanOrEqual(0);
  expect(b).toBeGreaterThan(a);
};

describe('steps of whole pieces', () => {
  it.each(TEMPLATES.map((t) => t.id))('%s: every cord is cut before anything is tied', (id) => {
    const { piece, steps } = stepsOf(id);
    const plan = planned(piece);
    const cuts = steps.filter((step) => step.id.startsWith('cut-'));
    expect(cuts).toHaveLength(plan.strands.length + plan.auxiliary.length);
    expect(steps.slice(0, cuts.length)).toEqual(cuts);
  });
  it('lay the working cord in where the knots begin', () => {
    before(titles('beaded-band'), /^Lay cord 2 \(midnight blue\) in/, /^Tie square knots/);
  });
  it('call the beads of a row by name', () => {
    const { steps } = stepsOf('knotted-necklace');
    const row = steps.find((step) => step.part === 'beads');
    expect(row?.units).toBeGreaterThan(20);
    expect(inInches(callAt(row!, 0))).toBe('Amazonite 6 mm');
  });
  it('try on before the last third, before the closure and before anything is cut', () => {
    before(titles('beaded-band'), /^Lay it round once/, /^Lay both tails/);
    before(titles('triple-wrap'), /^Try on before the ends are set/, /^Crimp both/);
    before(titles('thick-cord'), /^Try it on before anything is glued/, /^Glue the ends in/);
    before(titles('focal-cord'), /^Try it on before anything is cut/, /^Trim/);
  });
  it('say lengths in the maker’s unit, cord-sized ones in millimetres', () => {
    const { steps } = stepsOf('knotted-centre');
    const tie = steps.find((step) => inInches(step.title).includes('with each tail'));
    expect(inInches(tie?.text)).toMatch(/\d( \d+\/\d+)? in from the body/);
    const strung = steps.find((step) => inInches(step.title).startsWith('String'))!;
    expect(inInches(callAt(strung, 0))).toContain('8 mm');
  });
  it('say of a knotted band who works over whom, knot by knot, and what the strands are in order', () => {
    const { steps } = stepsOf('floss-chevron');
    const knots = steps.find((step) => step.part === 'knotted-floss')!;
    expect(inInches(knots.text)).toMatch(
      /^Strands from the left: 1 pine, 2 moss, 3 sand, 4 rust, 5 snow, 6 snow/,
    );
    const words = Array.from({ length: knots.units }, (_, i) => inInches(callAt(knots, i)));
    expect(words.every((text) => /^Row \d+: strand \d .* over strand \d/.test(text))).toBe(true);
    before(titles('floss-chevron'), /^Knot the band/, /^Plait the ends/);
  });
  it('tie the Turk’s head on a tube before the tails go through it', () => {
    const list = titles('seized-laces');
    before(list, /^Whip with/, /^Plait/);
    before(list, /^Tie the Turk’s head on a tube/, /^Lay both tails over each other through it/);
    before(
      list,
      /^Take up the slack, \d+ rounds/,
      /^Tie an overhand knot at the end of each strand/,
    );
    const tube = stepsOf('seized-laces').steps.find((step) =>
      inInches(step.title).includes('tube'),
    )!;
    expect(inInches(tube.text)).toMatch(/about \d+ mm/);
  });
  it('call the petals and the beads of plaits', () => {
    const unit = (id: string, part: string, i: number): string => {
      const step = stepsOf(id).steps.find((one) => one.part === part)!;
      return inInches(callAt(step, i));
    };
    expect(unit('petal-band', 'petal-plait', 1)).toMatch(/^Repeat 2: 4 crossings, then petals/);
    expect(unit('beaded-plait', 'beaded-plait', 2)).toMatch(/^String bead 2 .*, now strand \d/);
    expect(unit('floss-spiral', 'hitch-spiral', 20)).toMatch(
      /^Change colour. Block 2, hitch 1 of 20/,
    );
  });
  it('dye cut leather and only leather', () => {
    expect(titles('focal-cord').some((title) => title.includes('Dye'))).toBe(true);
    expect(titles('beaded-band').some((title) => title.includes('Dye'))).toBe(false);
  });
  it('name the ends that stay', () => {
    const trim = (id: string) => stepsOf(id).steps.find((step) => step.id === 'trim')!.ends!;
    expect(trim('beaded-band').stays).toContain('both tails, out to their stopper knots');
    expect(trim('beaded-band').goes.map(inInches)).toContainEqual(
      expect.stringMatching(/^both ends of cord 2 .*which tied the knots/),
    );
    expect(trim('knotted-centre').stays.map(inInches).join()).toContain(
      'the cord that each knot slides on',
    );
  });
  it.each(TEMPLATES.map((t) => t.id))(
    '%s: has a picture for every step and a check of its closure',
    (id) => {
      const { piece, steps } = stepsOf(id);
      expect(steps.filter((step) => !step.look)).toEqual([]);
      const checks = steps.filter((step) => step.id.startsWith('check-')).map((step) => step.text);
      for (const check of closureKind(piece.closure.type).finish(
        piece.closure,
        closureSiteOf(piece, sitesOf(piece)),
      ).checks) {
        expect(checks).toContain(check.text);
      }
      expect(new Set(steps.map((step) => step.id)).size).toBe(steps.length);
    },
  );
  it('call the bead and the knots after it', () => {
    const { steps } = stepsOf('beaded-band');
    const index = steps.findIndex((step) => inInches(step.title).startsWith('String'));
    expect(inInches(callNext(steps, { index, unit: 0 }))).toMatch(
      /^two half knots, (left|right) first/,
    );
  });
  it('gather and fix the cords in order where no closure holds them', () => {
    const step = (id: string, name: string) => stepsOf(id).steps.find((own) => own.id === name);
    expect(step('floss-stripe', 'anchor')).toBeDefined();
    expect(inInches(step('floss-stripe', 'order-knotted-floss')?.text)).toMatch(
      /from the left: cord 1 \(\w+\), cord 2 /,
    );
    expect(step('buckle-band', 'anchor')).toBeUndefined();
  });
  it('leave enough free at the start for the closure and to tie it with', () => {
    const { piece } = stepsOf('beaded-band');
    const plan = planned(piece);
    const free = freeLengthAtStart(piece, plan);
    const [core] = plan.strands;
    const ends = sumOf(core!.reasons.filter((r) => r.area === 'end'));
    expect(free).toBeGreaterThanOrEqual(plan.closure.measures.tail! + ends / 2);
    // It is told in whole steps of the rule.
    expect(2 * free + plan.fit.length).toBeLessThan(core!.cut + piece.cutting.step);
    expect(freeLengthAtStart(stepsOf('hemp-band').piece, planned(stepsOf('hemp-band').piece))).toBe(
      0,
    );
  });
});

describe('progress over parts', () => {
  it.each(TEMPLATES.map((t) => t.id))('%s: fills part by part and ends with the closure', (id) => {
    const { piece, steps } = stepsOf(id);
    const total = totalActions(steps);
    const none = doneByPart(steps, 0);
    const all = doneByPart(steps, total);
    for (const part of piece.parts) {
      expect(none[part.id]).toBe(0);
      expect(all[part.id]).toBeGreaterThan(0);
    }
    expect(all.closure).toBe(1);
    if (steps.some((step) => step.part === 'closure')) expect(none.closure).toBe(0);
  });
});
