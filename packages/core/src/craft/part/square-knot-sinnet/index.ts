import { bundleOf, type CoreBundle, laidTo, mirroredLine, nearestOf } from '@coiled-strand/rope';
import { straightInSpace } from '../../knot/cords-in-space.js';
import { computed } from '../../knot/source.js';
import type { ActionOf } from '../../../base/action/action.js';
import { tensionField } from '../tension-field.js';
import type { Side } from '../../../base/measure/side.js';
import {
  plainLayout,
  type PartBase,
  type PartKind,
  type PartSite,
  type Section,
  type Tension,
} from '../../../base/kind/part-kind.js';
import { choiceField, countField } from '../../../base/kind/field.js';
import { KNOT_SPREAD, useOf, type Use } from '../../../base/kind/reason.js';

import { edgeBumps, edgeCore, plainEdge } from '../../knot/edge.js';

import { coresOf, lanesOf, workingOf } from '../../knot/lanes.js';
import { straightUse } from '../../knot/straight.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { cordNamed, onSide, say, type Saying, term } from '../../../base/measure/saying.js';
import type { Advice } from '../../../base/measure/advice.js';
import { legsOf, outerEnds } from '../ends.js';
import { drawSinnet } from './drawing.js';
import { sideOf, tiedHalfKnots } from './tied.js';
import {
  crossSection,
  halfKnotCord,
  naturalPitch,
  ratioOf,
  type SinnetForm,
  type SinnetSetting,
} from './model.js';

/** Square knots over a core: flat when the sides alternate, spiral when they do not. */
export interface SinnetPart extends PartBase {
  readonly kind: 'square-knot-sinnet';
  readonly form: SinnetForm;
  readonly tension: Tension;
  /** Finished length in mm, or null to take what the fit asks for. Not read when `units` is given. */
  readonly length: number | null;
  /** A chosen number of half knots, or null for as many as the length takes. */
  readonly units: number | null;
}

interface Ready extends SinnetSetting {
  readonly bundle: CoreBundle;
  readonly d: number;
  readonly ratio: number;
}

/** Two working cords over a core, or null where the runs do not give that. */
function settingOf(part: Pick<SinnetPart, 'form' | 'tension'>, site: PartSite): Ready | null {
  const [a, b, ...spare] = workingOf(site.runs);
  const core = [...coresOf(site.runs), ...spare];
  if (!a || !b || core.length === 0) return null;
  const { form, tension } = part;
  const bundle = bundleOf(core.length);
  const ratio = ratioOf({ working: [a, b], core });
  return {
    form,
    tension,
    working: [a, b],
    core,
    buried: site.buried,
    packed: naturalPitch(form, bundle, ratio, tension) * site.pitchFactor,
    bundle,
    d: effectiveDiameter(a.cord),
    ratio,
  };
}

function sectionOf(setting: Ready): Section {
  const { form, bundle, ratio, d, core } = setting;
  const { width, thickness } = crossSection(form, bundle, ratio, core.length);
  return {
    width: width * d,
    thickness: thickness * d,
    pitch: setting.packed * d,
  };
}

const NO_CORDS: Advice = {
  code: 'sinnet.cords',
  severity: 'error',
  message: 'Square knots need two working cords and something to tie them over.',
  remedy: 'Give two legs of the strands the working role and at least one the core.',
  path: '',
};

const UNTIED: Section = { width: 0, thickness: 0, pitch: 1 };

/** Half knots over the core and over its turned-back ends as well. */
const hiddenOf = (setting: Ready, units: number, pitch: number): number =>
  Math.min(units, Math.ceil(setting.buried / pitch - 1e-9));

/** Of which computed numbers the cord of a half knot is made. */
const halfKnotSource = (form: SinnetForm, bundle: CoreBundle): ReturnType<typeof computed> => {
  if (form === 'flat') return computed('half-knot.fixed', 'half-knot.per-hull');
  if (bundle === 'one') return computed('spiral.cord.one', 'spiral.cord.one-thick');
  return computed(bundle === 'two-flat' ? 'spiral.cord.two' : 'spiral.cord.four');
};

/** Cord of both working cords in stretches of equal half knots, halved between them. */
function workingUses(setting: Ready, units: number, pitch: number): Use[] {
  const { form, bundle, ratio, d, core } = setting;
  const perUnit = (b: CoreBundle): number =>
    halfKnotCord(form, b, ratio, pitch / d, core.length, setting.packed) * d;
  const hidden = hiddenOf(setting, units, pitch);
  const stretch = (count: number, b: CoreBundle, code: string, where: string): Use[] =>
    count === 0
      ? []
      : setting.working.map((run) =>
          useOf(
            run,
            {
              area: 'knot',
              code,
              label: hidden > 0 ? `Half knots, ${where}` : 'Half knots',
              detail: `half of the cord that each takes ${where}`,
              bothHalves: `both ends, ${where}`,
              ...(b === 'round' ? { assumed: true } : halfKnotSource(form, b)),
              spread: KNOT_SPREAD,
            },
            perUnit(b) / 2,
            count,
          ),
        );
  return [
    ...stretch(
      hidden,
      'two-by-two',
      'knot.half-over-ends',
      'over the core and its turned-back ends',
    ),
    ...stretch(units - hidden, bundle, 'knot.half', 'over the core'),
  ];
}

