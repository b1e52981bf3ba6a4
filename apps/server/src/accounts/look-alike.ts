/**
 * Letters of Greek and Cyrillic, and digits, that look like Latin ones in most typefaces.
 * After Unicode Technical Standard 39, Unicode Security Mechanisms, confusables; a part of its table, from memory.
 */
const LATIN: Readonly<Record<string, string>> = {
  ...{ а: 'a', в: 'b', е: 'e', к: 'k', м: 'm', н: 'h', о: 'o', р: 'p', с: 'c', т: 't', у: 'y' },
  ...{ х: 'x', ѕ: 's', і: 'i', ј: 'j', ԁ: 'd', ԛ: 'q', ԝ: 'w', һ: 'h', ӏ: 'l', ь: 'b', п: 'n' },
  ...{ α: 'a', β: 'b', ε: 'e', η: 'n', ι: 'i', κ: 'k', ν: 'v', ο: 'o', ρ: 'p', τ: 't', υ: 'u' },
  ...{ χ: 'x', μ: 'u', ω: 'w', γ: 'y', ı: 'i', ł: 'l', ø: 'o', đ: 'd', ß: 'b', ꞵ: 'b' },
  ...{ 0: 'o', 1: 'l', '|': 'l', 5: 's', $: 's', '@': 'a' },
};

/** Letters that look like others beside each other, or in capitals. */
const TOGETHER: readonly (readonly [RegExp, string])[] = [
  [/rn/g, 'm'],
  [/vv/g, 'w'],
  [/i/g, 'l'],
];

/**
 * What a name looks like at a glance: two people whose names look alike cannot be told apart in a list.
 *
 * @example skeletonOf('Мarit Solheim') === skeletonOf('marit  solheim') // true: the first M is Cyrillic
 */
export function skeletonOf(name: string): string {
  const letters = [...name.normalize('NFKD').toLowerCase()]
    .map((letter) => LATIN[letter] ?? letter)
    .join('')
    .replace(/[^\p{L}\p{N}]/gu, '');
  return TOGETHER.reduce((text, [from, to]) => text.replace(from, to), letters);
}
