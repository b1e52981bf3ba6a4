import { randomBytes } from 'node:crypto';
import { connect, type Socket } from 'node:net';
import { afterAll, beforeAll, expect, it } from '@jest/globals';
import { DataSource } from 'typeorm';
import { as, memberOf, type Signed } from '../testing/people.js';
import { until } from '../testing/processes.js';
import { startTestApp, type TestApp } from '../testing/test-app.js';
import { PATIENCE } from './backups.controller.js';

let test: TestApp;
let owner: Signed;
let port: number;
const usual = PATIENCE.ms;
beforeAll(async () => {
  test = await startTestApp();
  ({ signed: owner } = await memberOf(test.app, 'owner', 'the-owner'));
  await test.app.listen(0, '127.0.0.1');
  ({ port } = test.app.getHttpServer().address() as { port: number });
  // Far more than lies on the way between two programs.
  const source = test.app.get(DataSource);
  for (let n = 0; n < 6; n++) {
    await source.query(
      `insert into photo (workshop_id, make_id, type, size, bytes)
       select workshop_id, id, 'image/png', 5000000, $1 from make limit 1`,
      [randomBytes(5_000_000)],
    );
  }
  // Long enough for all that is asked meanwhile, also on a busy machine.
  PATIENCE.ms = 8_000;
});
afterAll(async () => {
  PATIENCE.ms = usual;
  await test.close();
});

/** Asks for a backup and reads nothing of it. */
function unread(): Socket {
  const socket = connect(port, '127.0.0.1');
  socket.on('error', () => undefined);
  socket.pause();
  socket.write(
    ['GET /api/backups/file HTTP/1.1', 'Host: 127.0.0.1', `Cookie: ${owner.Cookie}`, '', ''].join(
      '\r\n',
    ),
  );
  return socket;
}

/** Transactions of this database that wait for whoever is to take what they read. */
const open = async (): Promise<number> => {
  const [row] = await test.app.get(DataSource).query<{ n: number }[]>(
    `select count(*)::int n from pg_stat_activity
     where datname = current_database() and pid <> pg_backend_pid() and xact_start is not null`,
  );
  return row!.n;
};

it('a download that nobody reads is given up, and holds nothing; a few go on at once', async () => {
  const sockets = Array.from({ length: 3 }, unread);
  await until(async () => (await open()) >= 3);
  const fourth = await as(test.app, owner)().get('/api/backups/file').expect(503);
  expect(fourth.body.error.code).toBe('backups.busy');
  expect(fourth.headers['retry-after']).toBe('30');
  await until(async () => (await open()) === 0);
  sockets.forEach((socket) => socket.destroy());
  // One that is read goes through, however long the machine takes for a piece of it.
  PATIENCE.ms = usual;
  await as(test.app, owner)()
    .get('/api/backups/file')
    .buffer(true)
    .parse((response, done) => {
      response.on('data', () => undefined);
      response.on('end', () => done(null, null));
    })
    .expect(200);
});
