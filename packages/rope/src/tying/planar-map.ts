/** A stretch of a strand between two places where something happens: crossings, and where a move began or stopped. */
export interface Edge {
  readonly strand: number;
  /** What the stretch is called. */
  readonly name: string;
  /** The way that it goes from its beginning, as the words have it. */
  readonly heading: Heading;
  from: Node;
  to: Node;
}

/** Ways on the table, y away from the maker; and round a middle, for what is tied round a post. */
export const HEADINGS = {
  right: [1, 0],
  up: [0, 1],
  left: [-1, 0],
  down: [0, -1],
  outwards: [1, 0],
  anticlockwise: [0, 1],
  inwards: [-1, 0],
  clockwise: [0, -1],
} as const;
export type Heading = keyof typeof HEADINGS;

/** An edge from one of its ends, or a stretch of the rim of the picture. */
export interface Dart {
  /** Null for the rim. */
  readonly edge: Edge | null;
  readonly forward: boolean;
}

interface Node {
  readonly crossing?: true;
  /** What leaves it, counter-clockwise. */
  darts: Dart[];
}

/** Two strands over each other on the map. */
export interface MapCrossing {
  readonly late: number;
  readonly early: number;
  readonly lateOver: boolean;
  /** 1 where the later goes from the right of the earlier to its left, -1 the other way. */
  readonly side: 1 | -1;
  readonly node: object;
}

/** A strand that lies there before: it comes in over the rim; one that runs through leaves over it too. */
export interface Lying {
  readonly name: string;
  readonly heading: Heading;
  readonly through: boolean;
  /** It begins at the fold of a cord whose other half is that strand, which lies clockwise of it at the rim. */
  readonly foldOf?: number;
}

const sameDart = (a: Dart, b: Dart): boolean => a.edge === b.edge && a.forward === b.forward;
const back = ({ edge, forward }: Dart): Dart => ({ edge, forward: !forward });

/**
 * What lies on the table as a map of fields: cords are borders, and a free end lies in the field that it can reach
 * without crossing anything. It knows the order of things and no places, so that two layouts of one knot are one map.
 *
 * A combinatorial map: every node has the darts that leave it in counter-clockwise order, and the border of a field is
 * found by turning clockwise at each node (J. Edmonds, A combinatorial representation for polyhedral surfaces, 1960).
 */
export class PlanarMap {
  readonly crossings: MapCrossing[] = [];
  readonly #edges: Edge[][] = [];
  readonly #tips: Node[] = [];

