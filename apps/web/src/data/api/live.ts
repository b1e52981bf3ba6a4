import type { LiveView } from '@coiled-strand/contract';
import { LIST_IDS, LISTS } from '@coiled-strand/workshop';
import { listenToStream, whenRefused as whenStreamIsRefused } from '../device/stream';
import { keys, queryClient } from './queries';

type Key = readonly unknown[];

/** What may show a kind of thing, by the table that it lies in. */
const SHOWN: Readonly<Record<string, readonly Key[]>> = {
  ...Object.fromEntries(LIST_IDS.map((id) => [LISTS[id].table, [keys[id]]])),
  knot: [keys.knots],
  piece: [keys.pieces, keys.tags, ['piece'], keys.jobs],
  piece_version: [['piece']],
  make: [keys.pieces, ['piece'], keys.book, keys.jobs, keys.orders],
  photo: [['piece'], keys.book],
  swatch: [keys.swatches, keys.hand],
  lesson: [keys.hand],
  lot: [keys.lots],
  movement: [keys.lots, keys.cuttings],
  cutting: [keys.cuttings],
  shopping: [keys.shopping],
  kit: [keys.kits],
  customer: [keys.orders, keys.customers],
  customer_order: [keys.orders, keys.jobs, keys.customers],
  order_line: [keys.orders, keys.jobs],
  member: [keys.people, keys.session],
  link: [keys.people],
  workshop: [keys.workshop, keys.session],
  backup: [keys.backups],
};

/** Changes that come within so many ms are looked at together, and no page asks more often than that. */
const TOGETHER = 200;

let waiting = new Set<string>();
let timer: ReturnType<typeof setTimeout> | undefined;
let workshop: string | null = null;

function look(): void {
  timer = undefined;
  const changed = waiting;
  waiting = new Set();
  if (changed.has('all')) {
    void queryClient.invalidateQueries();
    return;
  }
  const stale = new Set([...changed].flatMap((table) => SHOWN[table] ?? []));
  for (const queryKey of stale) void queryClient.invalidateQueries({ queryKey });
}

let began = false;

/** Follows what is changed elsewhere, by whomever, through whichever server. */
export function followChanges(): void {
  if (began) return;
  began = true;
  listenToStream('message', (data) => {
    const told = JSON.parse(data) as LiveView | null;
    if (!told) return;
    // The line was away: something may have been missed. Or the workshop is another one now.
    if (told.changed.length === 0 && workshop !== null) waiting.add('all');
    workshop = told.workshop;
    for (const table of told.changed) waiting.add(table);
    if (waiting.size > 0) timer ??= setTimeout(look, TOGETHER);
  });
  // Refused, since nobody is signed in any more, or away: the page finds out which.
  whenStreamIsRefused(() => void queryClient.invalidateQueries({ queryKey: keys.session }));
}
