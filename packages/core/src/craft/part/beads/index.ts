import { polylineLength } from '@coiled-strand/rope';
import { stopperSource } from '../../knot/source.js';
import { CAUTIONS } from '../../../base/kind/cautions.js';
import { plainLayout, type PartKind } from '../../../base/kind/part-kind.js';
import { countOf } from '../../../base/measure/plural.js';
import { choiceField, sizeField } from '../../../base/kind/field.js';
import { KNOT_SPREAD, useOf, type Use } from '../../../base/kind/reason.js';
import { sideBySide } from '../../knot/lanes.js';

import { STOPPERS } from '../../knot/stopper.js';
import { tiedIn } from '../../knot/tied.js';
import { straightUse } from '../../knot/straight.js';
import type { Bead } from '../../../base/material/bead.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import type { RoundPart } from '../../../base/measure/ring.js';
import { byUnit, cordsOf, helpThrough, legsOf, outerEnds } from '../ends.js';
import { nameRuns, stopInRuns } from '../pick.js';
import { drawBeads } from './drawing.js';
import { type BeadsPart, threading, between, knotBetween, blocks, widthOf } from './model.js';
import { besideCore, roundBeads } from './round.js';
import { beadNamed, laid, say, term, type Segment } from '../../../base/measure/saying.js';

