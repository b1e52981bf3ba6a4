import { describe, expect, it } from '@jest/globals';
import { labOf, weavePicture, type Picture } from './picture.js';

const picture = (
  rows: readonly string[],
  colours: Readonly<Record<string, readonly number[]>>,
): Picture => ({
  width: rows[0]!.length,
  height: rows.length,
  data: Uint8ClampedArray.from(
    rows.flatMap((row) => [...row].flatMap((c) => [...(colours[c] ?? [0, 0, 0, 0])])),
  ),
});
const COLOURS = { w: [255, 255, 255, 255], r: [200, 30, 40, 255], b: [30, 50, 200, 255] };
const OPTIONS = { strands: 5, ground: '#ffffff', figures: ['#c81e28', '#1e32c8'], upright: false };

describe('a picture as a band', () => {
  it('shows every knot in the nearer colour, along the band', () => {
    const woven = weavePicture(picture(['wwrw', 'rrww', 'wwww', 'bwwb'], COLOURS), OPTIONS);
    expect(woven.pattern.rows).toEqual(['-|-|', '-|--', '|---', '---|']);
    expect(woven.figures).toEqual([null, 0, 0, 0, 1]);
    expect(woven.distance).toBeCloseTo(0, 6);
  });
  it('stands across the band when it is upright', () => {
    const woven = weavePicture(picture(['wwrw', 'rrww', 'wwww', 'rwwr'], COLOURS), {
      ...OPTIONS,
      upright: true,
    });
    expect(woven.pattern.rows).toHaveLength(4);
    expect(woven.pattern.rows[1]).toBe('||--');
  });
  it('takes for every strand the colour that leaves its column nearest, as trying each does', () => {
    const rows = ['rbrr', 'bbwr', 'wrbb', 'rwrb'];
    const nearest = rows.map((row) =>
      Math.min(
        ...OPTIONS.figures.map(
          (figure) =>
            weavePicture(picture([row, row], COLOURS), {
              ...OPTIONS,
              strands: 3,
              figures: [figure],
            }).distance,
        ),
      ),
    );
    const mean = nearest.reduce((sum, d) => sum + d, 0) / rows.length;
    expect(weavePicture(picture(rows, COLOURS), OPTIONS).distance).toBeCloseTo(mean, 6);
  });
  it('averages what a knot covers, and keeps the proportions', () => {
    const big = picture(
      Array.from({ length: 40 }, () => 'r'.repeat(60) + 'w'.repeat(60)),
      COLOURS,
    );
    const { pattern } = weavePicture(big, { ...OPTIONS, strands: 9 });
    expect(pattern.rows).toHaveLength(24);
    expect(pattern.rows.filter((row) => row === '||||||||')).toHaveLength(12);
  });
  it('lets the ground through where the picture is clear', () => {
    const woven = weavePicture(picture(['  r', '  r'], COLOURS), { ...OPTIONS, strands: 3 });
    expect(woven.pattern.rows).toEqual(['--', '--', '||']);
  });
  it('knows the published values of CIELAB for white and the primary red', () => {
    // CIE 15 and IEC 61966-2-1; the red from memory of common tables.
    const [l, a, b] = labOf(1, 0, 0);
    expect([l, a, b].map((v) => Math.round(v))).toEqual([53, 80, 67]);
    expect(labOf(0, 0, 0)[0]).toBeCloseTo(0, 6);
  });
  it('names what is missing', () => {
    const one = picture(['r'], COLOURS);
    expect(() => weavePicture(one, { ...OPTIONS, figures: [] })).toThrow(/colour/);
    expect(() => weavePicture(one, { ...OPTIONS, strands: 2 })).toThrow(/three strands/);
    expect(() =>
      weavePicture({ width: 0, height: 0, data: new Uint8ClampedArray() }, OPTIONS),
    ).toThrow(/empty/);
  });
});
