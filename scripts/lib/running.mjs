import {
  existsSync,
  linkSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
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
  const file = join(folder, 'running.json');
  const own = `${file}.${process.pid}`;
  const mine = { start: named(), server: null, address: null };
  try {
    makeFolder(folder);
    writeFileSync(own, JSON.stringify(mine));
  } catch (error) {
    throw new Sentence(sayUnfit(error, folder));
  }
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

/** Step by step: asked for all at once, some file systems never end. */
function makeFolder(folder) {
  if (existsSync(folder)) return;
  makeFolder(dirname(folder));
  mkdirSync(folder);
}

/** Why nothing can be kept in a folder. */
function sayUnfit({ code, message }, folder) {
  const named = `The data folder is ${folder}`;
  const remedy = 'Set DATA_FOLDER to a folder that can be written to. Nothing was changed.';
  switch (code) {
    case 'ENOTDIR':
    case 'EEXIST':
      return `${named}, and that is a file, or lies in one. ${remedy}`;
    case 'EROFS':
      return `${named}, which lies on a disk that can only be read. ${remedy}`;
    case 'EACCES':
    case 'EPERM':
      return `${named}, which belongs to somebody else: this user may not write there. ${remedy}`;
    case 'ENOSPC':
      return `${named}, and the disk that holds it is full. Free some space on it, and start again.`;
    default:
      return `${named}, and nothing can be kept there (${message}). ${remedy}`;
  }
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
