import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { createDatabase } from './lib/database.mjs';
import { ensureDependencies } from './lib/dependencies.mjs';
import { fillWith } from './lib/many.mjs';
import { largePiece } from './lib/large-piece.mjs';
import { freePort } from './lib/port.mjs';
import { startCluster } from './lib/postgres.mjs';
import { run, say } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';
import { ROOT } from './lib/shell.mjs';

const MANY = { pieces: 5000, makes: 20_000 };
const CONNECTIONS = 50;
/** What is asked of it, on two cores with the load tool beside it on them. */
const ASKED = {
  reads: { perSecond: 200, p99: 100 },
  writes: { perSecond: 150, p99: 200 },
};
/** Of the last that is measured, in seconds each; `LOAD_MINUTES=10` for the memory over ten minutes. */
const SECONDS = 30;
const MINUTES = Number(process.env.LOAD_MINUTES ?? 0);

const memory = (pid) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024;

/**
 * How the server bears many at once on a workshop with years of work in it: reads and progress of makes at a steady
 * rate over fifty connections, with what most and the slowest one in a hundred waited.
 */
await run(async () => {
  await ensureDependencies();
  await ensureBuild();
  const { default: autocannon } = await import('autocannon');
  const { default: pg } = await import('pg');
  const core = await import(join(ROOT, 'packages/core/dist/index.js'));
  // As at a maker's: nothing is left out for speed.
  const cluster = await startCluster('load-postgres', { durable: true });
  const database = await createDatabase(cluster.url, 'load');
  const port = await freePort();
  const begin = () =>
    startServer(
      // One address asks for all of it.
      { DATABASE_URL: database.url, PORT: String(port), RATE: '100000', BACKUPS: 'off' },
      'load.log',
    );
  let server = await begin();
  let failed = false;
  try {
    await server.ready;
    await server.stop();
    say(`Filling it with ${MANY.pieces} pieces and ${MANY.makes} makes`);
    const client = new pg.Client({ connectionString: database.url });
    await client.connect();
    try {
      // As an older program would have left it: the next start learns from all of them.
      await client.query('delete from evidence');
      await fillWith(client, MANY);
    } finally {
      await client.end();
    }
    say('Starting on it');
    server = await begin();
    const url = `${await server.ready}/api`;
    say('Ready');

    const get = async (path) => (await fetch(`${url}${path}`)).json();
    const { items } = await get('/pieces?limit=50');
    const makes = await Promise.all(
      items.map(async ({ id }) => {
        const answer = await fetch(`${url}/pieces/${id}/makes`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: '{"beside":true}',
        });
        const make = await answer.json();
        const { steps } = await get(`/makes/${make.id}/plan`);
        return { id: make.id, steps };
      }),
    );
    const reads = [
      '/workshop',
      '/hand/known',
      '/hand/known',
      '/hand',
      '/pieces',
      '/pieces?q=amber',
      '/pieces?sort=name',
      ...items.slice(0, 4).map(({ id }) => `/pieces/${id}`),
      ...items.slice(0, 4).map(({ id }) => `/makes?piece=${id}&state=under-way`),
      '/makes?state=logged',
      '/makes?q=cedar+birch',
      '/cords',
    ].map((path) => ({ method: 'GET', path: `/api${path}` }));
    let said = 0;
    // Each make is taken round and round its steps, as by a hand that never rests.
    const writes = makes.map(({ id, steps }) => ({
      method: 'PUT',
      path: `/api/makes/${id}/progress`,
      setupRequest: (request) => {
        said += 1;
        const step = steps[said % steps.length];
        return {
          ...request,
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({
            at: { step: step.id, unit: said % (step.units + 1) },
            device: 'load',
            said,
          }),
        };
      },
    }));
    // The tool sends what a connection may send in a second at its beginning: each begins a moment after the one
    // before, so that together they are steady, as many people are.
    const steadily = async (requests, perSecond, seconds) => {
      const how = { url: `http://127.0.0.1:${port}`, connections: 1, duration: seconds };
      const each = { ...how, overallRate: perSecond / CONNECTIONS, skipAggregateResult: true };
      const results = Array.from({ length: CONNECTIONS }, async (_, i) => {
        await new Promise((resolve) => setTimeout(resolve, (1000 * i) / CONNECTIONS));
        // And asks for something else than its neighbour does.
        const first = (i * 7) % requests.length;
        const own = [...requests.slice(first), ...requests.slice(0, first)];
        return autocannon({ ...each, requests: own });
      });
      // Its types do not know it.
      const { aggregateResult } = /** @type {any} */ (autocannon);
      return aggregateResult(await Promise.all(results), { ...how, requests });
    };
    // One backup after the other is taken, and somebody plans a large piece every second.
    const beside = async (task) => {
      let over = false;
      const backups = async () => {
        while (!over) await (await fetch(`${url}/backups/file`)).arrayBuffer();
      };
      const plans = async () => {
        const file = { format: core.PIECE_FORMAT, version: core.PIECE_FORMAT_VERSION };
        const body = JSON.stringify({ ...file, piece: largePiece(core) });
        while (!over) {
          const answer = await fetch(`${url}/plan`, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json' },
            body,
          });
          if (!answer.ok) throw new Error(`it is not planned: ${await answer.text()}`);
          await new Promise((resolve) => setTimeout(resolve, 1000));
        }
      };
      const both = Promise.all([backups(), plans()]);
      await task();
      over = true;
      await both;
    };
    const measure = async (name, requests, { perSecond, p99 }, seconds) => {
      const {
        latency,
        requests: done,
        errors,
        timeouts,
        non2xx,
      } = await steadily(requests, perSecond, seconds);
      const bad = errors + timeouts + non2xx;
      const ok = bad === 0 && latency.p99 <= p99 && done.total / seconds >= perSecond * 0.98;
      failed ||= !ok;
      say(
        `${ok ? 'holds' : 'FAILS'}  ${name}: ${(done.total / seconds).toFixed(0)}/s of ${perSecond}, half in ${latency.p50} ms, 99 in 100 in ${latency.p99} ms of ${p99}, ${bad} errors, ${memory(server.pid).toFixed(0)} MB`,
      );
    };
    const most = async (name, requests) => {
      const { requests: done, latency } = await autocannon({
        url: `http://127.0.0.1:${port}`,
        connections: CONNECTIONS,
        duration: 10,
        requests,
      });
      say(
        `       ${name} as many as it can: ${done.average.toFixed(0)}/s, 99 in 100 in ${latency.p99} ms`,
      );
    };
    await most('reads', reads);
    await measure('reads', reads, ASKED.reads, SECONDS);
    await beside(() => measure('reads beside a backup and a planner', reads, ASKED.reads, SECONDS));
    await most('writes', writes);
    await measure('writes', writes, ASKED.writes, SECONDS);
    if (MINUTES > 0) {
      const before = memory(server.pid);
      for (let minute = 1; minute <= MINUTES; minute++) {
        await measure(`minute ${minute}, reads`, reads, ASKED.reads, 30);
        await measure(`minute ${minute}, writes`, writes, ASKED.writes, 30);
      }
      say(
        `Memory over ${MINUTES} minutes: ${before.toFixed(0)} MB to ${memory(server.pid).toFixed(0)} MB`,
      );
    }
  } finally {
    await server.stop();
    await database.drop();
    cluster.stop();
  }
  process.exitCode = failed ? 1 : 0;
});
