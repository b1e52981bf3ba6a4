import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import type { ShoppingItemView } from '@coiled-strand/contract';
import { FileDown, PackageCheck, Printer, X } from 'lucide-react';
import { useState } from 'react';
import { Changeable } from '../../../../ui/frame/for-makers';
import {
  useShopping,
  useShoppingTotals,
  useStrike,
  useTick,
} from '../../../../data/api/week-queries';
import { sayMoney } from '../../../../ui/fields/money';
import { TickField } from '../../../../ui/fields/tick-field';
import { Page, PageHead } from '../../../../ui/frame/page';
import { useCurrency } from '../../../../ui/settings/use-currency';
import { SaveLink } from '../../../../ui/shell/save-link';
import { Button } from '../../../../ui/shell/button';
import { More } from '../../../../ui/shell/more';
import { Fault, Loading } from '../../../../ui/shell/states';
import { ThingSwatch } from '../../stock/thing-swatch';
import { nameOf } from '../../stock/words';
import { ArrivedDialog } from './arrived-dialog';
import { Missing } from './missing';
import '../../../../ui/settings/print.css';

/** What is missing for what is ordered, and the list that is taken along. */
export function BuyingPage() {
  const shopping = useShopping();
  const currency = useCurrency();
  const { items, total = 0 } = shopping;
  const { data: totals } = useShoppingTotals();
  return (
    <Page>
      <PageHead
        title="To buy"
        about={
          total > 0
            ? `${total} on the list${totals ? `, ${sayMoney(totals.cents, currency)}${totals.unpriced ? ' and what has no price' : ''}` : ''}`
            : 'The list is empty'
        }
      >
        <Button onClick={() => window.print()} disabled={items.length === 0}>
          <Printer size={18} /> Print
        </Button>
        <SaveLink path="/shopping/csv">
          <FileDown size={18} /> As a table
        </SaveLink>
      </PageHead>
      {shopping.error ? (
        <Fault error={shopping.error} onRetry={shopping.retry} />
      ) : (
        shopping.total === undefined && <Loading what="Fetching the list" />
      )}
      <Box maxW="860px">
        <Changeable>
          {items.map((view) => (
            <Item key={view.id} view={view} />
          ))}
        </Changeable>
        <More list={shopping} what={['line', 'lines']} />
        <Box mt="10" className="no-print">
          <Heading as="h2" fontSize="xl" mb="1">
            Missing for what is ordered
          </Heading>
          <Changeable>{totals && <Missing coming={totals.coming} />}</Changeable>
        </Box>
      </Box>
    </Page>
  );
}

function Item({ view }: { readonly view: ShoppingItemView }) {
  const currency = useCurrency();
  const tick = useTick();
  const strike = useStrike();
  const [arriving, setArriving] = useState(false);
  const { id, item, ticked, arrived } = view;
  const count = item.count - arrived;
  const name = nameOf(item.thing);
  return (
    <Flex
      gap="4"
      py="3"
      align="center"
      flexWrap={{ base: 'wrap', sm: 'nowrap' }}
      borderBottom="1px solid {colors.line}"
      className="print-keep print-row"
      data-testid="to-buy"
    >
      <Box className="no-print">
        <TickField
          label={`Got it: ${name}`}
          hideLabel
          checked={ticked}
          onChange={(next) => tick.mutate({ id, ticked: next })}
        />
      </Box>
      <Box className="print-only tick-box" aria-hidden />
      <Box flex="1" minW="180px">
        <Flex gap="3" align="center">
          <ThingSwatch thing={item.thing} />
          <Text fontSize="lg" fontWeight="600" textDecoration={ticked ? 'line-through' : undefined}>
            {name}
          </Text>
        </Flex>
        <Text color="muted">
          {count} × {item.label}
          {item.note && `; for ${item.note}`}
        </Text>
      </Box>
      <Text fontWeight="600">
        {item.cents === null ? 'no price' : sayMoney(item.cents * count, currency)}
      </Text>
      <Flex gap="2" className="no-print">
        <Button aria-label={`Arrived: ${name}`} onClick={() => setArriving(true)}>
          <PackageCheck size={18} /> Arrived
        </Button>
        <Button
          variant="bare"
          size="icon"
          aria-label={`Strike ${name} off the list`}
          onClick={() => strike.mutate(id)}
        >
          <X size={18} />
        </Button>
      </Flex>
      {arriving && <ArrivedDialog view={view} onClose={() => setArriving(false)} />}
    </Flex>
  );
}
