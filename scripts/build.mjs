import { ensureBuild } from './lib/build.mjs';
import { checkNode, ensureDependencies } from './lib/dependencies.mjs';
import { run } from './lib/say.mjs';

/** Installs and builds all that a start needs, so that it needs no network any more. */
await run(async () => {
  checkNode();
  await ensureDependencies();
  await ensureBuild();
});
