import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import {
  priceOf,
  wageAt,
  type PieceNeeds,
  type PriceReason,
  type Work,
} from '@coiled-strand/workshop';
import { Settings2 } from 'lucide-react';
import { useState } from 'react';
import { ForMakers } from '../../../ui/frame/for-makers';
import { useWorkshop } from '../../../data/api/queries';
import { sayMoney } from '../../../ui/fields/money';
import { MoneyField } from '../../../ui/fields/money-field';
import { useCurrency } from '../../../ui/settings/use-currency';
import { useUnits } from '../../../ui/settings/use-units';
import { Button } from '../../../ui/shell/button';
import { sayMinutes } from '../week/times';
import { pricingIn } from '../../../data/api/week-queries';
import { PricingDialog } from './pricing-dialog';
import { useMaterials } from './use-paid';

interface Props {
  readonly title: string;
  readonly needs: PieceNeeds;
  readonly work: Work;
  /** What was agreed; a price to look at backwards. */
  readonly agreed?: number;
}

/** A price as the sum of its reasons, and backwards: what an hour earns at another. */
export function PriceSum({ title, needs, work, agreed }: Props) {
  const currency = useCurrency();
  const workshop = useWorkshop().data;
  const pricing = workshop?.pricing;
  const materials = useMaterials(needs);
  const [asked, setAsked] = useState<number | null>(agreed ?? null);
  const [changing, setChanging] = useState(false);
  if (!materials || !pricing) return null;
  const price = priceOf(materials, work, pricing);
  const wage = asked === null ? null : wageAt(asked, materials, work.minutes, pricing);
  return (
    <Box className="no-print" maxW="640px" data-testid="price">
      <Flex align="center" gap="3" mb="2">
        <Heading as="h2" fontSize="lg" flex="1">
          {title}
        </Heading>
        <ForMakers role="owner">
          <Button variant="bare" onClick={() => setChanging(true)}>
            <Settings2 size={17} /> How you price
          </Button>
        </ForMakers>
      </Flex>
      <Box as="dl" m="0">
        {price.reasons.map((reason, i) => (
          <ReasonRow key={i} reason={reason} />
        ))}
        <Flex justify="space-between" pt="2" mt="1" borderTop="1px solid {colors.line}">
          <Text as="dt" fontWeight="600">
            Price
          </Text>
          <Text as="dd" m="0" fontWeight="600" fontSize="xl" data-testid="price-total">
            {sayMoney(price.cents, currency)}
          </Text>
        </Flex>
      </Box>
      {work.sd > 0 && (
        <Text color="muted">
          Between {sayMoney(price.low, currency)} and {sayMoney(price.high, currency)} in eight of
          ten makes, by how long it takes.
        </Text>
      )}
      {price.reasons.some(({ unknown }) => unknown) && (
        <Text color="warn" fontSize="sm">
          What has no price is left out of the sum: take it into the stash with what it cost.
        </Text>
      )}
      <Flex gap="4" mt="4" align="flex-end" flexWrap="wrap">
        <Box w="180px">
          <MoneyField
            label="Sold at"
            value={asked}
            currency={currency}
            onChange={setAsked}
            mayBeEmpty
            placeholder={sayMoney(price.cents, '').trim()}
          />
        </Box>
        {wage !== null && (
          <Text pb="2" data-testid="wage">
            an hour earns <b>{sayMoney(wage, currency)}</b>
            {wage < 0 && ': it does not even pay the material'}
          </Text>
        )}
      </Flex>
      {changing && (
        <PricingDialog pricing={pricingIn(workshop)} onClose={() => setChanging(false)} />
      )}
    </Box>
  );
}

function ReasonRow({ reason }: { readonly reason: PriceReason }) {
  const units = useUnits();
  const currency = useCurrency();
  const { area, name, amount = 0, minutes = 0, share = 0, cents, unknown } = reason;
  const label = {
    material: name ?? '',
    work: 'Work',
    overhead: 'Overhead',
    margin: 'Margin',
    rounding: 'Rounded up',
  }[area];
  const detail = {
    material: reason.unit === 'mm' ? units.cord(amount) : `${amount} ×`,
    work: sayMinutes(minutes),
    overhead: `${Math.round(share * 100)} % of material and work`,
    margin: `${Math.round(share * 100)} % of all that`,
    rounding: '',
  }[area];
  return (
    <Flex justify="space-between" gap="4" py="1">
      <Text as="dt">
        {label}{' '}
        <Text as="span" color="muted" fontSize="sm">
          {detail}
        </Text>
      </Text>
      <Text as="dd" m="0" whiteSpace="nowrap">
        {unknown ? 'no price' : sayMoney(cents, currency)}
      </Text>
    </Flex>
  );
}
