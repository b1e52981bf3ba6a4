import { memoize } from '@coiled-strand/rope';
import { closureKind } from '../craft/closure/registry.js';
import type { ClosureSite } from '../base/kind/closure-kind.js';
import type { PartLayout, PartSite } from '../base/kind/part-kind.js';
import { PRACTICE, sumOf, type Reason } from '../base/kind/reason.js';

import { CORD_KIND_FACTS } from '../base/material/cord.js';
import { easeAmount } from '../base/measure/ease.js';
import {
  beforeStretch,
  closesRound,
  innerCircumference,
  shareFor,
  wornIn,
  type Slot,
} from '../base/measure/fit.js';
import { angleOf, type RoundPart } from '../base/measure/ring.js';
import { partKind, type Part } from '../craft/part/registry.js';
import type { Piece } from '../piece/piece.js';
import { girthOf } from '../piece/sites.js';
import type { FitPlan } from './plan-types.js';

const SITE_NAMES = { wrist: 'Wrist', ankle: 'Ankle', neck: 'Neck' } as const;

/** The parts laid out, those that fill given their share of what the fit asks for. */
export interface Fitted {
  readonly layouts: readonly PartLayout[];
  /** Share in mm of each part that fills; 0 or less when the others are too long already. */
  readonly share: number;
  readonly filled: boolean;
}

const laidOut = memoize((part: Part, site: PartSite, share: number): PartLayout =>
  partKind(part.kind).layOut(part, site, share),
);

/** Break-in stretch of the piece: that of the cord that gives most. */
export const stretchOf = (piece: Piece): number =>
  Math.max(0, ...piece.strands.map(({ cord }) => CORD_KIND_FACTS[cord.kind].stretch));

/**
 * Length in mm that wraps lying side by side take for the step from one to the next: of each turn
 * sqrt(C^2 + w^2) - C, C along the work's middle, w its width.
 */
function sideways(target: number, height: number, width: number, turns: number): number {
  if (turns <= 1) return 0;
  const line = target + 2 * Math.PI * height;
  return turns * (Math.hypot(line, width) - line);
}

/**
 * Lays the parts out. Parts that fill share what the others leave of the way round, all alike.
 *
 * The work lies on the skin: cord work runs half its thickness above it, beads at their centres, rigid
 * parts stand straight on it, and cord between them as a taut string does (`ringAngles`). What is planned is a
 * little shorter than what must fit when the cord stretches as it is worn in: planned = worn / (1 + stretch).
 */
export function fitParts(
  piece: Piece,
  sites: readonly PartSite[],
  closureSite: ClosureSite,
): Fitted {
  const fills = piece.parts.map((part) => partKind(part.kind).fills(part));
  const fixed = piece.parts.map((part, i) => (fills[i] ? null : laidOut(part, sites[i]!, 0)));
  const filling = piece.parts.filter((_, i) => fills[i]);
  let share = 0;
  if (filling.length > 0) {
    const kind = closureKind(piece.closure.type);
    const stretch = stretchOf(piece);
    const open = kind.open?.(piece.closure, closureSite);
    if (open) {
      const taken = fixed.reduce((sum, layout) => sum + (layout?.length ?? 0), 0);
      share = (beforeStretch(sumOf(open.length), stretch) - taken) / filling.length;
    } else {
      const slots: Slot[] = [
        ...piece.parts.flatMap((part, i): readonly Slot[] =>
          fills[i]
            ? [{ fill: partKind(part.kind).section(part, sites[i]!).thickness / 2 }]
            : wornIn(fixed[i]?.round ?? [], stretch),
        ),
        ...kind.aim(piece.closure, closureSite),
      ];
      const { target, turns, width, thickness } = closureSite;
      const step = sideways(target, thickness / 2, width, turns);
      share = beforeStretch(shareFor(target, slots, turns) + step / filling.length, stretch);
    }
  }
  return {
    share,
    filled: filling.length > 0,
    layouts: piece.parts.map((part, i) => fixed[i] ?? laidOut(part, sites[i]!, Math.max(1, share))),
  };
}

/** What is left off, since the cord gives. */
const breakIn = (mm: number): Reason => ({
  area: 'fit',
  code: 'fit.stretch',
  label: 'Break-in',
  detail: 'made shorter, since the cord stretches as it is worn in',
  ...PRACTICE,
  mm,
});

interface Round {
  readonly piece: Piece;
  readonly site: ClosureSite;
  readonly body: readonly RoundPart[];
  readonly aim: readonly RoundPart[];
  readonly planned: number;
  /** What the step from turn to turn takes, in mm. */
  readonly step: number;
}

/** Cord in the air that is told by itself, in mm. */
const SLIGHT = 0.5;

/**
 * The length that closes on the target, as reasons. With r the body's radius, a flexible part of angle
 * a is a r + a h long; a bead or a bar differs from that by standing straight.
 */
