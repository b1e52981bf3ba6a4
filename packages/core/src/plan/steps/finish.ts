import { AT_END, AT_START, type Action, type End } from '../../base/action/action.js';
import { closureKind } from '../../craft/closure/registry.js';
import { allEnds, isFinished, treatmentOf } from '../hands/finished.js';
import { endKey, legKey, type Table } from '../hands/table.js';
import { checksOf, LAST_CHECK } from '../hands/wanted.js';
import { CAUTIONS } from '../../base/kind/cautions.js';
import type { Look, Step } from '../../base/kind/step.js';
import {
  DYE_DRIES,
  ENDS_COOL,
  GLUE_CURES,
  OIL_SINKS_IN,
  SEAL_DRIES,
} from '../../base/kind/waits.js';
import { CORD_KIND_FACTS, type Cord } from '../../base/material/cord.js';
import { glueFor, GLUES, usualEnd, type EndTreatment } from '../../base/material/ends.js';
import { WAX_OFF, wipeOff } from '../../craft/part/ends.js';
import { join, say, size, type Saying, term } from '../../base/measure/saying.js';
import { placedClosure } from '../placed-parts.js';
import { cautionsOf, waitOf } from './habits.js';
import { onceStep } from './set-up.js';

const LAST_KNOT: Look = { kind: 'ends' };

/** A finishing step, with the cautions and the wait that its actions ask for. */
const finishing = (
  id: string,
  title: Saying,
  text: Saying,
  look: Look,
  actions: readonly Action[],
  mistakes: readonly string[] = [],
): Step => ({
  ...onceStep('finish', id, title, text, look, actions, cautionsOf(actions)),
  ...waitOf(actions),
  ...(mistakes.length > 0 ? { mistakes } : {}),
});

/** Each cord has its glue, and none sticks to wax. */
function tellGlue(cords: readonly Cord[]): string {
  const kinds = new Set(cords.map(({ kind }) => glueFor(kind)));
  const glue = `${GLUES.filter((own) => kinds.has(own)).join(' or ')} glue`;
  const wax = cords.some(({ kind }) => CORD_KIND_FACTS[kind].waxed) ? WAX_OFF : '';
  return `${wax}A drop of flexible ${glue} on each stub where it leaves its knot. Press for a minute. None on what slides.`;
}

/** What is said of ends that are secured: singed ends are pressed, but not on to what has to slide. */
const SECURE: Readonly<
  Record<
    EndTreatment,
    {
      title: string;
      text: string | ((cords: readonly Cord[]) => string);
      mistakes: readonly string[];
    }
  >
> = {
  singe: {
    title: 'Singe and flatten the ends',
    text: 'Hold each stub beside the blue foot of a flame until it just melts, then press it flat against its own knot with a metal blade.',
    mistakes: [
      'The end is held in the yellow tip of the flame: it turns black and sooty.',
      'The flame comes too near: the cord beside it melts, and breaks there later.',
      'The bead is left round: it scratches. Press it flat while it is soft.',
      'A soft end is pressed on to a slider: it sticks there for good.',
    ],
  },
  glue: {
    title: 'Glue the ends',
    text: tellGlue,
    mistakes: [
      'Hard glue is used: it cracks where the cord bends, and scratches.',
      'Too much glue: it spreads, stains and stiffens the cord beside it.',
      'Glue runs into a slider: it no longer slides.',
    ],
  },
  tuck: {
    title: 'Tuck the ends under',
    text: 'Lead each end back under the last knots that hold it with a blunt needle, and pull it tight before trimming.',
    mistakes: [
      'The end is tucked under one knot only, and works its way out.',
      'The needle goes through a cord instead of under it, and splits it.',
    ],
  },
};

/** What is beyond a knot, or tied the knots of a part itself. */
function tellFast(table: Table, ends: readonly End[]): string {
  const [end] = ends as readonly [End];
  const places = new Set(ends.map((own) => table.ends.get(endKey(own))!.at));
  const [at = null] = places;
  if (at !== null && table.plan.parts.some(({ id }) => id === at)) return ', which tied the knots';
  const knotted = table.along.get(legKey(end))?.some(({ what }) => what === 'knot');
  if (at === null && !knotted) return '';
  const where =
    places.size > 1 ? '' : at === AT_START ? ' at the start' : at === AT_END ? ' at the end' : '';
  return ends.length > 1
    ? `, beyond the knots that hold them${where}`
    : `, beyond the knot that holds it${where}`;
}

/**
 * `both ends of cord 2 (midnight blue), which tied the knots`, one saying for every cord; where all strands
 * end alike, one for all of them.
 */
