import { CHROMIUM } from './chromium.mjs';
import { createDatabase } from './database.mjs';
import { freePort } from './port.mjs';
import { startCluster } from './postgres.mjs';
import { startServer } from './server.mjs';

/**
 * Runs something with a browser and a server of its own on a database made for it, which begins with the
 * demo data; all of it is gone afterwards.
 *
 * @param name of the database and the log
 * @param task what to do with the browser, at the server’s address, with its database, and with its process
 */
export async function withDemo(name, task) {
  const cluster = await startCluster('test-postgres', { durable: false });
  const database = await createDatabase(cluster.url, name);
  const port = await freePort();
  const server = await startServer(
    { DATABASE_URL: database.url, PORT: String(port) },
    `${name}-server.log`,
  );
  let browser;
  try {
    const url = await server.ready;
    const { chromium } = await import('@playwright/test');
    browser = await chromium.launch({
      executablePath: CHROMIUM,
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    });
    await task(browser, url, database.url, server.pid);
  } finally {
    await browser?.close();
    await server.stop();
    await database.drop();
    cluster.stop();
  }
}
