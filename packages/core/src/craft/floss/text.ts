import type { Colour } from '../../base/material/cord.js';
import { CROSSINGS } from './crossing.js';
import {
  firstPlace,
  placeStep,
  repeatFault,
  rowFault,
  signsOf,
  type FlossPattern,
  type Lay,
} from './pattern.js';

/** A band as it is written down: its pattern, and a colour for each strand. */
export interface WrittenBand {
  readonly pattern: FlossPattern;
  /** How many strands it is tied with. */
  readonly strands: number;
  /** Which of `colours` the strand at each place has, from the left; null where the text does not say. */
  readonly places: readonly number[] | null;
  /** Colours by number; null for one that is only told apart from the others. */
  readonly colours: readonly (Colour | null)[];
}

/** What is wrong with a line of a text, counted from 1; line 0 is the text as a whole. */
export interface LineFault {
  readonly line: number;
  readonly message: string;
}

/** Longer texts than this are no band: 400 rows of 59 knots, with room between them. */
const MAX_CHARACTERS = 100_000;
/** So many faults are told, however many there are. */
const MAX_FAULTS = 20;

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789';

/**
 * Writes a band as plain text: one line for each row, a sign for each knot at its place.
 *
 * @param colours of the strand at each place, from the left
 * @example writeBand({ lay: 'leader', rows: ['-|'] }, ['#aa0000', '#00aa00', '#00aa00'].map((hex) => ({ name: hex, hex }))).split('\n')[0] // 'strands: A B B'
 */
export function writeBand({ lay, rows }: FlossPattern, colours: readonly Colour[]): string {
  const own = colours.filter(
    (colour, i) => colours.findIndex((other) => same(other, colour)) === i,
  );
  const letterOf = (colour: Colour): string => LETTERS[own.findIndex((one) => same(one, colour))]!;
  return [
    `strands: ${colours.map(letterOf).join(' ')}`,
    ...own.map((colour) => `${letterOf(colour)} = ${colour.hex} ${oneLine(colour.name)}`.trimEnd()),
    '',
    ...rows.map((row, r) => ' '.repeat(firstPlace(lay, r)) + [...row].join(gap(lay))),
    '',
  ].join('\n');
}

const same = (a: Colour, b: Colour): boolean => a.hex === b.hex && a.name === b.name;
const oneLine = (name: string): string => name.replace(/\s+/g, ' ').trim();
/** Each sign stands under its place. */
const gap = (lay: Lay): string => ' '.repeat(placeStep(lay) - 1);

/** The lines of a text, each of one kind. */
interface Lines {
  readonly rows: { readonly line: number; readonly signs: string }[];
  readonly strands: { readonly line: number; readonly letters: readonly string[] }[];
  readonly colours: Map<string, Colour>;
  readonly faults: LineFault[];
}

/**
 * Reads a band as {@link writeBand} writes it, or as a hand types it. Lines may come in any order:
 *
 * - `strands: A B B A` or `strands: ABBA`, a letter or digit for each strand from the left; may be left out
 * - `A = #b3324a Brick`, a colour; a letter without one takes what colour the band has
 * - signs of knots, with or without spaces and a number of the row (`3:`): a row
 * - empty ones, and those that begin with `#`: not read
 *
 * The signs tell the lay: `-` and `|` a leader's rows, all others crossings.
 *
 * @example readBand('>\n>\n') // { ok: true, value: { pattern: { lay: 'crossing', rows: ['>', '>'] }, strands: 3, places: null, colours: [] } }
 */
