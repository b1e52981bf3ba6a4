import { Box, Flex, Text } from '@chakra-ui/react';
import type { PackDto, ShoppingItemDto, ShoppingTotalsView, Stored } from '@coiled-strand/contract';
import {
  coverCuts,
  coverNeed,
  inchesToOrder,
  thingKey,
  withSpare,
  type Covering,
  type Pack,
} from '@coiled-strand/workshop';
import { ListPlus } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useAddShopping, usePacks } from '../../../../data/api/week-queries';
import { sayMoney } from '../../../../ui/fields/money';
import { useCurrency } from '../../../../ui/settings/use-currency';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { Loading } from '../../../../ui/shell/states';
import { ThingSwatch } from '../../stock/thing-swatch';
import { useShort, type Missing as MissingThing } from '../../stock/use-short';
import { useOrderedWishes } from '../../stock/use-wishes';
import { amountText, nameOf } from '../../stock/words';
import type { Wish } from '../../stock/demand';
import { PackDialog } from './pack-dialog';

interface Props {
  /** What stands on the list already. */
  readonly coming: ShoppingTotalsView['coming'];
}

/** An inch, as cord is sold by it, in mm. */
const INCH = 25.4;
const NONE: readonly Wish[] = [];

/** What the orders take beyond the stash, in whole packs at least cost. */
export function Missing({ coming }: Props) {
  const wishes = useOrderedWishes();
  const { missing } = useShort(wishes ?? NONE);
  const { data: packs } = usePacks();
  const add = useAddShopping();
  const currency = useCurrency();
  const offers = useMemo(
    () => (missing && packs ? missing.map((one) => offerOf(one, packs, coming)) : null),
    [missing, packs, coming],
  );
  if (!offers) return <Loading what="Looking through the drawers" />;
  const open = offers.filter(({ need }) => need > 0);
  if (open.length === 0) {
    return (
      <Text color="muted">
        {wishes?.length
          ? 'Nothing: what is ordered lies in the drawers or stands on the list.'
          : 'Nothing is ordered that is not begun.'}
      </Text>
    );
  }
  const known = open.flatMap(({ covering, missing: one }) =>
    covering ? itemsOf(one, covering) : [],
  );
  const sum = open.reduce((all, { covering }) => all + (covering?.cents ?? 0), 0);
  return (
    <>
      {open.map((offer) => (
        <OfferRow key={offer.missing.key} offer={offer} />
      ))}
      {known.length > 0 && (
        <Button
          variant="solid"
          mt="5"
          disabled={add.isPending}
          onClick={() => add.mutate({ items: known })}
        >
          <ListPlus size={18} /> Put it on the list, {sayMoney(sum, currency)}
        </Button>
      )}
      {add.error && (
        <Text color="danger" role="alert" mt="2">
          {add.error.message}
        </Text>
      )}
    </>
  );
}

/** A pack as it is called. */
interface Sold extends Pack {
  readonly label: string;
}

interface Offer {
  readonly missing: MissingThing;
  /** What is to be bought, with what breaks: mm of cord, pieces of anything else. */
  readonly need: number;
  readonly covering: Covering<Sold> | null;
}

/** Whole packs that cover what is missing and not on the list already. */
function offerOf(
  missing: MissingThing,
  packs: readonly Stored<PackDto>[],
  all: ShoppingTotalsView['coming'],
): Offer {
  const coming = all.find(({ key }) => key === missing.key)?.amount ?? 0;
  const own = packs.filter(({ value }) => thingKey(value.thing) === missing.key);
  const sold = own.map(({ id, value: { size, cents, label } }): Sold => ({
    id,
    size,
    cents,
    label,
  }));
  const byTheInch = sold.length > 0 && sold.every(({ size }) => size === INCH);
  if (missing.thing.kind === 'cord') {
    // What is on the list already is cut first, the longest from it.
    const cuts = notComing(
      missing.cuts.map(({ length }) => length),
      coming,
    );
    // What is sold by the inch is rounded up, with an inch more for each cut.
    const lengths = byTheInch ? cuts.map((length) => inchesToOrder(length) * INCH) : cuts;
    const need = lengths.reduce((sum, length) => sum + length, 0);
    return { missing, need, covering: need > 0 ? coverCuts(lengths, sold) : null };
  }
  const wanted = missing.thing.kind === 'bead' ? withSpare(missing.amount) : missing.amount;
  const need = wanted - coming;
  return { missing, need, covering: need > 0 ? coverNeed(need, sold) : null };
}

/** Cuts that what is on its way does not give. */
function notComing(cuts: readonly number[], coming: number): number[] {
  let left = coming;
  return [...cuts]
    .sort((a, b) => b - a)
    .filter((length) => {
      if (length > left) return true;
      left -= length;
      return false;
    });
}

function itemsOf({ thing, cuts }: MissingThing, { packs }: Covering<Sold>): ShoppingItemDto[] {
  const note = [...new Set(cuts.map(({ piece }) => piece))].join('; ').slice(0, 400);
  return packs.map(({ pack, count }) => ({
    thing,
    label: pack.label,
    size: pack.size,
    cents: pack.cents,
    count,
    note,
  }));
}

function OfferRow({ offer: { missing, need, covering } }: { readonly offer: Offer }) {
  const units = useUnits();
  const currency = useCurrency();
  const [selling, setSelling] = useState(false);
  const { thing } = missing;
  return (
    <Flex
      gap="4"
      py="3"
      align="center"
      flexWrap={{ base: 'wrap', sm: 'nowrap' }}
      borderBottom="1px solid {colors.line}"
      data-testid="missing"
    >
      <Box flex="1" minW="200px">
        <Flex gap="3" align="center">
          <ThingSwatch thing={thing} />
          <Text fontWeight="600">{nameOf(thing)}</Text>
        </Flex>
        <Text color="muted" fontSize="sm">
          {amountText(thing, missing.amount, units)} missing
          {need > missing.amount + 0.5 && thing.kind === 'bead' && ', with one spare in twenty'}
          {missing.cuts.length > 1 && `, in ${missing.cuts.length} cuts`}
        </Text>
      </Box>
      {covering ? (
        <Box textAlign={{ base: 'left', sm: 'right' }}>
          <Text fontWeight="600">
            {covering.packs.map(({ pack, count }) => `${count} × ${pack.label}`).join(', ')},{' '}
            {sayMoney(covering.cents, currency)}
          </Text>
          <Text fontSize="sm" color="muted">
            {covering.over > 0.5
              ? `${amountText(thing, covering.over, units)} left over`
              : 'nothing left over'}
          </Text>
        </Box>
      ) : (
        <Button onClick={() => setSelling(true)}>How is it sold?</Button>
      )}
      {selling && <PackDialog thing={thing} onClose={() => setSelling(false)} />}
    </Flex>
  );
}
