import { Box, Flex, Grid, Heading, Text } from '@chakra-ui/react';
import { stepPlaceOf, actionsBefore, type Step } from '@coiled-strand/core';
import { Check } from 'lucide-react';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { Cautions } from '../../../piece/piece/cautions';
import { useStage } from '../../../piece/piece/stage-context';
import type { Make } from '../../make/use-make';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { Loading } from '../../../../ui/shell/states';
import { EndsNamed } from '../../make/ends-named';
import { useProgress } from '../../make/progress-store';
import { StepPicture } from '../../make/step-picture';
import { Mistakes } from '../../make/mistakes';
import { beginWait, useWaitBefore, Waits } from '../../make/waits';
import { NotKept, WentOnElsewhere } from '../../make/went-on-elsewhere';
import { Terms } from '../../../piece/piece/terms';

/** The finishing steps for this material and closure, ticked off in order. */
export function FinishStage() {
  const { make, makeComes, view } = useStage();
  if (makeComes) return <Loading what="Fetching the plan" />;
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
  return <Finishing make={make} key={make.view.id} />;
}

function Finishing({ make }: { readonly make: Make }) {
  const { view } = useStage();
  const { search } = useLocation();
  const { steps, done, finishFrom, total } = make;
  const waiting = done < finishFrom;
  return (
    <Flex direction="column" gap="5" maxW="1080px">
      <Heading as="h2" fontSize="xl">
        {done >= total ? 'Finished' : waiting ? 'Once the knots are tied' : 'Finish it'}
        {make.beside && `, make ${make.view.number}`}
      </Heading>
      {waiting && (
        <Text>
          {finishFrom - done} steps of making are left.{' '}
          <Link to={{ pathname: `/pieces/${view.id}/make`, search }}>Go on making</Link>
        </Text>
      )}
      <NotKept />
      <Waits make={make} />
      <WentOnElsewhere make={make} />
      <Box as="ol" listStyleType="none" m="0" p="0">
        {steps.map((step, index) =>
          step.stage === 'finish' ? (
            <FinishStep key={step.id} make={make} step={step} index={index} />
          ) : null,
        )}
      </Box>
      {done >= total && (
        <Button variant="solid" size="large" asChild alignSelf="flex-start">
          <Link to={{ pathname: `/pieces/${view.id}/log`, search }}>Log it</Link>
        </Button>
      )}
    </Flex>
  );
}

interface StepProps {
  readonly make: Make;
  readonly step: Step;
  readonly index: number;
}

/** One thing to do: small once it is done, with its picture and cautions while it is next. */
function FinishStep({ make, step, index }: StepProps) {
  const set = useProgress((state) => state.set);
  const [slow, setSlow] = useState(0);
  const { say } = useUnits();
  const { steps, done } = make;
  const at = actionsBefore(steps, index);
  const ticked = done > at;
  const next = done === at;
  const wait = useWaitBefore(make, index);
  const blocked = next && wait !== null;
  const toggle = (): void => {
    const to = ticked ? at : at + 1;
    set(make.view, stepPlaceOf(make.steps, to), 'finish');
    if (!ticked) beginWait({ ...make, done: to }, step);
  };
  return (
    <Flex
      as="li"
      gap="4"
      py="4"
      borderTop="1px solid {colors.line}"
      color={ticked || next ? 'ink' : 'muted'}
      aria-current={next ? 'step' : undefined}
    >
      <Button
        role="checkbox"
        aria-checked={ticked}
        aria-label={say(step.title)}
        size="icon"
        w="44px"
        h="44px"
        minH="44px"
        flexShrink={0}
        variant={ticked ? 'solid' : 'line'}
        borderRadius="round"
        alignSelf="flex-start"
        // In order: the last ticked one can be unticked, the next one ticked.
        disabled={!(next || done === at + 1) || blocked}
        onClick={toggle}
      >
        {ticked && <Check size={20} />}
      </Button>
      <Grid
        flex="1"
        minW="0"
        templateColumns={{ base: '1fr', md: next ? '7fr 5fr' : '1fr' }}
        gap="5"
        alignItems="start"
      >
        <Box>
          <Text fontSize="lg" fontWeight="600" lineHeight="1.25">
            {say(step.title)}
          </Text>
          {step.text !== '' && (
            <Text mt="1" maxW="68ch">
              {say(step.text)}
            </Text>
          )}
          {!ticked && <Terms terms={step.terms} />}
          {blocked && (
            <Text mt="2" color="warn" fontWeight="600">
              Not yet: {wait}.
            </Text>
          )}
          {!ticked && step.ends && <EndsNamed ends={step.ends} />}
          {next && <Mistakes mistakes={step.mistakes} />}
          {!ticked && <Cautions cautions={step.cautions} />}
        </Box>
        {next && (
          <StepPicture
            make={make}
            step={step}
            unit={0}
            label={say(step.title)}
            slow={slow}
            onSlow={() => setSlow((n) => n + 1)}
          />
        )}
      </Grid>
    </Flex>
  );
}