/** The flat sinnet that was computed on cores like these, at a pitch like this. */
function flatCell({ core, d }: Ready, { pitch }: Pick<Section, 'pitch'>): string {
  const n = core.length;
  if (n === 2) {
    const near = nearestOf([1.5, 1.75, 2, 2.5], pitch / d);
    return `sinnet.two-flat.${near}`;
  }
  const lie = n === 1 ? 'one' : n === 3 ? 'three-flat' : n === 4 ? 'four-flat' : 'two-by-two';
  return `sinnet.${lie}.2`;
}

/** The spiral that was computed on cores like these. */
const spiralCell = ({ core }: Ready): string =>
  core.length === 1 ? 'spiral.one.8' : core.length === 2 ? 'spiral.two.9' : 'spiral.four.10';

/** Half knots of a flat band come in pairs; an odd number leaves half a square knot at its end. */
function oddAdvice(part: SinnetPart, units: number): Advice[] {
  if (part.form !== 'flat' || units % 2 === 0) return [];
  return [
    {
      code: 'sinnet.odd',
      severity: 'note',
      message: `${units} half knots make ${(units - 1) / 2} square knots and a half one at the end.`,
      remedy: `Take ${units + 1} for whole knots. Left odd on purpose, the bump at the end lies on the other side.`,
      path: 'units',
      // A stretch that the fit lengthens is not to lose that for one half knot.
      ...(part.units === null
        ? {}
        : { fix: { label: `${units + 1} half knots`, path: 'units', value: units + 1 } }),
    },
  ];
}

/** Fewer whole knots than this do not come out whole without a pitch that shows. Assumed. */
const WHOLE_FROM = 12;

/** As many half knots as come nearest to a length: whole square knots where that hardly moves the pitch. */
function unitsFor(part: SinnetPart, length: number, pitch: number): number {
  const near = Math.max(1, Math.round(length / pitch));
  if (part.form !== 'flat' || near < WHOLE_FROM) return near;
  return 2 * Math.round(length / pitch / 2);
}

/** The cord that begins, by its name where the two can be told apart. */
function tellFirst({ working: [a, b] }: Ready, first: Side): Saying {
  return a.strand === b.strand
    ? say`the cord on the ${onSide(first)}`
    : say`${cordNamed(a)} on the ${onSide(first)}`;
}

