import { deleteDB, openDB } from 'idb';
import type { Entry } from './outbox-database';

/** Where version 1.0.0 kept what it had not sent: progress in a store of its own, all else beside each other. */
const DATABASE = 'coiled-strand';
const DRAFT = 'coiled-strand.draft.';
const LOGS = 'coiled-strand.logs-to-send';
const LOG_FORMS = 'coiled-strand.log-drafts';

const entry = (kind: Entry['kind'], id: string, part: string, value: unknown): Entry => ({
  owner: '',
  ...{ kind, id, part, value },
  stamp: 0,
});

function found(key: string): unknown {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null');
  } catch {
    return null;
  }
}

const byMake = (key: string): [string, unknown][] =>
  Object.entries((found(key) as { state?: { kept?: object } } | null)?.state?.kept ?? {});

async function progress(): Promise<Entry[]> {
  const there = await indexedDB.databases();
  if (!there.some(({ name }) => name === DATABASE)) return [];
  const open = await openDB(DATABASE, 1);
  const told = open.objectStoreNames.contains('told')
    ? ((await open.getAll('told')) as { makeId: string; device: string; order: number }[])
    : [];
  open.close();
  return told.map((one) => entry('progress', one.makeId, `${one.device} ${one.order}`, one));
}

const draftKeys = (): string[] => Object.keys(localStorage).filter((key) => key.startsWith(DRAFT));

/** What version 1.0.0 kept here and had not sent. */
export async function leftBefore(): Promise<Entry[]> {
  const drafts = draftKeys().flatMap((key) => {
    const [id = '', window = ''] = key.slice(DRAFT.length).split('.');
    const draft = found(key);
    return draft ? [entry('draft', id, window, draft)] : [];
  });
  return [
    ...(await progress().catch(() => [])),
    ...drafts,
    ...byMake(LOGS).map(([id, log]) => entry('log', id, '', log)),
    ...byMake(LOG_FORMS).map(([id, form]) => entry('form', id, 'log', form)),
  ];
}

/** Lets go of it, once it is kept otherwise. */
export async function forgetBefore(): Promise<void> {
  for (const key of [...draftKeys(), LOGS, LOG_FORMS]) localStorage.removeItem(key);
  await deleteDB(DATABASE);
}
