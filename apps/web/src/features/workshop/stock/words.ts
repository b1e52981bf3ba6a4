import type { LotForm, LotView, MovementView } from '@coiled-strand/contract';
import { sayAmount, thingName, type MovementReason, type Thing } from '@coiled-strand/workshop';
import type { Units } from '../../../ui/settings/use-units';

export const FORM_WORDS: Readonly<Record<LotForm, string>> = {
  spool: 'Spool',
  hank: 'Hank',
  skein: 'Skein',
  strand: 'Strand of beads',
  pack: 'Pack',
  loose: 'Loose',
  offcut: 'Offcut',
};

/** In which forms a thing is bought. */
export const FORMS_OF: Readonly<Record<Thing['kind'], readonly LotForm[]>> = {
  cord: ['spool', 'hank', 'skein', 'offcut'],
  bead: ['strand', 'pack', 'loose'],
  finding: ['pack', 'loose'],
};

export const REASON_WORDS: Readonly<Record<MovementReason, string>> = {
  bought: 'Bought',
  cut: 'Cut',
  used: 'Used',
  'put-back': 'Put back as an offcut',
  packed: 'Packed into kits',
  measured: 'Measured anew',
  weighed: 'Weighed anew',
  counted: 'Counted anew',
  lost: 'Lost',
  'given-away': 'Given away',
  undone: 'Undone',
};

/** Its name with its colour, where the name does not tell cords of one make apart. */
export function nameOf(thing: Thing): string {
  const name = thingName(thing);
  return thing.kind === 'cord' && !name.includes(thing.cord.colour.name)
    ? `${name}, ${thing.cord.colour.name}`
    : name;
}

/** So much of a thing as it is read: `46.5 m`, `11`. */
export const amountText = (thing: Pick<Thing, 'kind'>, amount: number, units: Units): string =>
  units.say(sayAmount(thing.kind, amount));

/** `46.5 m of 100 m` */
export const leftText = ({ thing, left, size }: LotView, units: Units): string =>
  Math.abs(left - size) < 0.5
    ? amountText(thing, left, units)
    : `${amountText(thing, left, units)} of ${amountText(thing, size, units)}`;

/** What a lot is, in a line: `Spool, dye lot M-04, Drawer 2`. */
export const lotText = ({
  form,
  dyeLot,
  place,
}: Pick<LotView, 'form' | 'dyeLot' | 'place'>): string =>
  [FORM_WORDS[form], dyeLot === null ? '' : `dye lot ${dyeLot}`, place]
    .filter((part) => part !== '')
    .join(', ');

/** A lot told among others of the same thing. */
export const lotChoice = (lot: LotView, units: Units): string =>
  `${nameOf(lot.thing)}: ${amountText(lot.thing, lot.left, units)}, ${lotText(lot).toLowerCase()}`;

/** What a movement was for. */
export const movementFor = ({ make, strand, cutting, note }: MovementView): string =>
  [
    make ? `${make.name}, make ${make.number}${strand === null ? '' : `, cord ${strand}`}` : '',
    cutting ? cutting.name : '',
    note,
  ]
    .filter((part) => part !== '')
    .join('; ');
