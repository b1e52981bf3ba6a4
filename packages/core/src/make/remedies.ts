import type { Hand } from '../learn/hand.js';
import { effectiveDiameter, workingTail } from '../material/cord.js';
import { mm } from '../measure/speak.js';
import type { Piece } from '../piece/piece.js';
import { planPiece } from '../plan/plan.js';
import type { Plan } from '../plan/plan-types.js';
import { partKind, type Part } from '../part/registry.js';
import { forecast, type Forecast, type HalfWay } from './forecast.js';

/** Something that can still be done, with what comes of it. */
export interface Remedy {
  readonly code: 'fewer-knots' | 'swap-cords' | 'join-cord' | 'stop-short';
  readonly title: string;
  /** Plain words; lengths as `12.3 mm`, for `speak`. */
  readonly text: string;
  /** Probability that every strand lasts then. */
  readonly lasts: number;
}

const percent = (p: number): string =>
  p > 0.995 ? 'more than 99 in 100' : p < 0.005 ? 'hardly ever' : `${Math.round(p * 100)} in 100`;

/** Stretches between beads that are not begun, tied by a set number of knots, more than two of them. */
const shortens = (part: Part, half: HalfWay): boolean =>
  part.kind === 'square-knot-sinnet' &&
  part.units !== null &&
  part.units > 2 &&
  (half.done[part.id] ?? 0) === 0;

/** One square knot fewer in each stretch between the beads still to come. */
function fewerKnots(piece: Piece, hand: Hand, half: HalfWay, plan: Plan): Remedy[] {
  const stretches = piece.parts.filter((part) => shortens(part, half));
  if (stretches.length < 2) return [];
  const shorter: Piece = {
    ...piece,
    // The ends stay as they were planned: knots saved between the beads must not come back there.
    parts: piece.parts.map((part, i) => {
      if (part.kind !== 'square-knot-sinnet') return part;
      if (shortens(part, half)) return { ...part, units: part.units! - 2 };
      return partKind(part.kind).fills(part)
        ? { ...part, units: plan.parts[i]!.layout.units }
        : part;
    }),
  };
  const planned = planPiece(shorter, hand);
  if (!planned.ok) return [];
  // What lies on the bench was cut by the old list.
  const cut: Plan = {
    ...planned,
    strands: planned.strands.map((s, i) => ({ ...s, cut: plan.strands[i]!.cut })),
  };
  const { lasts } = forecast(shorter, cut, hand, half);
  return [
    {
      code: 'fewer-knots',
      title: 'Fewer knots between the beads',
      text: `Leave one square knot (two half knots) out of each of the ${stretches.length} stretches still to come. The parts come out ${mm(plan.fit.length - planned.fit.length)} shorter; every cord then lasts ${percent(lasts)}.`,
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
      text: `Cord ${other.number} has ${mm(other.available)} left and ties on from here; cord ${scarce.number} goes on in its place, for which ${mm(other.needsSurely)} are enough.${coloured ? ' The colours change places from here on.' : ''}`,
      lasts: piece.cutting.sureness,
    },
  ];
}

/** Ends of a joint lie beside each other under the knots, so that both are held. Common practice, no source. */
const OVERLAP = 40;

function joinCord(piece: Piece, seen: Forecast): Remedy[] {
  const { sureness } = piece.cutting;
  const short = seen.strands.filter((strand) => strand.lasts < sureness);
  if (short.length === 0) return [];
  // The old cord is tied with as long as fingers can hold it; the new one makes up the rest.
  const hold = (number: number): number => workingTail(piece.strands[number - 1]!.cord);
  const pieces = short.map(
    ({ number, needsSurely, available }) =>
      `${mm(needsSurely - Math.max(0, available - hold(number)) + OVERLAP)} for cord ${number}`,
  );
  const last = mm(Math.max(...short.map(({ number }) => hold(number))));
  return [
    {
      code: 'join-cord',
      title: 'Join a cord',
      text: `Cut ${pieces.join(' and ')}. Tie on until the old one is down to its last ${last}; lay old and new end beside each other into the core for ${mm(OVERLAP)}, go on with the new one, and secure both ends when the piece is finished. A joint is the weakest place: keep it away from the closure.`,
      lasts: sureness,
    },
  ];
}

/** Closures that take up a piece that came out short, with how. */
const EXTENDS: Readonly<Record<string, string>> = {
  lobster: 'a longer extender chain makes up for it',
  'hook-and-ring': 'a larger ring or a link more makes up for it',
  toggle: 'a link between bar and end makes up for it',
  'loop-and-button': 'a longer loop, or a second one, makes up for it',
  'loop-and-knot': 'a longer loop makes up for it',
  'tie-ends': 'the ties make up for it',
};

function stopShort(piece: Piece, plan: Plan, seen: Forecast): Remedy[] {
  if (seen.latest.all) return [];
  const missing = plan.fit.length - seen.latest.length;
  const how =
    EXTENDS[piece.closure.type] ??
    (plan.fit.states.length > 1
      ? 'the closure adjusts by that much only if its tails allow it: try it on first'
      : 'try it on before you decide');
  return [
    {
      code: 'stop-short',
      title: 'Stop short',
      text: `Stop where the drawing shows it and close it: the parts are then ${mm(seen.latest.length)} long, ${mm(Math.max(0, missing))} less than planned; ${how}.`,
      lasts: piece.cutting.sureness,
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
  const { sureness } = piece.cutting;
  if (seen.lasts >= sureness) return [];
  return [
    ...fewerKnots(piece, hand, half, plan).filter(({ lasts }) => lasts > seen.lasts),
    ...swapCords(piece, seen),
    ...joinCord(piece, seen),
    ...stopShort(piece, plan, seen),
  ];
}
