import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

interface Schema extends DBSchema {
  still: {
    key: string;
    value: { readonly key: string; readonly picture: Blob; readonly at: number };
    indexes: { at: number };
  };
}

/** Pictures that are kept; the oldest go when there are more. */
const MAX_STILLS = 300;

let opened: Promise<IDBPDatabase<Schema>> | null = null;

function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>('coiled-strand-stills', 1, {
    upgrade: (made) =>
      void made.createObjectStore('still', { keyPath: 'key' }).createIndex('at', 'at'),
    blocking: () => {
      void opened?.then((open) => open.close());
      opened = null;
    },
  });
  opened.catch(() => {
    opened = null;
  });
  return opened;
}

/** A picture that was drawn before; nothing where it was not, or where this browser keeps none. */
export async function stillKept(key: string): Promise<Blob | undefined> {
  try {
    return (await (await database()).get('still', key))?.picture;
  } catch {
    return undefined;
  }
}

/** Keeps a picture where there is room for it: it can be drawn again. */
export async function keepStill(key: string, picture: Blob): Promise<void> {
  try {
    const store = await database();
    await store.put('still', { key, picture, at: Date.now() });
    const over = (await store.count('still')) - MAX_STILLS;
    if (over <= 0) return;
    const oldest = await store.getAllKeysFromIndex('still', 'at', null, over);
    await Promise.all(oldest.map((one) => store.delete('still', one)));
  } catch {
    // It is only not kept.
  }
}
