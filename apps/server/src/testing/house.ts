import { createHash } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { afterAll, beforeAll } from '@jest/globals';
import sharp from 'sharp';
import { as, memberOf, type Signed } from './people.js';
import { until } from './processes.js';
import { startTestApp, type TestApp } from './test-app.js';

/** An installation with a photo in it, its owner, and a folder for files. */
export interface House {
  readonly test: TestApp;
  readonly owner: Awaited<ReturnType<typeof memberOf>>;
  readonly folder: string;
}

/** One for all tests of a file; returns how to come to it. */
export function useHouse(): () => House {
  let house: House;
  beforeAll(async () => {
    const folder = await mkdtemp(join(tmpdir(), 'coiled-strand-test-'));
    const test = await startTestApp(true, { backups: join(folder, 'kept') });
    const owner = await memberOf(test.app, 'owner', 'the-owner');
    house = { test, owner, folder };
    await fill(house);
  });
  afterAll(async () => {
    await house.test.close();
    await rm(house.folder, { recursive: true, force: true });
  });
  return () => house;
}

async function fill({ test, owner }: House): Promise<void> {
  const send = as(test.app, owner.signed);
  const makes = (await send().get('/api/makes')).body as { items: { id: string }[] };
  const picture = await sharp({
    create: { width: 700, height: 500, channels: 3, background: '#e5682a' },
  })
    .jpeg()
    .toBuffer();
  const photo = await send()
    .post(`/api/makes/${makes.items[0]!.id}/photos`)
    .set('content-type', 'image/jpeg')
    .send(picture)
    .expect(201);
  await send().post('/api/wearers').send({ name: 'Somebody', wrist: 160 }).expect(201);
  // Made by a job; what is compared is compared after that.
  const { id } = photo.body as { id: string };
  await until(async () => (await send().get(`/api/photos/${id}/thumb`)).type === 'image/webp');
}

/** The workshop of an owner as a file. */
export const downloaded = async (app: TestApp, signed: Signed): Promise<Buffer> =>
  (
    await as(app.app, signed)()
      .get('/api/backups/file')
      .buffer(true)
      .parse((response, done) => {
        const parts: Buffer[] = [];
        response.on('data', (part: Buffer) => parts.push(part));
        response.on('end', () => done(null, Buffer.concat(parts)));
      })
      .expect(200)
  ).body as Buffer;

/** A backup with other rows, or another first line, and right checksums: as somebody makes it by hand. */
export function resealed(
  bytes: Buffer,
  row: (line: string) => string = (line) => line,
  header: (of: Record<string, unknown>) => object = (of) => of,
): Buffer {
  const lines = gunzipSync(bytes).toString().trim().split('\n').slice(0, -1);
  const made: string[] = [];
  let part = createHash('sha256');
  for (const line of lines) {
    if (line.startsWith('{"header"')) {
      const { header: of } = JSON.parse(line) as { header: Record<string, unknown> };
      made.push(JSON.stringify({ header: header(of) }));
    } else if (line.startsWith('{"row"')) {
      made.push(row(line));
      part.update(`${made.at(-1)!}\n`);
    } else if (line.startsWith('{"end"')) {
      made.push(JSON.stringify({ ...(JSON.parse(line) as object), sha256: part.digest('hex') }));
      part = createHash('sha256');
    } else made.push(line);
  }
  const all = made.map((line) => `${line}\n`).join('');
  const sha256 = createHash('sha256').update(all).digest('hex');
  return gzipSync(`${all}${JSON.stringify({ whole: true, sha256 })}\n`);
}