function lengthReasons({ piece, site, body, aim, planned, step }: Round): Reason[] {
  const stretch = stretchOf(piece);
  const { target, turns } = site;
  const r = target / (2 * Math.PI);
  const bodyWorn = wornIn(body, stretch);
  // What is missing or too much lies as flexible work of the usual height.
  const eases = bodyWorn.findIndex((part) => part.kind === 'flexible');
  const height = bodyWorn[eases]?.height ?? site.thickness / 2;
  const round: Slot[] =
    eases < 0
      ? [...bodyWorn, { fill: height }]
      : bodyWorn.map((part, i) => (i === eases ? { fill: height } : part));
  const eased = shareFor(target, [...round, ...aim], turns);
  const missing = eased - (bodyWorn[eases]?.length ?? 0) + step;
  const asked = round.map((slot): RoundPart =>
    'fill' in slot ? { kind: 'flexible', length: eased, height } : slot,
  );
  const share = (kind: RoundPart['kind'], of: (part: RoundPart) => number): number =>
    asked.filter((part) => part.kind === kind).reduce((sum, part) => sum + of(part), 0);
  const lift = (part: RoundPart): number => part.length - angleOf(part, r) * r;
  const closure = aim.reduce((sum, part) => sum + angleOf(part, r) * r, 0);
  const taut = [...asked, ...aim].reduce((sum, part) => sum + angleOf(part, r), 0) * r;
  // At a closure it may be less than a maker can measure: then it is told with that.
  const air = taut - turns * target;
  const told = aim.length > 0 && Math.abs(air) < SLIGHT ? 0 : air;
  const lying = body.filter((part) => part.kind === 'flexible').reduce((s, p) => s + p.length, 0);
  const hanging = planned - body.reduce((sum, part) => sum + part.length, 0);
  const give = -(lying * stretch + (missing * stretch) / (1 + stretch));
  const reasons: Reason[] = [
    {
      area: 'fit',
      code: 'fit.target',
      label: 'Inside circumference',
      detail: turns > 1 ? `${turns} times round` : 'what it is to measure inside',
      mm: turns * target,
    },
    {
      area: 'fit',
      code: 'fit.thickness',
      label: 'Thickness',
      detail: 'the middle of the work runs on a larger round than its inside',
      mm: share('flexible', lift),
    },
    {
      area: 'fit',
      code: 'fit.beads',
      label: 'The beads bow away',
      detail: 'their holes run half a bead above the skin, and each bead stands straight',
      mm: share('beads', lift),
    },
    {
      area: 'fit',
      code: 'fit.rigid',
      label: 'Rigid parts',
      detail: 'they lie straight across the round, half their thickness above the skin',
      mm: share('rigid', lift),
    },
    {
      area: 'fit',
      code: 'fit.air',
      label: 'Cord in the air',
      detail:
        'where it leaves a bead, a bar or the clasp it runs straight before it lies on the body again; what is rigid is taken to lie on the flat side, unless you say otherwise',
      mm: told,
    },
    {
      area: 'fit',
      code: 'fit.sideways',
      label: 'Turns side by side',
      detail: 'each turn steps aside by the width of the work',
      mm: step,
    },
    {
      area: 'fit',
      code: 'fit.closure',
      label: 'Closure',
      detail: 'its share of the round; the body is taken as round there',
      mm: air - told - closure,
    },
    breakIn(give),
    {
      area: 'fit',
      code: 'fit.hanging',
      label: 'Hanging ends',
      detail: 'they lie beside the round',
      mm: hanging,
    },
  ];
  return reasons.filter((reason) => Math.abs(reason.mm) > 1e-9);
}

/** How the size follows from the body, and what the laid-out parts close on. */
export function planFit(
  piece: Piece,
  site: ClosureSite,
  fitted: Fitted,
  states: readonly { id: string; label: string; extra: readonly RoundPart[] }[],
): FitPlan {
  const kind = closureKind(piece.closure.type);
  const length = fitted.layouts.reduce((sum, layout) => sum + layout.length, 0);
  const body = fitted.layouts.flatMap((layout) => layout.round);
  const girth = girthOf(piece) ?? 0;
  const ease = easeAmount(piece.ease);
  const common = { girth, ease, length, filled: fitted.filled };
  const open = kind.open?.(piece.closure, site);
  if (open) {
    const stretch = stretchOf(piece);
    const wanted = sumOf(open.length);
    return {
      ...common,
      target: 0,
      targetReasons: [],
      fitted: beforeStretch(wanted, stretch),
      lengthReasons: [
        ...open.length,
        ...(stretch > 0 ? [breakIn(beforeStretch(wanted, stretch) - wanted)] : []),
      ],
      circumference: 0,
      gap: 0,
      states: [],
      pass: null,
    };
  }
  const { target, turns } = site;
  const aim = kind.aim(piece.closure, site);
  const step = sideways(target, site.thickness / 2, site.width, turns);
  const reasons = lengthReasons({ piece, site, body, aim, planned: length, step });
  const bodyWorn = wornIn(body, stretchOf(piece));
  const closesOn = (extra: readonly RoundPart[]): number => {
    const round = [...bodyWorn, ...extra].filter((part) => part.length > 0);
    // The step aside uses length and goes round nothing.
    const flat = round.findIndex((part) => part.kind === 'flexible' && part.length > step);
    const shortened = round.map((part, i) =>
      i === flat ? { ...part, length: part.length - step } : part,
    );
    return closesRound(shortened, turns) ? innerCircumference(shortened, turns) : 0;
  };
  const circumference = closesOn(aim);
  const wanted = piece.wear.length !== null;
  return {
    ...common,
    target,
    targetReasons: wanted
      ? [
          {
            area: 'fit',
            code: 'fit.wanted',
            label: 'Length wanted',
            detail: 'as you set it',
            mm: target,
          },
        ]
      : [
          {
            area: 'fit',
            code: 'fit.girth',
            label: SITE_NAMES[piece.wear.site],
            detail: 'measured on the bare body',
            mm: girth,
          },
          {
            area: 'fit',
            code: 'fit.ease',
            label: 'Room',
            detail: 'added for how tight it is worn',
            ...PRACTICE,
            mm: ease,
          },
        ],
    fitted: sumOf(reasons),
    lengthReasons: reasons,
    circumference,
    gap: girth > 0 ? (circumference - girth) / (2 * Math.PI) : 0,
    states: states.map(({ id, label, extra }) => ({ id, label, circumference: closesOn(extra) })),
    pass: kind.entry.opens ? null : site.pass,
  };
}
