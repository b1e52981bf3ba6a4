import { nodeFault } from './lib/node-version.mjs';

// What follows is written for the Node.js that is asked for: an older one could not even read it.
const fault = nodeFault();
if (fault === null) {
  const { supervise } = await import('./lib/supervise.mjs');
  await supervise();
} else {
  process.stderr.write(`\n${fault}\n`);
  process.exitCode = 1;
}
