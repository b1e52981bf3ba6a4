import type { MakeView } from '@coiled-strand/contract';
import { allPages } from '../../../../data/api/all-pages';
import type { Table } from '../../../../ui/shell/csv';

const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);

/** Every make that is asked for, a row each; what was not logged yet is left open. */
export async function bookTable(
  asked: Readonly<Record<string, string | undefined>>,
): Promise<Table> {
  const makes = await allPages<MakeView>('/makes', asked);
  return {
    head: [
      'piece',
      'make',
      'wearer',
      'begun',
      'logged',
      'length mm',
      'planned length mm',
      'cord cut mm',
      'cord left mm',
      'minutes',
      'who has it',
      'note',
    ],
    rows: makes.map(({ piece, number, startedAt, loggedAt, record, outcome }) => [
      piece.name,
      number,
      piece.wearer.name,
      startedAt,
      loggedAt,
      record?.length ?? null,
      outcome?.length.predicted ?? null,
      record && sum(record.cords.map(({ cut }) => cut)),
      record && sum(record.cords.map(({ leftover }) => leftover)),
      record?.minutes ?? null,
      record?.owner ?? null,
      record?.note ?? null,
    ]),
  };
}
