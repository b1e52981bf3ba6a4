import { writeFileSync } from 'node:fs';
import { Sentence } from './say.mjs';
import { bin, capture } from './shell.mjs';

/** Writes a file as all are formatted. */
export function writeFormatted(file, text) {
  writeFileSync(file, text);
  const { ok, err } = capture(bin('oxfmt'), [file]);
  if (!ok) throw new Sentence(`${file} cannot be formatted: ${err}`);
}
