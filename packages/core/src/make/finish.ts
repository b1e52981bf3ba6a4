import { closureKind } from '../closure/registry.js';
import type { Check } from '../kind/closure-kind.js';
import { CAUTIONS } from '../kind/cautions.js';
import type { Look, Step } from '../kind/step.js';
import { DYE_DRIES, ENDS_COOL, GLUE_CURES, OIL_SINKS_IN, SEAL_DRIES } from '../kind/waits.js';
import { CORD_KIND_FACTS, type CordKind } from '../material/cord.js';
import { usualEnd, type EndTreatment } from '../material/ends.js';
import type { Piece } from '../piece/piece.js';
import { runsEndingByKnots, runsOf } from '../piece/runs.js';
import type { Plan } from '../plan/plan-types.js';
import { onceStep } from './set-up.js';
import { cordNamed, laid, say, type Saying } from '../measure/saying.js';

const LAST_KNOT: Look = { kind: 'ends' };

const SECURE: Readonly<Record<EndTreatment, Omit<Step, 'id' | 'stage' | 'units' | 'look'>>> = {
  singe: {
    title: 'Singe and flatten the ends',
    text: 'Hold each stub beside the blue foot of a flame until it just melts, then press it flat against the band with a metal blade or spoon. A smooth bead, nothing sharp, nothing black.',
    cautions: [CAUTIONS.flame],
    mistakes: [
      'The end is held in the yellow tip of the flame: it turns black and sooty.',
      'The flame comes too near: the cord beside it melts, and breaks there later.',
      'The bead is left round: it scratches. Press it flat while it is soft.',
    ],
    wait: ENDS_COOL,
  },
  glue: {
    title: 'Glue the ends',
    text: 'Put a small drop of flexible textile glue on each stub and under the last half knot, press for a minute, and leave it lying still.',
    cautions: [CAUTIONS.glue],
    mistakes: [
      'Hard glue is used: it cracks where the cord bends, and scratches.',
      'Too much glue: it spreads, stains and stiffens the cord beside it.',
      'Glue runs into a slider: it no longer slides.',
    ],
    wait: GLUE_CURES,
  },
  tuck: {
    title: 'Tuck the ends under',
    text: 'Lead each end back under the last four half knots with a blunt needle or a lacing tip and pull it tight before trimming.',
    cautions: [],
    mistakes: [
      'The end is tucked under one knot only, and works its way out.',
      'The needle goes through a cord instead of under it, and splits it.',
    ],
  },
};

const has = (kinds: readonly CordKind[], test: (kind: CordKind) => boolean): boolean =>
  kinds.some(test);

/** The ends of the work itself that go, by cord; the closure names its own. */
function workEnds(piece: Piece): Saying[] {
  const ending = runsEndingByKnots(runsOf(piece));
  const strands = [...new Set(ending.map((run) => run.strand))];
  return strands.map((number) => {
    const own = ending.filter((run) => run.strand === number);
    const ends = own.length > 1 ? 'both ends' : 'the end';
    return say`${ends} of ${cordNamed(own[0]!)}, which tied the knots`;
  });
}

function trim(piece: Piece): Step {
  const { finish } = closureKind(piece.closure.type);
  const mine = workEnds(piece);
  const stub =
    piece.ends === 'tuck'
      ? 'Trim flush after tucking.'
      : say`Leave stubs of ${laid(3)} to ${laid(4)}.`;
  return {
    ...onceStep(
      'finish',
      'trim',
      mine.length > 0 ? 'Trim the working ends' : 'Trim what stands out',
      say`Name each end before you cut it: this one goes, that one stays. ${stub}`,
      LAST_KNOT,
      [CAUTIONS.blade],
    ),
    ends: {
      stays: finish.stays,
      goes: [...mine, ...finish.goes],
    },
    mistakes: [
      'The wrong end is cut because both look alike: pull gently, and see what moves.',
      'The blade nicks the core beside the stub.',
    ],
  };
}

