import { createWriteStream } from 'node:fs';
import { rename, rm, stat } from 'node:fs/promises';
import { resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { sayBytes } from '@coiled-strand/contract';
import { backupStream } from '../backup/write-backup.js';
import { databaseUrl, runCommand, say } from './run-command.js';

/** `npm run backup -- FILE`: everything of the installation in one file. A file of this name is not written over. */
await runCommand(async ([name]) => {
  if (!name) throw new Error('Say where to: npm run backup -- FILE');
  const file = resolve(name);
  if (await stat(file).catch(() => null)) {
    throw new Error(`${file} is there already. Choose another name, or move it away.`);
  }
  const part = `${file}.part`;
  try {
    await pipeline(
      backupStream(databaseUrl(), { of: 'installation' }),
      createWriteStream(part, { mode: 0o600 }),
    );
    await rename(part, file);
  } finally {
    await rm(part, { force: true });
  }
  const { size } = await stat(file);
  say(`Everything is in ${file} (${sayBytes(size)}).`);
  say('It holds names, measures and photos of people: keep it where only you can read it.');
});
