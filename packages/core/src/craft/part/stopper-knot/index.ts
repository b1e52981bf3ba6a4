import { knotInSpace } from '@coiled-strand/rope';
import { straightInSpace } from '../../knot/cords-in-space.js';
import type { ActionOf, Leg } from '../../../base/action/action.js';
import { CAUTIONS } from '../../../base/kind/cautions.js';
import type { Run } from '../../../base/kind/run.js';
import { oneOf } from '../../../base/measure/plural.js';
import { cordNamed, say } from '../../../base/measure/saying.js';
import { choiceField, formField } from '../../../base/kind/field.js';
import { plainLayout, type PartKind, type PartSite } from '../../../base/kind/part-kind.js';
import { edgeCore, edgeKnots } from '../../knot/edge.js';

import { coresOf, lanesOf, sideBySide } from '../../knot/lanes.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { asOneCord, STOPPER_FORMS, STOPPERS } from '../../knot/stopper.js';
import { straightUse } from '../../knot/straight.js';
import { tiedIn } from '../../knot/tied.js';
import { byUnit, legsOf, outerEnds } from '../ends.js';
import { nameRuns, pickRuns } from '../pick.js';
import { drawStopper } from './drawing.js';
import { type StopperPart, largestKnot, knotUses, stopOf } from './model.js';

export const stopperKnot: PartKind<StopperPart> = {
  entry: {
    id: 'stopper-knot',
    label: 'Stopper knot',
    blurb: 'Holds a bead where it is, or keeps an end from slipping.',
    goodFor:
      'To keep a bead in its place or an end from slipping. The double and the triple barrel are thicker and hold where a plain overhand knot pulls through.',
    group: 'knots',
    unitName: 'knot',
    needsBead: false,
    seconds: 40,
  },
  fields: [
    formField('form', 'Knot', STOPPER_FORMS, STOPPERS),
    choiceField<StopperPart['tied']>('tied', 'Tied in', {
      together: ['All together', 'one knot'],
      each: ['Each cord', 'a knot in each'],
    }),
    { type: 'runs', key: 'runs', label: 'Cords' },
  ],
  make: ({ id }) => ({ id, kind: 'stopper-knot', form: 'overhand', tied: 'together', runs: null }),
  fills: () => false,
  section(part, site) {
    const runs = pickRuns(site, part.runs);
    const { length, width } = largestKnot(part, runs);
    const across = part.tied === 'each' ? width * runs.length : width;
    return {
      width: Math.max(across, sideBySide(site.runs).width),
      thickness: width,
      pitch: length,
    };
  },
  layOut(part, site) {
    const runs = pickRuns(site, part.runs);
    const section = stopperKnot.section(part, site);
    const knots = part.tied === 'each' ? runs.length : 1;
    return plainLayout(section.pitch, section, {
      units: knots,
      unitName: 'knot',
      uses: [...straightUse(site.runs, section.pitch), ...knotUses(part, runs)],
      stop: stopOf(part, runs),
    });
  },
  draw: drawStopper,
  inSpace: {
    cell: (part) => part.form,
    draw(part, site, layout, cell) {
      const runs = pickRuns(site, part.runs);
      const knots = part.tied === 'each' ? runs.map((run) => [run]) : [runs];
      const lanes = lanesOf(site.runs);
      return {
        cords: [
          ...straightInSpace(
            site.runs.filter((run) => !runs.includes(run)),
            lanes,
            layout.length,
          ),
          // Cords tied together go as one thick one.
          ...knots.flatMap((own, i) => {
            const d = asOneCord(own.map((run) => effectiveDiameter(run.cord)));
            const y = own.length === 1 ? -2.4 * (lanes.get(own[0]!.index) ?? 0) : 0;
            return knotInSpace(cell, d, layout.length).map((line) => ({
              run: own[0]!,
              diameter: d,
              worked: { from: i, count: 1 },
              line: line.map(([u, v, w]) => [u, v + y, w] as const),
            }));
          }),
        ],
        beads: [],
      };
    },
  },
  drawEdge: (part, site, layout) => [
    ...edgeCore(part.id, site, layout),
    ...edgeKnots(coresOf(site.runs)[0] ?? site.runs[0], part.id, layout),
  ],
  steps: (part, site: PartSite, layout, first) => {
    const runs = pickRuns(site, part.runs);
    const { label } = STOPPERS[part.form];
    const others = legsOf(site.runs.filter((run) => !runs.includes(run)));
    const tie = (by: readonly Run[], beside: readonly Leg[]): ActionOf<'tie'> => ({
      do: 'tie',
      place: part.id,
      knot: { form: 'stopper', stopper: part.form },
      by: outerEnds(by),
      mm: layout.pitch,
      ...(beside.length > 0 ? { beside } : {}),
    });
    const text = `Put an awl into the loop and slide the knot to its place with it before you pull it tight. A tight knot does not move again.`;
    if (part.tied === 'together' || runs.length === 1) {
      return [
        {
          title: `Tie ${oneOf(label)} in ${nameRuns(runs, site)}`,
          text,
          units: 1,
          unitName: 'knot',
          tied: [tiedIn(part.form, [runs], first)],
          actions: [tie(runs, others)],
          cautions: [CAUTIONS.needle],
        },
      ];
    }
    return [
      {
        title: `Tie ${oneOf(label)} in each cord by itself`,
        text,
        units: layout.units,
        unitName: 'knot',
        tied: runs.map((run) => tiedIn(part.form, [run], first)),
        unitText: (unit) => say`${label} in ${cordNamed(runs[unit]!)}`,
        ...byUnit(runs.length, (unit) => [tie([runs[unit]!], unit === 0 ? others : [])]),
        cautions: [CAUTIONS.needle],
      },
    ];
  },
};