/** What leather wants besides: colour on its cut faces, a seal over that, oil along it. */
function leatherSteps(kinds: readonly CordKind[]): Step[] {
  const cut = has(kinds, (kind) => CORD_KIND_FACTS[kind].ends === 'leather');
  const hide = kinds.includes('leather');
  return [
    ...(cut
      ? [
          {
            ...onceStep(
              'finish',
              'ends-dye',
              'Dye the cut faces',
              'A touch of dye or a marker of the cord’s colour on each cut end; it stains fingers and cloth until dry.',
              LAST_KNOT,
            ),
            wait: DYE_DRIES,
            mistakes: ['The dye is put on over glue: it does not take there.'],
          },
          {
            ...onceStep(
              'finish',
              'ends-seal',
              'Seal the dyed faces',
              'When the dye is dry, a thin coat of leather finish or a rub of wax on each face, polished with a cloth.',
              LAST_KNOT,
            ),
            wait: SEAL_DRIES,
          },
        ]
      : []),
    ...(hide
      ? [
          {
            ...onceStep(
              'finish',
              'oil',
              'Oil the leather, thinly',
              'One drop of leather oil on a cloth, drawn once along the cord. Only where it looks dry; leave it out for leather with a coloured coat.',
              { kind: 'worn' } as const,
            ),
            wait: OIL_SINKS_IN,
            mistakes: ['Too much oil: the cord goes soft, stretches and stains cloth.'],
          },
        ]
      : []),
  ];
}

/** What is looked at before the piece leaves the bench, one thing at a time. */
function inspection(piece: Piece, plan: Plan): Step[] {
  const { counters, parts } = plan;
  const { finish } = closureKind(piece.closure.type);
  const beads = counters.left + counters.right + counters.middle;
  const checks: Check[] = [
    ...finish.checks,
    counters.symmetric && parts.length > 1
      ? {
          title: 'Both halves are alike',
          text: `Both halves are alike${beads > 1 ? `: ${counters.left} beads left of the middle, ${counters.right} right of it` : ''}.`,
        }
      : {
          title: 'It looks as you meant it from one end to the other',
          text: 'It looks as you meant it from one end to the other: nothing left out, no core showing where it should not.',
        },
    {
      title: 'Draw the inside over the back of your hand',
      text: 'Draw the inside over the back of your hand: no sharp or hard end anywhere.',
    },
    ...(beads > 0
      ? [
          {
            title: 'Turn every bead',
            text: 'Turn every bead: none is cracked, and no edge rubs the cord.',
          },
        ]
      : []),
  ];
  return [
    ...checks.map(({ title, text }, i) =>
      onceStep('finish', `check-${i + 1}`, title, text, {
        kind: i < finish.checks.length ? 'end' : 'worn',
      }),
    ),
    onceStep(
      'finish',
      'inspect',
      'Look it over once more',
      'Put it on as the wearer will, and take it off again. Whoever gets it should hear what it is not made for.',
      { kind: 'worn' },
      [CAUTIONS.load, ...(piece.wearer.child ? [CAUTIONS.child] : [])],
    ),
  ];
}

/** Everything after the last knot: trying on, trimming, securing, waiting, looking it over. */
export function finishSteps(piece: Piece, plan: Plan): Step[] {
  const kinds = piece.strands.map(({ cord }) => cord.kind);
  const unusual = has(kinds, (kind) => piece.ends !== usualEnd(kind));
  const secure: Step = {
    ...onceStep('finish', `ends-${piece.ends}`, '', '', LAST_KNOT),
    ...SECURE[piece.ends],
  };
  return [
    onceStep(
      'finish',
      'try-on',
      'Try it on before anything is cut',
      'Close it on the wearer. Does it sit as planned? Even out the knots; once the ends are trimmed the length is fixed.',
      { kind: 'worn' },
    ),
    ...(piece.ends === 'tuck' ? [secure, trim(piece)] : [trim(piece), secure]),
    ...leatherSteps(kinds),
    ...(unusual
      ? [
          onceStep(
            'finish',
            'ends-check',
            'Pull each end once more',
            'Your way of securing the ends is not the usual one for this cord. Pull each firmly; if one moves, glue it.',
            LAST_KNOT,
          ),
        ]
      : []),
    ...inspection(piece, plan),
  ];
}
