import { readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { BackupsView } from '@coiled-strand/contract';
import { beforeAll, describe, expect, it } from '@jest/globals';
import { DataSource } from 'typeorm';
import { useHouse, type House } from '../testing/house.js';
import { as } from '../testing/people.js';
import { until } from '../testing/processes.js';
import type { TestApp } from '../testing/test-app.js';
import { BackupsService } from './backups.service.js';
import { isDue, spanOf } from './due.js';
import { readBackup } from './format.js';

const house = useHouse();
let folder: string;
let test: TestApp;
let owner: House['owner'];
beforeAll(() => {
  ({ folder, test, owner } = house());
});

describe('the clock', () => {
  const plan = { every: 'day', hour: 3, keep: 2 } as const;
  it.each([
    ['2026-11-26T02:59:00Z', 'UTC', 'day', '2026-11-25'],
    ['2026-11-26T03:00:00Z', 'UTC', 'day', '2026-11-26'],
    // In Oslo it is four o’clock already.
    ['2026-11-26T02:59:00Z', 'Europe/Oslo', 'day', '2026-11-26'],
    ['2026-11-29T12:00:00Z', 'UTC', 'week', '2026-11-23'],
    ['2026-11-30T02:00:00Z', 'UTC', 'week', '2026-11-23'],
    ['2026-11-30T03:00:00Z', 'UTC', 'week', '2026-11-30'],
  ] as const)('at %s in %s counts for the %s of %s', (at, zone, every, span) => {
    expect(spanOf(new Date(at), { every, hour: 3 }, zone)).toBe(span);
  });
  it('makes up for hours at which the machine was off, and does nothing twice', () => {
    const last = new Date('2026-11-24T03:10:00Z');
    expect(isDue(plan, last, new Date('2026-11-25T02:00:00Z'), 'UTC')).toBe(false);
    expect(isDue(plan, last, new Date('2026-11-25T19:00:00Z'), 'UTC')).toBe(true);
    expect(isDue({ ...plan, every: 'never' }, last, new Date('2027-11-25T19:00:00Z'), 'UTC')).toBe(
      false,
    );
  });
  it('writes whole files through the queue, keeps so many, and hands them out', async () => {
    const send = as(test.app, owner.signed);
    await send().put('/api/backups/plan').send(plan).expect(200);
    const kept = async () => ((await send().get('/api/backups')).body as BackupsView).kept;
    for (let n = 1; n <= 3; n++) {
      await send().post('/api/backups').expect(202);
      await until(async () => {
        const { body } = await send().get('/api/trail?limit=100');
        const made = (body as { items: { did: string; who: string | null }[] }).items;
        return (
          made.filter(({ did, who }) => did === 'workshop.backed-up' && who === null).length >= n
        );
      });
    }
    await until(async () => (await kept()).length === 2);
    const workshop = owner.workshop.id;
    const files = await readdir(join(folder, 'kept', workshop));
    expect(files).toHaveLength(2);
    const { header } = await readBackup(join(folder, 'kept', workshop, files[0]!));
    expect(header).toMatchObject({ scope: 'workshop', workshops: ['Thistledown Bench'] });
    const [last] = await kept();
    await send().get(`/api/backups/${last!.id}`).expect(200).expect('content-type', /gzip/);
    // Gone from the disk, it is said where it was.
    await rm(join(folder, 'kept', workshop), { recursive: true });
    const gone = await send().get(`/api/backups/${last!.id}`).expect(409);
    expect(gone.body.error.code).toBe('backup.elsewhere');
  });
  it('asks for those that are due, each once', async () => {
    const service = test.app.get(BackupsService);
    const source = test.app.get(DataSource);
    const waiting = async () =>
      (
        await source.query<{ n: number }[]>(
          `select count(*)::int as n from queue.job where name = 'backup' and data ->> 'workshop' = $1`,
          [owner.workshop.id],
        )
      )[0]!.n;
    const before = await waiting();
    await service.askForDue(new Date());
    expect(await waiting()).toBe(before);
    await service.askForDue(new Date(Date.now() + 26 * 60 * 60 * 1000));
    expect(await waiting()).toBe(before + 1);
  });
});
