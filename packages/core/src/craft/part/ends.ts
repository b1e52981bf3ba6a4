import type { Action, ActionOf, End, Help, Leg } from '../../base/action/action.js';
import type { Run } from '../../base/kind/run.js';
import { CORD_KIND_FACTS, type Cord } from '../../base/material/cord.js';
import { passage } from '../../base/material/passage.js';

// Runs as the hands have them: legs of cords, and the ends that they work with.

export const legsOf = (runs: readonly Run[]): Leg[] =>
  runs.map(({ strand, half }) => ({ cord: strand, half }));

/** The ends at the end of the piece, with which the parts are worked. */
export const outerEnds = (runs: readonly Run[]): End[] =>
  runs.map(({ strand, half }) => ({ cord: strand, half, side: 'end' }));

/** The ends at its start, of cords that are not folded there. */
export const startEnds = (runs: readonly Run[]): End[] =>
  runs.flatMap(({ strand, half, folded }): End[] =>
    folded ? [] : [{ cord: strand, half, side: 'start' }],
  );

/** Both ends of a cord that is cut besides the strands. */
export const bothEnds = (cord: string): [End, End] => [
  { cord, half: 0, side: 'start' },
  { cord, half: 0, side: 'end' },
];

/** Several cords are pulled through a narrow hole together, by a thread folded over them. */
export function helpThrough(hole: number, cords: readonly Cord[]): { readonly help?: Help } {
  return cords.length > 1 && passage(hole, cords).answer === 'needle' ? { help: 'thread' } : {};
}

/** Wax is wiped off the ends that have some. */
export function wipeOff(ends: readonly End[], cordOf: (end: End) => Cord | null): Action[] {
  const waxed = ends.filter((end) => {
    const cord = cordOf(end);
    return cord !== null && CORD_KIND_FACTS[cord.kind].waxed === true;
  });
  return waxed.length > 0 ? [{ do: 'wipe', ends: waxed }] : [];
}

/** What is said of it. */
export const WAX_OFF = 'Wipe the wax off. ';

/** The same of the ends of some runs, and the sentence that says so. */
export function waxOff(ends: readonly End[], runs: readonly Run[]): WaxOff {
  const actions = wipeOff(
    ends,
    (end) => runs.find(({ strand }) => strand === end.cord)?.cord ?? null,
  );
  return { actions, text: actions.length > 0 ? WAX_OFF : '' };
}
interface WaxOff {
  readonly actions: readonly Action[];
  readonly text: string;
}

export const cordsOf = (runs: readonly Run[]): Cord[] => runs.map(({ cord }) => cord);

/** Actions that are done unit by unit: which they are, and the unit that each belongs to. */
export function byUnit(
  units: number,
  of: (
    unit: number,
  ) => readonly ActionOf<'string' | 'tie' | 'plait' | 'petal' | 'lay' | 'slide' | 'chain'>[],
) {
  const all = Array.from({ length: units }, (_, unit) =>
    of(unit).map((action) => ({ action, unit })),
  ).flat();
  return { actions: all.map(({ action }) => action), actionUnits: all.map(({ unit }) => unit) };
}
