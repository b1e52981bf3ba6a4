import { linkSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { isAlive, named } from './process.mjs';
import { Sentence } from './say.mjs';

/**
 * Takes a data folder for this start, by a file in it that tells who runs there. There is one at a time: a second
 * start is told where the first is, and opens nothing.
 *
 * @returns what an earlier start left running when it was killed, and how to note what is begun and to leave
 * @throws Sentence where another start runs there
 */
export function takeFolder(folder) {
  mkdirSync(folder, { recursive: true });
  const file = join(folder, 'running.json');
  const own = `${file}.${process.pid}`;
  const mine = { start: named(), server: null, address: null };
  writeFileSync(own, JSON.stringify(mine));
  let left = null;
  try {
    for (;;) {
      try {
        // Whole or not at all, and only where nothing lies.
        linkSync(own, file);
        break;
      } catch (error) {
        if (error.code !== 'EEXIST') throw error;
      }
      const found = read(file);
      if (found?.start && isAlive(found.start)) throw new Sentence(saysRunning(found, folder));
      left ??= found;
      // Of two that find an old one, one moves it; a new one that lies there since is put back.
      const aside = `${own}.old`;
      try {
        renameSync(file, aside);
        if (JSON.stringify(read(aside)) !== JSON.stringify(found)) linkSync(aside, file);
        rmSync(aside);
      } catch (error) {
        if (error.code !== 'ENOENT' && error.code !== 'EEXIST') throw error;
      }
    }
  } finally {
    rmSync(own, { force: true });
  }
  return {
    file,
    left,
    /** @param more the server's process, or the address that it answers at */
    note: (more) => {
      Object.assign(mine, more);
      writeFileSync(own, JSON.stringify(mine));
      renameSync(own, file);
    },
    leave: () => rmSync(file, { force: true }),
  };
}

function read(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
}

const saysRunning = ({ start, address }, folder) =>
  `Coiled Strand already runs on the data in ${folder} (process ${start.pid})${
    address ? `: open ${address}` : ', and is still starting'
  }. Nothing else was started. To stop it, press Ctrl-C where it runs, or: kill ${start.pid}`;
