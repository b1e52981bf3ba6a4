/** The letters of the shipped font as files: of Latin languages, and what further ones have besides. */
export interface PaperFonts {
  readonly regular: ArrayBuffer;
  readonly bold: ArrayBuffer;
  readonly regularMore: ArrayBuffer;
  readonly boldMore: ArrayBuffer;
}

export type Weight = 'regular' | 'bold';
export type FontName = keyof PaperFonts;

/** Letters that one file has. */
export interface FontRun {
  readonly font: FontName;
  readonly text: string;
}

/** Letters that the first files have; as the makers of the package cut them. */
const PLAIN =
  /[\u0020-\u00ff\u0131\u0152\u0153\u02bb\u02bc\u02c6\u02da\u02dc\u2000-\u206f\u20ac\u2122\u2212]/u;
/** Letters that the further files have. */
const MORE = /[\u0100-\u02ba\u1e00-\u1e9f\u20a0-\u20ab\u20ad-\u20c0]/u;
/** What stands for a letter that no file has: nothing is left out without a trace. */
const MISSING = '?';

/** Letters of a text that no file has. */
export const lettersLost = (text: string): readonly string[] =>
  [...text.normalize('NFC')].filter((letter) => !PLAIN.test(letter) && !MORE.test(letter));

/** A text as stretches of letters that one file has. */
export function fontRuns(text: string, weight: Weight): readonly FontRun[] {
  const runs: { font: FontName; text: string }[] = [];
  for (const letter of text.normalize('NFC')) {
    const more = !PLAIN.test(letter) && MORE.test(letter);
    const font: FontName = more ? `${weight}More` : weight;
    const shown = more || PLAIN.test(letter) ? letter : MISSING;
    const last = runs.at(-1);
    if (last?.font === font) last.text += shown;
    else runs.push({ font, text: shown });
  }
  return runs;
}
