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
  /** Letters that stand in it as a question mark: no file has them. */
  readonly lost: string;
}

/** Letters that the first files have; as the makers of the package cut them. */
const PLAIN =
  /[\u0020-\u00ff\u0131\u0152\u0153\u02bb\u02bc\u02c6\u02da\u02dc\u2000-\u206f\u20ac\u2122\u2212]/u;
/** Letters that the further files have. */
const MORE = /[\u0100-\u02ba\u1e00-\u1e9f\u20a0-\u20ab\u20ad-\u20c0]/u;
/** What stands for a letter that no file has: nothing is left out without a trace. */
const MISSING = '?';

/** A text as stretches of letters that one file has. */
export function fontRuns(text: string, weight: Weight): readonly FontRun[] {
  const runs: { font: FontName; text: string; lost: string }[] = [];
  for (const letter of text.normalize('NFC')) {
    const plain = PLAIN.test(letter);
    const more = !plain && MORE.test(letter);
    const font: FontName = more ? `${weight}More` : weight;
    const known = plain || more;
    const run = { font, text: known ? letter : MISSING, lost: known ? '' : letter };
    const last = runs.at(-1);
    if (last?.font !== font) runs.push(run);
    else {
      last.text += run.text;
      last.lost += run.lost;
    }
  }
  return runs;
}
