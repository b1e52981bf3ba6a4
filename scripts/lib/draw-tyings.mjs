import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { say } from './say.mjs';
import { ROOT } from './shell.mjs';

const FILE = join(ROOT, 'packages', 'rope', 'src', 'tables', 'tight-tyings.ts');
const ROPE = new URL('../../packages/rope/dist/index.js', import.meta.url);

/** Two places after the point: more than the engine is sure of. */
const fine = (value) =>
  typeof value === 'number'
    ? Math.round(value * 1000) / 1000
    : Array.isArray(value)
      ? value.map(fine)
      : Object.fromEntries(Object.entries(value).map(([key, one]) => [key, fine(one)]));

/** More crossings than these take longer than minutes. */
const MOST = 50;

/**
 * Draws the tyings tight that no recipe of the catalogue is like, from their own layouts, and writes what they come to.
 * Folded cords and Turk's heads round a post are not: the rope knows no fold, and those have recipes by size.
 */
export async function writeTyings() {
  const { TYING_IDS, tyingOf, layoutOf, asBoard, drawTight, tightOf } = await import(ROPE.href);
  const rows = [];
  for (const id of TYING_IDS) {
    const tying = tyingOf(id);
    if (
      (tying.cell && tightOf(tying)) ||
      tying.round ||
      tying.strands.some(({ foldOf }) => foldOf !== undefined)
    )
      continue;
    if (tying.loose || tying.numbersOf) continue;
    const layout = layoutOf(tying);
    if (layout.crossings.length > MOST) continue;
    const begun = performance.now();
    const kept = drawTight(asBoard(layout));
    say(
      `${id}: ${kept ? 'tight' : 'nothing holds'} (${((performance.now() - begun) / 1000).toFixed(1)} s)`,
    );
    if (kept) rows.push(`  '${id}': ${JSON.stringify(fine(kept))},`);
  }
  writeFileSync(
    FILE,
    `// Written by \`npm run knots\`; not by hand.\nimport type { KeptTight } from '../base/own-knot.js';\n\n/** Tyings drawn tight from their own layouts. */\n// oxfmt-ignore\nexport const TIGHT_TYINGS: Readonly<Record<string, KeptTight | undefined>> = {\n${rows.join('\n')}\n};\n`,
  );
}
