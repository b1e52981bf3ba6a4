import type { LotView } from '@coiled-strand/contract';
import { addressOf } from '../../../piece/paper/address';
import type { Tag } from '../../../piece/paper/labels';
import type { Units } from '../../../../ui/settings/use-units';
import { amountText, lotText, nameOf } from '../../stock/words';

/** What the label of a lot says; its code opens the lot. */
export const tagOf = (lot: LotView, units: Units): Tag => ({
  title: nameOf(lot.thing),
  lines: [
    lotText(lot),
    `${amountText(lot.thing, lot.size, units)} when taken in`,
    ...(lot.place === '' ? [] : [lot.place]),
  ],
  url: addressOf(`/stash/${lot.id}`),
});
