import { closureKind } from '../craft/closure/registry.js';
import type { Fewer } from '../base/kind/part-kind.js';
import type { Hand } from '../base/learn/hand.js';
import { effectiveDiameter } from '../base/material/cord.js';
import { endInWork } from '../piece/ends-in-work.js';
import type { Piece } from '../piece/piece.js';
import { asCut } from '../plan/as-cut.js';
import { planPiece } from '../plan/steps/plan-piece.js';
import type { Plan } from '../plan/plan-types.js';
import { partKind, type Part } from '../craft/part/registry.js';
import { forecast, type Forecast, type HalfWay } from './forecast.js';
import { cordLength, laid, listed, say, type Saying } from '../base/measure/saying.js';

/** Something that can still be done, with what comes of it. */
export interface Remedy {
  readonly code: 'fewer-knots' | 'swap-cords' | 'join-cord' | 'stop-short';
  readonly title: string;
  readonly text: Saying;
  /** Probability that every strand lasts then. */
  readonly lasts: number;
}

const percent = (p: number): string =>
  p > 0.995 ? 'more than 99 in 100' : p < 0.005 ? 'hardly ever' : `${Math.round(p * 100)} in 100`;

interface Stretch {
  readonly index: number;
  readonly fewer: Fewer;
}

/** Stretches between beads that are not begun, of which something can be left out. */
const stretchesOf = (piece: Piece, half: HalfWay): Stretch[] =>
  piece.parts.flatMap((part, index): Stretch[] => {
    const fewer = partKind(part.kind).fewer?.(part);
    return fewer && (half.done[part.id] ?? 0) === 0 ? [{ index, fewer }] : [];
  });

/** A little less in each stretch between the beads still to come. */
function fewerKnots(piece: Piece, hand: Hand, half: HalfWay, plan: Plan): Remedy[] {
  const stretches = stretchesOf(piece, half);
  const [first] = stretches;
  if (!first || stretches.length < 2) return [];
  const changed = new Map(stretches.map(({ index, fewer }) => [index, fewer.part as Part]));
  const shorter: Piece = {
    ...piece,
    // The ends stay as they were planned: knots saved between the beads must not come back there.
    parts: piece.parts.map((part, i) => {
      const kind = partKind(part.kind);
      const fixed = kind.fills(part) && kind.withUnits?.(part, plan.parts[i]!.layout.units);
      return changed.get(i) ?? ((fixed || part) as Part);
    }),
  };
  const planned = planPiece(shorter, hand);
  if (!planned.ok || planned.unmakeable) return [];
  const { lasts } = forecast(shorter, asCut(planned, plan), hand, half);
  return [
    {
      code: 'fewer-knots',
      title: 'Fewer knots between the beads',
      text: say`Leave ${first.fewer.leftOut} out of each of the ${stretches.length} stretches still to come. The parts come out ${laid(plan.fit.length - planned.fit.length)} shorter; every cord then lasts ${percent(lasts)}.`,
      lasts,
    },
  ];
}

/** Thickness may differ by this much before a swapped core shows. Assumed. */
const ALIKE = 0.12;

/** Two strands change their work: the one with cord to spare ties on, the scarce one is tied over. */
function swapCords(piece: Piece, seen: Forecast): Remedy[] {
  const scarce = [...seen.strands].sort((a, b) => a.lasts - b.lasts)[0];
  if (!scarce) return [];
  const cord = (number: number) => piece.strands[number - 1]!.cord;
  const similar = (a: number, b: number): boolean =>
    Math.abs(effectiveDiameter(cord(a)) / effectiveDiameter(cord(b)) - 1) < ALIKE;
  const partner = seen.strands
    .filter((other) => other !== scarce && similar(other.number, scarce.number))
    .map((other) => {
      // Both ways: the partner must last as what the scarce one was, and the scarce as the partner.
      const takesOver = other.available >= scarce.needsSurely;
      const tiedOver = scarce.available >= other.needsSurely;
      return { other, fits: takesOver && tiedOver };
    })
    .find(({ fits }) => fits);
  if (!partner) return [];
  const { other } = partner;
  const coloured = cord(other.number).colour.hex !== cord(scarce.number).colour.hex;
  return [
    {
      code: 'swap-cords',
      title: `Swap cord ${scarce.number} and cord ${other.number}`,
      text: say`Cord ${other.number} has ${cordLength(other.available)} left and ties on from here; cord ${scarce.number} goes on in its place, for which ${cordLength(other.needsSurely)} are enough.${coloured ? ' The colours change places from here on.' : ''}`,
      lasts: piece.cutting.confidence,
    },
  ];
}

/** Ends of a joint lie beside each other under the knots, so that both are held. Common practice, no source. */
const OVERLAP = 40;

function joinCord(piece: Piece, seen: Forecast): Remedy[] {
  const { confidence } = piece.cutting;
  const short = seen.strands.filter((strand) => strand.lasts < confidence);
  if (short.length === 0) return [];
  // The old cord is tied with as long as fingers can hold it; the new one makes up the rest.
  const hold = (number: number): number => endInWork(piece, piece.strands[number - 1]!.cord);
  const pieces = short.map(
    ({ number, needsSurely, available }) =>
      say`${cordLength(needsSurely - Math.max(0, available - hold(number)) + OVERLAP)} for cord ${number}`,
  );
  const last = laid(Math.max(...short.map(({ number }) => hold(number))));
  return [
    {
      code: 'join-cord',
      title: 'Join a cord',
      text: say`Cut ${listed(pieces, ' and ')}. Tie on until the old one is down to its last ${last}; lay old and new end beside each other into the core for ${laid(OVERLAP)}, go on with the new one, and secure both ends when the piece is finished. A joint is the weakest place: keep it away from the closure.`,
      lasts: confidence,
    },
  ];
}

function stopShort(piece: Piece, plan: Plan, seen: Forecast): Remedy[] {
  if (seen.latest.all) return [];
  const missing = plan.fit.length - seen.latest.length;
  const how =
    closureKind(piece.closure.type).extends ??
    (plan.fit.states.length > 1
      ? 'the closure adjusts by that much only if its tails allow it: try it on first'
      : 'try it on before you decide');
  return [
    {
      code: 'stop-short',
      title: 'Stop short',
      text: say`Stop where the drawing shows it and close it: the parts are then ${laid(seen.latest.length)} long, ${laid(Math.max(0, missing))} less than planned; ${how}.`,
      lasts: piece.cutting.confidence,
    },
  ];
}

/**
 * What can still be done when a cord may run out, the likeliest help first; nothing when every strand
 * is surely long enough.
 */
export function remedies(
  piece: Piece,
  plan: Plan,
  hand: Hand,
  half: HalfWay,
  seen: Forecast,
): Remedy[] {
  const { confidence } = piece.cutting;
  if (seen.lasts >= confidence) return [];
  return [
    ...fewerKnots(piece, hand, half, plan).filter(({ lasts }) => lasts > seen.lasts),
    ...swapCords(piece, seen),
    ...joinCord(piece, seen),
    ...stopShort(piece, plan, seen),
  ];
}
