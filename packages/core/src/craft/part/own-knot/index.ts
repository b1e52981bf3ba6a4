import { tyingOfKnot, type BoardBead, type OwnKnot } from '@coiled-strand/rope';

import type { ActionOf } from '../../../base/action/action.js';
import { countField } from '../../../base/kind/field.js';

import { plainLayout, type PartKind, type PartSite } from '../../../base/kind/part-kind.js';
import { KNOT_SPREAD } from '../../../base/kind/reason.js';
import { drawnTied } from '../../knot/tied.js';
import { edgeCore, edgeKnots } from '../../knot/edge.js';
import { sideBySide } from '../../knot/lanes.js';
import { straightUse } from '../../knot/straight.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import type { Advice } from '../../../base/measure/advice.js';
import { countOf } from '../../../base/measure/plural.js';
import {
  beadNamed,
  cordNamed,
  join,
  listed,
  say,
  type Saying,
} from '../../../base/measure/saying.js';
import { byUnit, helpThrough, legsOf, outerEnds } from '../ends.js';
import { drawOwnKnot, ownKnotInSpace } from './drawing.js';
import {
  asDrawn,
  cordsOf,
  diameterOf,
  knotUses,
  type KnotCord,
  type OwnKnotPart,
} from './model.js';

/** A bead may be this much larger or smaller than the one that the knot was drawn round. */
const BEAD_OFF = 0.15;

export const ownKnot: PartKind<OwnKnotPart> = {
  entry: {
    id: 'own-knot',
    label: 'Knot of your own',
    blurb: 'A knot that you drew on the board, with its own numbers and steps.',
    goodFor: 'Whatever no list has. Its numbers are worked out from your drawing.',
    group: 'knots',
    unitName: 'knot',
    needsBead: false,
    needsKnot: true,
    seconds: 120,
  },
  fields: [
    { type: 'knot', key: 'knot', label: 'Knot' },
    countField('units', 'Knots in a row', 1, 500),
    { type: 'runs', key: 'runs', label: 'Cords' },
    { type: 'bead', key: 'bead', label: 'Bead that lies in it', optional: true },
  ],
  make: ({ id, knot = 'knot' }) => ({ id, kind: 'own-knot', knot, units: 1, runs: null }),
  fills: () => false,
  section(part, site) {
    const knot = site.knot(part.knot);
    const d = diameterOf(cordsOf(part, site, knot));
    const { length, width, thickness } = knot.tight.size;
    const lying = sideBySide(site.runs);
    return {
      width: Math.max(width.value * d, lying.width),
      thickness: Math.max(thickness.value * d, lying.thickness),
      pitch: length.value * d,
    };
  },
  layOut(part, site) {
    const knot = site.knot(part.knot);
    const cords = cordsOf(part, site, knot);
    const section = ownKnot.section(part, site);
    const length = part.units * section.pitch;
    const beads = knot.tight.beads.length;
    const d = diameterOf(cords);
    const strung = part.bead !== undefined && beads > 0 ? part.bead : null;
    return plainLayout(length, section, {
      units: part.units,
      unitName: 'knot',
      uses: [...straightUse(site.runs, length), ...knotUses(part, knot, cords)],
      beads:
        strung === null
          ? []
          : Array.from({ length: part.units }, (_, unit) =>
              knot.tight.beads.map(([x], i) => ({
                id: strung,
                at: unit * section.pitch + x * d,
                on: cordOf(cords, beadsOf(knot)[i]?.cord).runs.map((run) => run.index),
              })),
            ).flat(),
      passages:
        strung === null
          ? []
          : beadsOf(knot).map(({ cord }) => ({
              what: site.bead(strung).name,
              hole: site.bead(strung).hole,
              runs: cordOf(cords, cord).runs,
            })),
      advice: adviceOn(knot, cords, strung === null ? null : site.bead(strung).height / d),
    });
  },
  draw: drawOwnKnot,
  drawEdge: (part, site, layout) => [
    ...edgeCore(part.id, site, layout),
    ...edgeKnots(site.runs[0], part.id, layout),
  ],
  inSpace: {
    cell: (part, site) => ({ id: part.knot, knot: site.knot(part.knot) }),
    draw: ownKnotInSpace,
  },
  technique: (part, site) => `own-knot:${site.knot(part.knot).origin}`,
  swatch: (_part, cord, knot) => {
    const d = effectiveDiameter(cord);
    const { uses, length } = knot?.tight.size ?? { uses: [], length: { value: 0 } };
    return {
      how: 'Tie five of them one after the other in cords laid straight. Measure all cords from end to end before and after.',
      unitName: 'knot',
      cordPerUnit: uses.reduce((sum, { value }) => sum + value, 0) * d,
      lengthPerUnit: length.value * d,
      spread: KNOT_SPREAD,
    };
  },
  steps(part, site, layout, first) {
    const knot = site.knot(part.knot);
    const cords = cordsOf(part, site, knot);
    const tied = cords.flatMap(({ runs }) => runs);
    const beside = legsOf(site.runs.filter((run) => !tied.includes(run)));
    return [
      {
        title:
          part.units === 1
            ? say`Tie ${nameOf(knot)}`
            : say`Tie ${countOf(part.units, 'knot')}: ${nameOf(knot)}`,
        text: join(
          ...whichCords(knot, cords),
          ...stringFirst(part, site, knot, cords),
          part.units === 1
            ? 'Draw up every cord in turn, and look at it as it closes.'
            : 'Draw up every cord of the first in turn. Lay the next the same way close against it.',
        ),
        units: part.units,
        unitName: 'knot',
        tied: [
          drawnTied(
            part.knot,
            cords.map(({ runs }) => runs),
            first,
          ),
        ],
        ...byUnit(part.units, () => [
          ...strings(part, site, knot, cords, layout.pitch),
          {
            do: 'tie',
            place: part.id,
            knot: {
              form: 'drawn',
              uses: knot.tight.size.uses.map(({ value }) => Math.max(0, value)),
            },
            by: outerEnds(tied),
            mm: layout.pitch,
            ...(beside.length > 0 ? { beside } : {}),
          },
        ]),
        cautions: [],
      },
    ];
  },
};

