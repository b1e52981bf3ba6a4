import { HEADINGS, meant, PlanarMap, sideOf, type Heading, type Where } from './planar-map.js';

/** A strand as the sentences name it. */
interface Read {
  readonly name: string;
  readonly heading: Heading;
  readonly through: boolean;
  readonly foldOf?: number;
}

const COMES: Readonly<Record<string, Heading>> = {
  left: 'right',
  right: 'left',
  top: 'down',
  bottom: 'up',
};
const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'];
const bare = (name: string): string => name.replace(/^the /, '');
const both = (text: string): string[] => text.split(/, | and (?=the )/).map((one) => one.trim());
const groups = (text: string, pattern: RegExp): RegExpExecArray => {
  const found = pattern.exec(text);
  if (!found) throw new RangeError(`nobody can read “${text}”`);
  return found;
};

/**
 * Ties a knot from its sentences alone: a maker who knows the words of the glossary, and has neither pictures nor
 * moves. What it cannot read, nobody can.
 */
export class Reader {
  readonly names: string[] = [];
  readonly map: PlanarMap;
  readonly #strands: Read[] = [];
  /** What the last stretch of each strand is called. */
  readonly #made: string[] = [];

  constructor(ground: readonly string[]) {
    const [across, down, about]: number[][] = [[], [], []];
    const folds: { readonly at: string; readonly between: string | null; readonly of: number }[] =
      [];
    for (const sentence of ground) {
      const fold =
        /^Lay the fold of the cord at the (\w+)(?:, between the (.+?) and the (.+?))?: the (.+?) (?:to the )?(\w+) and the (.+?) (?:to the )?(\w+)\.$/.exec(
          sentence,
        );
      if (fold) {
        const [, at, between, , one, heads, other, otherHeads] = fold;
        const of = this.#strands.length;
        this.#lay({ name: one!.replace('end', 'fold'), heading: heads as Heading, through: false });
        this.#lay({
          name: other!.replace('end', 'fold'),
          heading: otherHeads as Heading,
          through: false,
          foldOf: of,
        });
        folds.push({ at: at!, between: between ?? null, of });
        continue;
      }
      const alike =
        /^Lay out side by side from (?:the )?(\w+), [\w ]+: (.+?)(?:; (.+) runs? through)?\.$/.exec(
          sentence,
        );
      if (alike) {
        const [, from, list, on] = alike;
        const through = both(on ?? '').map(bare);
        const heading =
          from === 'inside' ? 'outwards' : from === 'outside' ? 'inwards' : COMES[from!]!;
        for (const name of both(list!).map(bare)) {
          const strand = this.#lay({ name, heading, through: through.includes(name) });
          const group = from === 'left' || from === 'right' ? across : COMES[from!] ? down : about;
          group!.push(strand);
        }
        continue;
      }
      const [, list] = groups(sentence, /^Lay out (?:side by side, [\w ]+: )?(.+)\.$/);
      for (const one of both(list!)) {
        const [, name, from, to] = groups(one, /^the (.+?) from (?:the )?(\w+)(?: to the (\w+))?$/);
        const heading =
          from === 'inside' ? 'outwards' : from === 'outside' ? 'inwards' : COMES[from!]!;
        const strand = this.#lay({ name: name!, heading, through: to !== undefined });
        const group = from === 'left' || from === 'right' ? across : COMES[from!] ? down : about;
        group!.push(strand);
      }
    }
    this.map = new PlanarMap(this.#strands, this.#rim(across!, down!, about!, folds));
  }

  #lay(strand: Read): number {
    this.names.push(strand.name);
    this.#made.push(strand.name);
    return this.#strands.push(strand) - 1;
  }

  /** Beginnings and ends on the rim, counter-clockwise from the right: up, to the left, down, to the right again. */
  #rim(
    across: readonly number[],
    down: readonly number[],
    about: readonly number[],
    folds: readonly { readonly at: string; readonly between: string | null; readonly of: number }[],
  ): [number, 'from' | 'to'][] {
    const at = (side: string, strands: readonly number[]): [number, 'from' | 'to'][] =>
      strands.flatMap((strand): [number, 'from' | 'to'][] => {
        const { heading, through } = this.#strands[strand]!;
        const own: [number, 'from' | 'to'][] =
          Object.entries(COMES).find(([, one]) => one === heading)![0] === side
            ? [[strand, 'from']]
            : through && heading === side.replace('top', 'up').replace('bottom', 'down')
              ? [[strand, 'to']]
              : [];
        const beside = folds.find(
          (one) => one.at === side && one.between === this.#strands[strand]!.name,
        );
        return beside ? [...own, [beside.of, 'from']] : own;
      });
    const alone = (side: string): [number, 'from'][] =>
      folds.filter((one) => one.at === side && one.between === null).map(({ of }) => [of, 'from']);
    if (about.length > 0) {
      const round = about.map((strand): [number, 'from'] => [strand, 'from']);
      return this.#strands[about[0]!]!.heading === 'outwards' ? round.reverse() : round;
    }
    return [
      ...at('right', [...across].reverse()),
      ...alone('right'),
      ...at('top', down).reverse(),
      ...alone('top'),
      ...at('left', across),
      ...alone('left'),
      ...at('bottom', down),
      ...alone('bottom'),
    ];
  }

  /** The strand that an end belongs to: the only one that is free, or the one that is called like it. */
  #strandOf(end: string): number {
    const free = this.#strands.flatMap(({ through }, i) => (through ? [] : [i]));
    if (free.length === 1) return free[0]!;
    const like = free.find((i) => {
      const { name } = this.#strands[i]!;
      return name === end || name.replace(/ (cord|fold)$/, '') === end.replace(/ end$/, '');
    });
    if (like === undefined) throw new RangeError(`nobody knows which end the ${end} is`);
    return like;
  }

  /** Makes the move that a sentence tells. */
  follow(sentence: string): void {
    const [, makes, bight, end, rest] = groups(
      sentence,
      /^(?:(?:Make|Go on with) (?:the )?(.+?): )?\w+ (a bight of )?the (.+?)(?= round| to the| up| down| inwards| outwards| clockwise| anticlockwise)(.+?)(?:, while the other hand holds .+)?\.$/,
    );
    const strand = this.#strandOf(end!);
    const name = makes ?? this.#strands[strand]!.name;
    const [out, back] = bight ? [`${name}’s first leg`, `${name}’s second leg`] : [name, name];
    const way = rest!.trim().replace(/^round (anti)?clockwise, /, '');
    const hangs = way.endsWith(', and let it hang');
    const side = /, end on the (left|right)$/.exec(way)?.[1];
    const told = way.replace(/, and let it hang$/, '').replace(/, end on the (left|right)$/, '');
    const passes = this.#passes(told);
    const heading = passes[0]?.heading ?? headingIn(told)!;
    this.map.begin(strand, out, heading);
    const crossed = passes.flatMap((pass, i) => {
      const heads = hangs && i === passes.length - 1 ? 'down' : pass.heading;
      return this.#pass(strand, pass, out, heads);
    });
    if (!side) return;
    this.map.begin(strand, back, opposite(passes.at(-1)?.heading ?? heading));
    // Back past the same stretches, beside where it went out: each crossing has what lies ahead of it on its left.
    for (const { node, over } of crossed.reverse()) {
      const [ahead, , behind] = node.darts;
      const dart = side === 'left' ? { edge: ahead!.edge, forward: !ahead!.forward } : behind!;
      this.map.cross(strand, dart, over, back, opposite(heading));
    }
  }

  #pass(
    strand: number,
    pass: ReadPass,
    name: string,
    heads: Heading,
  ): { node: { darts: readonly { edge: never; forward: boolean }[] }; over: boolean }[] {
    const find = (called: string, where?: Where) =>
      meant(this.map, strand, {
        name: called,
        heading: pass.heading,
        ...(pass.from ? { from: pass.from } : {}),
        ...(where ? { where } : {}),
      });
    const names = pass.both
      ? [`${pass.name}’s second leg`, `${pass.name}’s first leg`]
      : [pass.name];
    // Of both legs of a bight the nearer comes first: the one that is reached on the way that is told.
    const near = (called: string): boolean =>
      find(called, pass.where).some(
        ({ edge, forward }) => sideOf(edge!, pass.heading) === (forward ? 'left' : 'right'),
      );
    if (pass.both && !near(names[0]!)) names.reverse();
    return names.map((called, i) => {
      const darts = find(called, i === 0 ? pass.where : undefined);
      if (darts.length !== 1) {
        throw new RangeError(`the ${called} can be meant in ${darts.length} ways`);
      }
      this.map.cross(strand, darts[0]!, pass.over, name, heads);
      return { node: this.map.crossings.at(-1)!.node as never, over: pass.over };
    });
  }

  #passes(text: string): ReadPass[] {
    let heading: Heading | null = null;
    let last = '';
    return text.split(', then ').flatMap((go): ReadPass[] => {
      const found = /^(.*?)\b(over|under) (.+)$/.exec(go);
      if (!found) return [];
      heading = headingIn(found[1]!) ?? heading;
      const over = found[2] === 'over';
      const numbered = /^(\w+)s ((?:\d+(?:, | and )?)+)$/.exec(found[3]!);
      const stretches = numbered
        ? numbered[2]!.split(/, | and /).map((n) => `${numbered[1]!} ${n}`)
        : found[3]!.split(/, | and /);
      return stretches.map((stretch): ReadPass => {
        const pass = readStretch(stretch, last, over, heading!);
        last = pass.name;
        return pass;
      });
    });
  }
}

