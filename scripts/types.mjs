import { join } from 'node:path';
import { run, Sentence } from './lib/say.mjs';
import { ROOT, show } from './lib/shell.mjs';

/** Checks the types of every part, each by its own settings: the core knows no browser and no Node. */
await run(async () => {
  const parts = [
    'packages/rope',
    'packages/core',
    'packages/workshop',
    'packages/contract',
    'packages/solver',
    'apps/server',
    'apps/web',
    'e2e',
    'scripts',
  ];
  const tsc = join(ROOT, 'node_modules/typescript7/bin/tsc');
  let failed = 0;
  for (const part of parts) failed += (await show('node', [tsc, '-p', part])) === 0 ? 0 : 1;
  if (failed > 0) throw new Sentence(`${failed} of ${parts.length} parts have type errors.`);
});
