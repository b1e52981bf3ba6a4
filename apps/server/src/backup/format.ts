import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import type { Readable } from 'node:stream';
import { StringDecoder } from 'node:string_decoder';
import { createGunzip } from 'node:zlib';
import { HttpStatus } from '@nestjs/common';
import { AppError } from '../errors/app-error.js';

// The format is told in docs/backup-format.md: lines of JSON, squeezed by gzip.

export const FORMAT = 'coiled-strand-backup';
export const VERSION = 1;

/** The first line. */
export interface Header {
  readonly format: typeof FORMAT;
  readonly version: number;
  readonly madeAt: string;
  /** `installation`: everything; `workshop`: one of them, with the accounts of its members. */
  readonly scope: 'installation' | 'workshop';
  /** Migrations that the tables had gone through. */
  readonly migrations: readonly string[];
  readonly workshops: readonly string[];
  /** Rows of each table, in the order in which they come. */
  readonly tables: readonly { readonly name: string; readonly rows: number }[];
}

export type Row = Readonly<Record<string, unknown>>;

/** A line as the file has it. */
export type Line =
  | { readonly header: Header }
  | { readonly table: string }
  | { readonly row: Row }
  /** SHA-256 of the lines of the table’s rows, each with its line end. */
  | { readonly end: string; readonly rows: number; readonly sha256: string }
  /** SHA-256 of all lines before this one. */
  | { readonly whole: true; readonly sha256: string };

/** No line is longer, in characters: a photo is 12 MB at most, and twice that as a text. */
const MAX_LINE_LENGTH = 64_000_000;

const unfit = (what: string): AppError =>
  new AppError(
    HttpStatus.UNPROCESSABLE_ENTITY,
    'backup.unfit',
    `This is no whole backup: ${what}.`,
    'Nothing was changed. Copy the file again from where it was made, or choose another.',
  );

export { unfit as unfitBackup };

/** Keeps the checksums of lines as they go by. */
export class Sealer {
  private readonly whole = createHash('sha256');
  private part = createHash('sha256');
  private rows = 0;

  /** @param text a line without its end */
  take(text: string, isRow = false): string {
    const line = `${text}\n`;
    this.whole.update(line);
    if (isRow) {
      this.part.update(line);
      this.rows++;
    }
    return line;
  }

  line(line: Line): string {
    return this.take(JSON.stringify(line), 'row' in line);
  }

  begin(table: string): string {
    this.part = createHash('sha256');
    this.rows = 0;
    return this.line({ table });
  }

  end(table: string): string {
    return this.line({ end: table, rows: this.rows, sha256: this.part.digest('hex') });
  }

  seal(): string {
    return this.line({ whole: true, sha256: this.whole.copy().digest('hex') });
  }
}

/** What a whole file says of itself. */
export interface Looked {
  readonly header: Header;
  readonly sha256: string;
}

async function* linesOf(source: Readable): AsyncGenerator<string> {
  const zipped = createGunzip();
  source.on('error', (error) => zipped.destroy(error));
  const decoder = new StringDecoder('utf8');
  let rest: string[] = [];
  let length = 0;
  try {
    for await (const data of source.pipe(zipped)) {
      const parts = decoder.write(data as Buffer).split('\n');
      for (const part of parts.slice(0, -1)) {
        yield [...rest, part].join('');
        rest = [];
        length = 0;
      }
      // Put together only when its end has come: a long line comes in many pieces.
      rest.push(parts.at(-1)!);
      length += parts.at(-1)!.length;
      if (length > MAX_LINE_LENGTH) throw unfit('a line in it is too long');
    }
  } catch (error) {
    if (error instanceof AppError || (error as { code?: string }).code === 'ENOENT') throw error;
    throw unfit('it breaks off, or is no such file');
  } finally {
    zipped.destroy();
    source.destroy();
  }
  if (length > 0) throw unfit('its last line has no end');
}

function parsed(text: string, number: number): Line {
  try {
    const line = JSON.parse(text) as Line | null;
    if (typeof line === 'object' && line !== null && !Array.isArray(line)) return line;
  } catch {
    // Said below.
  }
  throw unfit(`line ${number} cannot be read`);
}

/**
 * Reads a file from its first line to its last, and hands out the rows as they come.
 *
 * @param each what is done with a row; nothing when it is only looked at
 * @returns what it says of itself, once it was found whole
 * @throws AppError 422 for a file that is cut short, changed, of a later version, or no backup at all
 */
export async function readBackup(
  file: string,
  each: (table: string, row: Row) => Promise<void> | void = () => undefined,
): Promise<Looked> {
  const sealer = new Sealer();
  let header: Header | null = null;
  let table: string | null = null;
  let tables = 0;
  let sha256: string | null = null;
  let number = 0;
  for await (const text of linesOf(createReadStream(file))) {
    number++;
    if (sha256 !== null) throw unfit('something follows its end');
    const line = parsed(text, number);
    if (header === null) {
      header = headerOf(line);
      sealer.take(text);
    } else if ('row' in line && table !== null) {
      sealer.take(text, true);
      if (typeof line.row !== 'object' || line.row === null)
        throw unfit(`line ${number} holds no row`);
      await each(table, line.row);
    } else if ('table' in line && table === null && line.table === header.tables[tables]?.name) {
      table = line.table;
      if (sealer.begin(table) !== `${text}\n`) throw unfit(`line ${number} says more than it may`);
    } else if ('end' in line && table !== null && line.end === table) {
      const expected = sealer.end(table);
      if (expected !== `${text}\n` || line.rows !== header.tables[tables]!.rows) {
        throw unfit(`the rows of “${table}” are not those that were written`);
      }
      table = null;
      tables++;
    } else if ('whole' in line && table === null && tables === header.tables.length) {
      if (sealer.seal() !== `${text}\n`) throw unfit('its checksum is another one');
      sha256 = line.sha256;
    } else throw unfit(`line ${number} stands in the wrong place`);
  }
  if (header === null || sha256 === null) throw unfit('its end is missing');
  return { header, sha256 };
}

function headerOf(line: Line): Header {
  const header = 'header' in line ? (line.header as Partial<Header> | null) : null;
  if (header?.format !== FORMAT) throw unfit('it does not begin like one');
  if (typeof header.version !== 'number' || header.version > VERSION) throw newer();
  const { tables, migrations, workshops, scope, madeAt } = header;
  const listed = Array.isArray(tables) && Array.isArray(migrations) && Array.isArray(workshops);
  const texts = (list: readonly unknown[]) => list.every((one) => typeof one === 'string');
  const named =
    listed &&
    texts(migrations) &&
    texts(workshops) &&
    tables.every(
      (one: Partial<Header['tables'][number]> | null) =>
        typeof one?.name === 'string' && Number.isInteger(one.rows),
    );
  const told = typeof madeAt === 'string' && (scope === 'installation' || scope === 'workshop');
  if (!named || !told) throw unfit('its first line lacks something');
  return header as Header;
}

export const newer = (): AppError =>
  new AppError(
    HttpStatus.UNPROCESSABLE_ENTITY,
    'backup.newer',
    'This backup was made by a newer version of this program.',
    'Nothing was changed. Bring this program up to date first.',
  );
