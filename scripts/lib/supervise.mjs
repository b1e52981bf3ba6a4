import { ensureBuild } from './build.mjs';
import { ensureDependencies } from './dependencies.mjs';
import { startGuard } from './guard.mjs';
import { isFree, isOurs } from './port.mjs';
import { startCluster } from './postgres.mjs';
import { end, isAlive, named } from './process.mjs';
import { takeFolder } from './running.mjs';
import { run, say, Sentence } from './say.mjs';
import { startServer } from './server.mjs';
import { DATA, endQuiet } from './shell.mjs';

/** What dies this often in this time, in ms, is not started again. */
const TOO_OFTEN = { times: 5, within: 10 * 60_000 };

/** So long, in ms, a server that was ended may hold its port. */
const LETS_GO = 5_000;

function wantedPort() {
  const port = Number(process.env.PORT ?? 4173);
  if (!Number.isInteger(port) || port < 1 || port > 65535) {
    throw new Sentence(`PORT is “${process.env.PORT}”. Set it to a whole number from 1 to 65535.`);
  }
  return port;
}

/** @throws Sentence where it is no address of this machine */
async function refuseElsewhere(host) {
  if (host === undefined || (await isOurs(host))) return;
  throw new Sentence(
    `HOST is “${host}”, which is no address of this machine. Leave it out for this machine alone, or set it to 0.0.0.0 for every network that it is in.`,
  );
}

/** @param patience ms in which one that was ended may still let go of it: its last threads hold on a moment longer */
async function refuseTaken(port, patience) {
  await refuseElsewhere(process.env.HOST);
  const until = Date.now() + patience;
  do {
    if (await isFree(port, process.env.HOST)) return;
    await new Promise((done) => setTimeout(done, 100));
  } while (Date.now() < until);
  throw new Sentence(
    `Port ${port} is taken by another program (or may not be used by this user). Stop that, or choose another: PORT=${port + 7} npm start`,
  );
}

/** Counts deaths, and says when they are too many to go on. */
function deaths(what) {
  let times = [];
  return (how) => {
    const now = Date.now();
    times = [...times.filter((time) => now - time < TOO_OFTEN.within), now];
    if (times.length > TOO_OFTEN.times) {
      throw new Sentence(`${what} ended ${times.length} times in ten minutes. ${how}`);
    }
  };
}

/** Says where nobody is asked for a password, or nobody has one to be asked for. */
async function sayWhoComesIn(address) {
  try {
    const { state, open } = await (await fetch(`${address}/api/session`)).json();
    if (open) {
      say('It is open to whoever sits at this machine, until somebody chooses a password there');
    } else if (state === 'set-up') say('It is empty: the page asks for the workshop and its owner');
  } catch {
    // It is only a word on the way.
  }
}

/** One command from a fresh checkout to an address to open; whatever dies meanwhile is started again. */
export const supervise = () =>
  run(async () => {
    const port = wantedPort();
    const folder = takeFolder(DATA);
    let cluster = null;
    let server = null;
    let guard = null;
    let ending = null;
    const endAll = () =>
      (ending ??= (async () => {
        endQuiet();
        await server?.stop();
        cluster?.stop();
        guard?.dismiss();
        folder.leave();
      })());
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
      process.on(signal, () => {
        say('Stopping');
        void endAll().then(() => process.exit(0));
      });
    }
    let ended = false;
    try {
      if (folder.left?.server && isAlive(folder.left.server)) {
        say(
          `The last start was killed and left its server (process ${folder.left.server.pid}); ending that`,
        );
        await end(folder.left.server);
        ended = true;
      }
      await refuseTaken(port, ended ? LETS_GO : 0);
      await ensureDependencies();
      await ensureBuild();

      guard = startGuard();
      guard.watch({ file: folder.file });
      if (!process.env.DATABASE_URL) {
        say('Starting the database');
        cluster = await startCluster('postgres', { durable: true, takeOver: true });
        guard.watch({ cluster: cluster.cluster });
        if (cluster.ran) say('The last start left it running; it is taken over');
        say(`The data are in ${cluster.place}`);
      }
      const begin = async () => {
        const url = process.env.DATABASE_URL || cluster.url;
        server = await startServer({ DATABASE_URL: url, PORT: String(port) }, 'server.log');
        const begun = named(server.pid);
        guard.watch({ server: begun, log: server.logFile });
        folder.note({ server: begun });
        return server.ready;
      };
      say('Starting the server');
      const address = await begin();
      folder.note({ address });
      say(`Ready. Open ${address}   (Ctrl-C stops it; its log is ${server.logFile})`);
      await sayWhoComesIn(address);

      const count = { server: deaths('The server'), database: deaths('The database') };
      const never = new Promise(() => undefined);
      const database = () => cluster?.died().then(() => 'database') ?? never;
      let databaseDied = database();
      while (!ending) {
        const died = await Promise.race([server.exited.then((how) => ({ how })), databaseDied]);
        if (ending) break;
        // Both may have been killed: a server does not come up before its database.
        if (died === 'database' || (cluster && !cluster.isUp())) {
          const words = cluster.lastWords();
          say(`The database ended by itself; starting it again. Its log says:\n${words}`);
          count.database(`Its log says:\n${words}`);
          await cluster.restart();
          databaseDied = database();
          say('The database is back');
          continue;
        }
        say(`The server ended by itself (${died.how}); starting it again. See ${server.logFile}`);
        count.server(`See ${server.logFile}.`);
        try {
          await begin();
          say('The server is back');
        } catch (error) {
          // That it ended is seen in the next turn; the database may have ended meanwhile.
          if (cluster?.isUp() ?? true) throw error;
        }
      }
      await ending;
    } finally {
      await endAll();
    }
  });
