/** A fault that the person at the terminal can act on; printed as it is, without a stack. */
export class Sentence extends Error {}

const started = Date.now();

/** One line on what is being done. */
export const say = (text) => {
  const seconds = ((Date.now() - started) / 1000).toFixed(1).padStart(5);
  process.stdout.write(`${seconds} s  ${text}\n`);
};

/** Runs a script; a Sentence ends it with its words, anything else with its stack. */
export async function run(main) {
  // A terminal that is closed takes no more lines.
  for (const output of [process.stdout, process.stderr]) output.on('error', () => undefined);
  try {
    await main();
  } catch (error) {
    process.stderr.write(
      `\n${error instanceof Sentence ? error.message : (error.stack ?? error)}\n`,
    );
    process.exitCode = 1;
  }
}
