import { describe, expect, it } from '@jest/globals';
import { drawBench, EXAMPLE_PIECE, planPiece, type Plan, type Piece } from '@coiled-strand/core';
import { renderIn } from '../../../testing';
import { MiniPiece } from './mini-piece';
import { Ruler, RULER_HEIGHT } from './ruler';
import { Shapes } from './shapes';

const plan = planPiece(EXAMPLE_PIECE) as Plan;
const draw = (done?: number) =>
  drawBench(EXAMPLE_PIECE, plan, {
    firstSide: 'left',
    tails: true,
    ...(done === undefined ? {} : { done: { band: done } }),
  });

describe('shapes', () => {
  it('are drawn in painter’s order, every cord with its number and part', () => {
    const { container } = renderIn(
      {},
      <svg>
        <Shapes shapes={draw().shapes} />
      </svg>,
    );
    const drawn = [...container.querySelectorAll('[data-part]')];
    expect(drawn).toHaveLength(draw().shapes.length);
    expect(drawn[0]?.classList.contains('plate')).toBe(true);
    for (const cord of container.querySelectorAll('.cord')) {
      expect(cord.getAttribute('data-strand')).toBe('1');
      expect(cord.querySelector('path')?.getAttribute('d')).toMatch(/^M/);
    }
  });

  it('fade what is planned as a whole, and nothing that is laid', () => {
    const { container } = renderIn(
      {},
      <svg>
        <Shapes shapes={draw(7).shapes} />
      </svg>,
    );
    expect(container.querySelectorAll('.planned .cord-planned').length).toBe(4);
    expect(container.querySelectorAll('.planned .cord-laid').length).toBe(0);
    expect(container.querySelectorAll('.cord-laid').length).toBeGreaterThan(4);
  });

  it('stroke each cord at its diameter under tension', () => {
    const { container } = renderIn(
      {},
      <svg>
        <Shapes shapes={draw().shapes} />
      </svg>,
    );
    const widths = [...container.querySelectorAll('.cord > path:first-child')].map((path) =>
      Number(path.getAttribute('stroke-width')),
    );
    expect(new Set(widths.map((w) => w.toFixed(6)))).toEqual(new Set(['3.600000']));
  });
});

describe('the rule', () => {
  const ticks = (scale: number, unit: 'cm' | 'in') => {
    const { container } = renderIn(
      {},
      <svg>
        <Ruler width={800} top={100} scale={scale} x={-20} unit={unit} />
      </svg>,
    );
    return [...container.querySelectorAll('text')].map((text) => ({
      label: text.textContent,
      x: Number(text.getAttribute('x')),
      y: Number(text.getAttribute('y')),
    }));
  };
  it('numbers centimetres where they are at the scale of the drawing', () => {
    const labels = ticks(4, 'cm');
    for (const { label, x } of labels.filter((l) => /^-?\d+$/.test(l.label ?? ''))) {
      expect(x).toBeCloseTo((Number(label) * 10 + 20) * 4, 9);
    }
    expect(labels.map((l) => l.label)).toContain('0');
    expect(labels.at(-1)?.label).toBe('cm');
    expect(labels[0]?.y).toBeLessThan(100 + RULER_HEIGHT);
  });
  it('numbers inches in an inch workshop', () => {
    for (const { label, x } of ticks(4, 'in').filter((l) => /^-?\d+$/.test(l.label ?? ''))) {
      expect(x).toBeCloseTo((Number(label) * 25.4 + 20) * 4, 6);
    }
  });
});

describe('a small drawing', () => {
  it('shows how far a make is', () => {
    const planned = (done: number): number =>
      renderIn(
        {},
        <MiniPiece piece={EXAMPLE_PIECE} height={80} done={{ band: done }} />,
      ).container.querySelectorAll('.cord-planned').length;
    expect(planned(5)).toBe(4);
    expect(planned(1000)).toBe(0);
  });
  it('shows nothing of a piece that cannot be planned', () => {
    const tiny: Piece = { ...EXAMPLE_PIECE, wearer: { name: 'x', wrist: 17 } };
    expect(
      renderIn({}, <MiniPiece piece={tiny} height={80} />).container.querySelector('svg'),
    ).toBeNull();
  });
});
