import { spawn, spawnSync } from 'node:child_process';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Sentence } from './say.mjs';

export const ROOT = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '');
/** Where data, logs and stamps lie. */
export const DATA = resolve(process.env.DATA_FOLDER ?? join(ROOT, '.data'));
export const isRoot = process.getuid?.() === 0;

/** Path of a command that a package brings. */
export const bin = (name) => join(ROOT, 'node_modules/.bin', name);

/** Runs a command to its end and returns its output. */
export function capture(command, args, options = {}) {
  const result = spawnSync(command, args, { encoding: 'utf8', cwd: ROOT, ...options });
  return {
    ok: result.status === 0,
    code: result.status,
    out: (result.stdout ?? '').trim(),
    err: (result.stderr ?? result.error?.message ?? '').trim(),
  };
}

/** Runs a command in sight; resolves to its exit code. */
export function show(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { stdio: 'inherit', cwd: ROOT, ...options });
    child.on('error', reject);
    child.on('exit', (code, signal) => resolve(code ?? (signal ? 1 : 0)));
  });
}

const running = new Set();
/** Ends what runs quietly right now. */
export const endQuiet = () => running.forEach((child) => child.kill('SIGTERM'));

/** Runs a command quietly and asynchronously; its output is shown only when it fails. */
export function quiet(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      stdio: ['ignore', 'pipe', 'pipe'],
      cwd: ROOT,
      ...options,
    });
    running.add(child);
    child.on('exit', () => running.delete(child));
    let output = '';
    child.stdout.on('data', (data) => (output += data));
    child.stderr.on('data', (data) => (output += data));
    child.on('error', reject);
    child.on('exit', (code) => {
      if (code === 0) resolve(output);
      else reject(new Sentence(`${command} ${args.join(' ')} failed:\n${output.slice(-4000)}`));
    });
  });
}

/** Installs Debian packages as root; explains what to do when that is not possible. */
export async function installPackages(names, why) {
  const list = names.join(' ');
  if (!isRoot || !capture('which', ['apt-get']).ok) {
    throw new Sentence(
      `${why} needs the Debian package ${list}. Install it as root: apt-get install ${list}`,
    );
  }
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const install = () =>
    quiet('apt-get', ['install', '-y', '--no-install-recommends', ...names], { env });
  try {
    await quiet('apt-get', ['update'], { env });
    await install();
  } catch (error) {
    throw new Sentence(
      `${why} needs the Debian package ${list}, and installing it failed. Check the network and run: apt-get install ${list}\n${error.message}`,
    );
  }
}
