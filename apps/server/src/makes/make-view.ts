import type { MakeView } from '@coiled-strand/contract';
import { compareOutcome } from '@coiled-strand/core';
import type { MakeRow } from './make.entity.js';

export const makeView = (row: MakeRow): MakeView => ({
  id: row.id,
  pieceId: row.pieceId,
  piece: row.piece,
  done: row.done,
  total: row.total,
  startedAt: row.createdAt.toISOString(),
  loggedAt: row.loggedAt?.toISOString() ?? null,
  record: row.record,
  outcome: row.record ? compareOutcome(row.plan, row.record) : null,
});