const nameOf = ({ name }: OwnKnot): string => name;

const beadsOf = ({ board }: Pick<OwnKnot, 'board'>): readonly BoardBead[] => board.beads ?? [];

/** @throws RangeError for a cord that the knot does not have */
function cordOf(cords: readonly KnotCord[], number = -1): KnotCord {
  const cord = cords[number];
  if (!cord) throw new RangeError(`the knot has no cord ${number + 1}`);
  return cord;
}

/** The beads that lie in the next knot, each on its cord. */
const strings = (
  part: OwnKnotPart,
  site: PartSite,
  { board, tight }: OwnKnot,
  cords: readonly KnotCord[],
  pitch: number,
): ActionOf<'string'>[] => {
  const { bead } = part;
  if (bead === undefined || tight.beads.length === 0) return [];
  return beadsOf({ board }).map(({ cord }) => {
    const { runs } = cordOf(cords, cord);
    return {
      do: 'string',
      place: part.id,
      bead,
      mm: 0,
      inKnot: pitch,
      on: outerEnds(runs),
      ...helpThrough(
        site.bead(bead).hole,
        runs.map((run) => run.cord),
      ),
    };
  });
};

/** What ties a cord of the knot, as the maker has it in hand. */
const called = ({ runs }: KnotCord): Saying =>
  listed(
    // Both halves of a folded cord are that cord.
    runs
      .filter((run, i) => runs.findIndex(({ strand }) => strand === run.strand) === i)
      .map((run) => [cordNamed(run)]),
    ' and ',
  );

/** Which cord of the piece is which of the knot, where it has several: a sentence each. */
const whichCords = (knot: OwnKnot, cords: readonly KnotCord[]): Saying[] =>
  cords.length === 1
    ? []
    : tyingOfKnot(knot).strands.map(
        ({ name }, cord) => say`The ${name} is ${called(cordOf(cords, cord))}. `,
      );

/** Beads that lie in it go on their cords before. */
const stringFirst = (
  { bead }: OwnKnotPart,
  site: PartSite,
  knot: OwnKnot,
  cords: readonly KnotCord[],
): Saying[] =>
  bead === undefined
    ? []
    : beadsOf(knot).map(
        ({ cord }) =>
          say`String ${beadNamed(bead, site.bead(bead))} on ${called(cordOf(cords, cord))} first. `,
      );

/** What keeps the knot from being tied with the cords that lie there, or makes its numbers less sure. */
function adviceOn(knot: OwnKnot, cords: readonly KnotCord[], bead: number | null): Advice[] {
  const wanted = cords.length;
  const there = cords.reduce((sum, { runs }) => sum + runs.length, 0);
  const drawn = knot.board.beads?.[0];
  if (there < wanted) {
    return [
      {
        code: 'own-knot.cords',
        severity: 'error',
        message: say`${knot.name} is tied with ${countOf(wanted, 'cord')}; there ${there === 1 ? 'is' : 'are'} ${there} here.`,
        remedy: 'Add a strand or fold one, or choose more cords for it.',
        path: 'runs',
      },
    ];
  }
  return [
    ...(drawn !== undefined && bead === null
      ? [
          {
            code: 'own-knot.bead',
            severity: 'error' as const,
            message: say`${knot.name} is drawn round a bead, and none is chosen.`,
            remedy: 'Choose the bead that lies in it.',
            path: 'bead',
          },
        ]
      : []),
    ...(drawn !== undefined && bead !== null && Math.abs(bead / drawn.size - 1) > BEAD_OFF
      ? [
          {
            code: 'own-knot.bead-size',
            severity: 'warning' as const,
            message: say`${knot.name} was drawn round a bead ${drawn.size.toFixed(1)} times as thick as its cord; this one is ${bead.toFixed(1)} times as thick.`,
            remedy: 'Draw it anew with a bead of this size: what it takes will change.',
            path: 'bead',
          },
        ]
      : []),
    ...(asDrawn(cords)
      ? []
      : [
          {
            code: 'own-knot.unlike',
            severity: 'note' as const,
            message: say`${knot.name} was drawn with one cord each, all alike. Tied with others it takes about what is told here.`,
            remedy: 'Tie one on a spare piece before you cut.',
            path: 'runs',
          },
        ]),
  ];
}
