import { Box, Flex, Text } from '@chakra-ui/react';
import { callAt, drawBench, otherSide, pluralOf, sidesAt, type Step } from '@coiled-strand/core';
import { Minus, Plus } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Layers } from '../../../piece/bench/shapes';
import { LengthField } from '../../../../ui/fields/length-field';
import type { Make } from '../../make/use-make';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { Modal } from '../../../../ui/shell/modal';

interface Props {
  readonly make: Make;
  readonly step: Step;
  readonly unit: number;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onCount: (unit: number) => void;
}

/** Lost the place: which side was last, and the work as it looks at any count, to compare with. */
export function LostDialog(props: Props) {
  return (
    <Modal
      open={props.open}
      onClose={props.onClose}
      title="Where was I?"
      size="wide"
      description="Hold the work beside the drawing, and step until both look alike."
    >
      <Compare {...props} />
    </Modal>
  );
}

function Compare({ make, step, unit, onClose, onCount }: Props) {
  const units = useUnits();
  const [shown, setShown] = useState(unit);
  const from = step.from ?? 0;
  const part = make.plan.parts.find((p) => p.id === step.part);
  const sides = sidesAt(step, shown);
  const [last, next] = [callAt(step, shown - 1), callAt(step, shown)];
  const name = step.unitName ?? 'time';
  const done = shown + from;
  const long = part ? (part.layout.length * done) / part.layout.units : 0;
  const at = (count: number): void => setShown(Math.min(step.units, Math.max(0, count)));
  return (
    <Flex direction="column" gap="4">
      {part && <WorkAt make={make} part={part.id} done={done} />}
      <Flex align="center" gap="3" justify="center">
        <Button size="large" aria-label="One fewer" onClick={() => at(shown - 1)}>
          <Minus size={22} />
        </Button>
        <Text fontSize="2xl" fontWeight="600" minW="7em" textAlign="center" aria-live="polite">
          {done} {done === 1 ? name : pluralOf(name)}
        </Text>
        <Button size="large" aria-label="One more" onClick={() => at(shown + 1)}>
          <Plus size={22} />
        </Button>
      </Flex>
      {sides && (
        <Text fontSize="lg" textAlign="center">
          {sides.last
            ? `The last came from the ${sides.last}; the ${sides.next} is next${step.bumps ? `. The last bump lies on the ${otherSide(sides.last)}` : ''}.`
            : `None yet: the ${sides.next} is first.`}
        </Text>
      )}
      {last !== null && <Text textAlign="center">Last: {units.say(last)}</Text>}
      {next !== null && <Text textAlign="center">Next: {units.say(next)}</Text>}
      {part && part.layout.units > 1 && (
        <Flex gap="4" align="flex-end" flexWrap="wrap">
          <Box flex="1" minW="200px">
            <LengthField
              label="Or measure this part: it is long"
              value={long}
              unit={units.unit}
              onChange={(mm) =>
                at(Math.round((mm / part.layout.length) * part.layout.units) - from)
              }
            />
          </Box>
          <Text color="muted" pb="2" flex="1" minW="200px">
            As planned; a hand of another tension comes out a little different.
          </Text>
        </Flex>
      )}
      <Flex justify="flex-end" gap="3">
        <Button size="large" onClick={onClose}>
          Cancel
        </Button>
        <Button
          variant="solid"
          size="large"
          onClick={() => {
            onCount(shown);
            onClose();
          }}
        >
          Here I am
        </Button>
      </Flex>
    </Flex>
  );
}

/** Millimetres of work in sight before the last unit, and beyond it. */
const SIGHT = { before: 55, beyond: 20 } as const;

/** The piece as it lies with some units of a part done, true to scale about the last. */
function WorkAt({
  make,
  part,
  done,
}: {
  readonly make: Make;
  readonly part: string;
  readonly done: number;
}) {
  const { plan, firstSide } = make;
  const { piece } = make.view;
  const index = plan.parts.findIndex((p) => p.id === part);
  const drawing = useMemo(
    () =>
      drawBench(piece, plan, {
        firstSide,
        tails: false,
        done: Object.fromEntries([
          ...plan.parts.map((p, i) => [p.id, i < index ? Infinity : i === index ? done : 0]),
          ['closure', 0],
        ]) as Record<string, number>,
      }),
    [piece, plan, firstSide, index, done],
  );
  const place = plan.parts[index]!;
  const x = place.start + (place.layout.length * done) / place.layout.units;
  const half = Math.max(10, place.layout.width * 0.9);
  return (
    <Box bg="bench" borderRadius="8px" overflow="hidden" h={{ base: '150px', md: '200px' }}>
      <svg
        role="img"
        aria-label={`The work with ${done} done`}
        viewBox={`${x - SIGHT.before} ${-half} ${SIGHT.before + SIGHT.beyond} ${2 * half}`}
        preserveAspectRatio="xMidYMid meet"
        style={{ width: '100%', height: '100%', display: 'block' }}
      >
        <Layers layers={drawing.layers} />
        <path
          d={`M${x} ${-half}V${half}`}
          style={{ stroke: 'var(--chalk)' }}
          strokeWidth={0.5}
          strokeDasharray="1.6 1.2"
        />
      </svg>
    </Box>
  );
}
