import {
  cordsOfBand,
  patternFaults,
  placesOf,
  runsOf,
  simulate,
  type Advice,
  type Cord,
  type FlossPart,
  type Piece,
  type Run,
  type Simulation,
} from '@coiled-strand/core';
import { useMemo } from 'react';
import { useCords } from '../../../data/api/queries';
import { drawable } from './loom-edits';
import { repeatsDrawn } from './view';

const NONE: readonly never[] = [];

/** A knotted band as the loom shows it. */
export interface Band {
  /** The band as it can be drawn: with a pattern that its strands can tie. */
  readonly shown: FlossPart;
  /** What keeps the pattern from being tied as it stands. */
  readonly fault: Advice | undefined;
  /** Its strands in their places. */
  readonly runs: readonly Run[];
  readonly sim: Simulation;
  /** Cords in the band. */
  readonly own: readonly Cord[];
}

export function useBand(piece: Piece, part: FlossPart): Band {
  const runs = useMemo(() => {
    const all = runsOf(piece);
    return placesOf(piece, part.id).map((index) => all[index]!);
  }, [piece, part.id]);
  const [fault] = useMemo(() => patternFaults(part, runs.length), [part, runs.length]);
  const shown = useMemo(
    () => (fault ? drawable(part, runs.length) : part),
    [fault, part, runs.length],
  );
  const sim = useMemo(
    () => simulate({ lay: shown.lay, rows: shown.rows }, runs.length, repeatsDrawn(shown)),
    [shown, runs.length],
  );
  // Colours stay the same objects while knots are changed, so that their chips are not drawn anew.
  const cords = JSON.stringify(cordsOfBand(piece, part.id));
  const own = useMemo(() => JSON.parse(cords) as readonly Cord[], [cords]);
  return { shown, fault, runs, sim, own };
}

/** Cords to colour strands with: the band's own, those of their kind in the drawer, and the one in hand. */
export function useColours(own: readonly Cord[], brush: Cord | null): readonly Cord[] {
  const { data: stash = NONE } = useCords();
  return useMemo(
    () =>
      [
        ...own,
        ...stash.map(({ value }) => value).filter((cord) => cord.kind === own[0]?.kind),
        ...(brush ? [brush] : []),
      ].filter((cord, i, all) => all.findIndex((c) => c.colour.hex === cord.colour.hex) === i),
    [own, stash, brush],
  );
}
