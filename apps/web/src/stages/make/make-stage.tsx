import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '../../shell/button';
import { partKind, type Side, type Step } from '@coiled-strand/core';
import { useEffect, useLayoutEffect, useRef, type MouseEvent, type ReactNode } from 'react';
import { Link } from 'react-router';
import { useAbandonMake, useResumeMake } from '../../api/queries';
import { KnotPicture } from '../../bench/knot-picture';
import { Cautions } from '../../piece/cautions';
import { pluralOf } from '../../piece/counts';
import { sameDocument } from '../../piece/differences';
import { useStage } from '../../piece/piece-route';
import type { Make } from '../../piece/use-make';
import { toaster } from '../../shell/toaster';
import { useHotkeys } from '../../shell/use-hotkeys';
import { BeginMake } from './begin-make';
import { useProgress } from './progress-store';
import { StepBack } from './step-back';
import { useWakeLock } from './use-wake-lock';

/** One action at a time, for full hands. */
export function MakeStage() {
  const { make } = useStage();
  return make ? <Making make={make} /> : <BeginMake />;
}

function Making({ make }: { readonly make: Make }) {
  const { view, piece } = useStage();
  const set = useProgress((state) => state.set);
  const { done, steps, place, finishFrom } = make;
  // Two taps may come before the page has drawn the first: each counts from where the last one led.
  const at = useRef(done);
  useLayoutEffect(() => {
    at.current = done;
  }, [done]);
  const go = (step: 1 | -1): void => {
    const to = at.current + step;
    if (to < 0 || to > finishFrom) return;
    at.current = to;
    set(make.view.id, to);
  };
  const forward = (): void => go(1);
  const back = (): void => go(-1);
  useHotkeys({ Space: forward, Enter: forward, Backspace: back });
  useWakeLock();

  // A tap anywhere that is no control of its own goes on.
  const tap = (event: MouseEvent): void => {
    if (!(event.target as Element).closest('button, a, input')) forward();
  };
  const tied = done >= finishFrom;
  const step = steps[place.index];
  return (
    <Flex direction="column" gap="5" data-testid="making">
      {!sameDocument(make.view.piece, piece) && <PlanChanged make={make} />}
      {tied || !step ? (
        <Flex direction="column" gap="5" align="flex-start">
          <Text fontSize="2xl" fontWeight="600">
            All knots are tied
          </Text>
          <Flex gap="3">
            <Button variant="solid" size="large" asChild>
              <Link to={`/pieces/${view.id}/finish`}>On to finishing</Link>
            </Button>
            <Button size="large" onClick={back}>
              One back
            </Button>
          </Flex>
        </Flex>
      ) : (
        <Box
          onClick={tap}
          cursor="pointer"
          userSelect="none"
          style={{ touchAction: 'manipulation' }}
          data-testid="tap-area"
        >
          <StepAtHand make={make} step={step}>
            <Flex gap="3" mt="5" align="center" flexWrap="wrap">
              <Button variant="solid" size="large" minW="170px" onClick={forward}>
                {step.units > 1 ? 'Tied, next' : 'Done, next'}
              </Button>
              <Button size="large" onClick={back} disabled={done === 0}>
                One back
              </Button>
              <StepBack
                step={step}
                unit={place.unit}
                onBackTo={(unit) => {
                  at.current = done - (place.unit - unit);
                  set(make.view.id, at.current);
                }}
              />
              <Text color="muted" fontSize="sm" display={{ base: 'none', lg: 'block' }}>
                Space or a tap anywhere goes on, Backspace goes back
              </Text>
            </Flex>
          </StepAtHand>
          <NextUp steps={steps} index={place.index} />
        </Box>
      )}
    </Flex>
  );
}

interface StepProps {
  readonly make: Make;
  readonly step: Step;
  readonly children: ReactNode;
}

