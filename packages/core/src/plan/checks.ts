import { closureKind } from '../craft/closure/registry.js';
import type { Passage } from '../base/kind/reason.js';
import { partKind } from '../craft/part/registry.js';
import { BEAD_LIMITS } from '../base/material/bead.js';
import { CORD_DIAMETER_LIMITS, CORD_KIND_FACTS } from '../base/material/cord.js';
import { suitsEnd } from '../base/material/ends.js';
import { passage } from '../base/material/passage.js';
import type { Advice } from '../base/measure/advice.js';
import { checkGirth, checkPlausible, GIRTH_SITES } from '../base/measure/girth.js';
import { beadIdsOf, knotIdsOf } from '../piece/palette.js';
import type { Piece } from '../piece/piece.js';
import { tiedSpan } from '../piece/runs.js';
import { girthOf } from '../piece/sites.js';
import type { Counters, FitPlan } from './plan-types.js';
import { cordNamed, laid, partNamed, say, size, type Saying } from '../base/measure/saying.js';

/** Diameter in mm of the cylinder that small parts are tested with. Source: 16 CFR 1501.4. */
const SMALL_PARTS = 31.7;

const present = <T>(value: T | null | undefined): value is T =>
  value !== null && value !== undefined;

const error = (
  code: string,
  message: Saying,
  remedy: Saying,
  path: string,
  part?: string,
): Advice => ({
  code,
  severity: 'error',
  message,
  remedy,
  path,
  ...(part === undefined ? {} : { part }),
});

function checkBody(piece: Piece): (Advice | null)[] {
  const { wearer, wear } = piece;
  const girth = girthOf(piece);
  return [
    ...GIRTH_SITES.map((site) => {
      const value = wearer[site];
      return value === undefined ? null : checkGirth(site, value, `wearer.${site}`);
    }),
    girth === undefined && wear.length === null
      ? error(
          'wearer.girth',
          `The ${wear.site} girth is not given.`,
          `Measure it, or say how long the piece is to be.`,
          `wearer.${wear.site}`,
        )
      : null,
    piece.ease.rule === 'own' && piece.ease.amount === undefined
      ? error(
          'ease.missing',
          'The room to leave is not given.',
          `Enter how much longer than the ${wear.site} it should be, or choose two fingers.`,
          'ease.amount',
        )
      : null,
  ];
}

function checkMaterials(piece: Piece): (Advice | null)[] {
  const known = new Set(piece.beads.map((bead) => bead.id));
  const knots = new Set((piece.knots ?? []).map((knot) => knot.id));
  return [
    ...piece.strands.map(({ cord }, i) =>
      checkPlausible(
        cord.diameter,
        CORD_DIAMETER_LIMITS,
        'A cord diameter',
        `strands[${i}].cord.diameter`,
        size,
      ),
    ),
    ...piece.strands.map(({ cord }, i) => {
      if (suitsEnd(piece.ends, cord.kind)) return null;
      const { label, ends } = CORD_KIND_FACTS[cord.kind];
      return error(
        'ends.flame',
        `${label[0]?.toUpperCase()}${label.slice(1)} ${ends === 'leather' ? 'scorches' : 'burns'} in a flame; it cannot be singed.`,
        'Glue the ends, or tuck them under the last knots.',
        `strands[${i}].cord.kind`,
      );
    }),
    ...piece.beads.flatMap((bead, i) =>
      (['length', 'height', 'hole'] as const).map((key) =>
        checkPlausible(
          bead[key],
          BEAD_LIMITS[key],
          { length: 'A bead length', height: 'A bead height', hole: 'A hole' }[key],
          `beads[${i}].${key}`,
          size,
        ),
      ),
    ),
    ...piece.parts.flatMap((part, i) =>
      knotIdsOf(part)
        .filter((id) => !knots.has(id))
        .map((id) =>
          error(
            'knot.unknown',
            say`There is no knot “${id}” among the knots of the piece, which ${partNamed(part.id, partKind(part.kind).entry.label)} is to be tied as.`,
            'Choose another knot for it.',
            `parts[${i}].knot`,
            part.id,
          ),
        ),
    ),
    ...piece.parts.flatMap((part, i) =>
      beadIdsOf(part)
        .filter((id) => !known.has(id))
        .slice(0, 1)
        .map((id) =>
          error(
            'bead.unknown',
            say`There is no bead “${id}” among the beads of the piece, which ${partNamed(part.id, partKind(part.kind).entry.label)} is to be strung from.`,
            'Choose another bead for it.',
            `parts[${i}].bead`,
            part.id,
          ),
        ),
    ),
  ];
}

