/**
 * Words of the trade that a step may use, and what each means: said where it stands first in a make. The same words as
 * in `docs/glossary.md`.
 */
export const TERMS = {
  bight: { word: 'bight', means: 'the fold of a cord' },
  core: { word: 'core', means: 'the cords that others are tied round' },
  'working cord': { word: 'working cord', means: 'a cord that ties' },
  'half knot': { word: 'half knot', means: 'one crossing of two working cords round the core' },
  bump: { word: 'bump', means: 'the small loop that a half knot leaves at one edge' },
  stub: { word: 'stub', means: 'what is left of an end when it is trimmed' },
  tail: { word: 'tail', means: 'cord left beyond the last knot' },
  stopper: { word: 'stopper', means: 'a knot that keeps something from running off a cord' },
  hitch: { word: 'hitch', means: 'a turn round something that holds under its own pull' },
  'crimp end': { word: 'crimp end', means: 'a metal end that is pressed shut on the cord' },
  'jump ring': { word: 'jump ring', means: 'a ring of wire that is opened sideways' },
} as const satisfies Readonly<Record<string, { readonly word: string; readonly means: string }>>;
export type TermId = keyof typeof TERMS;

/**
 * What a word of the trade means, as a sentence.
 * @example tellTerm('bight') // 'Bight: the fold of a cord.'
 */
export const tellTerm = (id: TermId): string => {
  const { word, means } = TERMS[id];
  return `${word.slice(0, 1).toUpperCase()}${word.slice(1)}: ${means}.`;
};