export function readBand(
  text: string,
):
  | { readonly ok: true; readonly value: WrittenBand }
  | { readonly ok: false; readonly faults: readonly LineFault[] } {
  if (text.length > MAX_CHARACTERS) return refused(0, 'This is too long for one repeat of a band.');
  const { rows, strands: told, colours, faults } = linesOf(text);
  if (faults.length > 0) return { ok: false, faults: faults.slice(0, MAX_FAULTS) };
  if (rows.length === 0) {
    return refused(0, `There is no row of knots. Write each as a line of ${CROSSINGS.join(' ')}.`);
  }
  if (told.length > 1) {
    return refused(told[1]!.line, 'The strands are told twice. Leave one of the lines out.');
  }
  const lay = layOf(rows.map(({ signs }) => signs).join(''));
  const odd = rows.find(({ signs }) => [...signs].some((sign) => !signsOf(lay).includes(sign)));
  if (odd) {
    return refused(
      odd.line,
      `Signs of a leader’s rows (${signsOf('leader').join(' ')}) and of crossings (${CROSSINGS.join(' ')}) do not go into one pattern.`,
    );
  }
  const pattern = { lay, rows: rows.map(({ signs }) => signs) };
  const strands = told[0]?.letters.length ?? strandsOf(pattern);
  const whole = repeatFault(pattern, strands);
  if (whole !== null) return refused(0, `${whole.message} ${whole.remedy}`);
  const bad = rows.flatMap(({ line, signs }, r): LineFault[] => {
    const fault = rowFault(lay, signs, r, strands);
    return fault === null ? [] : [{ line, message: `${fault.message} ${fault.remedy}` }];
  });
  if (bad.length > 0) return { ok: false, faults: bad.slice(0, MAX_FAULTS) };
  const letters = [...new Set(told[0]?.letters)];
  return {
    ok: true,
    value: {
      pattern,
      strands,
      places: told[0]?.letters.map((letter) => letters.indexOf(letter)) ?? null,
      colours: letters.map((letter) => colours.get(letter) ?? null),
    },
  };
}

const refused = (line: number, message: string) =>
  ({ ok: false, faults: [{ line, message }] }) as const;

const layOf = (signs: string): Lay => (/[-|]/.test(signs) ? 'leader' : 'crossing');

/** How many strands the first rows are for. */
const strandsOf = ({ lay, rows: [first = '', second = ''] }: FlossPattern): number =>
  lay === 'leader' ? first.length + 1 : first.length + second.length + 1;

function linesOf(text: string): Lines {
  const lines: Lines = { rows: [], strands: [], colours: new Map(), faults: [] };
  for (const [i, raw] of text
    .replace(/^\ufeff/, '')
    .split(/\r\n|\r|\n/)
    .entries()) {
    const line = i + 1;
    const fault = (message: string) => lines.faults.push({ line, message });
    const words = raw.trim();
    if (words === '' || words.startsWith('#')) continue;
    const strands = /^strands\s*:(.*)$/iu.exec(words);
    const colour = /^([A-Za-z0-9])\s*=\s*(#[0-9a-fA-F]{6})?(.*)$/u.exec(words);
    if (strands) {
      const letters = [...strands[1]!.replace(/\s+/g, '')];
      const strange = letters.find((letter) => !LETTERS.includes(letter));
      if (strange === undefined) lines.strands.push({ line, letters });
      else fault(`“${strange}” stands for no strand. Write a letter or a digit for each.`);
    } else if (colour) {
      const [, letter = '', hex, name = ''] = colour;
      if (hex === undefined) fault(`Write the colour as ${letter} = #b3324a Brick.`);
      else if (lines.colours.has(letter)) fault(`The colour of ${letter} is told twice.`);
      else lines.colours.set(letter, { name: oneLine(name).slice(0, 60) || hex, hex });
    } else {
      const signs = words.replace(/^\d+:/, '').replace(/\s+/g, '');
      const strange = [...signs].find((sign) => ![...CROSSINGS, '-', '|'].includes(sign));
      if (strange === undefined) lines.rows.push({ line, signs });
      else fault(`“${strange}” is no knot. Use ${CROSSINGS.join(' ')} or, for a leader, - |.`);
    }
  }
  return lines;
}
