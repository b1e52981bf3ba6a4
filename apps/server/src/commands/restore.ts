import { resolve } from 'node:path';
import { readBackup } from '../backup/format.js';
import { restoreAll } from '../backup/restore.js';
import { createDataSource, prepareDatabase } from '../database/data-source.js';
import { ask, databaseUrl, runCommand, say } from './run-command.js';

const COUNTED = ['workshop', 'person', 'piece', 'make', 'photo', 'lot', 'customer_order'] as const;
/** One of them, and several. */
const NAMES: Readonly<Record<(typeof COUNTED)[number], readonly [string, string]>> = {
  workshop: ['workshop', 'workshops'],
  person: ['account', 'accounts'],
  piece: ['piece', 'pieces'],
  make: ['make', 'makes'],
  photo: ['photo', 'photos'],
  lot: ['lot in the stash', 'lots in the stash'],
  customer_order: ['order', 'orders'],
};

const told = (counts: Readonly<Record<string, number>>): string =>
  COUNTED.map((table) => {
    const count = counts[table] ?? 0;
    return `${count} ${NAMES[table][count === 1 ? 0 : 1]}`;
  }).join(', ');

/** What is there now. */
async function present(url: string): Promise<Record<string, number>> {
  await prepareDatabase(url, false);
  const source = await createDataSource(url).initialize();
  try {
    const counts: Record<string, number> = {};
    for (const table of COUNTED) {
      const [row] = await source.query<{ n: number }[]>(
        `select count(*)::int as n from "${table}"`,
      );
      counts[table] = row!.n;
    }
    return counts;
  } finally {
    await source.destroy();
  }
}

/** `npm run restore -- FILE [--yes]`: a backup in the place of everything that is there. */
await runCommand(async (args) => {
  const name = args.find((arg) => arg !== '--yes');
  if (!name) throw new Error('Say from where: npm run restore -- FILE');
  const file = resolve(name);
  const { header } = await readBackup(file);
  const url = databaseUrl();
  const now = await present(url);
  say(`The backup of ${header.madeAt} is whole: ${header.workshops.join(', ')}.`);
  say(
    `  It holds      ${told(Object.fromEntries(header.tables.map(({ name: table, rows }) => [table, rows])))}.`,
  );
  say(`  There are now ${told(now)}.`);
  const empty = now.workshop === 0;
  if (!empty && !args.includes('--yes')) {
    const answer = await ask('All that is there now is taken away, for good. Type yes to go on: ');
    if (answer.trim().toLowerCase() !== 'yes') {
      say('Nothing was changed.');
      process.exitCode = 1;
      return;
    }
  }
  await restoreAll(url, file);
  say('Restored. Everybody signs in anew.');
});
