import type { EntityManager } from 'typeorm';
import { cleanPicture } from '../makes/pictures.js';
import { unfitBackup, type Row } from './format.js';
import { ROW_RULES } from './row-rules.js';
import { AT_ONCE, TABLES, USUALLY_AT_ONCE, type Table } from './tables.js';

/** So many pictures are decoded at once. */
const PICTURES = 2;

/**
 * Looks at every row that a file brought as if a request had sent it, and writes every picture anew: what nobody could
 * have sent is not restored either.
 *
 * @param manager of the tables that the file was read into
 * @throws AppError 422 with the row and what is wrong with it
 */
export async function checkRows(manager: EntityManager): Promise<void> {
  for (const table of TABLES) {
    for await (const row of rowsOf(manager, table)) {
      const [fault] = ROW_RULES[table](row);
      if (fault) throw strange(table, row.id, `${fault.path} ${fault.message}`);
    }
  }
  await cleanPhotos(manager);
}

const strange = (table: Table, id: unknown, what: string): Error =>
  unfitBackup(`the row ${String(id)} of “${table}” is nothing that this program writes: ${what}`);

async function* rowsOf(manager: EntityManager, table: Table): AsyncGenerator<Row> {
  const limit = AT_ONCE[table] ?? USUALLY_AT_ONCE;
  for (let after: unknown = null; ;) {
    const rows = await manager.query<{ row: Row }[]>(
      `select to_jsonb(one) - 'bytes' - 'thumb' as row from "${table}" one
       where $1::uuid is null or id > $1 order by id limit ${limit}`,
      [after],
    );
    for (const { row } of rows) yield row;
    if (rows.length < limit) return;
    after = rows.at(-1)!.row.id;
  }
}

async function cleanPhotos(manager: EntityManager): Promise<void> {
  const all = await manager.query<{ id: string }[]>('select id from photo order by id');
  for (let i = 0; i < all.length; i += PICTURES) {
    await Promise.all(
      all.slice(i, i + PICTURES).map(async ({ id }) => {
        const [photo] = await manager.query<{ bytes: Buffer }[]>(
          'select bytes from photo where id = $1',
          [id],
        );
        const picture = await cleanPicture(photo!.bytes);
        if (!picture) throw strange('photo', id, 'bytes are no picture');
        await manager.query(
          'update photo set type = $2, bytes = $3, size = $4, thumb = null where id = $1',
          [id, picture.type, picture.bytes, picture.bytes.length],
        );
      }),
    );
  }
}
