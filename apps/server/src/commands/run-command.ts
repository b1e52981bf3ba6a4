import { createInterface } from 'node:readline/promises';
import { Writable } from 'node:stream';
import { AppError } from '../errors/app-error.js';

export const say = (words: string): void => void process.stdout.write(`${words}\n`);

/** Where the database is. @throws Error in plain words */
export function databaseUrl(): string {
  const url = process.env.DATABASE_URL;
  if (!url)
    throw new Error('DATABASE_URL is not set. Start this by `npm run`, which knows the database.');
  return url;
}

/** Runs a command with what follows its name; a fault is told as a sentence, and ends it with 1. */
export async function runCommand(command: (args: string[]) => Promise<void>): Promise<void> {
  try {
    await command(process.argv.slice(2));
  } catch (error) {
    const remedy = error instanceof AppError ? ` ${error.remedy}` : '';
    process.stderr.write(`${sentenceOf(error as NodeJS.ErrnoException)}${remedy}\n`);
    process.exitCode = 1;
  }
}

function sentenceOf({ code, path, message }: NodeJS.ErrnoException): string {
  if (code === 'ENOENT') return `There is no ${path ?? 'such file'}.`;
  if (code === 'EACCES') return `${path ?? 'The file'} may not be read or written by this user.`;
  return message;
}

/** What somebody types. @throws Error where nobody can be asked */
export async function ask(question: string): Promise<string> {
  if (!process.stdin.isTTY) {
    throw new Error(
      'There is nobody to ask here. Nothing was changed. Add --yes where it is meant.',
    );
  }
  const reader = createInterface({ input: process.stdin, output: process.stdout });
  try {
    return await reader.question(question);
  } finally {
    reader.close();
  }
}

/** What somebody types, without showing it; or the first line of what is sent to it. */
export async function askSecretly(question: string): Promise<string> {
  const silent = new Writable({ write: (_data, _encoding, done) => done() });
  const reader = createInterface({
    input: process.stdin,
    output: silent,
    terminal: process.stdin.isTTY,
  });
  if (process.stdin.isTTY) process.stdout.write(question);
  try {
    for await (const line of reader) return line;
    return '';
  } finally {
    reader.close();
    if (process.stdin.isTTY) process.stdout.write('\n');
  }
}
