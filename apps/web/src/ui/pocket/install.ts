import { Workbox } from 'workbox-window';
import { fetchAhead } from './fetch-ahead';
import { usePocket, type InstallOffer } from './pocket-store';

/** How often it is looked for a newer program while the page is open. */
const HOUR = 60 * 60 * 1000;

/**
 * Puts the program on this device, so that it opens without a network. A newer one is fetched beside it and lies
 * ready: what is open goes on with the one that it was begun with, until somebody says otherwise or all its windows
 * are closed.
 */
export async function installHere(): Promise<void> {
  window.addEventListener('beforeinstallprompt', (event) => {
    event.preventDefault();
    usePocket.setState({ offer: event as InstallOffer });
  });
  window.addEventListener('appinstalled', () =>
    usePocket.setState({ offer: null, installed: true }),
  );
  // Browsers only do so where the address cannot be meddled with: https, or this machine itself.
  if (!('serviceWorker' in navigator)) {
    await stayAtServer();
    return;
  }
  const worker = new Workbox('/sw.js');
  let asked = false;
  const offer = (): void =>
    usePocket.setState({
      newer: () => {
        asked = true;
        worker.messageSkipWaiting();
      },
    });
  worker.addEventListener('waiting', offer);
  worker.addEventListener('activated', () => usePocket.setState({ here: true }));
  worker.addEventListener('controlling', ({ isUpdate }) => {
    // Where it was asked for in another window, this one goes on with what it has in hand.
    if (isUpdate && asked) window.location.reload();
  });
  try {
    const registration = await worker.register();
    if (registration?.active) usePocket.setState({ here: true });
    if (registration?.waiting) offer();
    setInterval(() => void worker.update().catch(() => undefined), HOUR);
  } catch {
    await stayAtServer();
  }
}

/** What cannot be put on this device is at least at hand, while the server is surely there. */
async function stayAtServer(): Promise<void> {
  usePocket.setState({ here: false });
  await fetchAhead().catch(() => undefined);
}
