import { runOnData } from './lib/command.mjs';

await runOnData('restore');
