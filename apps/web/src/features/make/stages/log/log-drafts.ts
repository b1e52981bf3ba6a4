import type { MakeLogDto } from '@coiled-strand/contract';
import { drop, entriesOf, keep } from '../../../../data/outbox/outbox';

const PART = 'log';

/** A log that is half filled in stands there again after a reload. */
export const keepLogForm = (makeId: string, form: MakeLogDto): Promise<void> =>
  keep('form', makeId, PART, form);
export const dropLogForm = (makeId: string): Promise<void> => drop('form', makeId, PART);
export const logFormOf = (makeId: string): MakeLogDto | undefined =>
  entriesOf<MakeLogDto>('form', makeId).find(({ part }) => part === PART)?.value;
