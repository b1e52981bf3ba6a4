import { spawn } from 'node:child_process';
import { mkdtemp, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { as } from '../testing/people.js';
import { startProcess } from '../testing/processes.js';
import { createDatabase, startTestApp, type TestApp } from '../testing/test-app.js';

interface Said {
  readonly code: number | null;
  readonly words: string;
}

/** A command as it is built, with what is typed into it. */
async function command(
  name: string,
  args: readonly string[],
  databaseUrl: string,
  typed = '',
): Promise<Said> {
  const file = fileURLToPath(new URL(`../../dist/program/${name}.js`, import.meta.url));
  const child = spawn('node', [file, ...args], {
    env: { ...process.env, DATABASE_URL: databaseUrl, NODE_OPTIONS: '' },
  });
  let words = '';
  for (const output of [child.stdout, child.stderr]) {
    output.on('data', (data: Buffer) => (words += String(data)));
  }
  child.stdin.end(typed);
  const code = await new Promise<number | null>((resolve) => child.once('close', resolve));
  return { code, words };
}

let folder: string;
let demo: TestApp;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'coiled-strand-commands-'));
  demo = await startTestApp();
});
afterAll(async () => {
  await demo.close();
  await rm(folder, { recursive: true, force: true });
});

describe('the commands', () => {
  it('make an owner, without whom no network is listened to', async () => {
    const database = await createDatabase();
    await expect(startProcess(database.url, { HOST: '0.0.0.0', DEMO: 'off' })).rejects.toThrow(
      /no owner with a password/,
    );
    const owner = (typed: string) => command('owner', ['mo', 'Mo'], database.url, typed);
    expect(await owner('short\n')).toMatchObject({ code: 1 });
    expect(await command('owner', [], database.url)).toMatchObject({ code: 1 });
    const { code, words } = await owner('eight words of a secret\n');
    expect([code, words]).toEqual([0, 'mo is an owner and signs in with the new password.\n']);
    const server = await startProcess(database.url, { HOST: '0.0.0.0', DEMO: 'off' });
    const enter = (password: string) =>
      fetch(`${server.url.replace('0.0.0.0', '127.0.0.1')}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ signIn: 'MO', password }),
      });
    expect((await enter('eight words of a secret')).status).toBe(200);
    // And give a new password to one who forgot it.
    await owner('another secret of words\n');
    expect((await enter('eight words of a secret')).status).toBe(401);
    expect((await enter('another secret of words')).status).toBe(200);
    await server.stop();
    await database.drop();
  });

  it('take everything along and put it back, and ask before anything is replaced', async () => {
    const file = join(folder, 'all.gz');
    const made = await command('backup', [file], demo.databaseUrl);
    expect(made.code).toBe(0);
    expect(made.words).toMatch(/all\.gz \(\d+ kB\)/);
    expect((await stat(file)).mode & 0o077).toBe(0);
    // What is there is not written over.
    const before = await readFile(file);
    expect((await command('backup', [file], demo.databaseUrl)).words).toContain('there already');
    expect(await readFile(file)).toEqual(before);

    const other = await startTestApp();
    const pieces = async (): Promise<unknown> =>
      (await as(other.app)().get('/api/pieces')).body.total;
    const [{ id }] = (await as(other.app)().get('/api/pieces')).body.items as [{ id: string }];
    await as(other.app)().delete(`/api/pieces/${id}`).expect(204);
    const unasked = await command('restore', [file], other.databaseUrl);
    expect(unasked.code).toBe(1);
    expect(unasked.words).toContain('Thistledown Bench');
    expect(unasked.words).toContain('There are now 1 workshop, 3 accounts, 11 pieces');
    expect(await pieces()).toBe(10);
    const broken = join(folder, 'broken.gz');
    await writeFile(broken, before.subarray(0, 20_000));
    const refused = await command('restore', [broken, '--yes'], other.databaseUrl);
    expect([refused.code, refused.words]).toEqual([1, expect.stringContaining('breaks off')]);
    expect(await pieces()).toBe(10);
    const done = await command('restore', [file, '--yes'], other.databaseUrl);
    expect(done.code).toBe(0);
    expect(await pieces()).toBe(11);
    await other.close();
  });
});
