import { create } from 'zustand';
import { hearWindows, tellWindows } from '../device/windows';
import { forgetBefore, leftBefore } from './left-before';
import { note, notes, strike } from './notes';
import {
  readAll,
  readThing,
  writeEntries,
  type Entry,
  type Kind,
  type Place,
} from './outbox-database';

interface Outbox {
  /** What waits, of everybody, by what it is about. */
  readonly things: Readonly<Record<string, readonly Entry[]>>;
  /** Who works here, and where, as far as was ever said; they stay it until somebody else does. */
  readonly owner: string;
  /** Whether it is known what earlier windows left here. */
  readonly ready: boolean;
  /** Changes that are not on the disk yet. */
  readonly writing: number;
  /** False where this browser has no room to keep what is not sent yet. */
  readonly keeping: boolean;
}

/**
 * What was done here and the server does not have yet: progress, drafts, logs and forms. It belongs to who did it and
 * to the workshop where they did; it is there for nobody else, and waits until they are back. It outlives a closed
 * window, a killed browser and whoever signs in meanwhile.
 */
export const useOutbox = create<Outbox>()(() => ({
  things: {},
  owner: '',
  ready: false,
  writing: 0,
  keeping: true,
}));

type Thing = Pick<Entry, 'owner' | 'kind' | 'id'>;
const NONE: readonly Entry<never>[] = [];
const nameOf = ({ owner, kind, id }: Thing): string => JSON.stringify([owner, kind, id]);
const placeOf = (place: Place): string => JSON.stringify([nameOf(place), place.part]);

/** What waits about something, of whoever works here. The same list until it changes. */
export const entriesOf = <T>(
  kind: Kind,
  id: string,
  { things, owner }: Pick<Outbox, 'things' | 'owner'> = useOutbox.getState(),
): readonly Entry<T>[] => (things[nameOf({ owner, kind, id })] ?? NONE) as readonly Entry<T>[];

/** All that waits of a kind, of whoever works here. */
export const allEntries = <T>(kind: Kind): Entry<T>[] => {
  const { things, owner } = useOutbox.getState();
  return (Object.values(things).flat() as Entry<T>[]).filter(
    (entry) => entry.kind === kind && entry.owner === owner,
  );
};

function show(thing: Thing, entries: readonly Entry[]): void {
  useOutbox.setState(({ things }) => {
    const { [nameOf(thing)]: _, ...others } = things;
    return { things: entries.length > 0 ? { ...others, [nameOf(thing)]: entries } : others };
  });
}

/** Places whose last change is not on the disk: what this window knows of them is later than what lies there. */
const unwritten = new Map<string, number>();

const OUTBOX = 'outbox';
const HEARD: ((kind: Kind, id: string) => void)[] = [];
/** Hears of whatever another window of this browser kept or let go of. */
export const whenOthersKeep = (hear: (kind: Kind, id: string) => void): void =>
  void HEARD.push(hear);

let lastStamp = 0;
/** Later than all that this window knows of, also where its clock was set back. */
function nextStamp(): number {
  const known = Object.values(useOutbox.getState().things).flatMap((list) =>
    list.map(({ stamp }) => stamp),
  );
  lastStamp = Math.max(Date.now(), lastStamp + 1, ...known.map((stamp) => stamp + 1));
  return lastStamp;
}

/** Brings a change to the disk; where that fails it is known in this window alone, which says so. */
async function write(thing: Thing, put: readonly Entry[], drop: readonly Entry[]): Promise<void> {
  const stamp = nextStamp();
  const places = [...put, ...drop].map(placeOf);
  for (const place of places) unwritten.set(place, stamp);
  put.forEach(note);
  useOutbox.setState(({ writing }) => ({ writing: writing + 1 }));
  try {
    await writeEntries(put, drop);
    [...put, ...drop].forEach(strike);
    for (const place of places) if (unwritten.get(place) === stamp) unwritten.delete(place);
    useOutbox.setState({ keeping: true });
    tellWindows(OUTBOX, thing);
  } catch {
    useOutbox.setState({ keeping: false });
  } finally {
    useOutbox.setState(({ writing }) => ({ writing: writing - 1 }));
  }
}

