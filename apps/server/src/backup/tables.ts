import { LIST_IDS, LISTS } from '@coiled-strand/workshop';

const LIST_TABLES = LIST_IDS.map((id) => LISTS[id].table);

/** What a backup holds, each after what it refers to. */
export const TABLES = [
  'workshop',
  'person',
  'member',
  ...LIST_TABLES,
  'knot',
  'piece',
  'piece_version',
  'customer',
  'customer_order',
  'order_line',
  'make',
  'photo',
  'swatch',
  'evidence',
  'lesson',
  'lot',
  'cutting',
  'shopping',
  'kit',
  'movement',
  'trail',
] as const;
export type Table = (typeof TABLES)[number];

/**
 * What it does not: who is signed in, on which devices somebody was, what was answered of late, links that were sent,
 * what is counted to slow down guessing, what is measured now, which copies lie on a disk, and how far the tables
 * themselves are.
 */
export const LEFT_OUT: readonly string[] = [
  'session',
  'request',
  'device',
  'link',
  'throttle',
  'instrument',
  'backup',
  'migrations',
];

/** What a job makes again. */
export const MADE_AGAIN: Readonly<Partial<Record<Table, readonly string[]>>> = { photo: ['thumb'] };

/** Large rows are read a few at a time. */
export const AT_ONCE: Readonly<Partial<Record<Table, number>>> = { photo: 2, make: 10 };
export const USUALLY_AT_ONCE = 200;