function checkStrands(piece: Piece): (Advice | null)[] {
  const legs = piece.strands.flatMap((strand) => strand.legs);
  return [
    piece.parts.length === 0
      ? error('parts.none', 'There is nothing between the ends yet.', 'Add a part.', 'parts')
      : null,
    legs.length === 0
      ? error('strands.none', 'The piece has no cord.', 'Add a strand.', 'strands')
      : legs.every((role) => role === 'working')
        ? error(
            'strands.core',
            'All cords are working cords; none runs through the piece.',
            'Give one strand the role of the core.',
            'strands',
          )
        : null,
    ...idleCords(piece),
  ];
}

/** Cords that begin where they are first tied with, in a piece where nothing is tied. */
export function idleCords(piece: Piece): Advice[] {
  if (tiedSpan(piece.parts) !== null) return [];
  return piece.strands.flatMap(({ legs, laidIn, cord }, i): Advice[] =>
    laidIn && legs.every((role) => role === 'working')
      ? [
          {
            code: 'strands.idle',
            severity: 'warning',
            message: say`Of the cords, ${cordNamed({ strand: i + 1, cord })} is laid in where it is first tied with, but no part is tied.`,
            remedy: 'Add a part that it ties, or remove the cord.',
            path: `strands[${i}]`,
          },
        ]
      : [],
  );
}

/** Faults of the specification itself, before anything is computed. */
export const checkPiece = (piece: Piece): Advice[] =>
  [...checkBody(piece), ...checkStrands(piece), ...checkMaterials(piece)].filter(present);

/** Whether the cords go through each hole, and how often. */
export function checkPassages(
  passages: readonly {
    readonly path: string;
    readonly part: string;
    readonly passage: Passage;
  }[],
): Advice[] {
  const seen = new Set<string>();
  return passages.flatMap(({ path, part, passage: { what, hole, runs } }): Advice[] => {
    if (runs.length === 0) return [];
    const { answer, loose, squeezed } = passage(
      hole,
      runs.map((run) => run.cord),
    );
    const key = `${path}|${what}|${answer}|${runs.length}`;
    if (answer === 'goes' || seen.has(key)) return [];
    seen.add(key);
    const times = runs.length === 1 ? 'The cord' : `${runs.length} passes of cord`;
    return [
      answer === 'needle'
        ? {
            code: 'passage.needle',
            severity: 'note',
            message: say`${times} take${runs.length === 1 ? 's' : ''} ${size(loose)}; ${runs.length === 1 ? 'it goes' : 'they go'} through ${what} (${size(hole)}) only when squeezed.`,
            remedy:
              'Use a needle or a thread to pull by, or cut the end to a point and stiffen it.',
            path,
            part,
          }
        : {
            code: 'passage.no',
            severity: 'error',
            drawn: true,
            message: say`${times} take${runs.length === 1 ? 's' : ''} ${size(squeezed)} even squeezed; the hole of ${what} is ${size(hole)}.`,
            remedy: 'Take a bead with a larger hole, a thinner cord, or string it on fewer cords.',
            path,
            part,
          },
    ];
  });
}

function checkSize(piece: Piece, fit: FitPlan): (Advice | null)[] {
  if (fit.target === 0) {
    const off = fit.length - fit.fitted;
    return [
      Math.abs(off) > 10
        ? {
            code: 'fit.off-length',
            severity: 'warning',
            message: say`It is ${laid(Math.abs(off))} ${off > 0 ? 'longer' : 'shorter'} than neck and drop ask for.`,
            remedy: 'Let a stretch of plain cord take what the fit asks for, or change the drop.',
            path: 'parts',
          }
        : null,
    ];
  }
  if (fit.circumference === 0) {
    return [
      error(
        'work.short',
        say`Parts of ${laid(fit.length)} are too short to close round anything.`,
        say`Make it longer, or let the fit set it (${laid(fit.fitted)}).`,
        'parts',
      ),
    ];
  }
  const off = fit.circumference - fit.target;
  const smallest = fit.states[0]?.circumference ?? fit.circumference;
  return [
    // Half a step on the rule is as near as a band can be measured.
    Math.abs(off) > 3
      ? {
          code: 'fit.off-target',
          severity: 'warning',
          message: say`At this length it closes ${laid(Math.abs(off))} ${off > 0 ? 'larger' : 'smaller'} than the size aimed at.`,
          remedy: fit.filled
            ? 'Change the room, or the other parts.'
            : say`Let a part take what the fit asks for, or add and take away (${laid(fit.fitted)} in all).`,
          path: 'parts',
        }
      : null,
    fit.girth > 0 && fit.circumference < fit.girth && piece.wear.length === null
      ? {
          code: 'fit.too-small',
          severity: 'warning',
          message: say`It closes ${laid(fit.girth - fit.circumference)} smaller than the ${piece.wear.site} itself.`,
          remedy: 'Make it longer.',
          path: 'parts',
        }
      : null,
    fit.states.length > 1 && smallest > fit.target + 3
      ? {
          code: 'fit.loose',
          severity: 'warning',
          message: say`Drawn in it still measures ${laid(smallest)}, more than the ${laid(fit.target)} aimed at.`,
          remedy: 'Make the body shorter.',
          path: 'parts',
        }
      : null,
  ];
}

