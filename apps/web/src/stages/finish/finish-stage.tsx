import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { Button } from '../../shell/button';
import { actionsBefore } from '@coiled-strand/core';
import { Check } from 'lucide-react';
import { Link } from 'react-router';
import { Cautions } from '../../piece/cautions';
import { useStage } from '../../piece/piece-route';
import type { Make } from '../../piece/use-make';
import { useProgress } from '../make/progress-store';

/** The finishing steps for this material, ticked off in order. */
export function FinishStage() {
  const { make, view } = useStage();
  if (!make) {
    return (
      <Flex direction="column" gap="4" align="flex-start">
        <Text>Finishing comes after the knots. Nothing is being made of this piece right now.</Text>
        <Button asChild>
          <Link to={`/pieces/${view.id}/make`}>To Make</Link>
        </Button>
      </Flex>
    );
  }
  return <Finishing make={make} />;
}

function Finishing({ make }: { readonly make: Make }) {
  const { view } = useStage();
  const set = useProgress((state) => state.set);
  const { steps, done, finishFrom, total } = make;
  const waiting = done < finishFrom;
  return (
    <Flex direction="column" gap="5" maxW="820px">
      <Heading as="h2" fontSize="xl">
        {done >= total ? 'Finished' : waiting ? 'Once the knots are tied' : 'Finish it'}
      </Heading>
      {waiting && (
        <Text>
          {finishFrom - done} steps of making are left.{' '}
          <Link to={`/pieces/${view.id}/make`}>Go on making</Link>
        </Text>
      )}
      <Box as="ol" listStyleType="none" m="0" p="0">
        {steps.map((step, index) => {
          if (step.stage !== 'finish') return null;
          const at = actionsBefore(steps, index);
          const ticked = done > at;
          const next = done === at;
          return (
            <Flex
              as="li"
              key={step.id}
              gap="4"
              py="4"
              borderTop="1px solid {colors.line}"
              color={ticked || next ? 'ink' : 'muted'}
            >
              <Button
                role="checkbox"
                aria-checked={ticked}
                aria-label={step.title}
                size="icon"
                w="44px"
                h="44px"
                minH="44px"
                flexShrink={0}
                variant={ticked ? 'solid' : 'line'}
                borderRadius="round"
                alignSelf="flex-start"
                // In order: the last ticked one can be unticked, the next one ticked.
                disabled={!(next || done === at + 1)}
                onClick={() => set(make.view.id, ticked ? at : at + 1)}
              >
                {ticked && <Check size={20} />}
              </Button>
              <Box flex="1">
                <Text fontSize="lg" fontWeight="600" lineHeight="1.25">
                  {step.title}
                </Text>
                <Text mt="1">{step.text}</Text>
                {!ticked && <Cautions cautions={step.cautions} />}
              </Box>
            </Flex>
          );
        })}
      </Box>
      {done >= total && (
        <Button variant="solid" size="large" asChild alignSelf="flex-start">
          <Link to={`/pieces/${view.id}/log`}>Log it</Link>
        </Button>
      )}
    </Flex>
  );
}
