import type { SessionView } from '@coiled-strand/contract';
import { COPIED_LISTS } from '@coiled-strand/workshop';
import type { Query, QueryClient, QueryKey } from '@tanstack/react-query';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { ownerOf } from './owner';
import { keys } from './queries';

/** What was fetched last under a key, for whom. */
interface Kept {
  readonly hash: string;
  readonly key: QueryKey;
  readonly data: unknown;
  /** When the server said so. */
  readonly at: number;
  /** The person and the workshop that it was fetched for. */
  readonly owner: string;
}

interface Schema extends DBSchema {
  kept: { key: string; value: Kept };
}

/** What a maker needs at a table without a network, by the first word of its key. */
const NEEDED: ReadonlySet<unknown> = new Set([
  keys.session[0],
  keys.workshop[0],
  ...COPIED_LISTS,
  keys.knots[0],
  keys.hand[0],
  keys.swatches[0],
  keys.pieces[0],
  'piece',
  'make-plan',
]);

/** So many answers are kept, the newest: some forty pieces with their makes. */
const MAX_QUERIES = 300;
const NAME = 'coiled-strand-known';
/** Raised when answers are of another shape than before. */
export const SHAPE = 3;

async function open(): Promise<IDBPDatabase<Schema> | null> {
  try {
    return await openDB<Schema>(NAME, SHAPE, {
      // Answers of another shape are asked for again.
      upgrade: (made, before) => {
        if (before > 0) made.deleteObjectStore('kept');
        made.createObjectStore('kept', { keyPath: 'hash' });
      },
    });
  } catch {
    // A browser that has no such store, or no room for it, works with the server alone.
    return null;
  }
}

/**
 * Keeps what the server told last in this browser, and shows it until the server tells anew: so the pieces that
 * were opened lately are there when nobody answers. What was fetched for one person or workshop is never shown to
 * another: it goes as soon as the session is another one, or none.
 *
 * @returns once what is kept is known
 */
export async function keepQueries(client: QueryClient): Promise<void> {
  const database = await open();
  if (!database) return;
  // What is kept here is not let go of while the page is open.
  for (const first of NEEDED) client.setQueryDefaults([first], { gcTime: Infinity });
  let owner = await restore(database, client).catch(() => null);
  /** For whom what is shown was kept, until the server has said who is here. */
  let shownTo = owner;
  let writing: Promise<unknown> = Promise.resolve();
  const write = (how: () => Promise<unknown>): void => {
    writing = writing.then(how).catch(() => undefined);
  };
  client.getQueryCache().subscribe((event) => {
    if (event.type !== 'updated' || event.action.type !== 'success') return;
    const { queryKey, queryHash, state } = event.query as Query;
    if (!NEEDED.has(queryKey[0])) return;
    if (queryKey[0] === keys.session[0]) {
      const now = ownerOf(state.data as SessionView);
      if (now !== owner) write(() => database.clear('kept'));
      if (shownTo !== null && now !== shownTo) void forgetAll(client);
      owner = now;
      shownTo = null;
    }
    if (owner === null) return;
    const kept: Kept = {
      hash: queryHash,
      key: queryKey,
      data: state.data,
      at: state.dataUpdatedAt,
      owner,
    };
    write(() => database.put('kept', kept));
  });
}

/** Lets go of all that was kept for somebody else than who turned out to be here. */
const forgetAll = (client: QueryClient): Promise<void> =>
  client.resetQueries({ predicate: ({ queryKey }) => queryKey[0] !== keys.session[0] });

/** Puts what is kept before the client, and lets go of the oldest. @returns for whom it is kept */
async function restore(
  database: IDBPDatabase<Schema>,
  client: QueryClient,
): Promise<string | null> {
  const found: Kept[] = await database.getAll('kept');
  const all = found.sort((a, b) => b.at - a.at);
  const session = all.find(({ key }) => key[0] === keys.session[0]);
  const owner = ownerOf(session?.data as SessionView | undefined);
  for (const { key, data, at, owner: whose } of all.slice(0, MAX_QUERIES)) {
    // A page that did not wait for this may know better by now.
    const known = client.getQueryState(key)?.dataUpdatedAt ?? 0;
    if (whose === owner && known < at) {
      client.setQueryData(key, data, { updatedAt: at });
    }
  }
  // However young it is: a page that is opened asks.
  await client.invalidateQueries({ refetchType: 'none' });
  for (const { hash } of all.slice(MAX_QUERIES)) await database.delete('kept', hash);
  return owner;
}
