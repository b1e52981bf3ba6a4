/**
 * Several of a thing.
 * @example pluralOf('stitch') // 'stitches'
 */
export const pluralOf = (name: string): string =>
  `${name}${/(ch|sh|s|x)$/.test(name) ? 'es' : 's'}`;

const WORDS = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];

/**
 * A number as it is called out: in words as far as they are short.
 * @example sayCount(2, 'half knot') // 'two half knots'
 */
export const sayCount = (count: number, name: string): string =>
  `${WORDS[count] ?? count} ${count === 1 ? name : pluralOf(name)}`;

/**
 * A number of things in figures.
 * @example countOf(1, 'bead') // '1 bead'
 */
export const countOf = (count: number, name: string): string =>
  `${count} ${count === 1 ? name : pluralOf(name)}`;

/**
 * How often each of some names is there, in the order in which they come first.
 * @example countNames(['Onyx', 'Silver', 'Onyx']) // '2 × Onyx, Silver'
 */
export function countNames(names: readonly string[]): string {
  const counts = new Map<string, number>();
  for (const name of names) counts.set(name, (counts.get(name) ?? 0) + 1);
  return [...counts].map(([name, n]) => (n === 1 ? name : `${n} × ${name}`)).join(', ');
}

/**
 * One of a thing, inside a sentence.
 * @example oneOf('Overhand knot') // 'an overhand knot'
 */
export const oneOf = (name: string): string =>
  `${/^[aeiou]/i.test(name) ? 'an' : 'a'} ${name.slice(0, 1).toLowerCase()}${name.slice(1)}`;
