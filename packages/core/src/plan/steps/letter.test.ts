import { describe, expect, it } from '@jest/globals';
import { cordEnds } from '../../craft/closure/cord-ends/index.js';
import { closureKind } from '../../craft/closure/registry.js';
import type { Step } from '../../base/kind/step.js';
import type { Part } from '../../craft/part/registry.js';
import type { Piece, Wearer } from '../../piece/piece.js';
import { templateById } from '../template/templates.js';
import { inMm, planned } from '../../testing.js';
import { planPiece } from './plan-piece.js';
import { makeSteps } from './steps.js';

const ADULT: Wearer = { name: 'x', wrist: 165, hand: 200, neck: 360, ankle: 215, head: 560 };
const of = (id: string, wearer: Wearer = ADULT): Piece =>
  templateById(id).make({
    name: 'x',
    wearer,
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  });
const stepsOf = (piece: Piece, hand: 'left' | 'right' = 'right'): Step[] =>
  makeSteps(piece, planned(piece), { hand });
const at = (steps: readonly Step[], id: string): number => steps.findIndex((s) => s.id === id);
const text = (steps: readonly Step[], id: string): string => inMm(steps[at(steps, id)]!.text);

describe('followed to the letter', () => {
  it('leather is dyed before it is glued, sealed after, and oiled last', () => {
    const steps = stepsOf(of('focal-cord'));
    const order = ['trim', 'ends-dye', 'ends-glue', 'ends-seal', 'oil'].map((id) => at(steps, id));
    expect(order).toEqual([...order].sort((a, b) => a - b));
    expect(order[0]).toBeGreaterThan(0);
  });
  it('says which cord starts, and on which side each lies where there are two colours', () => {
    const right = text(stepsOf(of('two-colour-band')), 'tie-square-knot-sinnet');
    expect(right).toMatch(/^Begin with cord 1 \(slate\) on the left\./);
    const left = text(stepsOf(of('two-colour-band'), 'left'), 'tie-square-knot-sinnet');
    expect(left).toMatch(/^Begin with cord 1 \(slate\) on the right\./);
  });
  it('goes on after a break from where it was, not from the beginning', () => {
    const steps = stepsOf(of('floss-stripe'));
    const on = steps[at(steps, 'tie-knotted-floss-on')]!;
    expect(inMm(on.title)).toMatch(/^Go on: knot the band/);
    expect(inMm(on.text)).toMatch(/as before/);
    // Beads are strung before the first stitch, once.
    const chain = stepsOf(of('chain-necklace')).map((step) => inMm(step.title));
    expect(chain.filter((title) => title.startsWith('String'))).toHaveLength(1);
  });
  it('names every cord with its colour where it is cut', () => {
    const cuts = stepsOf(of('floss-stripe')).filter(({ id }) => id.startsWith('cut-'));
    for (const cut of cuts.slice(0, 8)) expect(inMm(cut.title)).toMatch(/^Cut cord \d \(\w+\): /);
  });
  it('calls the longer half longer, and says which half of a strand ties', () => {
    const piece = of('floss-spiral');
    const { cut, fold } = planned(piece).strands[0]!;
    expect(fold).toBeGreaterThan(cut / 2);
    const steps = stepsOf(piece);
    expect(text(steps, 'cut-1')).toMatch(/Mark the fold at \d+ mm from the end of the longer half/);
    expect(inMm(steps[at(steps, 'tie-hitch-spiral')]!.calls!.said[0]!)).toContain(
      'the longer half of strand 1',
    );
  });
  it('marks the place that goes round a stone, and begins there', () => {
    const steps = stepsOf(of('wrapped-stone'));
    expect(text(steps, 'cut-1')).toMatch(/Mark the middle at \d+ mm/);
    expect(at(steps, 'tie-stone')).toBeLessThan(at(steps, 'tie-plain'));
    // With more cord on one side it is no longer the middle.
    const piece = of('wrapped-stone');
    const parts = piece.parts.map((part, i) => (i === 0 ? { ...part, length: 60 } : part));
    const off = text(stepsOf({ ...piece, parts }), 'cut-1');
    expect(off).toMatch(/Mark the place that goes round the stone at \d+ mm from the end/);
  });
  it('tells what goes wrong with a closure before the hands begin with it', () => {
    for (const id of ['buckle-band', 'focal-cord', 'knotted-necklace']) {
      const piece = of(id);
      const { mistakes } = closureKind(piece.closure.type);
      const steps = stepsOf(piece);
      expect(steps[at(steps, 'start-1')]!.mistakes).toEqual(mistakes);
    }
  });
  it('speaks of what the piece has to pass', () => {
    const neck = stepsOf({ ...of('coiled-slide'), wear: { site: 'neck', turns: 1, length: 600 } });
    expect(neck.map((step) => inMm(step.title))).toContain(
      'It passes the head when it is drawn right out',
    );
  });
  it('sorts cords again that a knot has mixed, and not those that lie in order', () => {
    const titles = (id: string): string[] => stepsOf(of(id)).map((step) => inMm(step.title));
    expect(titles('floss-chevron')).toContain('Sort the cords again');
    expect(titles('floss-stripe')).toContain('Lay the cords in order');
    // Whipping keeps the order they were laid in.
    const laces = titles('seized-laces');
    expect(laces.indexOf('Lay the cords in order')).toBeLessThan(
      laces.indexOf('Whip with 6 turns'),
    );
  });
});

