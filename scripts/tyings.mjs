import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { run, Sentence } from './lib/say.mjs';
import { ROOT } from './lib/shell.mjs';

const ROPE = new URL('../packages/rope/dist/index.js', import.meta.url);

const HELP = `npm run tyings            how every knot is tied, in words
npm run tyings -- --json  the same with its diagram and its numbers, as JSON`;

const CLOSED =
  'each cord from its end outwards, up, and back to its beginning over everything else, later cords above earlier ones; a folded cord from one end to the other';
const CLOSED_MIDDLE =
  'the cords come up out of the middle and go on upwards: each is led back over everything and under everything to its beginning';

/** Numbers of a person: no more digits than are sure. */
const fine = (value) => Math.round(value * 1000) / 1000;
const allFine = (numbers) =>
  numbers && Object.fromEntries(Object.entries(numbers).map(([key, value]) => [key, fine(value)]));

function told(rope, id) {
  const tying = rope.tyingOf(id);
  const layout = rope.layoutOf(tying);
  const { ground, moves, drawUp } = rope.tellingOf(tying);
  const diagram = rope.diagramOf(rope.closedLayout(layout));
  const tight = rope.tightOf(tying);
  // The way that is led: what lies there before is no part of it.
  const way = layout.goes.reduce((sum, { move, from, to }) => {
    const line = layout.board.cords[move.strand];
    return sum + rope.polylineLength(line.slice(Math.floor(from), Math.ceil(to) + 1));
  }, 0);
  return {
    id,
    name: tying.name,
    closed: tying.strands.some(({ heading }) => heading === 'outwards') ? CLOSED_MIDDLE : CLOSED,
    pd: rope.planarCode(diagram),
    components: diagram.components,
    moves: moves.length,
    words: [...ground, ...moves, ...drawUp],
    tight: allFine(tight),
    // Of a cord of one mm, with 1 mm of room: the plan adds a grip.
    open: { way: fine(way), workingEnd: fine(rope.slackIn(tying, 1, 1)) },
  };
}

/** Installs and builds what is missing; what that says is not part of what is printed. */
function ensureBuilt() {
  const { status } = spawnSync(process.execPath, [join(ROOT, 'scripts', 'build.mjs')], {
    stdio: ['ignore', 2, 2],
  });
  if (status !== 0)
    throw new Sentence('The program could not be built, so that no tying is known.');
}

await run(async () => {
  if (process.argv.includes('--help')) {
    process.stdout.write(`${HELP}\n`);
    return;
  }
  ensureBuilt();
  const rope = await import(ROPE.href);
  const all = rope.TYING_IDS.map((id) => told(rope, id));
  process.stdout.write(
    process.argv.includes('--json')
      ? `${JSON.stringify(all, null, 1)}\n`
      : all
          .map(({ name, words }) => `${name}\n${words.map((one) => `  ${one}`).join('\n')}\n`)
          .join('\n'),
  );
});
