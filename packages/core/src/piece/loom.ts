import { fitToStrands, STRAND_LIMITS, type FlossPattern } from '../craft/floss/pattern.js';
import { readyPattern, type ReadyStart } from '../craft/floss/ready.js';
import type { WrittenBand } from '../craft/floss/text.js';
import type { Cord } from '../base/material/cord.js';
import { ordersAll, type FlossPart } from '../craft/part/floss/model.js';
import { changePart } from './edit.js';
import type { Piece, Strand } from './piece.js';
import { runsOf } from './runs.js';

/** Changes to a knotted band and the strands it is made of. Each returns a new piece. */

const bandOf = (piece: Piece, id: string): FlossPart | undefined => {
  const part = piece.parts.find((p) => p.id === id);
  return part?.kind === 'knotted-floss' ? part : undefined;
};

const withBand = (piece: Piece, id: string, change: (part: FlossPart) => FlossPart): Piece =>
  changePart(piece, id, (part) => (part.kind === 'knotted-floss' ? change(part) : part));

/** How many runs a strand makes. */
const passages = ({ legs }: Strand): number =>
  legs.slice(0, 2).reduce((sum, leg) => sum + (leg === 'turned' ? 2 : 1), 0);

/** Number of the run that starts at each place of a band, from the left. */
export function placesOf(piece: Piece, id: string): readonly number[] {
  const runs = runsOf(piece);
  const order = bandOf(piece, id)?.order;
  return order && ordersAll(order, runs) ? order : runs.map((run) => run.index);
}

/** Another pattern on a band; its strands stay. */
export const withPattern = (piece: Piece, id: string, { lay, rows }: FlossPattern): Piece =>
  withBand(piece, id, (part) => ({ ...part, lay, rows }));

/** The cords of a band, each colour once, from the left. */
export function cordsOfBand(piece: Piece, id: string): Cord[] {
  const runs = runsOf(piece);
  const cords: Cord[] = [];
  for (const index of placesOf(piece, id)) {
    const cord = runs[index]?.cord;
    if (cord && !cords.some((own) => own.colour.hex === cord.colour.hex)) cords.push(cord);
  }
  return cords;
}

/** Another cord for the strand at a place; both halves of a folded one change. */
export function recolourPlace(piece: Piece, id: string, place: number, cord: Cord): Piece {
  const run = runsOf(piece)[placesOf(piece, id)[place] ?? -1];
  if (!run) return piece;
  return {
    ...piece,
    strands: piece.strands.map((strand, i) =>
      i === run.strand - 1 ? { ...strand, cord } : strand,
    ),
  };
}

/** Every band of a piece fitted to other strands, after runs were taken away or added at the end. */
function refitted(piece: Piece, orderOf: (part: FlossPart) => readonly number[] | null): Piece {
  const n = runsOf(piece).length;
  return {
    ...piece,
    parts: piece.parts.map((part) =>
      part.kind === 'knotted-floss'
        ? { ...part, rows: fitToStrands(part, n).rows, order: orderOf(part) }
        : part,
    ),
  };
}

/** A strand more at a place of the band, of the cord that lies there; the others make room. */
export function insertStrand(piece: Piece, id: string, place: number): Piece {
  const runs = runsOf(piece);
  if (runs.length >= STRAND_LIMITS.max) return piece;
  const places = placesOf(piece, id);
  const beside = runs[places[Math.min(place, places.length - 1)] ?? -1];
  if (!beside) return piece;
  const strand: Strand = { cord: beside.cord, legs: ['plaited'], laidIn: false };
  return refitted({ ...piece, strands: [...piece.strands, strand] }, (part) => {
    if (part.id !== id) return null;
    return [...places.slice(0, place), runs.length, ...places.slice(place)];
  });
}

/** Without the strand at a place of the band; a folded one goes with both halves. */
export function removeStrand(piece: Piece, id: string, place: number): Piece {
  const runs = runsOf(piece);
  const places = placesOf(piece, id);
  const gone = runs[places[place] ?? -1]?.strand;
  const rest = runs.filter((run) => run.strand !== gone);
  if (gone === undefined || rest.length < STRAND_LIMITS.min) return piece;
  const renamed = new Map(rest.map((run, i) => [run.index, i]));
  return refitted({ ...piece, strands: piece.strands.filter((_, i) => i !== gone - 1) }, (part) =>
    part.id === id ? places.flatMap((index) => renamed.get(index) ?? []) : null,
  );
}

/** As many strands as wanted: the last is doubled, or the last ones go; a fold may become one end. */
export function withStrandCount(piece: Piece, id: string, wanted: number): Piece {
  const n = Math.max(STRAND_LIMITS.min, Math.min(STRAND_LIMITS.max, Math.round(wanted)));
  const strands = [...piece.strands];
  const count = (): number => strands.reduce((sum, strand) => sum + passages(strand), 0);
  while (count() > n) {
    const last = strands.pop()!;
    if (count() < n) strands.push({ ...last, legs: last.legs.slice(0, 1) });
  }
  while (count() < n) {
    const last = strands.at(-1)!;
    strands.push(count() + last.legs.length > n ? { ...last, legs: last.legs.slice(0, 1) } : last);
  }
  const kept = placesOf(piece, id).filter((index) => index < n);
  const added = Array.from({ length: n - kept.length }, (_, i) => kept.length + i);
  return refitted({ ...piece, strands }, (part) => (part.id === id ? [...kept, ...added] : null));
}

