type Hear = (data: string) => void;

/** Names of events; what has none goes under `message`. */
const NAMES = ['message', 'reading'] as const;
type Name = (typeof NAMES)[number];

const listeners = new Map<Name, Set<Hear>>();
/**
 * What was told before anybody listened for it, the last so many: the line begins with how everything stands, and
 * those who listen may come later than that.
 */
const early = new Map<Name, string[]>();
const MAX_EARLY = 200;
let source: EventSource | null = null;
let again: ReturnType<typeof setTimeout> | undefined;
let broken: (() => void) | null = null;

/** A stream that the server refused or that broke for good is opened again after so long, in ms, and later each time. */
const AGAIN = 3_000;
const AT_MOST = 60_000;
let wait = AGAIN;

const wanted = (): boolean => listeners.size > 0 && document.visibilityState !== 'hidden';

function close(): void {
  clearTimeout(again);
  source?.close();
  source = null;
}

function open(): void {
  if (source || !wanted() || !('EventSource' in window)) return;
  const opened = new EventSource('/api/live');
  source = opened;
  early.clear();
  for (const name of NAMES) attach(opened, name);
  opened.onerror = () => {
    if (opened.readyState !== EventSource.CLOSED || source !== opened) return;
    close();
    broken?.();
    again = setTimeout(open, wait);
    wait = Math.min(AT_MOST, wait * 2);
  };
}

function attach(to: EventSource, name: Name): void {
  to.addEventListener(name, ({ data }: MessageEvent<string>) => {
    wait = AGAIN;
    const hears = listeners.get(name);
    if (hears) hears.forEach((hear) => hear(data));
    else early.set(name, [...(early.get(name) ?? []), data].slice(-MAX_EARLY));
  });
}

/** Tells when the server refuses the stream, for who is signed out. */
export const whenRefused = (tell: () => void): void => {
  broken = tell;
};

/**
 * Hears what the server tells as it happens, over one line for the whole window: a browser opens only a few to a
 * server. A window that nobody sees gives its line up, and takes it again when it is looked at.
 */
export function listenToStream(name: Name, hear: Hear): void {
  const known = listeners.get(name);
  if (known) known.add(hear);
  else {
    listeners.set(name, new Set([hear]));
    early.get(name)?.forEach(hear);
    early.delete(name);
  }
  open();
}

/** Somebody else is signed in, or the same in another workshop: the line is opened anew. */
export function restartStream(): void {
  close();
  wait = AGAIN;
  open();
}

if (typeof document !== 'undefined') {
  document.addEventListener('visibilitychange', () => {
    if (wanted()) open();
    else close();
  });
}
