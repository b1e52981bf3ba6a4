import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import type { OrderDto, OrderLineDto, PieceView } from '@coiled-strand/contract';
import { Plus, X } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { useAllPieces } from '../../../../data/api/week-queries';
import { CountField } from '../../../../ui/fields/count-field';
import { MoneyField } from '../../../../ui/fields/money-field';
import { SelectField } from '../../../../ui/fields/select-field';
import { TextRow } from '../../../../ui/fields/text-row';
import { useCurrency } from '../../../../ui/settings/use-currency';
import { Button } from '../../../../ui/shell/button';

const OTHER = 'other';
const NONE = '';

interface Props {
  readonly order: OrderDto;
  readonly onChange: (order: OrderDto) => void;
  /** Whether name and contact were forgotten: they are not asked for again. */
  readonly forgotten?: boolean;
  /** What stands beside the day: when it can be ready. */
  readonly promise?: ReactNode;
}

export const EMPTY_LINE: OrderLineDto = {
  pieceId: null,
  what: '',
  size: '',
  colour: '',
  number: 1,
};
export const EMPTY_ORDER: OrderDto = {
  customer: '',
  contact: '',
  lines: [EMPTY_LINE],
  promisedFor: null,
  price: null,
  paid: 0,
  note: '',
};

/** What somebody ordered, in the order in which it is asked. */
export function OrderForm({ order, onChange, forgotten, promise }: Props) {
  const { data: pieces = [] } = useAllPieces();
  const currency = useCurrency();
  const set = (change: Partial<OrderDto>): void => onChange({ ...order, ...change });
  const setLine = (index: number, line: OrderLineDto): void =>
    set({ lines: order.lines.map((old, i) => (i === index ? line : old)) });
  return (
    <Flex direction="column" gap="8" maxW="880px">
      {!forgotten && (
        <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="4">
          <TextRow
            label="Who"
            value={order.customer}
            maxLength={120}
            onChange={(event) => set({ customer: event.target.value })}
          />
          <TextRow
            label="How to reach them"
            value={order.contact ?? ''}
            maxLength={200}
            onChange={(event) => set({ contact: event.target.value })}
          />
        </Grid>
      )}
      <Box>
        <Heading as="h2" fontSize="lg" mb="3">
          What
        </Heading>
        <Flex direction="column" gap="4">
          {order.lines.map((line, index) => (
            <Line
              key={line.id ?? `new-${index}`}
              line={line}
              pieces={pieces}
              onChange={(next) => setLine(index, next)}
              onRemove={
                order.lines.length > 1
                  ? () => set({ lines: order.lines.filter((_, i) => i !== index) })
                  : undefined
              }
            />
          ))}
        </Flex>
        <Button mt="3" onClick={() => set({ lines: [...order.lines, EMPTY_LINE] })}>
          <Plus size={18} /> Something else as well
        </Button>
      </Box>
      <Grid templateColumns={{ base: '1fr', md: '260px 1fr' }} gap={{ base: '4', md: '8' }}>
        <TextRow
          label="Promised for"
          type="date"
          value={order.promisedFor ?? ''}
          onChange={(event) =>
            set({ promisedFor: event.target.value === '' ? null : event.target.value })
          }
        />
        <Box>{promise}</Box>
      </Grid>
      <Grid templateColumns={{ base: '1fr 1fr', md: '1fr 1fr 2fr' }} gap="4">
        <MoneyField
          label="Price agreed"
          value={order.price}
          currency={currency}
          onChange={(price) => set({ price })}
          mayBeEmpty
          placeholder="not yet"
        />
        <MoneyField
          label="Paid"
          value={order.paid}
          currency={currency}
          onChange={(paid) => set({ paid: paid ?? 0 })}
        />
        <Box gridColumn={{ base: '1 / -1', md: 'auto' }}>
          <TextRow
            label="Note"
            value={order.note ?? ''}
            maxLength={4000}
            onChange={(event) => set({ note: event.target.value })}
          />
        </Box>
      </Grid>
    </Flex>
  );
}

interface LineProps {
  readonly line: OrderLineDto;
  readonly pieces: readonly PieceView[];
  readonly onChange: (line: OrderLineDto) => void;
  readonly onRemove: (() => void) | undefined;
}

function Line({ line, pieces, onChange, onRemove }: LineProps) {
  const [own, setOwn] = useState(line.what !== '' && line.pieceId === null);
  const choose = (id: string): void => {
    const view = pieces.find((one) => one.id === id);
    setOwn(!view);
    onChange({ ...line, pieceId: view?.id ?? null, what: view?.piece.name ?? '' });
  };
  return (
    <Grid
      templateColumns={{ base: '1fr 1fr', md: '2fr 1fr 1fr 90px 40px' }}
      gap="3"
      alignItems="flex-end"
      data-testid="order-line"
    >
      <Box gridColumn={{ base: '1 / -1', md: 'auto' }}>
        {own ? (
          <TextRow
            label="What, in words"
            value={line.what}
            maxLength={120}
            placeholder="to be laid out later"
            onChange={(event) => onChange({ ...line, what: event.target.value })}
          />
        ) : (
          <SelectField
            label="Piece"
            value={line.pieceId ?? NONE}
            options={[
              ...(line.pieceId === null ? [{ value: NONE, label: 'Choose one' }] : []),
              ...pieces.map(({ id, piece }) => ({
                value: id,
                label: `${piece.name}, ${piece.wearer.name}`,
              })),
              { value: OTHER, label: 'Something that is not on the bench yet' },
            ]}
            onChange={choose}
          />
        )}
      </Box>
      <TextRow
        label="Size"
        value={line.size ?? ''}
        maxLength={120}
        onChange={(event) => onChange({ ...line, size: event.target.value })}
      />
      <TextRow
        label="Colour"
        value={line.colour ?? ''}
        maxLength={120}
        onChange={(event) => onChange({ ...line, colour: event.target.value })}
      />
      <CountField
        label="How many"
        value={line.number}
        min={1}
        max={1000}
        onChange={(number) => onChange({ ...line, number })}
      />
      {onRemove ? (
        <Button variant="bare" size="icon" aria-label="Strike this line" onClick={onRemove}>
          <X size={18} />
        </Button>
      ) : (
        <Box />
      )}
    </Grid>
  );
}

/** What is still missing before an order can be kept; null where it is complete. */
export function missingOf(order: OrderDto, forgotten = false): string | null {
  if (!forgotten && order.customer.trim() === '') return 'Say who ordered it.';
  if (order.lines.some(({ what }) => what.trim() === '')) return 'Say what each line is.';
  return null;
}
