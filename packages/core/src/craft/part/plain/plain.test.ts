import { describe, expect, it } from '@jest/globals';
import { inMm, testRuns, testSite } from '../../../testing.js';
import { plain, type PlainPart } from './index.js';

const part: PlainPart = { id: 'p', kind: 'plain', length: null };
const site = testSite(testRuns(['core', 'core', 'working']));

describe('plain cord', () => {
  it('takes what the fit leaves when it has no length of its own', () => {
    expect(plain.fills(part)).toBe(true);
    expect(plain.layOut(part, site, 87).length).toBe(87);
    expect(plain.fills({ ...part, length: 30 })).toBe(false);
    expect(plain.layOut({ ...part, length: 30 }, site, 87).length).toBe(30);
  });
  it('takes its own length of every run', () => {
    const { uses } = plain.layOut({ ...part, length: 30 }, site, 0);
    expect(uses.map((use) => use.reason.mm)).toEqual([30, 30, 30]);
  });
  it('draws the runs side by side, none over another', () => {
    const shapes = plain.draw(part, site, plain.layOut(part, site, 50), {
      part: 'p',
      done: 1,
      firstSide: 'left',
    });
    const ys = shapes.map((s) => (s.kind === 'cord' ? (s.lines[0]?.[0]?.[1] ?? 0) : 0)).sort();
    expect(new Set(ys).size).toBe(3);
  });
  it('says how much to leave', () => {
    const [step] = plain.steps(part, site, plain.layOut(part, site, 42), 'left');
    expect(inMm(step!.title)).toContain('42 mm');
  });
});