/**
 * Strands and their order for colours wanted at the places. Both halves of a folded strand have one
 * colour: each takes the outermost two free places of a colour, so that they mirror each other.
 *
 * @param colours number of the colour wanted at each place
 * @param legs how many runs every strand has, 1 or 2
 * @returns the colour of every strand and the run at every place; null where folds do not come out even
 */
export function assignPlaces(
  colours: readonly number[],
  legs: readonly number[],
): { readonly strands: readonly number[]; readonly order: readonly number[] } | null {
  const free = new Map<number, number[]>();
  colours.forEach((colour, place) => free.set(colour, [...(free.get(colour) ?? []), place]));
  const firstRun = legs.map((_, i) => legs.slice(0, i).reduce((sum, n) => sum + n, 0));
  const order = Array.from({ length: colours.length }, () => -1);
  const strands = legs.map(() => -1);
  // Folded ones first: a single one goes anywhere.
  for (const n of [2, 1]) {
    for (const [i, own] of legs.entries()) {
      if (own !== n) continue;
      const found = [...free].find(([, places]) => places.length >= n);
      if (!found) return null;
      const [colour, places] = found;
      strands[i] = colour;
      order[places.shift()!] = firstRun[i]!;
      if (n === 2) order[places.pop()!] = firstRun[i]! + 1;
    }
  }
  return order.includes(-1) ? null : { strands, order };
}

/**
 * A ready pattern laid on a band, in the colours it has now.
 *
 * @param want text for letters; the colours of the band when `cords` is left out
 * @returns the piece, or null where the pattern cannot be made with these strands
 */
export function layReady(
  piece: Piece,
  id: string,
  ready: string,
  want: { readonly text?: string; readonly cords?: readonly Cord[] } = {},
): Piece | null {
  const cords = want.cords ?? cordsOfBand(piece, id);
  const start: ReadyStart = {
    strands: runsOf(piece).length,
    colours: Math.max(1, cords.length),
    ...(want.text === undefined ? {} : { text: want.text }),
  };
  const pattern = readyPattern(ready);
  if (pattern.lacks(start) !== null) return null;
  const made = pattern.make(start);
  return layColours(withPattern(piece, id, made.pattern), id, made.colours, cords);
}

/** Colours at the places of a band; strands keep their colours where folds do not come out even. */
export function layColours(
  piece: Piece,
  id: string,
  colours: readonly number[],
  cords: readonly Cord[],
): Piece {
  const placed = assignPlaces(colours, piece.strands.map(passages));
  if (!placed) return piece;
  const recoloured = {
    ...piece,
    strands: piece.strands.map((strand, i) => ({
      ...strand,
      cord: cords[placed.strands[i]!] ?? strand.cord,
    })),
  };
  const natural = placed.order.every((index, place) => index === place);
  return withBand(recoloured, id, (part) => ({ ...part, order: natural ? null : placed.order }));
}

/** Every strand single, so that each place of a band can have a colour of its own. */
export const withSingleStrands = (piece: Piece): Piece => ({
  ...piece,
  strands: piece.strands.map((strand) => ({ ...strand, legs: strand.legs.slice(0, 1) })),
});

/**
 * A band as it was written down, laid on as many strands as it needs. Strands that were folded stay so
 * where the colours let them: both halves of one have one colour.
 *
 * @param stash cords to take colours from besides the band's own; a colour that none of them has is
 *   given to a cord like the band's first
 */
export function layWritten(
  piece: Piece,
  id: string,
  { pattern, strands, places, colours }: WrittenBand,
  stash: readonly Cord[] = [],
): Piece {
  const own = cordsOfBand(piece, id);
  const known = [...own, ...stash.filter(({ kind }) => kind === own[0]?.kind)];
  const inHex = ({ colour }: Cord, hex: string): boolean =>
    colour.hex.toLowerCase() === hex.toLowerCase();
  const cords = colours.map((colour, i) => {
    if (colour === null) return own[i % own.length]!;
    const alike = known.filter((cord) => inHex(cord, colour.hex));
    return (
      alike.find((cord) => cord.colour.name === colour.name) ?? alike[0] ?? { ...own[0]!, colour }
    );
  });
  const on = (from: Piece): Piece =>
    withPattern(
      runsOf(from).length === strands ? from : withStrandCount(from, id, strands),
      id,
      pattern,
    );
  const laid = on(piece);
  if (places === null) return laid;
  const folds = assignPlaces(places, laid.strands.map(passages)) !== null;
  return layColours(folds ? laid : on(withSingleStrands(piece)), id, places, cords);
}
