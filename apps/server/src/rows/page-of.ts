import { PAGE, type PageQueryDto } from '@coiled-strand/contract';
import type { ObjectLiteral, SelectQueryBuilder } from 'typeorm';

/** What a list is sorted by, and whether the largest comes first; rows alike go by their id. */
export interface Order {
  /** Property of the row. */
  readonly by: string;
  readonly descending?: true;
}

export interface PageOf<T> {
  readonly rows: T[];
  readonly total: number;
  readonly next: string | null;
}

/** A word as a pattern that finds it anywhere: what has a meaning in patterns has none in words. */
const anywhere = (word: string): string => `%${word.replace(/[\\%_]/g, '\\$&')}%`;

/** Finds only what has each of these words somewhere in its `search`. */
export function withWords<T extends ObjectLiteral>(
  query: SelectQueryBuilder<T>,
  alias: string,
  q = '',
): SelectQueryBuilder<T> {
  const words = q
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  words.forEach((word, i) =>
    query.andWhere(`${alias}.search like :word${i}`, { [`word${i}`]: anywhere(word) }),
  );
  return query;
}

/**
 * A page of what a query finds, from after the last row that was seen: whatever is added or taken away meanwhile,
 * no row is told twice or left out.
 *
 * @param query without an order; its rows are of one workshop
 */
export async function pageOf<T extends ObjectLiteral & { readonly id: string }>(
  query: SelectQueryBuilder<T>,
  { by, descending }: Order,
  { limit = PAGE, after }: Pick<PageQueryDto, 'limit' | 'after'>,
): Promise<PageOf<T>> {
  const { name, metadata } = query.expressionMap.mainAlias!;
  const all = query.clone().select('count(*)::int', 'total');
  const column = metadata.findColumnWithPropertyName(by)!.databaseName;
  if (after !== undefined) {
    query.andWhere(
      `(${name}.${column}, ${name}.id) ${descending ? '<' : '>'} (select last.${column}, last.id from ${metadata.tableName} last where last.id = :after and last.workshop_id = ${name}.workshop_id)`,
      { after },
    );
  }
  const direction = descending ? 'DESC' : 'ASC';
  // Counted in the same breath: every question to the database costs as much as its answer.
  const { entities, raw } = await query
    .addSelect(`(${all.getQuery()})`, 'total')
    .orderBy(`${name}.${by}`, direction)
    .addOrderBy(`${name}.id`, direction)
    .limit(limit + 1)
    .getRawAndEntities<{ total: number }>();
  const total = raw[0]?.total ?? (await all.getRawOne<{ total: number }>())!.total;
  const rows = entities.slice(0, limit);
  return { rows, total, next: entities.length > limit ? rows.at(-1)!.id : null };
}
