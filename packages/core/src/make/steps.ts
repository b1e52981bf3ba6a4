import { closureKind } from '../closure/registry.js';
import { CAUTIONS } from '../face/cautions.js';
import type { PartStep } from '../face/part-kind.js';
import { otherSide, type Side } from '../face/side.js';
import type { Caution, Step } from '../face/step.js';
import { CORD_KIND_FACTS } from '../material/cord.js';
import { usualEnd, type EndTreatment } from '../material/ends.js';
import { formatLength } from '../measure/format-length.js';
import { speak } from '../measure/speak.js';
import type { LengthUnit } from '../measure/units.js';
import { partKind } from '../part/registry.js';
import type { Piece } from '../piece/piece.js';
import { runsEndingByKnots, runsOf, tiedSpan } from '../piece/runs.js';
import { closureSiteOf, sitesOf } from '../piece/sites.js';
import type { Plan } from '../plan/plan-types.js';

/** How this maker works: the unit lengths are said in, and the hand that leads. */
export interface MakerHabits {
  readonly unit: LengthUnit;
  readonly cordUnit: LengthUnit;
  readonly hand: Side;
}

/** Right-handed makers start on the left, where the right hand brings the cord over; others mirror it. */
export const firstSideFor = (hand: Side): Side => otherSide(hand);

const step = (
  stage: Step['stage'],
  id: string,
  title: string,
  text: string,
  cautions: Caution[] = [],
): Step => ({ id, stage, title, text, units: 1, cautions });

/** A step as its part or closure tells it, said in this maker's units and from this maker's side. */
function told(
  { sideOf, ...plain }: PartStep,
  stage: Step['stage'],
  id: string,
  part: string | undefined,
  habits: MakerHabits,
): Step {
  const first = firstSideFor(habits.hand);
  return {
    ...plain,
    id,
    stage,
    title: speak(plain.title, habits.unit),
    text: speak(plain.text, habits.unit),
    ...(sideOf ? { sideOf: (unit: number) => sideOf(unit, first) } : {}),
    ...(part === undefined ? {} : { part }),
  };
}

function cuts(plan: Plan, habits: MakerHabits): Step[] {
  const long = (mm: number): string => formatLength(mm, habits.cordUnit, { denominator: 8 });
  const mark = (cut: number, fold: number | null): string =>
    fold === null
      ? '.'
      : Math.abs(fold - cut / 2) < 0.5
        ? `, and mark the middle at ${long(fold)}.`
        : `, and mark the fold at ${long(fold)} from one end; that end is the shorter half.`;
  return [
    ...plan.strands.map((s) =>
      s.given
        ? step(
            'prepare',
            `cut-${s.number}`,
            'Have the endless loop ready',
            `${s.cord.name}. Lay it flat and unturned, and mark its middle with a thread.`,
          )
        : step(
            'prepare',
            `cut-${s.number}`,
            `Cut cord ${s.number}: ${long(s.cut)}`,
            `${s.role}, ${s.cord.name}. Measure twice, laid straight and not stretched${mark(s.cut, s.fold)}`,
            [CAUTIONS.blade],
          ),
    ),
    ...plan.auxiliary.map((a, i) =>
      step(
        'prepare',
        `cut-aux-${i + 1}`,
        `Cut ${a.label.toLowerCase()}: ${long(a.cut)}`,
        `${a.cord ? a.cord.name : 'Any thin strong thread'}. Lay it aside until it is needed.`,
        [CAUTIONS.blade],
      ),
    ),
  ];
}

/** Working cords that begin in the work are laid in behind the core. */
const layIn = (piece: Piece): Step[] =>
  piece.strands.flatMap((strand, i) =>
    strand.laidIn
      ? [
          step(
            'tie',
            `lay-in-${i + 1}`,
            `Lay cord ${i + 1} in`,
            strand.legs.length > 1
              ? 'Put its middle behind the core, close to where the knots begin, one end to each side.'
              : 'Put its end beside the core, so that the first knots cover it.',
          ),
        ]
      : [],
  );

/** Parts before the last third from which it is worth trying the piece on. */
const PARTS_FOR_TRY_ON = 4;

