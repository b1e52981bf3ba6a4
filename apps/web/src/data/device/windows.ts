/** What windows of one browser tell each other, by what it is about. */
interface Told {
  readonly about: string;
  readonly what: unknown;
}

const channel =
  typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('coiled-strand');

/** Tells the other windows of this browser, and not this one. */
export const tellWindows = (about: string, what: unknown = null): void =>
  channel?.postMessage({ about, what } satisfies Told);

/**
 * Hears of what another window of this browser tells.
 *
 * @returns ends that
 */
export function hearWindows<T>(about: string, hear: (what: T) => void): () => void {
  const listen = ({ data }: MessageEvent<Told>): void => {
    if (data.about === about) hear(data.what as T);
  };
  channel?.addEventListener('message', listen);
  return () => channel?.removeEventListener('message', listen);
}
