import { readFileSync } from 'node:fs';
import { capture } from './shell.mjs';

/** What Linux tells of a process, from its state on. @throws where it does not run, or the system tells nothing */
function statOf(pid) {
  const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
  // The name of the program stands in brackets and may hold anything.
  return stat.slice(stat.lastIndexOf(')') + 2).split(' ');
}

/**
 * When a process began, as a word to compare: numbers of processes are used again, these are not.
 *
 * @returns null where it does not run
 */
export function beganAt(pid) {
  try {
    const [state, ...fields] = statOf(pid);
    return state === 'Z' ? null : fields[18];
  } catch (error) {
    if (process.platform === 'linux' || error.code !== 'ENOENT') return null;
    const { ok, out } = capture('ps', ['-o', 'lstart=', '-p', String(pid)]);
    return ok ? out : null;
  }
}

/** What a process took of the processor so far, in ms, to the hundredth of a second; Linux alone tells. */
export function processorTime(pid) {
  const fields = statOf(pid);
  return 10 * (Number(fields[11]) + Number(fields[12]));
}

/** This process, or another, so that it is known again. */
export const named = (pid = process.pid) => ({ pid, began: beganAt(pid) });

export const isAlive = ({ pid, began }) => began !== null && beganAt(pid) === began;

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Waits until it does not run any more. */
export async function gone(one, everyMs = 200) {
  while (isAlive(one)) await wait(everyMs);
}

/** Asks a process to end, and after a while insists. */
export async function end(one, patienceMs = 8000) {
  if (!isAlive(one)) return;
  process.kill(one.pid, 'SIGTERM');
  const insist = setTimeout(() => isAlive(one) && process.kill(one.pid, 'SIGKILL'), patienceMs);
  await gone(one, 50);
  clearTimeout(insist);
}
