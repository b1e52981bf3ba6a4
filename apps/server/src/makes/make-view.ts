import type { MakeView, StageSecondsDto } from '@coiled-strand/contract';
import type { MakeRow } from '../rows/make.entity.js';

/** Time of all devices together. */
export const secondsOf = ({ seconds }: Pick<MakeRow, 'seconds'>): StageSecondsDto =>
  Object.values(seconds).reduce(
    (sum, one) => ({
      prepare: sum.prepare + one.prepare,
      tie: sum.tie + one.tie,
      finish: sum.finish + one.finish,
    }),
    { prepare: 0, tie: 0, finish: 0 },
  );

/** What a make is told with besides its own row. */
export type AboutMake = Pick<MakeView, 'id' | 'photos' | 'putAway' | 'stashTold'>;

export const makeView = (row: MakeRow, { photos, putAway, stashTold }: AboutMake): MakeView => ({
  id: row.id,
  pieceId: row.pieceId,
  piece: row.piece,
  hand: row.hand,
  number: row.number,
  at: row.at,
  doneAt: row.doneAt.toISOString(),
  reached: row.reached,
  seconds: secondsOf(row),
  timers: Object.entries(row.timers).map(([step, startedAt]) => ({ step, startedAt })),
  measured: row.measured,
  startedAt: row.createdAt.toISOString(),
  loggedAt: row.loggedAt?.toISOString() ?? null,
  record: row.record,
  outcome: row.outcome,
  setAside: row.setAside,
  photos,
  putAway,
  lineId: row.lineId,
  stashTold,
});
