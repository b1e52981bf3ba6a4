import { fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';

/** Built beside the rest: what is tried with it is the program as it is started. */
const MAIN = fileURLToPath(new URL('../../dist/main.js', import.meta.url));

export interface ServerProcess {
  readonly url: string;
  /** As a crash would. */
  kill(): Promise<void>;
  /** As it is asked to end. */
  stop(): Promise<void>;
}

/** The server as a process of its own. @throws Error with its words when it does not start */
export async function startProcess(
  databaseUrl: string,
  env: NodeJS.ProcessEnv = {},
): Promise<ServerProcess> {
  const port = await freePort();
  const child = fork(MAIN, {
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      PORT: String(port),
      INSTRUMENTS: 'off',
      WEB_ROOT: '/nowhere',
      ...env,
    },
    stdio: 'ignore',
    // A thread of the tests passes flags on that this program does not want.
    execArgv: [],
  });
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  const end = async (signal: NodeJS.Signals): Promise<void> => {
    child.kill(signal);
    await ended;
  };
  return new Promise((resolve, reject) => {
    child.once('message', (message: { ready?: string; failed?: string }) => {
      if (message.ready === undefined) return reject(new Error(message.failed));
      resolve({
        url: message.ready,
        kill: () => end('SIGKILL'),
        stop: () => end('SIGTERM'),
      });
    });
    void ended.then(() => reject(new Error('the server ended before it was ready')));
  });
}

async function freePort(): Promise<number> {
  const { createServer } = await import('node:net');
  const server = createServer();
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as { port: number };
  await new Promise((resolve) => server.close(resolve));
  return port;
}

/** What a stream tells under a name, one after the other, until it is left. */
export async function listenTo<T>(
  url: string,
  headers: Readonly<Record<string, string>> = {},
  name = 'message',
): Promise<{ readonly heard: T[]; readonly over: Promise<void>; leave: () => void }> {
  const left = new AbortController();
  const answer = await fetch(url, {
    headers: { accept: 'text/event-stream', ...headers },
    signal: left.signal,
  });
  if (!answer.ok) throw new Error(`${url} answers ${answer.status}`);
  const heard: T[] = [];
  const over = (async () => {
    let rest = '';
    let event = 'message';
    const decoder = new TextDecoder();
    for await (const data of answer.body!) {
      // A browser's stream is typed, Node's is not: which of them is seen depends on who looks.
      const lines = (rest + decoder.decode(data as Uint8Array, { stream: true })).split('\n');
      rest = lines.pop()!;
      for (const line of lines) {
        if (line.startsWith('event: ')) event = line.slice(7);
        else if (line === '') event = 'message';
        else if (event === name && line.startsWith('data: '))
          heard.push(JSON.parse(line.slice(6)) as T);
      }
    }
  })().catch(() => undefined);
  return { heard, over, leave: () => left.abort() };
}

/** Looks again and again until there is something to see. @throws Error when there is nothing for so long, in ms */
export async function until<T>(
  look: () => T | undefined | false | Promise<T | undefined | false>,
  longest = 120_000,
): Promise<T> {
  const from = Date.now();
  while (Date.now() - from < longest) {
    const found = await look();
    if (found !== undefined && found !== false) return found;
    await new Promise((resolve) => setTimeout(resolve, 25));
  }
  throw new Error('it did not come to that');
}
