import type { OrderLineDto, OrderState, OrderView } from '@coiled-strand/contract';

export const STATE_WORDS: Readonly<Record<OrderState, string>> = {
  asked: 'asked for',
  promised: 'promised',
  'in-work': 'in work',
  ready: 'ready',
  'handed-over': 'handed over',
  'called-off': 'called off',
};

/** What an order goes to next, and how that is asked for; null where it is over. */
export const NEXT_STATE: Readonly<
  Record<OrderState, { readonly state: OrderState; readonly label: string } | null>
> = {
  asked: { state: 'promised', label: 'Promise it' },
  promised: { state: 'in-work', label: 'Begin it' },
  'in-work': { state: 'ready', label: 'It is ready' },
  ready: { state: 'handed-over', label: 'Hand it over' },
  'handed-over': null,
  'called-off': null,
};

/** Who ordered it. */
export const whoOf = ({ order, forgotten }: Pick<OrderView, 'order' | 'forgotten'>): string =>
  forgotten ? 'Somebody who was forgotten' : order.customer;

/** `2 × Perseid, small; Meridian` */
export const linesText = ({
  order,
}: {
  readonly order: { readonly lines: readonly Pick<OrderLineDto, 'number' | 'what' | 'size'>[] };
}): string =>
  order.lines
    .map(({ number, what, size }) =>
      [number > 1 ? `${number} × ${what}` : what, size].filter(Boolean).join(', '),
    )
    .join('; ');

/** How many of its pieces are made. */
export function madeOf({ order }: Pick<OrderView, 'order'>): {
  readonly made: number;
  readonly all: number;
} {
  return {
    made: order.lines.reduce((sum, { made, number }) => sum + Math.min(made, number), 0),
    all: order.lines.reduce((sum, { number }) => sum + number, 0),
  };
}
