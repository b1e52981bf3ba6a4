import type { End } from '../../base/action/action.js';
import { CORD_KIND_FACTS } from '../../base/material/cord.js';
import { treatmentFor, type EndTreatment } from '../../base/material/ends.js';
import { isTool, besideDelicate } from './rules-ends.js';
import { endKey, endsOfCord, type Table } from './table.js';

/** How an end is to be secured: as the piece says, but no flame for what burns or stands beside what it harms. */
export function treatmentOf(table: Table, end: End): EndTreatment {
  const { ends } = table.piece;
  const cord = table.cords.get(end.cord)?.cord;
  const own = cord ? treatmentFor(cord.kind, ends) : ends;
  return own === 'singe' && besideDelicate(table, end) ? 'glue' : own;
}

/** All ends that are to be seen to when the piece is done. */
export const allEnds = (table: Table): End[] =>
  [...table.cords.values()]
    .filter(({ id, cord }) => !isTool(id) && cord !== null)
    .flatMap((cord) => endsOfCord(cord).map((end) => ({ ...end })));

/** Whether an end is covered, or trimmed, secured and coloured as its cord asks for. */
export function isFinished(table: Table, end: End): boolean {
  const own = table.ends.get(endKey(end))!;
  const cord = table.cords.get(end.cord)!;
  switch (own.lies) {
    case 'joined':
    case 'buried':
      return true;
    case 'turned-back':
    case 'in-socket':
      return own.trimmed;
    case 'free': {
      const leather = cord.cord !== null && CORD_KIND_FACTS[cord.cord.kind].ends === 'leather';
      return (
        own.trimmed &&
        own.treated === treatmentOf(table, end) &&
        (!leather || (own.dyed && own.sealed))
      );
    }
  }
}

/** The first end that is not; null when all are. */
export const unfinishedEnd = (table: Table): End | null =>
  allEnds(table).find((end) => !isFinished(table, end)) ?? null;
