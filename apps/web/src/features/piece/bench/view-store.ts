import { create } from 'zustand';
import type { Folded } from './fold';

/** How the bench is looked at: everything in the frame, in rows below each other, at real size, or as the maker left it. */
export type Framing =
  | { readonly mode: 'whole' }
  /** @param held rows that stay as they are while something is dragged */
  | { readonly mode: 'folded'; readonly held?: Folded }
  | { readonly mode: 'real'; readonly x: number }
  | { readonly mode: 'free'; readonly scale: number; readonly x: number };

/** The frame as it is drawn now: CSS pixels per mm, mm at the left edge, width in pixels. */
export interface FrameNow {
  readonly scale: number;
  readonly x: number;
  readonly width: number;
  /** In what rows it is folded; null for one. */
  readonly folded: Folded | null;
  /** Whether folding would show much more of it. */
  readonly folds: boolean;
}

/** The millimetre of the bench under a pixel of it. */
export function placeUnder({ scale, x, folded }: FrameNow, px: number, py: number): number {
  const row = folded?.rows.findLast(({ offset }) => py >= offset) ?? folded?.rows[0];
  return (row?.x ?? x) + px / scale;
}

interface BenchView {
  readonly framing: Framing;
  readonly frame: FrameNow | null;
  /** The framing to go back to when what is dragged is let go. */
  readonly held: Framing | null;
  readonly tails: boolean;
  readonly setFraming: (framing: Framing) => void;
  readonly setFrame: (frame: FrameNow | null) => void;
  readonly setTails: (tails: boolean) => void;
  /** Zooms to a scale; the millimetre under a pixel (the middle, when none is given) stays there. */
  readonly zoomTo: (scale: number, atPx?: number) => void;
  readonly zoomBy: (factor: number) => void;
  /** Folds the bench into rows, or lays it out in one again. */
  readonly toggleFold: () => void;
  /** Keeps the frame still while something is dragged: what is held stays under the pointer. */
  readonly hold: () => void;
  readonly letGo: () => void;
  /** Moves the bench under the frame by pixels. */
  readonly pan: (dx: number) => void;
}

export const SCALES = { min: 0.8, max: 40 } as const;
const clamp = (scale: number): number => Math.min(SCALES.max, Math.max(SCALES.min, scale));

/** Left of the ruler's nought in mm that real size begins with, so that the buckle is in sight. */
const REAL_START = -30;
export const REAL_SIZE: Framing = { mode: 'real', x: REAL_START };

/** The same look at the bench in every stage. */
export const useBenchView = create<BenchView>()((set, get) => ({
  framing: { mode: 'whole' },
  frame: null,
  held: null,
  tails: true,
  setFraming: (framing) => set({ framing }),
  setFrame: (frame) => set({ frame }),
  setTails: (tails) => set({ tails }),
  zoomTo: (scale, atPx) => {
    const { frame } = get();
    if (!frame) return;
    const next = clamp(scale);
    const at = atPx ?? frame.width / 2;
    set({ framing: { mode: 'free', scale: next, x: frame.x + at / frame.scale - at / next } });
  },
  zoomBy: (factor) => {
    const { frame, zoomTo } = get();
    if (frame) zoomTo(frame.scale * factor);
  },
  toggleFold: () =>
    set(({ framing }) => ({ framing: { mode: framing.mode === 'folded' ? 'whole' : 'folded' } })),
  hold: () => {
    const { frame, framing, held } = get();
    if (!frame || held) return;
    set({
      held: framing,
      framing: frame.folded
        ? { mode: 'folded', held: frame.folded }
        : { mode: 'free', scale: frame.scale, x: frame.x },
    });
  },
  letGo: () => {
    const { held } = get();
    if (held) set({ framing: held, held: null });
  },
  pan: (dx) => {
    const { frame, framing } = get();
    if (!frame || framing.mode === 'folded') return;
    const x = frame.x - dx / frame.scale;
    // Real size stays real when it is moved.
    set({
      framing:
        framing.mode === 'real' ? { mode: 'real', x } : { mode: 'free', scale: frame.scale, x },
    });
  },
}));
