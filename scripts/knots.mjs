import { availableParallelism } from 'node:os';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { ensureBuild } from './lib/build.mjs';
import { checkNode, ensureDependencies } from './lib/dependencies.mjs';
import { writeTyings } from './lib/draw-tyings.mjs';
import { clearShared } from './lib/kept.mjs';
import { run, say } from './lib/say.mjs';
import { ROOT, show } from './lib/shell.mjs';

const FILE = join(ROOT, 'packages', 'rope', 'src', 'tables', 'tightened-data.ts');
const CURVES = join(ROOT, 'packages', 'rope', 'src', 'tables', 'tightened-curves.ts');
const BOARDS = join(ROOT, 'packages', 'rope', 'src', 'board', 'known-boards.ts');
const LAID = new URL('../packages/rope/dist/board/lay-known.js', import.meta.url);
const CORE = new URL('../packages/rope/dist/knots/index.js', import.meta.url);
const DATA = new URL('../packages/rope/dist/tables/tightened-data.js', import.meta.url);

/** Draws knots tight on all cores of the machine; each worker takes the next that nobody has. */
async function drawAll(ids, finer = false) {
  const left = [...ids];
  const known = {};
  const curves = {};
  const one = () =>
    new Promise((resolve, reject) => {
      const worker = new Worker(new URL('./lib/draw-knots.mjs', import.meta.url), {
        workerData: { core: CORE.href, finer },
      });
      const next = () => worker.postMessage(left.shift() ?? null);
      worker.on('message', ({ id, numbers, cell, ms }) => {
        Object.assign(known, numbers);
        if (cell) curves[id] = cell;
        say(`${id} (${(ms / 1000).toFixed(1)} s, ${left.length} to go)`);
        next();
      });
      worker.on('error', reject);
      worker.on('exit', resolve);
      next();
    });
  await Promise.all(Array.from({ length: Math.min(availableParallelism(), ids.length) }, one));
  return { known, curves };
}

const rounded = ({ value, error, points, rounds }) => ({
  value: Number(value.toPrecision(5)),
  error: Number(error.toPrecision(2)),
  points,
  rounds,
});

function write(numbers, engine) {
  const rows = Object.entries(numbers).map(([name, one]) => {
    const { value, error, points, rounds } = rounded(one);
    return `  '${name}': { value: ${value}, error: ${error}, points: ${points}, rounds: ${rounds} },`;
  });
  writeFileSync(
    FILE,
    `// Written by \`npm run knots\`; not by hand.\n\n/** The engine that these were computed by. */\nexport const COMPUTED_BY = ${engine};\n\nexport const TIGHTENED_DATA = {\n${rows.join('\n')}\n} as const;\n`,
  );
}

/** Places are kept to a hundredth of a diameter. */
const fine = (value) =>
  Array.isArray(value) ? value.map(fine) : Math.round(value * 100) / 100 || 0;

function writeCurves(curves, ids) {
  const rows = ids.map((id) => {
    const { strands, ...rest } = curves[id];
    const cell = { strands: strands.map((one) => ({ ...one, line: fine(one.line) })), ...rest };
    return `  '${id}': ${JSON.stringify(cell)},`;
  });
  writeFileSync(
    CURVES,
    `// Written by \`npm run knots\`; not by hand.\nimport type { KnownCurves } from '../base/cell.js';\n\n/** Every knot of the catalogue as it lies when it is tight. */\n// oxfmt-ignore\nexport const TIGHTENED_CURVES: KnownCurves = {\n${rows.join('\n')}\n};\n`,
  );
}

async function writeBoards() {
  const { layKnownBoards } = await import(LAID.href);
  const rows = Object.entries(layKnownBoards()).map(
    ([id, board]) => `  '${id}': ${JSON.stringify(board)},`,
  );
  writeFileSync(
    BOARDS,
    `// Written by \`npm run knots\`; not by hand.\nimport type { Board } from '../base/own-knot.js';\nimport type { KnownBoard } from './lay-known.js';\n\n/** The knots that a board can begin with, laid out on it. */\n// oxfmt-ignore\nexport const KNOWN_BOARDS: Readonly<Record<KnownBoard, Board>> = {\n${rows.join('\n')}\n};\n`,
  );
}

/** Says which numbers no longer come out as the file has them, within the errors of both. */
function compare(numbers, kept) {
  const off = Object.entries(numbers).filter(([name, { value, error }]) => {
    const was = kept[name];
    return (
      !was ||
      Math.abs(value - was.value) > Math.abs(was.value) * was.error + Math.abs(value) * error
    );
  });
  for (const [name, { value }] of off) {
    say(`${name} comes out as ${value.toPrecision(5)}, and the file says ${kept[name]?.value}`);
  }
  return off.length;
}

/** Says of how many knots the first number holds, by the error that it was stated with, against one polygon more. */
function sayHonest(known) {
  const all = Object.values(known).map(([first]) => first);
  for (const { name, stated, finest } of all.filter(({ within }) => !within)) {
    say(
      `${name} was stated as ${stated.value.toPrecision(5)} ± ${(100 * stated.error).toFixed(2)} %, and finer it is ${finest.toPrecision(5)}`,
    );
  }
  const within = all.filter((one) => one.within).length;
  say(
    `${within} of ${all.length} numbers hold against a finer polygon within the error that they are stated with.`,
  );
  if (within < 0.95 * all.length) process.exitCode = 1;
}

/** Keeps with the project what its tests ask of this engine, and nothing besides. */
async function keepForTests() {
  clearShared();
  const jest = join(ROOT, 'node_modules/jest/bin/jest.js');
  const args = ['--experimental-vm-modules', jest, '--selectProjects', 'rope', 'core', '--silent'];
  process.exitCode = await show('node', args, {
    env: { ...process.env, KEPT: 'share', NODE_NO_WARNINGS: '1' },
  });
}

/**
 * Computes every number of a knot that the program uses, and writes them down; with --check they are only held
 * against those that are there, with --finer against polygons that are finer still, with --tyings those of tyings without a
 * recipe alone are written, and with --kept what the tests ask for is computed instead.
 */
await run(async () => {
  checkNode();
  await ensureDependencies();
  await ensureBuild();
  if (process.argv.includes('--kept')) return keepForTests();
  if (process.argv.includes('--tyings')) return writeTyings();
  const { CATALOGUE, constants, ENGINE } = await import(CORE.href);
  if (process.argv.includes('--finer')) {
    const { known } = await drawAll(
      CATALOGUE.filter(({ care }) => care?.polygons === undefined).map(({ id }) => id),
      true,
    );
    sayHonest(known);
    return;
  }
  const { known, curves } = await drawAll(CATALOGUE.map(({ id }) => id));
  const numbers = constants((name) => {
    if (!known[name]) throw new Error(`${name} was not read off any knot`);
    return known[name];
  });
  if (!process.argv.includes('--check')) {
    write(numbers, ENGINE);
    writeCurves(
      curves,
      CATALOGUE.map(({ id }) => id),
    );
    await writeBoards();
    await writeTyings();
    say(`${Object.keys(numbers).length} numbers in ${FILE}`);
    return;
  }
  const { TIGHTENED_DATA } = await import(DATA.href);
  if (compare(numbers, TIGHTENED_DATA) > 0) process.exitCode = 1;
  else say(`All ${Object.keys(numbers).length} numbers come out as they are kept.`);
});
