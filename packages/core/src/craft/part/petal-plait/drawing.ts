import type { PartLayout, PartSite } from '../../../base/kind/part-kind.js';
import type { CordStroke, Point, Primitive } from '../../../base/kind/primitive.js';
import type { Run } from '../../../base/kind/run.js';
import { edgeBumps } from '../../knot/edge.js';
import { turnRadius } from '../../knot/snug-petal.js';
import { moved, strokeOf } from '../../knot/stroke.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { edgeOfPlait, plaitStrokes, stretchStrokes, type Stretch } from '../plait/drawing.js';
import type { Plaiting } from '../plait/model.js';
import {
  beside,
  isSnug,
  lengthsOf,
  LOOP,
  outermost,
  snugOf,
  type PetalPlaitPart,
} from './model.js';

type View = 'above' | 'edge';

/** Points along a turn or half a turn. */
const SAMPLES = 24;

function loop(x: number, y: number, side: 1 | -1, cord: number): Point[] {
  const [a, b] = [LOOP.along * cord, LOOP.out * cord];
  return Array.from({ length: SAMPLES + 1 }, (_, i): Point => {
    const t = (2 * Math.PI * i) / SAMPLES;
    return [x + a * Math.sin(t), y + side * b * (1 - Math.cos(t))];
  });
}

const edgesOf = (part: PetalPlaitPart, site: PartSite, unit: number): readonly [number, number] =>
  outermost((unit + 1) * part.crossings, site.crossed);

function loopsAbove(
  part: PetalPlaitPart,
  site: PartSite,
  plaiting: Plaiting,
  pitch: number,
  done: number,
): Primitive[] {
  return Array.from({ length: part.repeats }, (_, i) => i).flatMap((i): Primitive[] =>
    edgesOf(part, site, i).map((bundle, k) => {
      const side = k === 0 ? -1 : 1;
      return strokeOf(
        plaiting.bundles[bundle]![0]!,
        `${part.id}-petal-${i}-${k}`,
        part.id,
        [loop((i + 1) * pitch - plaiting.d / 2, side * plaiting.d, side, part.petal)],
        i < done ? 'laid' : 'planned',
        'round',
      );
    }),
  );
}

/**
 * A turn of one strand round the one beside it, from x on: two helices about one line, opposite each other,
 * each with as much cord as its strand takes. What lies behind is drawn first.
 */
function turn(
  part: PetalPlaitPart,
  plaiting: Plaiting,
  bundles: readonly [turning: number, turned: number],
  x: number,
  side: 1 | -1,
  state: CordStroke['state'],
  name: string,
  view: View,
): Primitive[] {
  const { along, turning, turned } = snugOf(part, plaiting);
  const line = (radius: number, from: number, to: number): Point[] =>
    Array.from({ length: SAMPLES + 1 }, (_, i): Point => {
      const share = from + ((to - from) * i) / SAMPLES;
      const angle = 2 * Math.PI * share;
      // Out at the side where it begins, then over the front and back behind.
      const across = side * (plaiting.d + radius * Math.cos(angle));
      return [x + share * along, view === 'above' ? across : -radius * Math.sin(angle)];
    });
  const drawn = (
    [runs, radius]: readonly [readonly Run[], number],
    from: number,
    to: number,
    key: string,
  ): CordStroke[] =>
    runs.map((run, i) => {
      const aside = (i - (runs.length - 1) / 2) * effectiveDiameter(run.cord) * 0.92;
      return strokeOf(
        run,
        `${part.id}-${name}-${key}-${i}`,
        part.id,
        [line(radius, from, to).map(([px, py]): Point => [px, py + aside])],
        state,
      );
    });
  const outer = [plaiting.bundles[bundles[0]]!, turnRadius(turning, along)] as const;
  const inner = [plaiting.bundles[bundles[1]]!, -turnRadius(turned, along)] as const;
  return [
    ...drawn(outer, 0.5, 1, 'behind'),
    ...drawn(inner, 0, 1, 'within'),
    ...drawn(outer, 0, 0.5, 'before'),
  ];
}

/** Every repeat: its crossings, and then both petals. */
function snugRepeats(
  part: PetalPlaitPart,
  site: PartSite,
  plaiting: Plaiting,
  done: number,
  view: View,
): Primitive[] {
  const { plaited, petals } = lengthsOf(part, plaiting);
  const units = Array.from({ length: part.repeats }, (_, i) => i);
  const stretch = (i: number): Stretch => ({
    from: i * plaited,
    to: (i + 1) * plaited,
    further: i * petals,
  });
  const crossed = (['planned', 'laid'] as const).flatMap((state) =>
    stretchStrokes(
      plaiting,
      part.id,
      units.filter((i) => i < done === (state === 'laid')).map(stretch),
      state,
      view,
      view,
    ),
  );
  const turns = units.flatMap((i): Primitive[] => {
    const round = beside((i + 1) * part.crossings, site.crossed);
    const x = (i + 1) * plaited + i * petals;
    return edgesOf(part, site, i).flatMap((bundle, k) =>
      // From the edge the nearer side hides the other.
      view === 'edge' && k === 1
        ? []
        : turn(
            part,
            plaiting,
            [bundle, round[k]!],
            x,
            k === 0 ? -1 : 1,
            i < done ? 'laid' : 'planned',
            `${view}-${i}-petal-${k}`,
            view,
          ),
    );
  });
  return [...crossed, ...turns];
}

/** The part from above, so many repeats of it done. */
export function drawPetals(
  part: PetalPlaitPart,
  site: PartSite,
  plaiting: Plaiting,
  { length, pitch }: PartLayout,
  done: number,
): Primitive[] {
  if (isSnug(part)) return snugRepeats(part, site, plaiting, done, 'above');
  const till = Math.min(length, done * pitch);
  return [
    ...loopsAbove(part, site, plaiting, pitch, done),
    ...plaitStrokes(plaiting, part.id, till, length, 'planned'),
    ...plaitStrokes(plaiting, part.id, 0, till, 'laid'),
  ];
}

/** The part from its edge: the nearer petals hide the plait behind them. */
export function drawPetalsEdge(
  part: PetalPlaitPart,
  site: PartSite,
  plaiting: Plaiting,
  layout: PartLayout,
): Primitive[] {
  if (isSnug(part)) {
    const all = snugRepeats(part, site, plaiting, part.repeats, 'edge');
    return moved(all, 0, -layout.thickness / 2);
  }
  const petals = Array.from({ length: part.repeats }, (_, i) =>
    edgeBumps(
      plaiting.bundles[edgesOf(part, site, i)[0]]![0]!,
      part.id,
      `petal-${i}`,
      [{ at: (i + 1) * layout.pitch - plaiting.d / 2, reach: LOOP.along * part.petal }],
      layout.thickness / 2,
    ),
  );
  return [...edgeOfPlait(plaiting, part.id, layout), ...petals];
}
