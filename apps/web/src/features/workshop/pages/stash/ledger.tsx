import { Box, Flex, Text } from '@chakra-ui/react';
import type { LotView, MovementView } from '@coiled-strand/contract';
import { Undo2 } from 'lucide-react';
import { ForMakers } from '../../../../ui/frame/for-makers';
import { serverNow } from '../../../../data/api/clock';
import { useWorkshop } from '../../../../data/api/queries';
import { useMovements, useUndoMovement } from '../../../../data/api/week-queries';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { More } from '../../../../ui/shell/more';
import { toaster } from '../../../../ui/shell/toaster';
import { amountText, movementFor, REASON_WORDS } from '../../stock/words';
import { sayMoment } from '../../week/times';

/** The lines of a lot's ledger, the last first. */
export function Ledger({ lot }: { readonly lot: LotView }) {
  const movements = useMovements(lot.id);
  return (
    <>
      <Box as="ol" listStyleType="none" m="0" p="0">
        {movements.items.map((movement) => (
          <Line key={movement.id} lot={lot} movement={movement} />
        ))}
      </Box>
      <More list={movements} what={['line', 'lines']} />
    </>
  );
}

function Line({ lot, movement }: { readonly lot: LotView; readonly movement: MovementView }) {
  const units = useUnits();
  const zone = useWorkshop().data?.week.zone ?? 'UTC';
  const undo = useUndoMovement();
  const { amount, reason, undone, undoes, grams } = movement;
  const what = movementFor(movement);
  return (
    <Flex
      as="li"
      gap="4"
      py="2.5"
      align="center"
      borderBottom="1px solid {colors.line}"
      color={undone ? 'muted' : 'ink'}
      data-testid="movement"
    >
      <Text
        w="118px"
        flexShrink={0}
        textAlign="right"
        fontWeight="600"
        textDecoration={undone ? 'line-through' : undefined}
      >
        {amount !== 0 &&
          `${amount < 0 ? '− ' : '+ '}${amountText(lot.thing, Math.abs(amount), units)}`}
      </Text>
      <Box flex="1" minW="0">
        <Text>
          {amount === 0 ? 'Went into a make' : REASON_WORDS[reason]}
          {grams !== null && ` (${grams} g on the scale)`}
          {undone && ', undone since'}
        </Text>
        <Text fontSize="sm" color="muted">
          {sayMoment(Date.parse(movement.at), zone, serverNow())}
          {what !== '' && `; ${what}`}
        </Text>
      </Box>
      {!undone && undoes === null && amount !== 0 && (
        <ForMakers>
          {' '}
          <Button
            variant="bare"
            size="icon"
            aria-label={`Undo: ${REASON_WORDS[reason]}`}
            title="Write the opposite"
            disabled={undo.isPending}
            onClick={() =>
              undo.mutate(movement.id, {
                onError: (error) => toaster.create({ title: error.message }),
              })
            }
          >
            <Undo2 size={18} />
          </Button>
        </ForMakers>
      )}
    </Flex>
  );
}