describe('materials', () => {
  const cuts = (piece: Piece): string[] =>
    stepsOf(piece)
      .filter(({ id }) => id.startsWith('cut-'))
      .map((step) => inMm(step.text));
  it('synthetic cord is seared as soon as it is cut, and natural cord never', () => {
    const band = stepsOf(of('two-colour-band')).slice(0, 2);
    for (const step of band) expect(inMm(step.text)).toMatch(/Singe both ends/);
    expect(band[0]!.cautions.map(({ kind }) => kind)).toContain('flame');
    for (const id of ['hemp-band', 'focal-cord', 'floss-stripe', 'seized-laces']) {
      expect(cuts(of(id)).some((words) => words.includes('Singe'))).toBe(false);
    }
    // Nor are ends that are twisted to a point, to be strung by.
    expect(cuts(of('lariat')).some((words) => words.includes('Singe'))).toBe(false);
    // Nor where its ends are not secured by a flame.
    const glued = cuts({ ...of('two-colour-band'), ends: 'glue' });
    expect(glued.some((words) => words.includes('Singe'))).toBe(false);
  });
  it('each cord has its glue, and wax is wiped off first', () => {
    const glue = (id: string): string => text(stepsOf(of(id)), 'ends-glue');
    expect(glue('focal-cord')).toMatch(/^A drop of flexible leather glue/);
    expect(glue('hemp-band')).toMatch(/^A drop of flexible textile glue/);
    expect(glue('beaded-band')).toMatch(/^Wipe the wax off\./);
    // Laces with a slider of waxed linen.
    expect(glue('seized-laces')).toMatch(/^Wipe the wax off\. .* leather or textile glue/);
  });
  it('two cords that are joined by a flame are pulled at before anything is tied', () => {
    const steps = stepsOf(of('two-colour-band'));
    expect(text(steps, 'start-1')).toMatch(/^Melt both ends .* then pull hard at it\.$/);
  });
});

describe('an odd number of half knots', () => {
  const band = (units: number): Piece => {
    const piece = of('beaded-band');
    return {
      ...piece,
      parts: piece.parts.map((part) =>
        part.id === 'square-knot-sinnet-2' ? ({ ...part, units } as Part) : part,
      ),
    };
  };
  it('is told, and whole knots are offered', () => {
    const odd = planned(band(3)).advice.find(({ code }) => code === 'sinnet.odd');
    expect(odd).toMatchObject({ severity: 'note', fix: { value: 4 } });
    expect(planned(band(4)).advice.map(({ code }) => code)).not.toContain('sinnet.odd');
  });
});

describe('what can hurt', () => {
  const child: Wearer = { ...ADULT, wrist: 138, child: true };
  it('a child’s cautions come first, before anything is cut', () => {
    const [first] = stepsOf(of('large-bead-band', child));
    expect(first!.cautions[0]!.kind).toBe('child');
  });
  it('a magnet clasp is refused for a child with its reason, and told of for others', () => {
    const wrap = of('triple-wrap', child);
    const magnet = (piece: Piece): Piece => ({
      ...piece,
      closure: { ...cordEnds.make(piece.strands[0]!.cord), clasp: 'magnet' },
    });
    const refused = planPiece(magnet(wrap));
    expect(refused.ok).toBe(false);
    expect(refused.advice.find(({ code }) => code === 'cord-ends.magnet')?.message).toMatch(
      /swallowed magnets/,
    );
    const kinds = stepsOf(magnet(of('triple-wrap'))).flatMap((s) => s.cautions.map((c) => c.kind));
    expect(kinds).toContain('magnet');
  });
  it('metal and needles are spoken of where they are handled', () => {
    const kinds = (id: string): Set<string> =>
      new Set(stepsOf(of(id)).flatMap((step) => step.cautions.map(({ kind }) => kind)));
    expect(kinds('hemp-band').has('blade')).toBe(true);
    expect(kinds('triple-wrap').has('metal')).toBe(true);
    expect(
      stepsOf(of('knotted-necklace')).some((step) =>
        step.cautions.some(({ text: words }) => words.includes('needle')),
      ),
    ).toBe(true);
  });
});