function nameEnds(table: Table, ends: readonly End[]): Saying[] {
  const cords = [...new Set(ends.map(({ cord }) => cord))];
  const named = cords.map((id) => {
    const own = ends.filter(({ cord }) => cord === id);
    const { called, legs } = table.cords.get(id)!;
    const [end] = own as [End];
    const what =
      own.length > 1
        ? 'both ends of '
        : `the ${legs === 1 && end.side === 'start' ? 'start' : 'end'} of `;
    return { id, what, called, fast: tellFast(table, own) };
  });
  const strands = named.filter(({ id }) => typeof id === 'number');
  const alike = strands.every(
    ({ what, fast }) => what === strands[0]!.what && fast === strands[0]!.fast,
  );
  const told = strands.length > 2 && alike ? [{ ...strands[0]!, called: 'every cord' }] : strands;
  const others = named.filter(
    ({ id, called }, i) =>
      typeof id === 'string' && named.findIndex((own) => own.called === called) === i,
  );
  const times = (called: Saying): string => {
    const many = named.filter((own) => own.called === called).length;
    return many > 1 ? `, at ${many === 2 ? 'both' : `all ${many}`} places` : '';
  };
  return [
    ...told.map(({ what, called, fast }) => say`${what}${called}${fast}`),
    ...others.map(({ what, called }) => say`${what}${called}${times(called)}`),
  ];
}

function trimStep(table: Table, ends: readonly End[]): Step {
  const { piece } = table;
  const kind = closureKind(piece.closure.type);
  const site = placedClosure(piece, table.plan);
  const tucked = ends.every((end) => treatmentOf(table, end) === 'tuck');
  const stub = tucked
    ? 'Trim flush after tucking.'
    : say`Leave ${term('stub', 'stubs')} of ${size(3)} or a little more.`;
  return {
    ...finishing(
      'trim',
      'Trim the ends that go',
      say`Name each end before you cut it: it goes or it stays. ${stub}`,
      LAST_KNOT,
      [{ do: 'trim', ends }],
      [
        'The wrong end is cut because both look alike: pull gently, and see what moves.',
        'The blade nicks the core beside the stub.',
      ],
    ),
    ends: {
      stays: kind.finish(piece.closure, site).stays,
      goes: nameEnds(table, ends),
    },
  };
}

/** Wax is wiped off, and each cord gets its glue. */
const gluing = (ends: readonly End[], cordOf: (end: End) => Cord | null): Action[] => [
  ...wipeOff(ends, cordOf),
  ...GLUES.flatMap((glue): Action[] => {
    const own = ends.filter((end) => {
      const cord = cordOf(end);
      return (cord ? glueFor(cord.kind) : 'textile') === glue;
    });
    return own.length > 0 ? [{ do: 'glue', ends: own, with: glue }] : [];
  }),
];

const secure = (table: Table, how: EndTreatment, ends: readonly End[]): Step => {
  const { title, text, mistakes } = SECURE[how];
  const cordOf = ({ cord }: End): Cord | null => table.cords.get(cord)?.cord ?? null;
  const cords = ends.flatMap((end) => cordOf(end) ?? []);
  return finishing(
    `ends-${how}`,
    title,
    typeof text === 'string' ? text : text(cords),
    LAST_KNOT,
    how === 'tuck'
      ? [{ do: 'tuck', ends }]
      : [
          ...(how === 'glue' ? gluing(ends, cordOf) : [{ do: how, ends }]),
          { do: 'press', ends },
          how === 'singe'
            ? { do: 'wait', for: 'melt', minutes: ENDS_COOL.minutes }
            : { do: 'wait', for: 'glue', minutes: GLUE_CURES.minutes },
        ],
    mistakes,
  );
};

