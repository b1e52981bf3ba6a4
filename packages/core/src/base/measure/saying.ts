import type { Side } from './side.js';
import { TERMS, type TermId } from './terms.js';

/**
 * What a length in a sentence is, since that decides how it is written:
 * - `laid`: measured off by hand along a rule, in the maker's unit
 * - `cord`: cut from the spool, in the unit this maker thinks of cord in
 * - `sold`: how a thing is sold or a fine measure of it, in millimetres everywhere
 */
export type LengthUse = 'laid' | 'cord' | 'sold';

/** One piece of a sentence. Values stay values until `speak` writes them. Lengths in mm. */
export type Segment =
  | string
  | { readonly kind: 'length'; readonly mm: number; readonly use: LengthUse }
  | { readonly kind: 'count'; readonly count: number; readonly of: string }
  | { readonly kind: 'side'; readonly side: Side }
  /** A strand of the cut list, by its number and its colour. */
  | {
      readonly kind: 'cord';
      readonly number: number;
      readonly colour: string;
      /** What it is called: a strand where many are tied over each other. */
      readonly word: 'cord' | 'strand';
    }
  /** A word of the trade, as it stands there. */
  | { readonly kind: 'term'; readonly id: TermId; readonly as: string }
  | { readonly kind: 'bead'; readonly id: string; readonly name: string }
  | { readonly kind: 'part'; readonly id: string; readonly label: string };

/** A sentence as the core says it. Plain text is a sentence of one piece. */
export type Saying = string | readonly Segment[];

/** A length that a hand measures off. */
export const laid = (mm: number): Segment => ({ kind: 'length', mm, use: 'laid' });
/** A length of cord to cut or to have. */
export const cordLength = (mm: number): Segment => ({ kind: 'length', mm, use: 'cord' });
/** The size of a thing as it is sold: a bead, a hole, a clasp, the thickness of a cord. */
export const size = (mm: number): Segment => ({ kind: 'length', mm, use: 'sold' });
/** So many of a thing, called out: 'two half knots'. */
export const several = (count: number, of: string): Segment => ({ kind: 'count', count, of });
export const onSide = (side: Side): Segment => ({ kind: 'side', side });
/** A strand by its number in the cut list and its colour. */
export const cordNamed = (run: Coloured, word: 'cord' | 'strand' = 'cord'): Segment => ({
  kind: 'cord',
  number: run.strand,
  colour: run.cord.colour.name,
  word,
});
interface Coloured {
  readonly strand: number;
  readonly cord: { readonly colour: { readonly name: string } };
}
export const beadNamed = (id: string, { name }: { readonly name: string }): Segment => ({
  kind: 'bead',
  id,
  name,
});
export const partNamed = (id: string, label: string): Segment => ({ kind: 'part', id, label });

const segmentsOf = (saying: Saying): readonly Segment[] =>
  typeof saying === 'string' ? [saying] : saying;

/** Pieces put one after the other; neighbouring texts become one. */
export function join(...sayings: readonly Saying[]): Saying {
  const out: Segment[] = [];
  for (const saying of sayings) {
    for (const segment of segmentsOf(saying)) {
      const last = out.at(-1);
      if (segment === '') continue;
      if (typeof segment === 'string' && typeof last === 'string')
        out[out.length - 1] = last + segment;
      else out.push(segment);
    }
  }
  const [first] = out;
  if (first === undefined) return '';
  return out.length === 1 && typeof first === 'string' ? first : out;
}

/**
 * A sentence with values in it.
 *
 * @returns plain text where no value needs the maker's units
 * @example say`Row ${3}: ${'left'}` // 'Row 3: left'
 */
export function say(
  texts: TemplateStringsArray,
  ...values: readonly (Segment | Saying | number)[]
): Saying {
  return join(
    ...texts.flatMap((text, i): Saying[] => {
      const value = values[i];
      if (value === undefined) return [text];
      if (typeof value === 'number') return [text, String(value)];
      return [text, typeof value === 'string' || Array.isArray(value) ? value : [value as Segment]];
    }),
  );
}

/** Sayings with a text between them: a list. */
export const listed = (sayings: readonly Saying[], between = ', '): Saying =>
  join(...sayings.flatMap((saying, i) => (i === 0 ? [saying] : [between, saying])));

/** The same saying with another beginning, where it begins with a text. */
function beginning(saying: Saying, change: (text: string) => string): Saying {
  const [first = '', ...rest] = segmentsOf(saying);
  return typeof first === 'string' ? join(change(first), rest) : saying;
}

/**
 * The same saying inside a sentence: its first letter small, but for a letter that stands for a shape.
 *
 * @example inSentence('Slider of a Turk’s head') // 'slider of a Turk’s head'
 * @example inSentence('O-ring') // 'O-ring'
 */
export function inSentence(text: string): string;
export function inSentence(saying: Saying): Saying;
export function inSentence(saying: Saying): Saying {
  return beginning(saying, (text) =>
    text[1] === '-' ? text : text.slice(0, 1).toLowerCase() + text.slice(1),
  );
}

/** Whether two sayings say the same. */
export const sameSaying = (a: Saying, b: Saying): boolean =>
  a === b || JSON.stringify(a) === JSON.stringify(b);

/**
 * A word of the trade in a sentence.
 * @param as the word as it stands there, where that is not its plain form
 */
export const term = (id: TermId, as: string = TERMS[id].word): Segment => ({
  kind: 'term',
  id,
  as,
});

/** The words of the trade in some sentences, each once. */
export const termsIn = (...sayings: readonly Saying[]): TermId[] => [
  ...new Set(
    sayings.flatMap((saying) =>
      typeof saying === 'string'
        ? []
        : saying.flatMap((own) => (typeof own !== 'string' && own.kind === 'term' ? [own.id] : [])),
    ),
  ),
];
