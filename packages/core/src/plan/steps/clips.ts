import type { End, Leg } from '../../base/action/action.js';
import type { Look, Step } from '../../base/kind/step.js';
import { say, term } from '../../base/measure/saying.js';
import { slackCore } from '../hands/lies-there.js';
import { drawnThrough, letsGo, looseEnds, workedWith } from '../hands/loose.js';
import { endKey, type Loose, type Table } from '../hands/table.js';
import { onceStep } from './set-up.js';

/** What is said of a clip that is put on. */
const PUT_ON: Readonly<Record<Loose, { readonly title: string; readonly text: string }>> = {
  bead: {
    title: 'Put a clip on the open end',
    text: 'Close to the last bead, so that none runs off.',
  },
  plait: {
    title: 'Clip the plait',
    text: 'Over the last crossing, so that it does not come undone.',
  },
  stitch: {
    title: 'Clip the last stitch',
    text: 'Through its loop, so that the chain does not ravel.',
  },
};

const KINDS = ['bead', 'plait', 'stitch'] as const;

/** The work as it is after a step; null where that is not one of a part. */
function soFar({ part, from, units, aside, look }: Step): Look | null {
  if (part === undefined || from === undefined) return look?.kind === 'clipped' ? look : null;
  return { kind: 'clipped', part, units: from + (aside ? 0 : units) };
}

const clipStep = (
  verb: 'clip' | 'unclip',
  on: Loose,
  ends: readonly End[],
  next: Step,
  look: Look,
): Step =>
  onceStep(
    next.stage,
    `${verb}-${on}:${next.id}`,
    verb === 'clip' ? PUT_ON[on].title : 'Take the clip off',
    verb === 'clip' ? PUT_ON[on].text : 'Hold the work where it was: it is open there again.',
    look,
    [{ do: verb, ends, on }],
  );

/** The core is clipped down at its far end before it is tied over. */
function tautStep(table: Table, next: Step, legs: readonly Leg[]): Step {
  const cords = [...new Set(legs.map(({ cord }) => cord))];
  const strung = table.parts.some(
    ({ id, layout }) =>
      layout.beads.length > table.strung.filter(({ place }) => place === id).length,
  );
  const [only] = cords;
  return onceStep(
    next.stage,
    `tension:${next.id}`,
    say`Pull the ${term('core')} taut`,
    say`Clip ${cords.length === 1 ? table.cords.get(only!)!.called : 'its cords'} down at the far end too, so that the knots do not draw it in.${strung ? ' Open that clip for each bead.' : ''}`,
    { kind: 'clipped', part: next.part!, units: next.from ?? 0, far: true },
    [{ do: 'tension', legs }],
  );
}

/**
 * What has to be done with clips before a step: one is put on wherever something would come off when the hands let go,
 * and taken off where that end is worked with; a core is clipped down before it is tied over.
 *
 * @param table as it is before the step
 * @param before the step before it
 */
export function clipsBefore(table: Table, step: Step, before: Step | undefined): Step[] {
  const { actions = [] } = step;
  const worked = new Set(actions.flatMap(workedWith).map(endKey));
  const drawn = new Set(actions.flatMap(drawnThrough).map(endKey));
  const loose = actions.some(letsGo) ? looseEnds(table) : [];
  const look = (before && soFar(before)) ?? { kind: 'worn' };
  const clips = KINDS.flatMap((on) => {
    const free = on === 'stitch' ? drawn : worked;
    const off = [...table.clipped.values()]
      .filter((own) => own.loose === on && free.has(endKey(own.end)))
      .map(({ end }) => end);
    const put = loose.filter((own) => own.loose === on).map(({ end }) => end);
    return [
      ...(off.length > 0 ? [clipStep('unclip', on, off, step, look)] : []),
      ...(put.length > 0 ? [clipStep('clip', on, put, step, look)] : []),
    ];
  });
  const core = actions.map((action) => slackCore(table, action)).find(({ length }) => length > 0);
  return core ? [...clips, tautStep(table, step, core)] : clips;
}
