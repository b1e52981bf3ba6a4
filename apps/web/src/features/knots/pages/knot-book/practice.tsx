import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { callAt, sideAt, type Step } from '@coiled-strand/core';
import { ArrowLeft, ArrowRight } from 'lucide-react';
import { useState } from 'react';
import { Mistakes } from '../../../make/make/mistakes';
import { StepPicture } from '../../../make/make/step-picture';
import { Cautions } from '../../../piece/piece/cautions';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { useHotkeys } from '../../../../ui/shell/use-hotkeys';
import type { OnCord } from './shown';

interface At {
  readonly step: number;
  readonly unit: number;
}

const after = (steps: readonly Step[], { step, unit }: At): At | null =>
  unit + 1 < steps[step]!.units
    ? { step, unit: unit + 1 }
    : step + 1 < steps.length
      ? { step: step + 1, unit: 0 }
      : null;
const before = (steps: readonly Step[], { step, unit }: At): At | null =>
  unit > 0
    ? { step, unit: unit - 1 }
    : step > 0
      ? { step: step - 1, unit: steps[step - 1]!.units - 1 }
      : null;

interface Props {
  readonly shown: OnCord;
  /** Whether it is said which cords to take. */
  readonly cut: boolean;
}

/** Where a unit is among all of its kind: some are done in several steps. */
function countOf(steps: readonly Step[], step: Step, unit: number): string {
  const alike = steps.filter(
    ({ part, unitName }) => part === step.part && unitName === step.unitName,
  );
  const total = Math.max(...alike.map(({ from = 0, units }) => from + units));
  return total > 1 ? `${step.unitName ?? 'time'} ${(step.from ?? 0) + unit + 1} of ${total}` : '';
}

/** The steps of one thing, one after the other, on a cord that nothing depends on: nothing of it is kept. */
export function Practice({ shown, cut }: Props) {
  const { steps, piece, plan, firstSide } = shown;
  const { say, cord } = useUnits();
  const [at, setAt] = useState<At>({ step: 0, unit: 0 });
  const [slow, setSlow] = useState(0);
  const go = (to: At | null): void => {
    if (!to) return;
    setAt(to);
    setSlow(0);
  };
  const step = steps[at.step]!;
  useHotkeys({
    Space: () => go(after(steps, at)),
    Backspace: () => go(before(steps, at)),
    s: () => setSlow((times) => times + 1),
  });
  const side = sideAt(step, at.unit);
  const call = callAt(step, at.unit);
  const title = call === null ? say(step.title) : say(call);
  return (
    <>
      {cut && (
        <Text mb="4">
          Take{' '}
          {plan.strands
            .map(
              (strand) =>
                `${cord(strand.cut)} of ${strand.cord.name}${strand.fold === null ? '' : ', folded'}`,
            )
            .join('; ')}
          .
        </Text>
      )}
      <Grid
        templateColumns={{ base: '1fr', lg: 'minmax(280px, 5fr) 7fr' }}
        gap={{ base: '3', md: '6', lg: '9' }}
        alignItems="start"
        data-testid="practice"
      >
        <StepPicture
          make={{ plan, firstSide, view: { piece } }}
          step={step}
          unit={at.unit}
          slow={slow}
          onSlow={() => setSlow((times) => times + 1)}
          label={`Next: ${title}`}
        />
        <Box minW="0">
          <Text color="muted" aria-live="polite">
            {[
              ...(steps.length > 1 ? [`Step ${at.step + 1} of ${steps.length}`] : []),
              countOf(steps, step, at.unit),
              ...(side ? [`from the ${side}`] : []),
            ]
              .filter((words) => words !== '')
              .join(', ')}
          </Text>
          <Text fontSize={{ base: 'xl', md: '2xl' }} fontWeight="600" lineHeight="1.2" mt="1">
            {title}
          </Text>
          <Text mt="3" maxW="62ch" fontSize="lg" lineHeight="1.4">
            {say(step.text)}
          </Text>
          <Flex gap="3" mt="5">
            <Button disabled={!before(steps, at)} onClick={() => go(before(steps, at))}>
              <ArrowLeft size={18} /> Back
            </Button>
            {after(steps, at) ? (
              <Button variant="solid" onClick={() => go(after(steps, at))}>
                Done, next <ArrowRight size={18} />
              </Button>
            ) : (
              <Button variant="solid" onClick={() => go({ step: 0, unit: 0 })}>
                Once more from the start
              </Button>
            )}
          </Flex>
          <Mistakes mistakes={step.mistakes} />
          <Cautions cautions={step.cautions} />
        </Box>
      </Grid>
    </>
  );
}