interface ReadPass {
  readonly name: string;
  readonly over: boolean;
  readonly heading: Heading;
  readonly both: boolean;
  readonly from?: 'left' | 'right';
  readonly where?: Where;
}

function readStretch(text: string, last: string, over: boolean, heading: Heading): ReadPass {
  const from = / from its (left|right)$/.exec(text)?.[1] as 'left' | 'right' | undefined;
  let what = text.replace(/ from its (left|right)$/, '');
  let where: Where | undefined;
  const take = (pattern: RegExp, make: (found: RegExpExecArray) => Where): void => {
    const found = pattern.exec(what);
    if (!found) return;
    where = make(found);
    what = what.replace(pattern, '');
  };
  take(/ further (on|back)$/, ([, again]) => ({ again: again as 'on' | 'back' }));
  take(/ beyond (.+)$/, ([, name]) => ({ past: bare(name!) }));
  take(/ before (.+)$/, ([, name]) => ({ short: bare(name!) }));
  take(/ within (.+)$/, ([, name]) => ({ within: bare(name!) }));
  take(/^the (\w+) reach of /, ([, word]) => ({ place: ORDINALS.indexOf(word!) }));
  const both = what.startsWith('both legs of ');
  const leg = /^its ((?:first|second) leg)$/.exec(what)?.[1];
  const full = leg ? last.replace(/(first|second) leg$/, leg) : what;
  const name = full === 'it' ? last : bare(full.replace(/^both legs of /, ''));
  return {
    name,
    over,
    heading,
    both,
    ...(from ? { from } : {}),
    ...(where ? { where } : {}),
  };
}

const headingIn = (text: string): Heading | null =>
  (Object.keys(HEADINGS) as Heading[]).find((one) => new RegExp(`\\b${one}\\b`).test(text)) ?? null;

function opposite(heading: Heading): Heading {
  const [x, y] = HEADINGS[heading];
  const round = ['outwards', 'inwards', 'clockwise', 'anticlockwise'].includes(heading);
  return (Object.entries(HEADINGS) as [Heading, readonly [number, number]][]).find(
    ([one, [u, v]]) =>
      u === -x &&
      v === -y &&
      ['outwards', 'inwards', 'clockwise', 'anticlockwise'].includes(one) === round,
  )![0];
}
