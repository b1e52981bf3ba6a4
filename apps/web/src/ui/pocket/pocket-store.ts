import { create } from 'zustand';

/** What a browser offers where a page can be installed; not in the DOM's types, since not all browsers have it. */
export interface InstallOffer extends Event {
  readonly prompt: () => Promise<{ readonly outcome: 'accepted' | 'dismissed' }>;
}

interface Pocket {
  /** Whether the program lies on this device and opens without a network; null while that is not known. */
  readonly here: boolean | null;
  /** A newer program that lies ready, to be put in the place of this one. */
  readonly newer: (() => void) | null;
  /** The browser's offer to put an icon among the programs of the device. */
  readonly offer: InstallOffer | null;
  readonly installed: boolean;
}

/** How the program lies on this device. */
export const usePocket = create<Pocket>(() => ({
  here: null,
  newer: null,
  offer: null,
  installed:
    typeof window !== 'undefined' && window.matchMedia?.('(display-mode: standalone)').matches,
}));
