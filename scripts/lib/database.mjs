import { randomBytes } from 'node:crypto';

/**
 * Makes a database of its own on a running PostgreSQL.
 *
 * @param adminUrl address with the right to create databases
 * @param purpose beginning of its name
 * @returns its address, and how to remove it with whoever is still connected
 */
export async function createDatabase(adminUrl, purpose) {
  const { default: pg } = await import('pg');
  const admin = async (sql) => {
    const client = new pg.Client({ connectionString: adminUrl });
    await client.connect();
    await client.query(sql).finally(() => client.end());
  };
  const name = `${purpose}_${randomBytes(6).toString('hex')}`;
  await admin(`create database ${name}`);
  const url = new URL(adminUrl);
  url.pathname = `/${name}`;
  return {
    url: url.toString(),
    drop: () => admin(`drop database if exists ${name} with (force)`),
  };
}
