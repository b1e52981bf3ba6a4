import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import {
  callAt,
  callNext,
  closureKind,
  doneByPart,
  partKind,
  pluralOf,
  sideAt,
  tyingSeconds,
  type Side,
  type Step,
} from '@coiled-strand/core';
import { useEffect, type ReactNode } from 'react';
import { Link } from 'react-router';
import { Button } from '../../../../ui/shell/button';
import { Mistakes } from '../../make/mistakes';
import { Cautions } from '../../../piece/piece/cautions';
import type { Make } from '../../make/use-make';
import { sayDuration } from '../../make/duration';
import { EndsNamed } from '../../make/ends-named';
import { FitFails } from './fit-fails';
import { useUnits } from '../../../../ui/settings/use-units';
import { StepPicture } from '../../make/step-picture';
import { Terms } from '../../../piece/piece/terms';

interface Props {
  readonly make: Make;
  readonly step: Step;
  readonly slow: number;
  readonly onSlow: () => void;
  readonly children: ReactNode;
}

/** Longer words than these are a sentence, and set smaller. */
const SENTENCE = 40;

/** The step at hand: its picture, what to do in large type, how many are done, what comes after. */
export function StepView({ make, step, slow, onSlow, children }: Props) {
  const { unit } = make.place;
  const { say } = useUnits();
  const side = sideAt(step, unit);
  const counts = step.units > 1 || (step.from ?? 0) > 0;
  const part = make.plan.parts.find((p) => p.id === step.part);
  const { closure } = make.view.piece;
  const inBook = part
    ? { id: part.kind, label: partKind(part.kind).entry.label }
    : step.part === 'closure'
      ? { id: closure.type, label: closureKind(closure.type).entry.label }
      : null;
  // Half knots alone go over a core; a plait has sides too.
  const crosses = step.bumps === true;
  const call = callAt(step, unit);
  const title = !counts
    ? say(step.title)
    : call !== null
      ? say(call)
      : side
        ? sideTitle(side, crosses)
        : say(step.title);
  const sentence = title.length > SENTENCE;
  const left = tyingSeconds(
    make.view.piece,
    make.plan,
    make.view.hand,
    doneByPart(make.steps, make.done),
  );
  // The side is spoken as well as shown, for hands that cannot look up.
  useEffect(() => {
    document.title = side ? `${side}, ${unit + 1} of ${step.units}` : say(step.title);
    return () => {
      document.title = 'Coiled Strand';
    };
  }, [side, unit, step, say]);
  return (
    <Grid
      // A tablet held upright has the picture above, large enough for arm's length.
      templateColumns={{ base: '1fr', lg: 'minmax(280px, 5fr) 7fr' }}
      gap={{ base: '2', md: '6', lg: '9' }}
      alignItems="start"
    >
      <StepPicture
        make={make}
        step={step}
        unit={unit}
        slow={slow}
        onSlow={onSlow}
        label={side && crosses ? `Next: the ${side} cord goes over the core` : `Next: ${title}`}
      />
      <Box minW="0">
        <Text color="muted" mb="1" fontSize={{ base: 'sm', md: 'md' }}>
          Step {make.place.index + 1} of {make.steps.length}
          {left > 0 && `, about ${sayDuration(left)} of tying left`}
        </Text>
        <Text
          fontSize={sentence ? { base: 'lg', md: 'xl' } : { base: 'xl', md: '3xl' }}
          fontWeight="600"
          lineHeight={sentence ? '1.3' : '1.12'}
        >
          {title}
        </Text>
        {counts && <Counter make={make} step={step} unit={unit} />}
        <NextCall make={make} />
        {children}
        {step.text !== '' && (
          <Text
            mt="4"
            maxW="640px"
            fontSize={counts ? 'md' : { base: 'lg', md: 'xl' }}
            lineHeight="1.4"
          >
            {say(step.text)}
          </Text>
        )}
        <Terms terms={step.terms} />
        <FitFails key={step.id} make={make} step={step} />
        {step.ends && <EndsNamed ends={step.ends} />}
        <Mistakes mistakes={step.mistakes} />
        {inBook && (
          <Button asChild variant="text" fontSize="sm" mt="3">
            <Link to={`/knot-book/${inBook.id}`}>{inBook.label} in the knot book</Link>
          </Button>
        )}
        <Cautions cautions={step.cautions} />
      </Box>
    </Grid>
  );
}

interface CounterProps {
  readonly make: Make;
  readonly step: Step;
  readonly unit: number;
}

function Counter({ make, step, unit }: CounterProps) {
  const from = step.from ?? 0;
  // Work that is interrupted to be tried on is counted through.
  const on = make.steps.find(
    (other) => other.from === from + step.units && other.part === step.part,
  );
  const all = from + step.units + (on && on.unitName === step.unitName ? on.units : 0);
  const name = pluralOf(step.unitName ?? 'time');
  return (
    <Flex align="baseline" gap="4" flexWrap="wrap" mt="2">
      <Text
        fontSize="count"
        fontWeight="600"
        lineHeight="0.9"
        fontVariantNumeric="lining-nums proportional-nums"
        data-testid="counter"
        aria-live="polite"
        aria-label={`${unit + from} of ${all} ${name} done`}
      >
        {unit + from}
      </Text>
      <Text fontSize={{ base: 'md', md: 'xl' }} color="muted">
        of {all} {name} done
      </Text>
    </Flex>
  );
}

/** What comes after what is at hand, greyed. */
function NextCall({ make }: { readonly make: Make }) {
  const { say } = useUnits();
  const call = callNext(make.steps, make.place);
  if (call === null) return null;
  const next = say(call);
  return (
    <Text
      mt="3"
      color="muted"
      lineClamp={2}
      fontSize={{ base: 'md', md: next.length > SENTENCE * 2 ? 'md' : 'lg' }}
      data-testid="next-call"
    >
      Then {next}
    </Text>
  );
}

/** Which cord goes next: over the core where the picture shows it, else on which side. */
const sideTitle = (side: Side, crosses: boolean): string => {
  const name = side === 'left' ? 'Left' : 'Right';
  return crosses ? `${name} cord over` : `${name} side next`;
};