export const squareKnotSinnet: PartKind<SinnetPart> = {
  entry: {
    id: 'square-knot-sinnet',
    label: 'Square knots',
    blurb: 'Two working cords tied over a straight core, half knot by half knot.',
    goodFor:
      'Bands that wear well and lie flat, from fine silk to thick paracord. Tied always from the same side it winds into a spiral. The core carries the pull, the working cords the looks.',
    group: 'knots',
    unitName: 'half knot',
    needsBead: false,
    seconds: 7,
    pitched: true,
    ties: 'over-core',
  },
  fields: [
    choiceField<SinnetForm>('form', 'Form', {
      flat: ['Flat', 'Sides alternate: a flat band with a bump at each edge.'],
      spiral: ['Spiral', 'Same side every time: the work winds by itself.'],
    }),
    tensionField({
      soft: 'Pulled long, gaps show the core.',
      even: 'Snug, each half knot against the last.',
      hard: 'Pushed up hard after every knot; stiff and dense.',
    }),
    countField('units', 'Half knots', 1, 2000, 'as many as the length takes'),
    {
      type: 'length',
      key: 'length',
      label: 'Knotted length',
      min: 1,
      max: 5000,
      open: 'set by the fit',
      when: (values) => values.units === null,
    },
  ],
  make: ({ id }) => ({
    id,
    kind: 'square-knot-sinnet',
    form: 'flat',
    tension: 'even',
    length: null,
    units: 4,
  }),
  fills: (part) => part.units === null && part.length === null,
  toLength: (part) => part.units === null,
  section(part, site) {
    const setting = settingOf(part, site);
    return setting ? sectionOf(setting) : UNTIED;
  },
  layOut(part, site, share) {
    const setting = settingOf(part, site);
    const wanted = part.units === null ? (part.length ?? share) : null;
    if (!setting) {
      const length = Math.max(1, wanted ?? 1);
      return plainLayout(length, UNTIED, { unitName: 'half knot', advice: [NO_CORDS] });
    }
    const section = sectionOf(setting);
    // The core fixes the length; the last knots are pushed or eased until it is full, so the pitch
    // takes up what a whole number of half knots leaves over.
    const length = wanted ?? part.units! * section.pitch;
    const units = part.units ?? unitsFor(part, length, section.pitch);
    const pitch = length / units;
    return plainLayout(
      length,
      { ...section, pitch },
      {
        units,
        unitName: 'half knot',
        uses: [...straightUse(setting.core, length), ...workingUses(setting, units, pitch)],
        advice: oddAdvice(part, units),
      },
    );
  },
  draw(part, site, layout, options) {
    const setting = settingOf(part, site);
    return setting ? drawSinnet(setting, layout, setting.bundle, options) : [];
  },
  inSpace: {
    cell(part, site, layout) {
      const setting = settingOf(part, site);
      if (!setting) return null;
      return setting.form === 'flat' ? flatCell(setting, layout) : spiralCell(setting);
    },
    draw(part, site, layout, cell) {
      const setting = settingOf(part, site);
      if (!setting) return null;
      const { form, d, core, working } = setting;
      const { lines, rods } = laidTo(
        cell,
        layout.units,
        layout.length,
        d,
        form === 'flat' ? layout : undefined,
      );
      // Cores that turn with a spiral are strands of its cell; others lie straight on its rods, or side by side.
      const turning = lines.slice(2);
      const lanes = lanesOf(site.runs);
      const worked = { from: 0, count: layout.units };
      return {
        winds: -(cell.turn ?? 0),
        cords: [
          // In the cell the cord that goes over comes from the maker's right; who begins on the left sees it mirrored.
          ...working.map((run, i) => ({
            run,
            worked,
            line: mirroredLine(lines[i]!),
          })),
          ...core.map((run, i) => ({
            run,
            line:
              (turning[i] && mirroredLine(turning[i])) ??
              (rods.length === core.length ? rods[i] : undefined) ??
              straightInSpace([run], lanes, layout.length)[0]!.line,
          })),
        ],
        beads: [],
      };
    },
  },
  drawEdge(part, site, layout) {
    const setting = settingOf(part, site);
    if (!setting) return plainEdge(part.id, site, layout);
    const { units, length, thickness } = layout;
    const { d } = setting;
    const pitch = length / units;
    // Round ends add half a cord on both sides; neighbours just leave a line between them.
    const reach = Math.max(0.1, (pitch - d) / 2 - 0.2);
    const places = Array.from({ length: units }, (_, i) => ({ at: (i + 0.5) * pitch, reach }));
    const [outside, inside] = setting.working;
    return [
      ...edgeCore(part.id, site, layout),
      edgeBumps(inside, part.id, 'inside', places, d / 2),
      edgeBumps(outside, part.id, 'outside', places, thickness - d / 2),
    ];
  },
  swatch(part, cord) {
    const d = effectiveDiameter(cord);
    const pitch = naturalPitch(part.form, 'two-flat', 1, part.tension);
    return {
      how: 'Tie over a core of two lengths of the same cord. Measure the cord that ties: both ends together, before and after.',
      unitName: 'half knot',
      cordPerUnit: halfKnotCord(part.form, 'two-flat', 1, pitch, 2) * d,
      lengthPerUnit: pitch * d,
      spread: KNOT_SPREAD,
    };
  },
  fewer: (part) =>
    part.units !== null && part.units > 2
      ? { part: { ...part, units: part.units - 2 }, leftOut: 'one square knot (two half knots)' }
      : null,
  withUnits: (part, units) => ({ ...part, units }),
  steps(part, site, layout, first) {
    const setting = settingOf(part, site);
    if (!setting) return [];
    const pitch = layout.length / layout.units;
    const hidden = hiddenOf(setting, layout.units, pitch);
    const tie = (times: number, from: number): ActionOf<'tie'>[] =>
      times === 0
        ? []
        : [
            {
              do: 'tie',
              place: part.id,
              knot: {
                form: 'half-knot',
                sinnet: part.form,
                cores: setting.core.length,
                coreWidth: setting.ratio * setting.d,
                packed: setting.packed * setting.d,
                ...(from === 0 && hidden > 0 ? { overEnds: true } : {}),
              },
              by: outerEnds(setting.working),
              round: legsOf(setting.core),
              beside: legsOf(setting.core),
              mm: pitch,
              times,
              from: sideOf(part.form, from, first),
            },
          ];
    return [
      {
        title:
          part.form === 'flat' ? 'Tie square knots, sides in turn' : 'Tie half knots, one side',
        text:
          part.form === 'flat'
            ? say`Begin with ${tellFirst(setting, first)}. Then the cord that comes out from under the last ${term('bump')} goes over the ${term('core')}. Pull both level each time.`
            : say`Always begin with ${tellFirst(setting, first)}. Pull both level each time. The work turns by itself: turn it back every eight knots or so.`,
        again:
          part.form === 'flat'
            ? 'The cord that comes out from under the last bump goes over the core. The sides change every time.'
            : 'The cord on the same side goes over the core every time, as before.',
        units: layout.units,
        unitName: 'half knot',
        sideOf: (unit, from) => sideOf(part.form, unit, from),
        ...tiedHalfKnots(setting, first),
        bumps: true,
        actions: [...tie(hidden, 0), ...tie(layout.units - hidden, hidden)],
        actionUnits: [...(hidden > 0 ? [0] : []), ...(hidden < layout.units ? [hidden] : [])],
        cautions: [],
      },
    ];
  },
};