export const beads: PartKind<BeadsPart> = {
  entry: {
    id: 'beads',
    label: 'Beads',
    blurb: 'One bead, or a row with or without knots between.',
    goodFor:
      'Stones and metal in a row, with or without knots between. Knots keep a dear row together when a cord breaks.',
    group: 'beads',
    unitName: 'bead',
    needsBead: true,
    seconds: 12,
  },
  fields: [
    { type: 'beads', key: 'beads', label: 'Beads, in order' },
    choiceField<BeadsPart['through']>('through', 'Strung on', {
      core: ['The core', 'working cords go round the bead'],
      all: ['All cords', 'together through the hole'],
      some: ['Chosen cords', 'the others pass beside'],
    }),
    { type: 'runs', key: 'runs', label: 'Cords', when: (values) => values.through === 'some' },
    choiceField<BeadsPart['between']>('between', 'Between the beads', {
      touching: 'Nothing',
      overhand: 'Overhand knot',
      'double-barrel': 'Double barrel knot',
      space: 'Bare cord',
    }),
    sizeField('gap', 'Bare cord between', 0, 300, (values) => values.between === 'space'),
  ],
  make: ({ id, bead }) => ({
    id,
    kind: 'beads',
    beads: [bead],
    through: 'core',
    runs: null,
    between: 'touching',
    gap: 0,
  }),
  fills: () => false,
  section(part, site) {
    const all = part.beads.map(site.bead);
    const { around, through } = threading(part, site);
    const height = Math.max(...all.map((bead) => bead.height));
    const extra = around.reduce((sum, run) => sum + effectiveDiameter(run.cord), 0);
    const knot = between(part, through);
    return {
      width: Math.max(height + extra, sideBySide(site.runs).width, knot.width),
      thickness: Math.max(height, sideBySide(site.runs).thickness, knot.width),
      pitch: (all[0]?.length ?? 0) + knot.length,
    };
  },
  layOut(part, site) {
    const all = part.beads.map(site.bead);
    const { through, around, beside } = threading(part, site);
    const knot = knotBetween(part);
    const gap = between(part, through);
    const strung = all.reduce((sum, bead) => sum + bead.length, 0);
    const core = widthOf([...through, ...beside]);
    const gaps = all.length - 1;
    const length = strung + gaps * gap.length;
    const section = beads.section(part, site);
    let at = 0;
    const placed = all.map((bead, i) => {
      const middle = at + bead.length / 2;
      at += bead.length + gap.length;
      return { id: part.beads[i]!, at: middle, on: through.map((run) => run.index) };
    });
    const uses: Use[] = [
      ...straightUse([...through, ...beside], length),
      ...(gap.uses > 0 && gaps > 0
        ? through.map((run) =>
            useOf(
              run,
              {
                area: 'knot',
                code: 'knot.between',
                label: 'Knots between beads',
                detail: 'pulled tight against the bead',
                ...stopperSource('overhand', through),
                spread: KNOT_SPREAD,
              },
              gap.uses,
              gaps,
            ),
          )
        : []),
      ...around.map((run): Use => {
        const d = effectiveDiameter(run.cord);
        return {
          strand: run.strand,
          half: run.half,
          reason: {
            area: 'run',
            code: 'run.around',
            label: 'Round the beads',
            detail: 'taut over their sides, from the knot before them to the knot after',
            mm: polylineLength(roundBeads(all, gap.length, d, besideCore(core, d)).line),
          },
        };
      }),
    ];
    const inRow = ({
      bead,
      count,
    }: {
      readonly bead: Bead;
      readonly count: number;
    }): RoundPart => ({
      kind: 'beads',
      length: count * bead.length,
      height: bead.height / 2,
      count,
    });
    const bare: RoundPart = {
      kind: 'flexible',
      length: gap.length,
      height: Math.max(gap.width, sideBySide(through).thickness) / 2,
    };
    const round =
      gap.length > 0
        ? all.flatMap((bead, i) => [...(i > 0 ? [bare] : []), inRow({ bead, count: 1 })])
        : blocks(all).map(inRow);
    const kinds = [...new Set(part.beads)];
    return plainLayout(length, section, {
      units: all.length,
      unitName: 'bead',
      round,
      uses,
      beads: placed,
      ...(knot && gaps > 0 ? { stop: { ...stopInRuns(knot, through), within: true } } : {}),
      passages: kinds.map((id) => ({
        what: site.bead(id).name,
        hole: site.bead(id).hole,
        runs: through,
      })),
    });
  },
  draw: drawBeads,
  inSpace: null,
  steps(part, site, layout, first) {
    const { through, around, beside } = threading(part, site);
    const name = (unit: number): Segment => {
      const id = part.beads[unit]!;
      return beadNamed(id, site.bead(id));
    };
    const tied =
      part.between === 'overhand' || part.between === 'double-barrel' ? part.between : null;
    const gap = between(part, through);
    const others = legsOf([...around, ...beside]);
    const knot =
      tied !== null
        ? ' Tie a knot close against each bead before the next.'
        : part.between === 'space'
          ? say` Leave ${laid(part.gap)} bare between neighbours.`
          : '';
    return [
      {
        title:
          layout.units === 1
            ? say`String ${name(0)}`
            : `String ${countOf(layout.units, 'bead')} on ${nameRuns(through, site)}`,
        text: say`${through.length > 1 ? 'Bring the cords together and pass them' : 'Pass the cord'} through the hole.${knot}${
          around.length > 0
            ? say` Lead the ${term('working cord', 'working cords')} round it, equally tight.`
            : ''
        }`,
        units: layout.units,
        unitName: 'bead',
        ...(layout.units > 1 ? { unitText: (unit: number) => [name(unit)] } : {}),
        ...(tied === null
          ? {}
          : { tied: [tiedIn(`at-bead.awl.${STOPPERS[tied].turns}`, [through], first)] }),
        ...byUnit(layout.units, (unit) => {
          const bead = site.bead(part.beads[unit]!);
          const strung = {
            do: 'string',
            place: part.id,
            bead: part.beads[unit]!,
            mm: bead.length,
            on: outerEnds(through),
            ...(around.length > 0
              ? {
                  around: legsOf(around),
                  row: { beads: part.beads, at: unit, gap: gap.length },
                }
              : {}),
            ...(beside.length > 0 ? { beside: legsOf(beside) } : {}),
            ...helpThrough(bead.hole, cordsOf(through)),
          } as const;
          if (unit === layout.units - 1 || gap.length === 0) return [strung];
          return [
            strung,
            tied === null
              ? {
                  do: 'lay',
                  place: part.id,
                  mm: gap.length,
                  on: outerEnds([...through, ...around, ...beside]),
                }
              : {
                  do: 'tie',
                  place: part.id,
                  knot: { form: 'stopper', stopper: tied },
                  by: outerEnds(through),
                  mm: gap.length,
                  ...(others.length > 0 ? { beside: others } : {}),
                },
          ];
        }),
        cautions: tied === null ? [] : [CAUTIONS.needle],
      },
    ];
  },
  mirror: (part) => ({ ...part, beads: [...part.beads].reverse() }),
};
