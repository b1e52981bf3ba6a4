import { Text } from '@chakra-ui/react';
import type { OrderDto } from '@coiled-strand/contract';
import { sameDocument } from '@coiled-strand/core';
import { wallTime, dayText } from '@coiled-strand/workshop';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { useAddOrder } from '../../../../data/api/week-queries';
import { Page, PageHead } from '../../../../ui/frame/page';
import { AsksBeforeLeaving } from '../../../../ui/shell/asks-before-leaving';
import { Button } from '../../../../ui/shell/button';
import { PromiseText } from '../../week/promise-text';
import { EMPTY_LINE, EMPTY_ORDER, missingOf, OrderForm } from './order-form';
import { useOrderPromise } from './use-order-promise';

/** More sizes than that nobody orders of one thing. */
const MAX_LINES = 20;

/** What an order begins with: nothing, or a line for each size of a piece that the address names. */
function startOf(search: URLSearchParams): OrderDto {
  const pieceId = search.get('piece');
  const sizes = search.getAll('size').slice(0, MAX_LINES);
  return pieceId === null || sizes.length === 0
    ? EMPTY_ORDER
    : { ...EMPTY_ORDER, lines: sizes.map((size) => ({ ...EMPTY_LINE, pieceId, size })) };
}

/** An order as it comes in, with the day that can be promised. */
export function NewOrderPage() {
  const navigate = useNavigate();
  const add = useAddOrder();
  const [search] = useSearchParams();
  const [began] = useState(() => startOf(search));
  const [order, setOrder] = useState(began);
  const [asked, setAsked] = useState(false);
  const { week, promise } = useOrderPromise(order.lines, null);
  const missing = missingOf(order);
  const save = async (): Promise<void> => {
    setAsked(true);
    if (missing !== null) return;
    const view = await add.mutateAsync(order);
    await navigate(`/orders/${view.id}`);
  };
  const zone = week?.week.zone ?? 'UTC';
  return (
    <Page>
      {!sameDocument(order, began) && !add.isPending && !add.isSuccess && <AsksBeforeLeaving />}
      <PageHead title="New order" />
      <OrderForm
        order={order}
        onChange={setOrder}
        promise={
          promise && (
            <>
              <Text fontSize="sm" color="muted">
                When can it be ready?
              </Text>
              <PromiseText promise={promise} zone={zone} />
              {promise.eighty < Infinity && (
                <Button
                  mt="2"
                  onClick={() =>
                    setOrder({
                      ...order,
                      promisedFor: dayText(
                        wallTime(
                          promise.ninetyFive < Infinity ? promise.ninetyFive : promise.eighty,
                          zone,
                        ),
                      ),
                    })
                  }
                >
                  Promise the later day
                </Button>
              )}
            </>
          )
        }
      />
      {((asked && missing !== null) || add.error) && (
        <Text color="danger" role="alert" mt="6">
          {add.error?.message ?? missing}
        </Text>
      )}
      <Button
        variant="solid"
        size="large"
        mt="8"
        onClick={() => void save()}
        disabled={add.isPending}
      >
        Write it down
      </Button>
    </Page>
  );
}