/** Keeps it, in place of what lies there. @returns once it is on the disk, or known not to be */
export function keep<T>(kind: Kind, id: string, part: string, value: T): Promise<void> {
  const { owner } = useOutbox.getState();
  const entry: Entry<T> = { owner, kind, id, part, stamp: nextStamp(), value };
  const others = entriesOf(kind, id).filter((one) => one.part !== part);
  show(entry, [...others, entry]);
  return write(entry, [entry], []);
}

/** Lets go of what lies there. */
export function drop(kind: Kind, id: string, part: string): Promise<void> {
  const list = entriesOf(kind, id);
  const going = list.filter((one) => one.part === part);
  if (going.length === 0) return Promise.resolve();
  const thing = { owner: useOutbox.getState().owner, kind, id };
  show(
    thing,
    list.filter((one) => one.part !== part),
  );
  return write(thing, [], going);
}

/** Puts these in place of all that waits about something, in one stroke. @param by each with its part */
export function replace<T>(
  kind: Kind,
  id: string,
  by: readonly (readonly [part: string, value: T])[],
): Promise<void> {
  const thing = { owner: useOutbox.getState().owner, kind, id };
  const before = entriesOf(kind, id);
  const stamp = nextStamp();
  const put = by.map(([part, value]) => ({ ...thing, part, stamp, value }));
  show(thing, put);
  return write(thing, put, before);
}

/** Takes up what another window changed; what this one changed, and what is not on the disk yet, stays as it is. */
async function reread(thing: Thing): Promise<void> {
  const kept = await readThing(thing).catch(() => null);
  if (!kept) return;
  const known = useOutbox.getState().things[nameOf(thing)] ?? [];
  const mine = known.filter((one) => unwritten.has(placeOf(one)));
  show(thing, [...kept.filter((one) => !unwritten.has(placeOf(one))), ...mine]);
  for (const hear of HEARD) hear(thing.kind, thing.id);
}

hearWindows<Thing>(OUTBOX, (thing) => void reread(thing));

/** Finds what earlier windows could not send. */
export async function openOutbox(): Promise<void> {
  const noted = [...(await leftBefore()), ...notes()];
  let all: readonly Entry[];
  try {
    await writeEntries(noted);
    noted.forEach(strike);
    await forgetBefore();
    all = await readAll();
  } catch {
    // Without such a store the notes are known at least.
    all = noted;
    useOutbox.setState({ keeping: false });
  }
  // What was done here since the page was opened is later than what lay there.
  const known = Object.values(useOutbox.getState().things).flat();
  const later = new Set([...unwritten.keys(), ...known.map(placeOf)]);
  const things: Record<string, Entry[]> = {};
  for (const entry of [...all.filter((one) => !later.has(placeOf(one))), ...known]) {
    (things[nameOf(entry)] ??= []).push(entry);
  }
  useOutbox.setState({ things, ready: true });
  await adopt();
}

/** What was done before anybody could say who is here is theirs who are. */
async function adopt(): Promise<void> {
  const { things, owner } = useOutbox.getState();
  if (owner === '') return;
  for (const [name, entries] of Object.entries(things)) {
    if (entries[0]?.owner !== '') continue;
    const mine = entries.map((entry) => ({ ...entry, owner }));
    useOutbox.setState(({ things: { [name]: _, ...others } }) => ({ things: others }));
    show(mine[0]!, mine);
    await write(mine[0]!, mine, entries);
  }
}

/** Tells who works here, and in which workshop. */
export function workAs(owner: string): void {
  if (owner === useOutbox.getState().owner) return;
  useOutbox.setState({ owner });
  void adopt();
}