function StepAtHand({ make, step, children }: StepProps) {
  const { unit } = make.place;
  const side = step.sideOf?.(unit);
  const counts = step.units > 1;
  // The side is spoken as well as shown, for hands that cannot look up.
  useEffect(() => {
    document.title = side ? `${side}, ${unit + 1} of ${step.units}` : step.title;
    return () => {
      document.title = 'Coiled Strand';
    };
  }, [side, unit, step]);
  if (!counts) {
    return (
      <Box maxW="760px" minH="200px">
        <Text color="muted" mb="1">
          Step {make.place.index + 1} of {make.steps.length}
        </Text>
        <Text fontSize={{ base: 'xl', md: '2xl' }} fontWeight="600" lineHeight="1.15">
          {step.title}
        </Text>
        <Text fontSize={{ base: 'lg', md: 'xl' }} mt="3" lineHeight="1.4">
          {step.text}
        </Text>
        <Cautions cautions={step.cautions} />
        {children}
      </Box>
    );
  }
  const part = make.plan.parts.find((p) => p.id === step.part);
  const pictured = part !== undefined && partKind(part.kind).picture !== undefined;
  const title = step.unitText?.(unit) ?? (side ? sideTitle(side, pictured) : step.title);
  const sentence = title.length > 40;
  return (
    <Grid
      templateColumns={pictured ? { base: '150px 1fr', md: '300px 1fr' } : '1fr'}
      gap={{ base: '4', md: '10' }}
      alignItems="start"
    >
      {pictured && (
        <Box h={{ base: '230px', md: '350px' }} bg="bench" borderRadius="8px" overflow="hidden">
          <KnotPicture
            piece={make.view.piece}
            plan={make.plan}
            part={part.id}
            unit={unit}
            firstSide={make.firstSide}
            label={
              side
                ? `Next: the ${side} cord goes over the core`
                : (step.unitText?.(unit) ?? step.title)
            }
          />
        </Box>
      )}
      <Box>
        <Text
          fontSize={sentence ? { base: 'lg', md: 'xl' } : { base: 'xl', md: '3xl' }}
          fontWeight="600"
          lineHeight={sentence ? '1.3' : '1.1'}
        >
          {title}
        </Text>
        <Flex align="baseline" gap="4" flexWrap="wrap" mt="2">
          <Text
            fontSize="count"
            fontWeight="600"
            lineHeight="0.9"
            fontVariantNumeric="lining-nums proportional-nums"
            data-testid="counter"
            aria-live="polite"
            aria-label={`${unit} of ${step.units} ${pluralOf(step.unitName ?? 'time')} done`}
          >
            {unit}
          </Text>
          <Text fontSize={{ base: 'md', md: 'xl' }} color="muted">
            of {step.units} {pluralOf(step.unitName ?? 'time')} done
          </Text>
        </Flex>
        {children}
        <Text mt="4" maxW="600px" display={{ base: pictured ? 'none' : 'block', md: 'block' }}>
          {step.text}
        </Text>
        <Cautions cautions={step.cautions} />
      </Box>
    </Grid>
  );
}

/** Which cord goes next: over the core in a picture, else on which side. */
const sideTitle = (side: Side, pictured: boolean): string => {
  const name = side === 'left' ? 'Left' : 'Right';
  return pictured ? `${name} cord over` : `${name} side next`;
};

function NextUp({ steps, index }: { readonly steps: readonly Step[]; readonly index: number }) {
  const next = steps[index + 1];
  if (!next) return null;
  return (
    <Text mt="6" color="muted" fontSize={{ base: 'md', md: 'lg' }}>
      Then: {next.title}
    </Text>
  );
}

/** The piece was edited after this make began: it goes on by the old plan, or begins anew. */
function PlanChanged({ make }: { readonly make: Make }) {
  const { view } = useStage();
  const abandon = useAbandonMake(view.id);
  const resume = useResumeMake(view.id);
  const startOver = async (): Promise<void> => {
    await abandon.mutateAsync(make.view.id);
    toaster.create({
      title: 'That make is set aside.',
      action: { label: 'Take it up again', onClick: () => resume.mutate(make.view.id) },
    });
  };
  return (
    <Flex gap="4" align="center" flexWrap="wrap" bg="faint" borderRadius="soft" px="4" py="2">
      <Text flex="1" minW="240px">
        The piece has been changed since this make was begun. These steps follow the plan as it was.
      </Text>
      <Button onClick={() => void startOver()} disabled={abandon.isPending}>
        Set this make aside
      </Button>
      {abandon.isError && (
        <Text color="danger" role="alert">
          {abandon.error.message}
        </Text>
      )}
    </Flex>
  );
}
