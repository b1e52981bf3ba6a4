import type { PaperSize } from '@coiled-strand/core';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** CSS pixels in a millimetre by definition: 96 px to the inch. Screens differ; see the setting. */
const CSS_PX_PER_MM = 96 / 25.4;

interface Device {
  /** Chosen theme, or null to follow the system. */
  readonly theme: 'light' | 'dark' | null;
  /** CSS pixels in a real millimetre on this screen, as the maker measured it. */
  readonly pxPerMm: number;
  readonly calibrated: boolean;
  /** What a make says besides showing it. */
  readonly sound: boolean;
  readonly vibration: boolean;
  /** The key that a foot pedal sends, as `keyName` tells it; null for none. */
  readonly pedal: string | null;
  /** The paper that was printed on last; null until then. */
  readonly paper: PaperSize | null;
  readonly setPaper: (paper: PaperSize) => void;
  readonly setCues: (cues: Partial<Pick<Device, 'sound' | 'vibration' | 'pedal'>>) => void;
  readonly setTheme: (theme: Device['theme']) => void;
  readonly calibrate: (pxPerMm: number) => void;
  readonly forgetCalibration: () => void;
}

/** What belongs to this screen and not to the workshop. Kept in the browser. */
export const useDevice = create<Device>()(
  persist(
    (set) => ({
      theme: null,
      pxPerMm: CSS_PX_PER_MM,
      calibrated: false,
      sound: false,
      vibration: false,
      pedal: null,
      paper: null,
      setPaper: (paper) => set({ paper }),
      setCues: (cues) => set(cues),
      setTheme: (theme) => set({ theme }),
      calibrate: (pxPerMm) => set({ pxPerMm, calibrated: true }),
      forgetCalibration: () => set({ pxPerMm: CSS_PX_PER_MM, calibrated: false }),
    }),
    { name: 'coiled-strand.device' },
  ),
);
