import type { Lead, Tying } from './tying.js';

/** One of the two legs of a bight. */
export interface Leg {
  readonly bight: string;
  readonly which: 'first' | 'second';
  /** What the other leg is called. */
  readonly twin: string;
}

/** One of a row that is told by its number. */
export interface Numbered {
  readonly of: string;
  readonly number: number;
}

/** What the stretch that a move lays is called. */
export const nameOf = ({ strands }: Tying, { strand, makes, number }: Lead): string => {
  const name = makes ?? strands[strand]!.name;
  return number === undefined ? name : `${name} ${number}`;
};

/** What the two legs of a bight are called: the one that is led out, and the one that comes back. */
export const legsOf = (bight: string): readonly [first: string, second: string] => [
  `${bight}’s first leg`,
  `${bight}’s second leg`,
];

/** What the stretches of a tying are, by what they are called. */
export class Names {
  readonly #legs = new Map<string, Leg>();
  readonly #numbers = new Map<string, Numbered>();

  constructor(tying: Tying) {
    for (const move of tying.moves) {
      const name = nameOf(tying, move);
      if (move.bight !== undefined) {
        const [first, second] = legsOf(name);
        this.#legs.set(first, { bight: name, which: 'first', twin: second });
        this.#legs.set(second, { bight: name, which: 'second', twin: first });
      }
      if (move.number !== undefined && move.makes !== undefined) {
        this.#numbers.set(name, { of: move.makes, number: move.number });
      }
    }
  }

  leg(name: string): Leg | null {
    return this.#legs.get(name) ?? null;
  }

  numbered(name: string): Numbered | null {
    return this.#numbers.get(name) ?? null;
  }

  /** As it is named in a sentence: a numbered one has no article. */
  told(name: string): string {
    return this.#numbers.has(name) ? name : `the ${name}`;
  }
}
