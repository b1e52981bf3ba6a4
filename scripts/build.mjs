import { ensureBuild } from './lib/build.mjs';
import { run } from './lib/say.mjs';

await run(ensureBuild);