function work(piece: Piece, plan: Plan, habits: MakerHabits): Step[] {
  const sites = sitesOf(piece);
  const lays = layIn(piece);
  const first = tiedSpan(piece.parts)?.[0] ?? 0;
  const third = Math.floor((plan.parts.length * 2) / 3);
  return plan.parts.flatMap((part, i): Step[] => {
    const piecePart = piece.parts[i]!;
    const own = partKind(part.kind)
      .steps(piecePart, sites[i]!, part.layout)
      .map((s, n) =>
        told(s, 'tie', n === 0 ? `tie-${part.id}` : `tie-${part.id}-${n + 1}`, part.id, habits),
      );
    return [
      ...(i === first ? lays : []),
      ...(plan.parts.length >= PARTS_FOR_TRY_ON && i === third
        ? [
            step(
              'tie',
              'try-on-early',
              'Lay it round once',
              'Two thirds are done: lay it round the wearer or along the rule. What is left to tie can still be changed.',
            ),
          ]
        : []),
      ...own,
    ];
  });
}

const FINISH_END: Readonly<
  Record<EndTreatment, { title: string; text: string; cautions: Caution[] }>
> = {
  singe: {
    title: 'Singe and flatten the ends',
    text: 'Hold each stub beside the blue foot of a flame until it just melts, then press it flat against the band with a metal blade or spoon. A smooth bead, nothing sharp, nothing black.',
    cautions: [CAUTIONS.flame],
  },
  glue: {
    title: 'Glue the ends',
    text: 'Put a small drop of flexible textile glue on each stub and under the last half knot, press for a minute, and leave it lying still.',
    cautions: [CAUTIONS.glue],
  },
  tuck: {
    title: 'Tuck the ends under',
    text: 'Lead each end back under the last four half knots with a blunt needle or a lacing tip and pull it tight before trimming.',
    cautions: [],
  },
};

/** The ends that are trimmed, and those that stay, by what the closure leaves. */
function trimText(piece: Piece): { readonly title: string; readonly text: string } {
  const byKnots = runsEndingByKnots(runsOf(piece)).length;
  const stub =
    piece.ends === 'tuck' ? ' Trim flush after tucking.' : ' Leave stubs of 3 mm to 4 mm.';
  if (piece.closure.type === 'side-release-buckle') {
    return {
      title: 'Trim the working ends',
      text: `Only those beside the first buckle half; the core runs and the hitch stay whole.${stub}`,
    };
  }
  if (byKnots > 0) {
    return {
      title: 'Trim the working ends',
      text: `Only the ends of the cords that tied; the core and the closure’s tails stay whole.${stub}`,
    };
  }
  return {
    title: 'Trim what stands out',
    text: `Only beyond the last knot on each side. What runs on into the closure stays whole: name each end before you cut it.${stub}`,
  };
}

function finish(piece: Piece): Step[] {
  const kinds = piece.strands.map(({ cord }) => cord.kind);
  const ends = FINISH_END[piece.ends];
  const { title, text } = trimText(piece);
  const trim = step('finish', 'trim', title, text, [CAUTIONS.blade]);
  const secure = step('finish', `ends-${piece.ends}`, ends.title, ends.text, ends.cautions);
  const unusual = kinds.some((kind) => piece.ends !== usualEnd(kind));
  const leather = kinds.some((kind) => CORD_KIND_FACTS[kind].ends === 'leather');
  return [
    step(
      'finish',
      'try-on',
      'Try it on before anything is cut',
      'Close it on the wearer. Does it sit as planned? Even out the knots; once the ends are trimmed the length is fixed.',
    ),
    ...(piece.ends === 'tuck' ? [secure, trim] : [trim, secure]),
    ...(leather
      ? [
          step(
            'finish',
            'ends-dye',
            'Dye the cut faces',
            'A touch of dye or a marker of the cord’s colour on each cut end; it stains fingers and cloth until dry.',
          ),
        ]
      : []),
    ...(unusual
      ? [
          step(
            'finish',
            'ends-check',
            'Pull each end once more',
            'Your way of securing the ends is not the usual one for this cord. Pull each firmly; if one moves, glue it.',
          ),
        ]
      : []),
    step(
      'finish',
      'inspect',
      'Look it over',
      'It closes and opens as it should; both sides are even; no sharp or hard end against the skin; no core shows where it should not.',
      [CAUTIONS.load, ...(piece.wearer.child ? [CAUTIONS.child] : [])],
    ),
  ];
}

/** Every action of the make, in order, from the plan. */
export function makeSteps(piece: Piece, plan: Plan, habits: MakerHabits): Step[] {
  const site = closureSiteOf(piece, sitesOf(piece));
  const closing = closureKind(piece.closure.type).steps(
    piece.closure,
    site,
    plan.closure,
    plan.fit.length,
  );
  return [
    ...cuts(plan, habits),
    ...closing.start.map((s, i) => told(s, 'prepare', `start-${i + 1}`, undefined, habits)),
    ...work(piece, plan, habits),
    ...closing.end.map((s, i) => told(s, 'tie', `close-${i + 1}`, 'closure', habits)),
    ...finish(piece),
  ];
}
