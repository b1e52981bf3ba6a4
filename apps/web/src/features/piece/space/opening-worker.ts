import { CATALOGUE, openingOf, type Moment, type Openable } from '@coiled-strand/core';
import { expose } from 'comlink';

/** Draws a knot tight, and gives how it lay on its way. */
function openKnot(openable: Openable): readonly Moment[] {
  const way = openingOf(openable, CATALOGUE);
  for (;;) {
    const { done, value } = way.next();
    if (done) return value;
  }
}

const opener = { open: openKnot };
export type OpeningWorker = typeof opener;

expose(opener);
