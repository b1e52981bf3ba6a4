import { Box, Flex, Heading, Link as ChakraLink, Text } from '@chakra-ui/react';
import type { OrderView } from '@coiled-strand/contract';
import { Hammer } from 'lucide-react';
import { Link, useNavigate, useParams } from 'react-router';
import { Changeable, ForMakers } from '../../../../ui/frame/for-makers';
import { useBeginMake } from '../../../../data/api/queries';
import {
  orderIn,
  useChangeOrder,
  useMakeLine,
  useOrder,
  useOrderState,
} from '../../../../data/api/week-queries';
import { Page, PageHead } from '../../../../ui/frame/page';
import { AsksBeforeLeaving } from '../../../../ui/shell/asks-before-leaving';
import { Button } from '../../../../ui/shell/button';
import { ChangedMeanwhile } from '../../../../ui/shell/changed-meanwhile';
import { useDraft } from '../../../../ui/shell/use-draft';
import { ForgetCustomer } from '../../../house/people/forget-customer';
import { Fault, Loading } from '../../../../ui/shell/states';
import { toaster } from '../../../../ui/shell/toaster';
import { NEXT_STATE, STATE_WORDS, whoOf } from '../../week/order-words';
import { PromiseText } from '../../week/promise-text';
import { missingOf, OrderForm } from './order-form';
import { useOrderWords } from './use-order-words';
import { useOrderPromise } from './use-order-promise';

/** One order: who waits for what, how far it is, and what comes next. */
export function OrderPage() {
  const { id = '' } = useParams();
  const order = useOrder(id);
  return (
    <Page>
      {order.data ? (
        <Order key={id} view={order.data} />
      ) : order.error ? (
        <Fault error={order.error} onRetry={() => void order.refetch()} />
      ) : (
        <Loading what="Fetching the order" />
      )}
    </Page>
  );
}

function Order({ view }: { readonly view: OrderView }) {
  const draft = useDraft(orderIn(view));
  const { value: order, seen, changed, set, revert } = draft;
  const words = useOrderWords();
  const change = useChangeOrder(view.id);
  const setState = useOrderState(view.id);
  const next = NEXT_STATE[view.state];
  const over = next === null;
  const { week, promise } = useOrderPromise(order.lines, view.id);
  const missing = missingOf(order, view.forgotten);
  return (
    <>
      <PageHead title={whoOf(view)} about={`An order, ${STATE_WORDS[view.state]}`}>
        <ForMakers>
          {changed ? (
            <>
              <Button onClick={revert}>As it was</Button>
              <Button
                variant="solid"
                disabled={missing !== null || change.isPending}
                onClick={() => change.mutate({ seen, wanted: order })}
              >
                Keep the changes
              </Button>
            </>
          ) : (
            <>
              {!over && (
                <Button onClick={() => setState.mutate('called-off')} disabled={setState.isPending}>
                  Call it off
                </Button>
              )}
              {next ? (
                <Button
                  variant="solid"
                  onClick={() => setState.mutate(next.state)}
                  disabled={setState.isPending}
                >
                  {next.label}
                </Button>
              ) : (
                <Button onClick={() => setState.mutate('in-work')} disabled={setState.isPending}>
                  Open it again
                </Button>
              )}
            </>
          )}
        </ForMakers>
      </PageHead>
      {(change.error ?? setState.error ?? (changed && missing !== null)) && (
        <Text color="danger" role="alert" mb="5">
          {change.error?.message ?? setState.error?.message ?? missing}
        </Text>
      )}
      {changed && !change.isPending && <AsksBeforeLeaving />}
      <ChangedMeanwhile draft={draft} words={words} />
      <Changeable>
        {!over && <Lines view={view} />}
        <OrderForm
          order={order}
          onChange={set}
          forgotten={view.forgotten}
          promise={
            !over &&
            promise &&
            week && (
              <>
                <Text fontSize="sm" color="muted">
                  When can it be ready?
                </Text>
                <PromiseText promise={promise} zone={week.week.zone} />
              </>
            )
          }
        />
      </Changeable>
      {!view.forgotten && (
        <ForMakers role="owner">
          <Forget view={view} />
        </ForMakers>
      )}
    </>
  );
}

/** How far each line is, and a way to its piece. */
function Lines({ view }: { readonly view: OrderView }) {
  return (
    <Box mb="8" maxW="880px">
      {view.order.lines.map((line) => (
        <Flex key={line.id} gap="4" py="3" align="center" borderBottom="1px solid {colors.line}">
          <Box flex="1" minW="0">
            <Text fontSize="lg" fontWeight="600">
              {line.what}
              {line.size !== '' && `, ${line.size}`}
            </Text>
            <Text color="muted">
              {line.made} of {line.number} made
              {line.underWay > 0 && `, ${line.underWay} under way`}
            </Text>
          </Box>
          {line.pieceId !== null && (
            <>
              <ChakraLink asChild textDecoration="underline">
                <Link to={`/pieces/${line.pieceId}/${line.underWay > 0 ? 'make' : 'fit'}`}>
                  {line.underWay > 0 ? 'Go on' : 'To the piece'}
                </Link>
              </ChakraLink>
              {line.made + line.underWay < line.number && (
                <BeginFor pieceId={line.pieceId} lineId={line.id} what={line.what} />
              )}
            </>
          )}
        </Flex>
      ))}
    </Box>
  );
}

interface BeginProps {
  readonly pieceId: string;
  readonly lineId: string;
  readonly what: string;
}

function BeginFor({ pieceId, lineId, what }: BeginProps) {
  const navigate = useNavigate();
  const begin = useBeginMake(pieceId);
  const setLine = useMakeLine();
  const start = async (): Promise<void> => {
    try {
      const make = await begin.mutateAsync({ beside: true });
      await setLine.mutateAsync({ make: make.id, line: lineId });
      await navigate(`/pieces/${pieceId}/make`);
    } catch (error) {
      toaster.create({ title: (error as Error).message });
    }
  };
  return (
    <Button
      variant="solid"
      aria-label={`Begin one: ${what}`}
      onClick={() => void start()}
      disabled={begin.isPending || setLine.isPending}
    >
      <Hammer size={18} /> Begin one
    </Button>
  );
}

/** What is kept of the customer, and a way to forget it. */
function Forget({ view }: { readonly view: OrderView }) {
  return (
    <Box mt="12" maxW="880px">
      <Heading as="h2" fontSize="md">
        Personal data
      </Heading>
      <Text color="muted" mb="3">
        Name and contact are kept for as long as you need them to hand the pieces over.
      </Text>
      <ForgetCustomer id={view.customerId} name={view.order.customer}>
        Forget this customer
      </ForgetCustomer>
    </Box>
  );
}