  /**
   * @param rim beginnings and ends of strands on the rim, counter-clockwise: the number of the strand, and which
   */
  constructor(strands: readonly Lying[], rim: readonly (readonly [number, 'from' | 'to'])[]) {
    const places = rim.map((): Node => ({ darts: [] }));
    const placeOf = (strand: number, which: 'from' | 'to'): Node | undefined =>
      places[rim.findIndex(([s, w]) => s === strand && w === which)];
    const arcs = places.map((from, i): Edge => {
      const to = places[(i + 1) % places.length]!;
      return { strand: -1, name: '', heading: 'up', from, to };
    });
    strands.forEach(({ name, heading, through, foldOf }, strand) => {
      const from = placeOf(foldOf ?? strand, 'from');
      if (!from) throw new RangeError(`strand ${strand} does not come in over the rim`);
      const to = through ? placeOf(strand, 'to')! : { darts: [] };
      const edge: Edge = { strand, name, heading, from, to };
      this.#edges.push([edge]);
      this.#tips.push(to);
      const out: Dart = { edge, forward: true };
      if (!through) to.darts = [back(out)];
    });
    places.forEach((place, i) => {
      const [strand, which] = rim[i]!;
      const edge = this.#edges[strand]![0]!;
      const before = arcs[(i + arcs.length - 1) % arcs.length]!;
      // A fold lies at the rim, so that all of the map hangs together; nothing is led between.
      const half = strands.findIndex(({ foldOf }) => foldOf === strand && which === 'from');
      place.darts = [
        { edge: arcs[i]!, forward: true },
        ...(half < 0 ? [] : [{ edge: this.#edges[half]![0]!, forward: true }]),
        { edge, forward: which === 'from' },
        { edge: before, forward: false },
      ];
    });
  }

  /** The stretches of a strand from its beginning on. */
  edgesOf(strand: number): readonly Edge[] {
    return this.#edges[strand]!;
  }

  /** The border of the field that the free end of a strand lies in, each stretch with the field on its left. */
  around(strand: number): Dart[] {
    const start = this.#tips[strand]!.darts[0]!;
    const border: Dart[] = [];
    let dart = start;
    do {
      border.push(dart);
      const node = dart.forward ? dart.edge!.to : dart.edge!.from;
      const at = node.darts.findIndex((one) => sameDart(one, back(dart)));
      dart = node.darts[(at + node.darts.length - 1) % node.darts.length]!;
    } while (!sameDart(dart, start));
    return border.filter(({ edge }) => edge!.strand >= 0);
  }

  /**
   * Leads the free end of a strand over or under a stretch on the border of its field, into the field beyond.
   *
   * @param heading of the stretch that begins there
   * @returns the two stretches that the crossed one was split into
   */
  cross(
    strand: number,
    dart: Dart,
    lateOver: boolean,
    name: string,
    heading: Heading,
  ): readonly [Edge, Edge] {
    const target = dart.edge!;
    const node: Node = { darts: [], crossing: true };
    const tip = this.#tips[strand]!;
    const own = this.#edges[strand]!;
    // The end's own last stretch is crossed: it is two, and the latter goes on to the crossing.
    const first: Edge = { ...target, to: node };
    const second: Edge = { ...target, from: node };
    const list = this.#edges[target.strand]!;
    list.splice(list.indexOf(target), 1, first, second);
    this.#swap(target.from, { edge: target, forward: true }, { edge: first, forward: true });
    this.#swap(target.to, { edge: target, forward: false }, { edge: second, forward: false });
    const last = own.at(-1)!;
    last.to = node;
    const next: Edge = { strand, name, heading, from: node, to: { darts: [] } };
    next.to.darts = [{ edge: next, forward: false }];
    own.push(next);
    this.#tips[strand] = next.to;
    const [ahead, behind]: [Dart, Dart] = dart.forward
      ? [
          { edge: second, forward: true },
          { edge: first, forward: false },
        ]
      : [
          { edge: first, forward: false },
          { edge: second, forward: true },
        ];
    node.darts = [ahead, { edge: last, forward: false }, behind, { edge: next, forward: true }];
    tip.darts = [];
    this.crossings.push({
      late: strand,
      early: target.strand,
      lateOver,
      side: dart.forward ? -1 : 1,
      node,
    });
    return [first, second];
  }

  /** A move begins: what the end of a strand is led along from here on has a name and a heading of its own. */
  begin(strand: number, name: string, heading: Heading): void {
    const tip = this.#tips[strand]!;
    const next: Edge = { strand, name, heading, from: tip, to: { darts: [] } };
    next.to.darts = [{ edge: next, forward: false }];
    tip.darts = [...tip.darts, { edge: next, forward: true }];
    this.#edges[strand]!.push(next);
    this.#tips[strand] = next.to;
  }

  #swap(node: Node, old: Dart, now: Dart): void {
    node.darts = node.darts.map((one) => (sameDart(one, old) ? now : one));
  }

  /**
   * Its crossings as each strand comes to them from its beginning: the number of the crossing, and whether it lies
   * over there. With the side of each crossing this is the knot.
   */
  visits(): { readonly crossing: number; readonly over: boolean }[][] {
    return this.#edges.map((edges) =>
      edges.slice(1).flatMap((edge, i) => {
        const crossing = this.crossings.findIndex(({ node }) => node === edge.from);
        if (crossing < 0) return [];
        const { lateOver } = this.crossings[crossing]!;
        // What leads back the way that the later strand came by is the second of its darts.
        const late = sameDart(edge.from.darts[1]!, { edge: edges[i]!, forward: false });
        return [{ crossing, over: late === lateOver }];
      }),
    );
  }
}

/** Which of some stretches of one name is meant. */
export type Where =
  /** The one on from the crossing that was made just now, or back from it. */
  | { readonly again: 'on' | 'back' }
  /** The one beyond a stretch of that name that lies across it, short of it, or between two of that name. */
  | { readonly past: string }
  | { readonly short: string }
  | { readonly within: string }
  /** The how-many-th along its strand, from 0. */
  | { readonly place: number };

/** How a maker is told which stretch is meant. No more is told than it takes. */
export interface Which {
  readonly name: string;
  readonly heading: Heading;
  /** From which side of it, as it goes from its beginning; where the heading tells that, left out. */
  readonly from?: 'left' | 'right';
  readonly where?: Where;
}

/** Which side of a stretch something comes from that goes a way: null where it goes along with it. */
export function sideOf(edge: Pick<Edge, 'heading'>, heading: Heading): 'left' | 'right' | null {
  const [[ex, ey], [hx, hy]] = [HEADINGS[edge.heading], HEADINGS[heading]];
  const turn = ex * hy - ey * hx;
  return turn === 0 ? null : turn < 0 ? 'left' : 'right';
}

/** What lies across a stretch where it begins or ends; null where nothing does. */
function acrossAt(edge: Edge, node: Node): string | null {
  if (!node.crossing) return null;
  const other = node.darts.find((dart, i) => {
    const twin = node.darts[(i + 2) % 4]!;
    return dart.edge !== edge && twin.edge !== edge;
  });
  return other?.edge?.name ?? null;
}

/**
 * The stretches that are meant, of those that a free end can be led over or under: by their name first, and where that
 * leaves more than one, by what else is told and by the way that the end goes.
 */
export function meant(
  map: PlanarMap,
  strand: number,
  { name, heading, from, where }: Which,
): Dart[] {
  const all = map.around(strand).filter(({ edge }) => edge!.name === name);
  // Of a cord that goes up and down through the work, where it hangs free is meant before all else.
  const hanging = all.filter(({ edge }) => map.edgesOf(edge!.strand).at(-1) === edge);
  const named = where === undefined && hanging.length > 0 ? hanging : all;
  if (named.length < 2) return named;
  const made = map.crossings.at(-1)?.node;
  const there = named.filter(({ edge }) => {
    if (where === undefined || 'place' in where) return true;
    if ('again' in where) return (where.again === 'on' ? edge!.from : edge!.to) === made;
    const [past, short] = boundsOf(edge!);
    if ('within' in where) return past === where.within && short === where.within;
    return 'past' in where
      ? past === where.past && short !== past
      : short === where.short && past !== short;
  });
  const sided = there.filter(({ edge, forward }) => {
    const side = from ?? sideOf(edge!, heading);
    return side === null || side === (forward ? 'left' : 'right');
  });
  if (where === undefined || !('place' in where)) return sided;
  const order = ({ edge }: Dart): number => map.edgesOf(edge!.strand).indexOf(edge!);
  const places = [...new Set(sided.map(order))].sort((a, b) => a - b);
  return sided.filter((dart) => order(dart) === places[where.place]);
}

/** What lies across a stretch where it begins and where it ends. */
export const boundsOf = (edge: Edge): readonly [past: string | null, short: string | null] => [
  acrossAt(edge, edge.from),
  acrossAt(edge, edge.to),
];