function checkWearer(piece: Piece, fit: FitPlan, counters: Counters): (Advice | null)[] {
  const { wearer, wear } = piece;
  const small = piece.beads.filter(
    (bead) =>
      counters.beads.some((count) => count.id === bead.id) &&
      Math.max(bead.length, bead.height) < SMALL_PARTS,
  );
  return [
    wearer.child
      ? {
          code: 'wearer.child',
          severity: 'note',
          message:
            'For a child: cord can catch and tighten, and small parts can come loose and be swallowed.',
          remedy:
            'Choose a closure that gives way, keep it away from small children and follow your local product-safety rules.',
          path: 'wearer.child',
        }
      : null,
    wearer.child && wear.site === 'neck' && !closureKind(piece.closure.type).entry.givesWay
      ? {
          code: 'wearer.child-neck',
          severity: 'warning',
          message: 'A cord round a child’s neck can strangle.',
          remedy: 'Use a breakaway clasp that is sold for children, or make a bracelet instead.',
          path: 'closure.type',
        }
      : null,
    wearer.child && small.length > 0
      ? {
          code: 'wearer.small-parts',
          severity: 'note',
          message: say`${small[0]!.name} fits into the cylinder of ${size(SMALL_PARTS)} that small parts are tested with.`,
          remedy:
            'It is a small part for a child under three. Local rules say what follows from that.',
          path: 'beads',
        }
      : null,
    wearer.allergy
      ? {
          code: 'wearer.allergy',
          severity: 'note',
          // Without a name: a plan is kept for as long as its make, and is read by more people than a wearer's page.
          message: `Whoever wears it is sensitive to ${wearer.allergy}.`,
          remedy:
            'Ask the seller what each finding, bead and coating is made of before you choose it.',
          path: 'wearer.allergy',
        }
      : null,
    fit.pass?.estimated
      ? {
          code: 'pass.estimated',
          severity: 'note',
          message: say`The ${fit.pass.what} was not measured; ${laid(fit.pass.mm)} is an estimate.`,
          remedy: `Measure round the ${fit.pass.what} where it is widest.`,
          path: { hand: 'wearer.hand', heel: 'wearer.ankle', head: 'wearer.head' }[fit.pass.what],
        }
      : null,
  ];
}

/** Beads that are used oftener than there are pieces in hand. */
const checkStock = (piece: Piece, counters: Counters): Advice[] =>
  counters.beads
    .filter(({ count, inHand }) => inHand !== null && count > inHand)
    .map(({ id, name, count, inHand }) => ({
      code: 'beads.stock',
      severity: 'warning',
      message: `${count} of ${name} are used, ${inHand} are in hand.`,
      remedy: `Buy ${count - (inHand ?? 0)} more, or use fewer.`,
      path: `beads[${piece.beads.findIndex((bead) => bead.id === id)}].count`,
    }));

/** What to know about a piece that can be planned. */
export const checkPlan = (piece: Piece, fit: FitPlan, counters: Counters): Advice[] =>
  [
    ...checkSize(piece, fit),
    ...checkStock(piece, counters),
    ...checkWearer(piece, fit, counters),
  ].filter(present);

/** What is said of a part or the closure, its paths made those of the piece. */
export const under = (advice: readonly Advice[], path: string, part: string): Advice[] =>
  advice.map((item) => ({
    ...item,
    part,
    path: item.path === '' ? path : `${path}.${item.path}`,
    ...(item.fix ? { fix: { ...item.fix, path: `${path}.${item.fix.path}` } } : {}),
  }));
