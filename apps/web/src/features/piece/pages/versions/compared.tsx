import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { planPiece, type Hand } from '@coiled-strand/core';
import { useMemo } from 'react';
import { useHand } from '../../../../data/api/queries';
import { MiniPiece } from '../../bench/mini-piece';
import { sayWhen } from '../../../house/people/when';
import { ChangesTable } from '../../piece/changes-table';
import { rowsOf } from '../../piece/side-by-side';
import { SideBySideTable } from '../../piece/side-by-side-table';
import { useUnits } from '../../../../ui/settings/use-units';
import type { Moment } from './moments';

type Pair = readonly [Moment, Moment];

/** Both planned; a make in the hand that it was planned in. */
function usePlanned(pair: Pair, known: Hand) {
  const [one, other] = pair;
  return useMemo(
    () =>
      [one, other].map((moment) => ({
        moment,
        plan: planPiece(moment.piece, moment.hand ?? known),
      })),
    [one, other, known],
  );
}

/** Two moments of a piece: drawn to one scale, what they come to, and everything in which they differ. */
export function Compared({ pair }: { readonly pair: Pair }) {
  const units = useUnits();
  const planned = usePlanned(pair, useHand());
  const rows = useMemo(() => rowsOf(planned, units), [planned, units]);
  const span = Math.max(
    ...planned.map(({ plan }) =>
      plan.ok ? plan.closure.reach.start + plan.fit.length + plan.closure.reach.end : 1,
    ),
  );
  return (
    <Flex direction="column" gap="8">
      <Box bg="bench" borderRadius="10px" px={{ base: '3', md: '6' }} py="5">
        {planned.map(({ moment, plan }, i) => (
          <Box key={moment.id} mt={i === 0 ? '0' : '5'}>
            <Text fontSize="sm" color="muted">
              {moment.label}
            </Text>
            {plan.ok ? (
              <MiniPiece
                piece={moment.piece}
                height={76}
                span={span * 1.03}
                {...(moment.hand ? { hand: moment.hand } : {})}
              />
            ) : (
              <Text py="4">No drawing: {units.say(plan.advice[0]?.message ?? '')}</Text>
            )}
          </Box>
        ))}
      </Box>
      <Box>
        <Heading as="h2" fontSize="lg" mb="2">
          What it comes to
        </Heading>
        <SideBySideTable
          label="Both side by side"
          heads={pair.map((moment) => (
            <Head key={moment.id} moment={moment} />
          ))}
          rows={rows}
        />
      </Box>
      <Box>
        <Heading as="h2" fontSize="lg" mb="2">
          What was changed
        </Heading>
        {pair[0].hand !== pair[1].hand && (
          <Text color="muted" mb="2">
            Besides, a make goes by what was known of your hand when it was begun.
          </Text>
        )}
        <ChangesTable
          before={pair[0].piece}
          after={pair[1].piece}
          heads={[pair[0].label, pair[1].label]}
        />
      </Box>
    </Flex>
  );
}

const Head = ({ moment: { label, at } }: { readonly moment: Moment }) => (
  <>
    <Text fontWeight="600" maxW="220px" ml="auto">
      {label}
    </Text>
    <Text fontSize="sm" color="muted" fontWeight="400">
      {sayWhen(at)}
    </Text>
  </>
);
