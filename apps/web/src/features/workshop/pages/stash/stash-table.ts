import type { LotView } from '@coiled-strand/contract';
import { allPages } from '../../../../data/api/all-pages';
import type { Table } from '../../../../ui/shell/csv';
import { FORM_WORDS, nameOf } from '../../stock/words';

/** Every lot that is asked for, a row each: cord in mm, all else in pieces. */
export async function stashTable(
  asked: Readonly<Record<string, string | undefined>>,
): Promise<Table> {
  const lots = await allPages<LotView>('/lots', asked);
  return {
    head: [
      'what',
      'kind',
      'form',
      'taken in',
      'left',
      'unit',
      'cost in hundredths',
      'bought on',
      'dye lot',
      'place',
    ],
    rows: lots.map(({ thing, form, size, left, cents, boughtOn, dyeLot, place }) => [
      nameOf(thing),
      thing.kind,
      FORM_WORDS[form],
      size,
      left,
      thing.kind === 'cord' ? 'mm' : 'pieces',
      cents,
      boughtOn,
      dyeLot,
      place,
    ]),
  };
}
