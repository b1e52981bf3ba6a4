import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort } from './port.mjs';
import { end, named } from './process.mjs';
import { say, Sentence } from './say.mjs';
import { ROOT } from './shell.mjs';

/** What is killed together, as nothing that is killed can know. */
const TOGETHER = [
  ['server'],
  ['database'],
  ['server', 'database'],
  ['database', 'server'],
  ['start'],
  ['start', 'guard'],
  ['start', 'guard', 'server', 'database'],
];
/** So many write at the same time. */
const WRITERS = 4;
/** What is not back by then, in ms, is a fault. */
const PATIENCE = 60_000;

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Process that begins with these words, among the children of another. */
const childOf = (pid, words) =>
  Number(
    readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8')
      .trim()
      .split(' ')
      .find((child) => readFileSync(`/proc/${child}/cmdline`, 'utf8').includes(words)),
  );

/**
 * Writes all the while that one process after the other is killed, and compares what was acknowledged with what is
 * there in the end. A write without an answer is sent again under its own name, as a browser does.
 *
 * @param rounds how often everything is killed
 * @returns tries, faults in words, and the longest that it took to come back, in s
 */
export async function killAround(rounds) {
  const folder = mkdtempSync(join(tmpdir(), 'coiled-strand-attack-'));
  // The database may run as another user, who must get there.
  chmodSync(folder, 0o755);
  const port = await freePort();
  const url = `http://127.0.0.1:${port}/api`;
  const faults = [];
  let longest = 0;
  let kills = 0;
  let program = null;
  const begin = () => {
    program = spawn(process.execPath, [join(ROOT, 'scripts/start.mjs')], {
      env: {
        ...process.env,
        DATABASE_URL: '',
        DATA_FOLDER: folder,
        PORT: String(port),
        RATE: '100000',
      },
      stdio: 'ignore',
    });
  };
  const healthy = async () => {
    try {
      return (await fetch(`${url}/health/ready`)).ok;
    } catch {
      return false;
    }
  };
  const back = async () => {
    for (const until = Date.now() + PATIENCE; Date.now() < until; await wait(100)) {
      if (await healthy()) return true;
    }
    return false;
  };
  const pids = () => {
    const { server } = JSON.parse(readFileSync(join(folder, 'running.json'), 'utf8'));
    const note = readFileSync(join(folder, 'postgres/data/postmaster.pid'), 'utf8');
    return {
      start: program.pid,
      guard: childOf(program.pid, 'guard.mjs'),
      server: server.pid,
      database: Number(note.split('\n')[0]),
    };
  };

  const acknowledged = new Set();
  let next = 0;
  let over = false;
  const writer = async () => {
    while (!over) {
      const name = `attack ${String(next++).padStart(6, '0')}`;
      for (let answered = false; !answered;) {
        try {
          const { status } = await fetch(`${url}/wearers`, {
            method: 'POST',
            headers: {
              'Content-Type': 'application/json',
              'Idempotency-Key': name.replace(' ', '-'),
            },
            body: JSON.stringify({ name, wrist: 170 }),
          });
          // Carried out, and its answer lost with the server: it was not acknowledged, and is there.
          answered = status < 500;
          if (status === 201 || status === 409) acknowledged.add(name);
          else if (answered) faults.push(`a write was answered ${status}`);
          else await wait(100);
        } catch {
          // No answer at all: it is sent again.
          await wait(100);
        }
      }
    }
  };

  begin();
  if (!(await back())) throw new Sentence('The program did not start.');
  const writers = Array.from({ length: WRITERS }, writer);
  try {
    for (let round = 0; round < rounds; round++) {
      for (const together of TOGETHER) {
        await wait(1_500);
        const all = pids();
        const since = Date.now();
        for (const what of together) process.kill(all[what], 'SIGKILL');
        kills++;
        if (together.includes('start')) {
          await wait(500);
          begin();
        } else await wait(300);
        if (!(await back())) {
          faults.push(`${together.join(' and ')} killed: not back in ${PATIENCE / 1000} s`);
          break;
        }
        const seconds = (Date.now() - since) / 1000;
        longest = Math.max(longest, seconds);
        say(`${together.join(' and ')} killed: back after ${seconds.toFixed(1)} s`);
      }
    }
    over = true;
    await Promise.race([Promise.all(writers), wait(PATIENCE)]);
    const there = await (await fetch(`${url}/wearers`)).json();
    const count = new Map();
    for (const { value } of there) count.set(value.name, (count.get(value.name) ?? 0) + 1);
    for (const name of acknowledged) {
      const times = count.get(name) ?? 0;
      if (times !== 1) faults.push(`“${name}” was acknowledged and is there ${times} times`);
    }
    return { tries: acknowledged.size, kills, faults, longest };
  } finally {
    over = true;
    await end(named(program.pid), 20_000);
    rmSync(folder, { recursive: true, force: true });
  }
}
