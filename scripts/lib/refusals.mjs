import { processorTime } from './process.mjs';

/** What a refusal may take of the processor, in ms. */
export const REFUSED_WITHIN = 50;
/** Times that each is sent; the first ones, which nothing was compiled for, are not counted. */
const ROUNDS = 3;
const TIMES = 5;

const objects = (count) => `[${Array(count).fill('{}').join(',')}]`;
/** Bodies that cost little to send. */
const BOMBS = [
  ['A third of a million objects', objects(330_000)],
  ['90,000 names', `{${Array.from({ length: 90_000 }, (_, i) => `"k${i}":1`).join(',')}}`],
  ['400,000 deep', `${'['.repeat(400_000)}${']'.repeat(400_000)}`],
  ['A name of 990,000 letters', `{"${'x'.repeat(990_000)}":1}`],
  ['As many objects as may be, as cords', `{"make":"x","cords":${objects(9_900)}}`],
  ['As many, as parts of a piece', `{"name":"x","parts":${objects(9_900)}}`],
  ['As many, as things on a list', `{"items":${objects(9_900)}}`],
];
const PATHS = ['session', 'lots/from-make', 'pieces', 'beads/several', 'plan'];

/**
 * Sends what is refused.
 *
 * @param pid of the server, which does nothing else meanwhile
 * @returns for each body the most that any route took of the processor to refuse it, in ms, on average
 */
export async function refusals(url, pid) {
  const found = [];
  for (const [what, body] of BOMBS) {
    let most = 0;
    for (const path of PATHS) {
      for (let round = 0; round < ROUNDS; round++) {
        const before = processorTime(pid);
        for (let i = 0; i < TIMES; i++) {
          const answer = await fetch(`${url}/api/${path}`, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json' },
            body,
          });
          await answer.text();
          if (answer.status < 400) throw new Error(`${path} takes ${what}`);
        }
        if (round === ROUNDS - 1) most = Math.max(most, (processorTime(pid) - before) / TIMES);
      }
    }
    found.push({ what, most });
  }
  return found;
}
