import { randomBytes } from 'node:crypto';
import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { ROOT } from './shell.mjs';

/** Databases that others are copied from: migrated, with the made-up workshop or without any. */
const TEMPLATES = { demo: 'template_demo', empty: 'template_empty' };

async function withAdmin(adminUrl, use) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: adminUrl });
  await client.connect();
  return use(client).finally(() => client.end());
}

function urlOf(adminUrl, name) {
  const url = new URL(adminUrl);
  url.pathname = `/${name}`;
  return url.toString();
}

/**
 * Makes the databases anew that those of the tests are copied from, by the server as it is built.
 *
 * @param adminUrl address with the right to create databases
 */
export async function makeTemplates(adminUrl) {
  const built = join(ROOT, 'apps/server/dist/database/data-source.js');
  await import(pathToFileURL(join(ROOT, 'node_modules/reflect-metadata/Reflect.js')).href);
  const { prepareDatabase } = await import(pathToFileURL(built).href);
  for (const [kind, name] of Object.entries(TEMPLATES)) {
    await withAdmin(adminUrl, async (client) => {
      await client.query(`drop database if exists ${name} with (force)`);
      await client.query(`create database ${name}`);
    });
    await prepareDatabase(urlOf(adminUrl, name), kind === 'demo');
  }
}

/**
 * Makes a database of its own on a running PostgreSQL.
 *
 * @param adminUrl address with the right to create databases
 * @param purpose beginning of its name
 * @param like `demo` or `empty`: a copy of what the server makes at its first start, where there is one to copy;
 *   without anything in it when left out
 * @returns its address, and how to remove it with whoever is still connected
 */
export async function createDatabase(adminUrl, purpose, like) {
  const name = `${purpose}_${randomBytes(6).toString('hex')}`;
  await withAdmin(adminUrl, async (client) => {
    const template = TEMPLATES[like] ?? '';
    const { rowCount } = await client.query('select from pg_database where datname = $1', [
      template,
    ]);
    await client.query(`create database ${name}${rowCount ? ` template ${template}` : ''}`);
  });
  return {
    url: urlOf(adminUrl, name),
    drop: () =>
      withAdmin(adminUrl, (client) => client.query(`drop database if exists ${name} with (force)`)),
  };
}
