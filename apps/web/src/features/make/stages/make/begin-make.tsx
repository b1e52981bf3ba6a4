import { Flex, Heading, Text } from '@chakra-ui/react';
import { Button } from '../../../../ui/shell/button';
import { makeSteps, secondsBesides, tyingSeconds } from '@coiled-strand/core';
import { useMemo } from 'react';
import { useBeginMake, useHand } from '../../../../data/api/queries';
import { countsOf } from '../../../piece/piece/counts';
import { isDirty, usePiece } from '../../../piece/piece/piece-store';
import { useStage } from '../../../piece/piece/stage-context';
import { sayDuration } from '../../make/duration';
import { useUnits } from '../../../../ui/settings/use-units';

/** Before the first step: what will be made, and the one button that begins. */
export function BeginMake() {
  const { view, piece, plan } = useStage();
  const hand = useHand();
  const units = useUnits();
  const begin = useBeginMake(view.id);
  const dirty = usePiece(isDirty);
  // Either hand takes as long.
  const besides = useMemo(
    () => (plan.ok ? secondsBesides(makeSteps(piece, plan, { hand: 'right' })) : 0),
    [piece, plan],
  );
  if (!plan.ok || plan.unmakeable)
    return <Text>This piece cannot be made until the faults listed above are fixed.</Text>;
  return (
    <Flex direction="column" gap="4" maxW="560px">
      <Heading as="h2" fontSize="xl">
        Ready when you are
      </Heading>
      <Text>
        {countsOf(plan).join(', ')} over {units.size(plan.fit.length)}, from{' '}
        {[...plan.strands, ...plan.auxiliary].map((s) => units.cord(s.cut)).join(' and ')} of cord.
        Tying takes about {sayDuration(tyingSeconds(piece, plan, hand))}, making ready, closing and
        finishing about {sayDuration(besides)}, waits not counted. The plan is kept as it is now;
        you may go on changing the piece meanwhile.
      </Text>
      <Flex>
        <Button
          variant="solid"
          size="large"
          // What the server would freeze must be what is seen here.
          disabled={begin.isPending || dirty}
          onClick={() => begin.mutate({})}
        >
          Begin making
        </Button>
      </Flex>
      {begin.isError && (
        <Text color="danger" role="alert">
          {begin.error.message}
        </Text>
      )}
    </Flex>
  );
}
