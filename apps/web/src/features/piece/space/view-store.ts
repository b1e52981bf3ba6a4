import { create } from 'zustand';

/** From where things in space are looked at: angles in degrees about the upright and the level axis, and how near. */
export interface Look {
  readonly turn: number;
  readonly tilt: number;
  readonly near: number;
}

export const FROM_ABOVE: Look = { turn: 0, tilt: 0, near: 1 };
const NEAR = { min: 0.4, max: 8 } as const;

const within = (value: number, min: number, max: number): number =>
  Math.min(max, Math.max(min, value));

/** Turned further; never past straight from above or below. */
export const turned = (look: Look, turn: number, tilt: number): Look => ({
  ...look,
  turn: (((look.turn + turn) % 360) + 360) % 360,
  tilt: within(look.tilt + tilt, -90, 90),
});

export const nearer = (look: Look, by: number): Look => ({
  ...look,
  near: within(look.near * by, NEAR.min, NEAR.max),
});

export const BEHIND: Look = { turn: 180, tilt: 0, near: 1 };

const STEP = 15;
const CLOSER = 1.2;

/** What a key does to the view; null for one that does nothing here. */
export function lookByKey(look: Look, key: string): Look | null {
  switch (key) {
    case 'ArrowLeft':
      return turned(look, -STEP, 0);
    case 'ArrowRight':
      return turned(look, STEP, 0);
    case 'ArrowUp':
      return turned(look, 0, STEP);
    case 'ArrowDown':
      return turned(look, 0, -STEP);
    case '+':
    case '=':
      return nearer(look, CLOSER);
    case '-':
      return nearer(look, 1 / CLOSER);
    case 'Home':
      return FROM_ABOVE;
    case 'b':
      return turned(look, 180, 0);
    default:
      return null;
  }
}

interface State {
  readonly look: Look;
  readonly change: (to: (look: Look) => Look) => void;
}

/** One view for all that is looked at in space: what was turned stays turned from part to part. */
export const useLook = create<State>()((set) => ({
  look: FROM_ABOVE,
  change: (to) => set(({ look }) => ({ look: to(look) })),
}));
