import { create } from 'zustand';

/** The closure, as the bench names it beside the parts. */
export const CLOSURE = 'closure';

/** What is worked on in Lay out. */
export const PANES = ['part', 'beads', 'cords', 'closure', 'propose'] as const;
export type Pane = (typeof PANES)[number];

interface Selection {
  /** Id of the part that is looked at, `closure`, or nothing. */
  readonly part: string | null;
  /** Where what is dragged would be put: index among the parts, or nothing. */
  readonly drop: number | null;
  /** Whether the lanes of the strands are shown through the work. */
  readonly lanes: boolean;
  readonly pane: Pane;
  readonly setPane: (pane: Pane) => void;
  readonly select: (part: string | null) => void;
  readonly setDrop: (drop: number | null) => void;
  readonly setLanes: (lanes: boolean) => void;
}

/** What is looked at on the bench; the same in every planning stage. */
export const useSelection = create<Selection>()((set) => ({
  part: null,
  drop: null,
  lanes: false,
  pane: 'part',
  setPane: (pane) => set({ pane }),
  // What is taken hold of is what is worked on; beside the bead tray it only says where beads go.
  select: (part) =>
    set(({ pane }) => ({
      part,
      pane: part === CLOSURE ? 'closure' : part === null || pane === 'beads' ? pane : 'part',
    })),
  setDrop: (drop) => set({ drop }),
  setLanes: (lanes) => set({ lanes }),
}));
