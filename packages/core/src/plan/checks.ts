import type { Passage } from '../kind/reason.js';
import { BEAD_LIMITS } from '../material/bead.js';
import { CORD_DIAMETER_LIMITS, CORD_KIND_FACTS } from '../material/cord.js';
import { suitsEnd } from '../material/ends.js';
import { passage } from '../material/passage.js';
import type { Advice } from '../measure/advice.js';
import { mm } from '../measure/speak.js';
import { checkGirth, checkPlausible, GIRTH_SITES } from '../measure/girth.js';
import { beadIdsOf } from '../piece/palette.js';
import type { Piece } from '../piece/piece.js';
import { girthOf } from '../piece/sites.js';
import type { Counters, FitPlan } from './plan-types.js';

const present = <T>(value: T | null | undefined): value is T =>
  value !== null && value !== undefined;

const error = (code: string, message: string, remedy: string, path: string): Advice => ({
  code,
  severity: 'error',
  message,
  remedy,
  path,
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
  return [
    ...piece.strands.map(({ cord }, i) =>
      checkPlausible(
        cord.diameter,
        CORD_DIAMETER_LIMITS,
        'A cord diameter',
        `strands[${i}].cord.diameter`,
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
            `There is no bead “${id}” among the beads of the piece.`,
            'Choose another bead for it.',
            `parts[${i}].bead`,
          ),
        ),
    ),
  ];
}

function checkStrands(piece: Piece): (Advice | null)[] {
  const legs = piece.strands.flatMap((strand) => strand.legs);
  return [
    piece.parts.length === 0
      ? error('parts.none', 'Nothing lies between the ends yet.', 'Add a part.', 'parts')
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
  ];
}

/** Faults of the specification itself, before anything is computed. */
export const checkPiece = (piece: Piece): Advice[] =>
  [...checkBody(piece), ...checkStrands(piece), ...checkMaterials(piece)].filter(present);

/** Whether the cords go through each hole, and how often. */
export function checkPassages(
  passages: readonly { readonly path: string; readonly passage: Passage }[],
): Advice[] {
  const seen = new Set<string>();
  return passages.flatMap(({ path, passage: { what, hole, runs } }): Advice[] => {
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
            message: `${times} take${runs.length === 1 ? 's' : ''} ${mm(loose)}; through ${what} (${mm(hole)}) ${runs.length === 1 ? 'it goes' : 'they go'} only squeezed.`,
            remedy:
              'Use a needle or a thread to pull by, or cut the end to a point and stiffen it.',
            path,
          }
        : {
            code: 'passage.no',
            severity: 'warning',
            message: `${times} take${runs.length === 1 ? 's' : ''} ${mm(squeezed)} even squeezed; the hole of ${what} is ${mm(hole)}.`,
            remedy: 'Take a bead with a larger hole, a thinner cord, or string it on fewer cords.',
            path,
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
            message: `It is ${mm(Math.abs(off))} ${off > 0 ? 'longer' : 'shorter'} than neck and drop ask for.`,
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
        `Parts of ${mm(fit.length)} are too short to close round anything.`,
        `Make it longer, or let the fit set it (${mm(fit.fitted)}).`,
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
          message: `At this length it closes ${mm(Math.abs(off))} ${off > 0 ? 'larger' : 'smaller'} than the size aimed at.`,
          remedy: fit.filled
            ? 'Change the room, or the other parts.'
            : `Let a part take what the fit asks for, or add and take away (${mm(fit.fitted)} in all).`,
          path: 'parts',
        }
      : null,
    fit.girth > 0 && fit.circumference < fit.girth && piece.wear.length === null
      ? {
          code: 'fit.too-small',
          severity: 'warning',
          message: `It closes ${mm(fit.girth - fit.circumference)} smaller than the ${piece.wear.site} itself.`,
          remedy: 'Make it longer.',
          path: 'parts',
        }
      : null,
    fit.states.length > 1 && smallest > fit.target + 3
      ? {
          code: 'fit.loose',
          severity: 'warning',
          message: `Drawn in it still measures ${mm(smallest)}, more than the ${mm(fit.target)} aimed at.`,
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
      Math.max(bead.length, bead.height) < 31.7,
  );
  return [
    wearer.child
      ? {
          code: 'wearer.child',
          severity: 'note',
          message:
            'For a child: cord can catch and tighten, and small parts can come loose and be swallowed.',
          remedy:
            'Choose a closure that gives way, keep it off small children and follow your local product-safety rules.',
          path: 'wearer.child',
        }
      : null,
    wearer.child && wear.site === 'neck' && piece.closure.type !== 'breakaway-clasp'
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
          message: `${small[0]!.name} fits into the cylinder of 31.7 mm that small parts are tried with.`,
          remedy:
            'It is a small part for a child under three. Local rules say what follows from that.',
          path: 'beads',
        }
      : null,
    wearer.allergy
      ? {
          code: 'wearer.allergy',
          severity: 'note',
          message: `${wearer.name} does not bear ${wearer.allergy}.`,
          remedy:
            'Ask the seller what each finding, bead and coating is made of before you choose it.',
          path: 'wearer.allergy',
        }
      : null,
    fit.pass?.estimated
      ? {
          code: 'pass.estimated',
          severity: 'note',
          message: `The ${fit.pass.what} was not measured; ${mm(fit.pass.mm)} is an estimate.`,
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

/** AdviceList of a part or the closure, their paths made those of the piece. */
export const under = (advice: readonly Advice[], path: string): Advice[] =>
  advice.map((item) => ({
    ...item,
    path: item.path === '' ? path : `${path}.${item.path}`,
    ...(item.fix ? { fix: { ...item.fix, path: `${path}.${item.fix.path}` } } : {}),
  }));
