import type { End } from '../../base/action/action.js';
import type { Step } from '../../base/kind/step.js';
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

const clipStep = (verb: 'clip' | 'unclip', on: Loose, ends: readonly End[], before: Step): Step =>
  onceStep(
    before.stage,
    `${verb}-${on}:${before.id}`,
    verb === 'clip' ? PUT_ON[on].title : 'Take the clip off',
    verb === 'clip' ? PUT_ON[on].text : 'Hold the work where it was: it is open there again.',
    { kind: 'worn' },
    [{ do: verb, ends, on }],
  );

/**
 * What has to be done with clips before a step: one is put on wherever something would come off when the hands let go,
 * and taken off where that end is worked with.
 *
 * @param table as it is before the step
 */
export function clipsBefore(table: Table, step: Step): Step[] {
  const { actions = [] } = step;
  const worked = new Set(actions.flatMap(workedWith).map(endKey));
  const drawn = new Set(actions.flatMap(drawnThrough).map(endKey));
  const loose = actions.some(letsGo) ? looseEnds(table) : [];
  return KINDS.flatMap((on) => {
    const free = on === 'stitch' ? drawn : worked;
    const off = [...table.clipped.values()]
      .filter((own) => own.loose === on && free.has(endKey(own.end)))
      .map(({ end }) => end);
    const put = loose.filter((own) => own.loose === on).map(({ end }) => end);
    return [
      ...(off.length > 0 ? [clipStep('unclip', on, off, step)] : []),
      ...(put.length > 0 ? [clipStep('clip', on, put, step)] : []),
    ];
  });
}
