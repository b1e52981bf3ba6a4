import { openOutbox, useOutbox } from './outbox';

/** As on a device that nothing was done on yet. */
export function emptyOutbox(): void {
  localStorage.clear();
  useOutbox.setState({ things: {}, keeping: true, ready: true });
}

/** As a new page finds what an earlier one left. */
export async function reopenOutbox(): Promise<void> {
  useOutbox.setState({ things: {} });
  await openOutbox();
}
