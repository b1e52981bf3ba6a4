import type { AboutLotDto, LotView } from '@coiled-strand/contract';

/** What is known of a lot, as it can be sent back. */
export const aboutOf = ({ form, place, dyeLot, tare, grams, useful }: LotView): AboutLotDto => ({
  form,
  place,
  ...(dyeLot === null ? {} : { dyeLot }),
  ...(tare === null ? {} : { tare }),
  ...(grams === null ? {} : { grams }),
  ...(useful === null ? {} : { useful }),
});
