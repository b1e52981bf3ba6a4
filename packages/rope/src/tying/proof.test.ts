import { describe, expect, it } from '@jest/globals';

import type { Point, Point3 } from '../base/point.js';

import { jones } from '../link/bracket.js';
import { diagramOf, linking } from '../link/diagram.js';
import { closedUp } from '../link/closing.js';
import {
  BORROMEAN,
  EIGHT_18,
  FIGURE_EIGHT,
  ofTorus,
  product,
  TEN_123,
  TREFOIL,
  whole,
} from '../link/testing.js';
import { closedLayout, cordsInSpace } from './closed.js';
import { layOut } from './layout.js';
import { closedCell } from './reference.js';
import { mirror } from './tying.js';
import { layoutOf, tellingOf, TYING_IDS, tyingOf } from './tyings.js';

const known = (curves: readonly (readonly Point3[])[]): string => jones(diagramOf(curves)).join();
const ofTying = (id: string): string => known(closedLayout(layoutOf(tyingOf(id))));

/** Closed up these have too many crossings for a bracket to take less than seconds: smaller ones of the family stand for them. */
const LARGE =
  /^(turks-head\..*\.[23]|coil\.(straw\.[56]|bight\.\d)|whipping|seizing|carrick\.[34]|spiral|square-knot-slider)$/;
const SMALL = TYING_IDS.filter((id) => !LARGE.test(id));
/** Turned over one by one, each of their passes is another bracket; what has the very moves of another is asked there. */
const FLIPPED = SMALL.filter(
  (id) =>
    !/^(diamond\.[24]|sliding(-wound)?\.3|turks-head\.3x5\.1|half-knot\.right\..|band\.back.*|loop-knot|at-bead\..*|.*\.bundles)$/.test(
      id,
    ),
);

/** How often each cord goes round each before it. */
const linkings = (diagram: ReturnType<typeof diagramOf>): number[] =>
  Array.from({ length: diagram.components }, (_, one) =>
    Array.from({ length: one }, (__, other) => linking(diagram, one, other)),
  ).flat();

describe('a tying and the curve that its numbers come from', () => {
  const celled = SMALL.filter((id) => tyingOf(id).cell !== undefined);
  it.each(celled.map((id) => [id]))('%s is one knot, seen from one side', (id) => {
    const cell = closedCell(tyingOf(id))!;
    expect(ofTying(id)).toBe(known(cell));
    const [laid, drawn] = [diagramOf(closedLayout(layoutOf(tyingOf(id)))), diagramOf(cell)];
    const [own, theirs] = [laid, drawn].map(linkings);
    // A round plait has no first strand: its cords stand in the order in which they happen to be cut.
    const inAnyOrder = tyingOf(id).cell!.startsWith('plait.four-round');
    expect(inAnyOrder ? own!.sort() : own).toEqual(inAnyOrder ? theirs!.sort() : theirs);
  });
});

/** Both cords of a bend as one ring: the ends joined to each other, and where they come in. */
function asRing(id: string): number[] {
  const [left, right] = cordsInSpace(layoutOf(tyingOf(id)));
  return jones(
    diagramOf(
      closedUp([[...left!, ...over(left!.at(-1)!, right!.at(-1)!), ...[...right!].reverse()]]),
    ),
  );
}
/** From one end to another, high over all that is there. */
const over = ([x, y]: Point3, [u, v]: Point3): Point3[] => [
  [x - 3, y + 3, 20],
  [u + 3, v + 3, 20],
];

/* Their sources stand beside the polynomials. */
describe('published knots', () => {
  const closed = (id: string): number[] => jones(diagramOf(closedLayout(layoutOf(tyingOf(id)))));
  it.each([
    ['overhand', TREFOIL],
    ['figure-eight', FIGURE_EIGHT],
    ['double-barrel', ofTorus(2, 5)],
    ['triple-barrel', ofTorus(2, 7)],
    ['turks-head.3x2.1', FIGURE_EIGHT],
    ['turks-head.3x4.1', whole(-4, ...EIGHT_18)],
    ['turks-head.3x5.1', whole(-5, ...TEN_123)],
    ['plait.three', whole(-3, ...BORROMEAN)],
    // Nothing holds them: both ends pulled, they run out.
    ['slip-knot', whole(0, 1)],
    ['chain-stitch', whole(0, 1)],
  ])('%s, closed up, is the knot of that name', (id, want) => {
    expect(closed(id)).toEqual(want);
  });
  it('a square knot of two ends, joined to a ring, is a trefoil and its mirror image, a granny two trefoils', () => {
    expect(asRing('square-bend')).toEqual(product(TREFOIL, whole(-4, -1, 1, 0, 1)));
    expect(asRing('granny-bend')).toEqual(product(TREFOIL, TREFOIL));
  });
  it('a cow hitch tied with an end is the lark’s head that is put on at the fold', () => {
    expect(closed('cow-hitch')).toEqual(closed('larks-head.ring.front'));
  });
  it.each([1, 2, 3])(
    'a sliding knot of %i turns goes round the other cord so many times',
    (turns) => {
      const diagram = diagramOf(closedLayout(layoutOf(tyingOf(`sliding.${turns}`))));
      expect(Math.abs(linking(diagram, 0, 1))).toBe(turns);
    },
  );
});

