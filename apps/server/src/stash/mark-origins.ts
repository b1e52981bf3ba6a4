interface ListItem {
  readonly id: string;
  readonly value: Record<string, unknown>;
}
type Tree = Record<string, unknown>;

/** What a query answers; a runner of migrations and a manager both have one. */
export interface Asks {
  query(sql: string, parameters?: readonly unknown[]): Promise<unknown>;
}

const isTree = (value: unknown): value is Tree =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const nameOf = (value: unknown): unknown => (isTree(value) ? value.name : undefined);
const same = (a: unknown, b: unknown): boolean => {
  if (!isTree(a) || !isTree(b)) return a === b;
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every((key) => same(a[key], b[key]));
};

/** The one thing on a list that something is a copy of: alone of that name, or alone in all that it says. */
function originOf(list: readonly ListItem[], copy: Tree): string | undefined {
  const named = list.filter(({ value }) => nameOf(value) === copy.name);
  const told = typeof copy.name === 'string' && named.length === 1;
  const alike = !told ? named.filter(({ value }) => same(value, copy)) : named;
  return alike.length === 1 ? alike[0]!.id : undefined;
}

/** Gives copies in a piece the ids of what they are copies of; where two could be meant, none. */
export interface Lists {
  readonly wearer: readonly ListItem[];
  readonly cord: readonly ListItem[];
  readonly bead: readonly ListItem[];
  readonly fitting: readonly ListItem[];
}

function marked(list: readonly ListItem[], copy: unknown): unknown {
  if (!isTree(copy) || typeof copy.origin === 'string') return copy;
  const origin = originOf(list, copy);
  return origin === undefined ? copy : { ...copy, origin };
}

const withCord = (lists: Lists, holder: unknown): unknown =>
  isTree(holder) && isTree(holder.cord)
    ? { ...holder, cord: marked(lists.cord, holder.cord) }
    : holder;

const each = (list: unknown, change: (one: unknown) => unknown): unknown =>
  Array.isArray(list) ? list.map(change) : list;

function markedPiece(lists: Lists, piece: Tree): Tree {
  // A piece has the closure of a fitting, not its name in the drawer.
  const closures = lists.fitting.map(({ id, value }) => ({ id, value: value.closure as Tree }));
  return {
    ...piece,
    wearer: marked(lists.wearer, piece.wearer),
    strands: each(piece.strands, (strand) => withCord(lists, strand)),
    parts: each(piece.parts, (part) => withCord(lists, part)),
    beads: each(piece.beads, (bead) => {
      if (!isTree(bead)) return bead;
      const { id, ...rest } = bead;
      return { id, ...(marked(lists.bead, rest) as Tree) };
    }),
    closure: withCord(lists, marked(closures, piece.closure)),
  };
}

const markedThing = (lists: Lists, thing: Tree): Tree => ({
  ...thing,
  ...(isTree(thing.cord) ? { cord: marked(lists.cord, thing.cord) } : {}),
  ...(isTree(thing.bead) ? { bead: marked(lists.bead, thing.bead) } : {}),
});

function markedRecord(lists: Lists, record: Tree | null): Tree | null {
  const name = record?.owner;
  if (!record || typeof name !== 'string' || record.ownerId !== undefined) return record;
  const ownerId = originOf(lists.wearer, { name });
  return ownerId === undefined ? record : { ...record, ownerId };
}

/** Columns that hold copies, and how these are marked. */
const COPIES: readonly (readonly [
  table: string,
  column: string,
  mark: (lists: Lists, value: Tree) => Tree | null,
])[] = [
  ['piece', 'spec', markedPiece],
  ['piece_version', 'spec', markedPiece],
  ['make', 'piece', markedPiece],
  ['make', 'record', markedRecord],
  ['lot', 'thing', markedThing],
];
const AT_ONCE = 500;

/**
 * Copies of what is on a workshop's lists learn what they are copies of, where that can only be one thing. What was
 * copied before copies knew is found by its name.
 *
 * @param workshops those whose copies are marked
 */
export async function markOrigins(runner: Asks, workshops: readonly string[]): Promise<void> {
  for (const workshop of workshops) {
    const listed = async (table: string): Promise<ListItem[]> =>
      (await runner.query(`select id, value from "${table}" where workshop_id = $1`, [
        workshop,
      ])) as ListItem[];
    const lists: Lists = {
      wearer: await listed('wearer'),
      cord: await listed('cord'),
      bead: await listed('bead'),
      fitting: await listed('fitting'),
    };
    for (const [table, column, mark] of COPIES) {
      let after = '00000000-0000-0000-0000-000000000000';
      for (;;) {
        const rows = (await runner.query(
          `select id, "${column}" as value from "${table}"
           where workshop_id = $1 and id > $2 and "${column}" is not null order by id limit ${AT_ONCE}`,
          [workshop, after],
        )) as { id: string; value: Tree }[];
        for (const { id, value } of rows) {
          const now = mark(lists, value);
          if (JSON.stringify(now) === JSON.stringify(value)) continue;
          await runner.query(`update "${table}" set "${column}" = $2 where id = $1`, [id, now]);
        }
        if (rows.length < AT_ONCE) break;
        after = rows.at(-1)!.id;
      }
    }
  }
}
