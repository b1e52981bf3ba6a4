/** Where it is noted that this window has fetched everything, and of which build. */
const NOTE = 'fetched-ahead';

/**
 * Fetches the files of every page into the browser's own store, so that nothing is missing when the server is away.
 * None of them is run before it is wanted: a page that is not opened costs no time.
 */
export async function fetchAhead(): Promise<void> {
  if (sessionStorage.getItem(NOTE) === import.meta.url) return;
  const answer = await fetch('/files.json');
  if (!answer.ok) return;
  for (const file of (await answer.json()) as readonly string[]) {
    const { ok, body } = await fetch(`/${file}`, { priority: 'low' });
    if (!ok) return;
    // What nobody reads to its end is not kept.
    await body?.pipeTo(new WritableStream());
  }
  sessionStorage.setItem(NOTE, import.meta.url);
}