describe('an eye tied round its own cord', () => {
  it.each([1, 2])('of %i turns is, cut open, the sliding knot on another cord', (turns) => {
    const [cord] = cordsInSpace(layoutOf(tyingOf(`loop.${turns}`)));
    const far = Math.max(...cord!.map(([x]) => x));
    const tip = cord!.findIndex(([x]) => x === far);
    expect(known(closedUp([cord!.slice(tip + 1), cord!.slice(0, tip)]))).toBe(
      ofTying(`sliding.${turns}`),
    );
  });
});

/**
 * Passes whose turning over is not told, as move and pass, and why. A slip knot and a chain run out when both ends are
 * pulled: closed up they are no knot, whatever their passes. The end of a coil may come in and go out on either side of
 * its outermost turns, which lie round it all the same. An eye tied round its own cord runs out as a slip knot does: cut
 * open it is asked above. What lies in the last bight of a bow comes out with it. A hitch goes once round its bundle
 * whichever of its own passes lies outside.
 */
const UNTOLD: Readonly<Record<string, string>> = {
  'slip-knot': '1.1 2.1 2.2',
  'chain-stitch': '1.1 2.1 2.2 3.1 3.2',
  'loop.1': '3.2 4.1',
  'loop.2': '4.4 5.1',
  'ring-knot.1': '3.2 4.1',
  'ring-knot.2': '4.4 5.1',
  'bow.half': '5.1 5.2',
  bow: '6.1 6.2',
  'spiral-hitch': '3.1',
  'coil.straw.3': '4.1 4.6',
  'coil.straw.4': '5.1 5.8',
};

describe('one pass wrong', () => {
  it.each(FLIPPED.map((id) => [id]))('makes another knot of %s', (id) => {
    const tying = tyingOf(id);
    const right = ofTying(id);
    const same = tying.moves.flatMap((move, m) =>
      [...move.passes].flatMap((pass, at) => {
        const passes = `${move.passes.slice(0, at)}${pass === 'o' ? 'u' : 'o'}${move.passes.slice(at + 1)}`;
        const wrong = {
          ...tying,
          moves: tying.moves.map((one, i) => (i === m ? { ...one, passes } : one)),
        };
        return known(closedLayout(layOut(wrong))) === right ? [`${m + 1}.${at + 1}`] : [];
      }),
    );
    expect(same.join(' ')).toBe(UNTOLD[id] ?? '');
  });
});

/** How long a stretch of a line is, between two places along it. */
function wayBetween(line: readonly Point[], from: number, to: number): number {
  const at = (along: number): Point => {
    const i = Math.min(line.length - 2, Math.floor(along));
    const [[x, y], [u, v]] = [line[i]!, line[i + 1]!];
    return [x + (along - i) * (u - x), y + (along - i) * (v - y)];
  };
  const points = [at(from), ...line.slice(Math.floor(from) + 1, Math.floor(to) + 1), at(to)];
  return points
    .slice(1)
    .reduce((sum, [x, y], i) => sum + Math.hypot(x - points[i]![0], y - points[i]![1]), 0);
}

describe('fingers', () => {
  // The end of a coil by a straw goes through that straw, round which its turns are wound.
  it.each(TYING_IDS.filter((id) => !id.startsWith('coil.straw')).map((id) => [id]))(
    'find every loop of %s open by two diameters where an end goes down through it, or up',
    (id) => {
      const { board, crossings } = layoutOf(tyingOf(id));
      board.cords.forEach((line, strand) => {
        const own = crossings.filter(({ late }) => late.cord === strand);
        own.slice(1).forEach(({ late, lateOver }, i) => {
          const before = own[i]!;
          if (before.lateOver === lateOver) return;
          // Half of each of the two cords that it passes lies between.
          const open = wayBetween(line, before.late.along, late.along) - 1;
          expect(open).toBeGreaterThan(2);
        });
      });
    },
  );
});

/** Left and right, and the ways round, changed in a sentence. */
const changed = (text: string): string =>
  text.replace(
    /\b(left|right|clockwise|anticlockwise)\b/g,
    (one) =>
      ({ left: 'right', right: 'left', clockwise: 'anticlockwise', anticlockwise: 'clockwise' })[
        one
      ]!,
  );

describe('a left hand', () => {
  it.each(TYING_IDS.map((id) => [id]))(
    'ties the mirror image of %s, in words and in space',
    (id) => {
      const tying = tyingOf(id);
      const left = mirror(tying);
      // A folded cord goes on from its other half.
      const points = (curves: readonly (readonly Point3[])[], hand: 1 | -1): Point3[][] =>
        curves.map((cord) =>
          cord
            .map(([x, y, z]): Point3 => [hand * x || 0, y, z])
            .sort((a, b) => a[0] - b[0] || a[1] - b[1] || a[2] - b[2]),
        );
      expect(points(cordsInSpace(layoutOf(left)), 1)).toEqual(
        points(cordsInSpace(layoutOf(tying)), -1),
      );
      expect(tellingOf(left).moves).toEqual(tellingOf(tying).moves.map(changed));
    },
  );
});
