import type { OrderDto } from '@coiled-strand/contract';
import { dayFrom } from '@coiled-strand/workshop';
import { sayMoney } from '../../../../ui/fields/money';
import { useCurrency } from '../../../../ui/settings/use-currency';
import type { Words } from '../../../../ui/shell/changed-meanwhile';
import { linesText } from '../../week/order-words';
import { sayDay } from '../../week/times';

const quoted = (text: string | undefined): string => (text ? `“${text}”` : 'empty');

/** What each part of an order is called, and says. */
export function useOrderWords(): Words<OrderDto> {
  const currency = useCurrency();
  return {
    customer: { label: 'Who', say: quoted },
    contact: { label: 'How to reach them', say: quoted },
    lines: { label: 'What', say: (lines) => linesText({ order: { lines } }) },
    promisedFor: {
      label: 'Promised for',
      say: (day) => (day === null ? 'no day' : sayDay(dayFrom(day)!)),
    },
    price: {
      label: 'Price agreed',
      say: (cents) => (cents === null ? 'not agreed' : sayMoney(cents, currency)),
    },
    paid: { label: 'Paid', say: (cents) => sayMoney(cents, currency) },
    note: { label: 'Note', say: quoted },
  };
}