/** Ends that are trimmed, dyed, secured and sealed in the order in which each takes. */
function endSteps(table: Table): Step[] {
  const ends = allEnds(table).filter((end) => {
    const own = table.ends.get(endKey(end))!;
    return own.lies === 'free' && !isFinished(table, end);
  });
  const treated = (how: EndTreatment): End[] =>
    ends.filter((end) => treatmentOf(table, end) === how);
  const leather = ends.filter((end) => {
    const cord = table.cords.get(end.cord)?.cord;
    return cord && CORD_KIND_FACTS[cord.kind].ends === 'leather';
  });
  const some = (own: readonly End[], step: (of: readonly End[]) => Step): Step[] =>
    own.length > 0 ? [step(own)] : [];
  return [
    ...some(treated('tuck'), (own) => secure(table, 'tuck', own)),
    ...some(ends, (own) => trimStep(table, own)),
    ...some(treated('singe'), (own) => secure(table, 'singe', own)),
    ...some(leather, (own) =>
      finishing(
        'ends-dye',
        'Dye the cut faces',
        'A touch of dye or a marker of the cord’s colour on each cut end. It stains fingers and cloth until it is dry.',
        LAST_KNOT,
        [
          { do: 'dye', ends: own },
          { do: 'wait', for: 'dye', minutes: DYE_DRIES.minutes },
        ],
        ['The dye is put on over glue: it does not take there.'],
      ),
    ),
    ...some(treated('glue'), (own) => secure(table, 'glue', own)),
    ...some(leather, (own) =>
      finishing(
        'ends-seal',
        'Seal the dyed faces',
        'A thin coat of leather finish or a rub of wax on each face, polished with a cloth.',
        LAST_KNOT,
        [
          { do: 'seal', ends: own },
          { do: 'wait', for: 'seal', minutes: SEAL_DRIES.minutes },
        ],
      ),
    ),
  ];
}

/** Leather is oiled last of all: nothing sticks to it afterwards. */
function oilSteps({ piece }: Table): Step[] {
  const legs = piece.strands.flatMap(({ cord, legs: own }, i) =>
    cord.kind === 'leather'
      ? own.slice(0, 2).map((_, half) => ({ cord: i + 1, half: half as 0 | 1 }))
      : [],
  );
  if (legs.length === 0) return [];
  return [
    finishing(
      'oil',
      'Oil the leather, thinly',
      'One drop of leather oil on a cloth, drawn once along the cord. None on leather with a coloured coat.',
      { kind: 'worn' },
      [
        { do: 'oil', legs },
        { do: 'wait', for: 'oil', minutes: OIL_SINKS_IN.minutes },
      ],
      ['Too much oil: the cord goes soft, stretches and stains cloth.'],
    ),
  ];
}

/** What is looked at before the piece leaves the bench, one thing at a time. */
function inspection({ piece, plan }: Table): Step[] {
  return [
    ...checksOf(piece, plan).map(({ id, title, text, ofClosure }) =>
      onceStep('finish', id, title, text, { kind: ofClosure ? 'end' : 'worn' }, [
        { do: 'check', what: id },
      ]),
    ),
    onceStep(
      'finish',
      'inspect',
      'Look it over once more',
      'Put it on as the wearer will, and take it off again. Whoever gets it should hear what it is not made for.',
      { kind: 'worn' },
      [{ do: 'check', what: LAST_CHECK }],
      [CAUTIONS.load, ...(piece.wearer.child ? [CAUTIONS.child] : [])],
    ),
  ];
}

/** It is closed on the wearer while everything can still be undone, or as far as its glued ends let it. */
function lastTryOn(table: Table): Step {
  const { piece } = table;
  const kind = closureKind(piece.closure.type);
  const site = placedClosure(piece, table.plan);
  const how = kind.worn?.(piece.closure, site);
  const covered = [...table.ends.values()].some(({ lies }) => lies === 'in-socket');
  return onceStep(
    'finish',
    'try-on',
    covered ? 'Try it on once more' : 'Try it on before anything is cut',
    join(
      how ? say`${how} ` : 'Close it on the wearer. ',
      covered
        ? 'Does it sit as planned? Open it and close it a few times.'
        : kind.entry.setsCore
          ? 'Even out the knots now: when the ends are trimmed it is too late.'
          : 'If it does not sit as planned, tie the last knot anew.',
    ),
    { kind: 'worn' },
    [{ do: 'try-on', how: 'closed' }],
  );
}

/** A way that is not the usual one for a cord is looked at twice. */
function unusual({ piece }: Table, steps: readonly Step[]): Step[] {
  const odd = piece.strands.some(({ cord }) => piece.ends !== usualEnd(cord.kind));
  return odd && steps.some(({ id }) => id === 'trim')
    ? [
        onceStep(
          'finish',
          'ends-check',
          'Pull each end once more',
          'Your way of securing the ends is not the usual one for this cord. Pull each firmly; if one moves, glue it.',
          LAST_KNOT,
          [],
        ),
      ]
    : [];
}

/**
 * Everything after the last knot: trying on, trimming, securing, waiting, looking it over. What there is
 * to finish follows from how the ends lie on the table then.
 *
 * @param table on which everything before has been done
 */
export function finishSteps(table: Table): Step[] {
  const ends = endSteps(table);
  return [
    lastTryOn(table),
    ...ends,
    ...unusual(table, ends),
    ...oilSteps(table),
    ...inspection(table),
  ];
}
