import { ensureBuild } from './lib/build.mjs';
import { checkNode, ensureDependencies } from './lib/dependencies.mjs';
import { isFree } from './lib/port.mjs';
import { startCluster } from './lib/postgres.mjs';
import { run, say, Sentence } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';

/** One command from a fresh checkout to an address to open. */
await run(async () => {
  checkNode();
  const port = Number(process.env.PORT ?? 4173);
  if (!Number.isInteger(port) || port < 1 || port > 65535) {
    throw new Sentence(`PORT is “${process.env.PORT}”. Set it to a whole number from 1 to 65535.`);
  }
  if (!(await isFree(port, process.env.HOST))) {
    throw new Sentence(
      `Port ${port} is taken by another program (or may not be used by this user). Stop that, or choose another: PORT=${port + 7} npm start`,
    );
  }
  await ensureDependencies();
  await ensureBuild();

  let cluster = null;
  let server = null;
  let ending = null;
  const end = () =>
    (ending ??= (async () => {
      await server?.stop();
      cluster?.stop();
    })());
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
    process.on(signal, () => {
      say('Stopping');
      void end().then(() => process.exit(0));
    });
  }
  try {
    if (!process.env.DATABASE_URL) {
      say('Starting the database');
      cluster = await startCluster('postgres', { durable: true });
      say(`The data are in ${cluster.place}`);
    }
    say('Starting the server');
    const url = process.env.DATABASE_URL ?? cluster.url;
    server = startServer({ DATABASE_URL: url, PORT: String(port) }, 'server.log');
    const address = await server.ready;
    say(`Ready. Open ${address}   (Ctrl-C stops it; its log is ${server.logFile})`);
    const how = await server.exited;
    if (!ending) throw new Sentence(`The server ended by itself (${how}). See ${server.logFile}.`);
    await ending;
  } finally {
    await end();
  }
});
