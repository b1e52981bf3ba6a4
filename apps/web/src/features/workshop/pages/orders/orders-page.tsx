import { Box, Flex, Grid, Link as ChakraLink, Text } from '@chakra-ui/react';
import { ORDER_FILTERS, ORDER_SORTS, PAGE, type OrderView } from '@coiled-strand/contract';
import { dayFrom, wallTime } from '@coiled-strand/workshop';
import { Plus } from 'lucide-react';
import { Link } from 'react-router';
import { ForMakers } from '../../../../ui/frame/for-makers';
import { serverNow } from '../../../../data/api/clock';
import { useWorkshop } from '../../../../data/api/queries';
import { useOrders } from '../../../../data/api/week-queries';
import { sayMoney } from '../../../../ui/fields/money';
import { SelectField } from '../../../../ui/fields/select-field';
import { Page, PageHead } from '../../../../ui/frame/page';
import { SearchField } from '../../../../ui/frame/search-field';
import { useAsked } from '../../../../ui/frame/use-asked';
import { useCurrency } from '../../../../ui/settings/use-currency';
import { Button } from '../../../../ui/shell/button';
import { More } from '../../../../ui/shell/more';
import { Fault, Loading } from '../../../../ui/shell/states';
import { useRested } from '../../../../ui/shell/use-rested';
import { linesText, madeOf, STATE_WORDS, whoOf } from '../../week/order-words';
import { daysBetween, sayDay, sayDaysLeft } from '../../week/times';

/** Who waits for what until when: what is due first stands first. */
export function OrdersPage() {
  const { asked, ask } = useAsked();
  const q = useRested(asked('q'));
  const state = ORDER_FILTERS.find((one) => one === asked('state')) ?? 'open';
  const sort = ORDER_SORTS.find((one) => one === asked('sort')) ?? 'due';
  const orders = useOrders({ q, state, sort });
  const { items, total, error } = orders;
  const searched = q !== '' || asked('q') !== '' || state !== 'open';
  return (
    <Page>
      <PageHead
        title="Orders"
        about={total === undefined ? '' : `${total} ${state === 'open' ? 'open' : 'in all'}`}
      >
        <ForMakers>
          <Button variant="solid" asChild>
            <Link to="/orders/new">
              <Plus size={18} /> New order
            </Link>
          </Button>
        </ForMakers>
      </PageHead>
      {((total ?? 0) > PAGE || searched) && (
        <Grid
          templateColumns={{ base: '1fr', sm: '2fr 1fr 1fr' }}
          gap="3"
          mb="6"
          maxW="820px"
          alignItems="flex-end"
          role="search"
        >
          <SearchField placeholder="who, or what" />
          <SelectField
            label="Show"
            value={state}
            options={[
              { value: 'open', label: 'Open ones' },
              { value: 'closed', label: 'Handed over, called off' },
              { value: 'all', label: 'All' },
            ]}
            onChange={(value) => ask('state', value === 'open' ? '' : value)}
          />
          <SelectField
            label="Order"
            value={sort}
            options={[
              { value: 'due', label: 'Due first' },
              { value: 'asked', label: 'Asked for last' },
            ]}
            onChange={(value) => ask('sort', value === 'due' ? '' : value)}
          />
        </Grid>
      )}
      {error ? (
        <Fault error={error} onRetry={orders.retry} />
      ) : (
        total === undefined && <Loading what="Looking at the orders" />
      )}
      {total === 0 && !searched && (
        <Text maxW="56ch">
          Nobody waits for anything. An order says who wants what until when; its pieces then take
          their place in your bench time, and it tells you which day you can promise.
        </Text>
      )}
      <Box>
        {items.map((order) => (
          <OrderRow key={order.id} order={order} />
        ))}
      </Box>
      <More list={orders} what={['order', 'orders']} />
      {!searched && (
        <Button variant="text" mt="6" onClick={() => ask('state', 'closed')}>
          What was handed over or called off
        </Button>
      )}
    </Page>
  );
}

function OrderRow({ order: view }: { readonly order: OrderView }) {
  const zone = useWorkshop().data?.week.zone ?? 'UTC';
  const currency = useCurrency();
  const { order, state } = view;
  const due = order.promisedFor === null ? null : dayFrom(order.promisedFor);
  const days = due && daysBetween(wallTime(serverNow(), zone), due);
  const { made, all } = madeOf(view);
  const owed = order.price === null ? 0 : order.price - order.paid;
  const over = state === 'handed-over' || state === 'called-off';
  const late = days !== null && days < 0 && !over;
  return (
    <ChakraLink asChild display="block" color="ink" textDecoration="none" data-testid="order">
      <Link to={`/orders/${view.id}`}>
        <Grid
          templateColumns={{ base: '1fr auto', md: '190px 1fr auto' }}
          gap={{ base: '1', md: '6' }}
          py="4"
          px="3"
          mx="-3"
          borderRadius="8px"
          borderBottom="1px solid {colors.line}"
          alignItems="baseline"
          _hover={{ bg: 'faint' }}
        >
          <Box gridColumn={{ base: '1 / -1', md: 'auto' }}>
            {due && days !== null ? (
              <>
                <Text
                  fontSize="lg"
                  fontWeight="600"
                  lineHeight="1.2"
                  color={late ? 'danger' : 'ink'}
                >
                  {over ? sayDay(due) : sayDaysLeft(days)}
                </Text>
                {!over && (
                  <Text fontSize="sm" color="muted">
                    {sayDay(due)}
                  </Text>
                )}
              </>
            ) : (
              <Text color="muted">no day promised</Text>
            )}
          </Box>
          <Box minW="0">
            <Text fontSize="lg" fontWeight="600" lineHeight="1.25">
              {whoOf(view)}
            </Text>
            <Text>{linesText(view)}</Text>
          </Box>
          <Flex direction="column" align="flex-end" textAlign="right">
            <Text fontWeight="600">{STATE_WORDS[state]}</Text>
            <Text fontSize="sm" color="muted">
              {made} of {all} made
              {owed > 0 && !over && `; ${sayMoney(owed, currency)} to pay`}
            </Text>
          </Flex>
        </Grid>
      </Link>
    </ChakraLink>
  );
}
