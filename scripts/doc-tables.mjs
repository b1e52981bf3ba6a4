import { readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensureDependencies } from './lib/dependencies.mjs';
import { writeFormatted } from './lib/format.mjs';
import { run, say } from './lib/say.mjs';
import { ROOT } from './lib/shell.mjs';

const FILE = join(ROOT, 'docs', 'calculation.md');
const SCHEMA = join(ROOT, 'docs', 'piece.schema.json');
const OPEN = /<!-- table: (\w+) -->\n[\s\S]*?<!-- \/table -->/g;

const percent = (share) => `${Number((share * 100).toFixed(1))} %`;

/** What stands in each, from the numbers that the program carries. */
const tables = ({ NUMBERS, commonWorkingEnds, CORD_KINDS, CORD_KIND_FACTS }) => ({
  computed: {
    heads: ['knot', 'what', 'value', 'may be off by'],
    rows: NUMBERS.flatMap(({ of, rows }) =>
      rows.map(({ what, value, error }, i) => [i === 0 ? of : '', what, value, error]),
    ),
  },
  ends: {
    heads: ['what fingers need to', 'in 1 mm cord', 'in 3 mm cord'],
    rows: commonWorkingEnds().map(({ to, of1, of3 }) => [
      to,
      `${Math.round(of1)} mm`,
      `${Math.round(of3)} mm`,
    ]),
  },
  cord: {
    heads: ['cord', 'drawn tight, of its label', 'gives in a hole', 'stretches when worn in'],
    rows: CORD_KINDS.map((kind) => {
      const { label, effective, gives, stretch } = CORD_KIND_FACTS[kind];
      return [label, percent(effective), percent(gives), percent(stretch)];
    }),
  },
});

const write = (file, text) => {
  writeFormatted(file, text);
  say(relative(ROOT, file));
};

/**
 * Writes what the documents have from the program: the tables of docs/calculation.md, from the numbers that it
 * carries, and the schema of the piece file, from the rules that the file is checked by.
 */
await run(async () => {
  await ensureDependencies();
  await ensureBuild();
  const told = tables(await import(join(ROOT, 'packages/core/dist/index.js')));
  const text = readFileSync(FILE, 'utf8').replace(OPEN, (_, name) => {
    const { heads, rows } = told[name];
    const line = (cells) => `| ${cells.join(' | ')} |`;
    const table = [line(heads), line(heads.map(() => '---')), ...rows.map(line)].join('\n');
    return `<!-- table: ${name} -->\n\n${table}\n\n<!-- /table -->`;
  });
  write(FILE, text);
  const { pieceFileSchema } = await import(join(ROOT, 'packages/contract/dist/index.js'));
  write(SCHEMA, JSON.stringify(pieceFileSchema()));
});
