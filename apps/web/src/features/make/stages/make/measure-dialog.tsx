import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import {
  doneByPart,
  KNOT_SPREAD,
  pluralOf,
  type Forecast,
  type HalfWay,
} from '@coiled-strand/core';
import { useState } from 'react';
import { LengthField } from '../../../../ui/fields/length-field';
import { counted } from '../../../piece/piece/counts';
import { StrandBadge } from '../../../piece/piece/strand-badge';
import type { Make } from '../../make/use-make';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { Modal } from '../../../../ui/shell/modal';
import { useProgress } from '../../make/progress-store';
import { useForecast, type Seen } from '../../make/use-forecast';

interface Props {
  readonly make: Make;
  readonly open: boolean;
  readonly onClose: () => void;
}

/** Half way: what lies on the table is measured, and what comes of it is told. */
export function MeasureDialog(props: Props) {
  return (
    <Modal
      open={props.open}
      onClose={props.onClose}
      size="wide"
      title="Measure now"
      description="Lay the work straight along a rule, not stretched. From the start of the work to the last knot; then, if you want to know whether the cord lasts, what is left of each cord beyond it."
    >
      <Measuring {...props} />
    </Modal>
  );
}

/** What was read off a rule; null where it was not. */
type Readings = Pick<HalfWay, 'left'> & { readonly length: number | null };

/** Lengths in mm that work and the cord left of it may have. */
const WORK = { min: 1, max: 5000 } as const;
const CORD = { min: 0, max: 100_000 } as const;
type Room = typeof WORK | typeof CORD;

const notOf = ({ min, max }: Room, mm: number | null): boolean =>
  mm !== null && (mm < min || mm > max);
const beyond = ({ min, max }: Room, say: (mm: number) => string): string =>
  `Between ${say(min)} and ${say(max)}: measure it again.`;

function Measuring({ make, onClose }: Props) {
  const units = useUnits();
  const { plan, view } = make;
  const take = useProgress((state) => state.setMeasured);
  const seen = useForecast(make);
  const done = doneByPart(make.steps, make.done);
  const planned = plan.parts.reduce(
    (sum, { id, layout }) => sum + layout.length * Math.min(1, (done[id] ?? 0) / layout.units),
    0,
  );
  const fresh = seen !== null && Object.entries(done).every(([id, n]) => seen.half.done[id] === n);
  const known: Readings = fresh ? seen.half : { length: null, left: plan.strands.map(() => null) };
  // What cannot be told yet stays here; what can is known wherever the make is followed.
  const [typed, setTyped] = useState<Readings | null>(null);
  const { length, left } = typed ?? known;
  const read = (next: Readings): void => {
    const told = next.length !== null && !notOf(WORK, next.length);
    if (told && !next.left.some((mm) => notOf(CORD, mm))) {
      take(view, { done, length: next.length, left: next.left });
      setTyped(null);
    } else setTyped(next);
  };
  const readCord = (i: number, mm: number | null): void =>
    read({ length, left: left.map((old, n) => (n === i ? mm : old)) });
  return (
    <Flex direction="column" gap="5">
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="4">
        <LengthField
          label="Length of the work so far"
          value={length}
          unit={units.unit}
          placeholder={`planned ${units.size(planned)}`}
          error={notOf(WORK, length) ? beyond(WORK, units.size) : undefined}
          onChange={(mm) => read({ length: mm, left })}
        />
        {plan.strands.map((strand, i) =>
          strand.given ? null : (
            <Flex key={strand.number} gap="3" align="flex-start">
              <Box pt="7">
                <StrandBadge number={strand.number} cord={strand.cord} size={30} />
              </Box>
              <LengthField
                label={`Cord ${strand.number}, left${strand.fold === null ? '' : ', both ends together'}`}
                value={left[i] ?? null}
                unit={units.cordUnit}
                placeholder="optional"
                error={notOf(CORD, left[i] ?? null) ? beyond(CORD, units.cord) : undefined}
                onChange={(mm) => readCord(i, mm)}
                onClear={() => readCord(i, null)}
              />
            </Flex>
          ),
        )}
      </Grid>
      {length !== null && seen && <Told make={make} seen={seen} />}
      <Flex justify="flex-end" gap="3">
        {seen && (
          <Button
            onClick={() => {
              take(view, null);
              setTyped(null);
            }}
          >
            Discard it
          </Button>
        )}
        <Button variant="solid" size="large" onClick={onClose}>
          Go on
        </Button>
      </Flex>
    </Flex>
  );
}

/** What a probability means for one cord, or for all of them. */
const lastsWords = (p: number, subject: string): string =>
  p > 0.995
    ? `${subject} lasts: more than 99 times in 100`
    : p < 0.005
      ? `${subject} will not last`
      : `${subject} lasts ${Math.round(p * 100)} times in 100`;

/** A take-up this many prior spreads off is a slip of the rule before it is a hand. Assumed. */
const UNLIKELY = 2.5;

/** What a unit of this make is like, beside the plan's. */
function unitWords({ pitchFactor, takeUpFactor }: Forecast, name: string): string {
  const off = (factor: number, more: string, less: string): string | null => {
    const percent = Math.round(Math.abs(factor - 1) * 100);
    return percent === 0 ? null : `${percent} % ${factor > 1 ? more : less}`;
  };
  const length = off(pitchFactor.factor, 'longer', 'shorter') ?? 'as long as planned';
  const cord = off(takeUpFactor.factor, 'more cord', 'less cord') ?? 'as much cord as planned';
  return `Your ${pluralOf(name)} come out ${length} and take ${cord}.`;
}

function Told({ make, seen }: { readonly make: Make; readonly seen: Seen }) {
  const units = useUnits();
  const { forecast: told, remedies } = seen;
  const { plan, view } = make;
  const sure = told.lasts >= view.piece.cutting.confidence;
  const target = plan.fit.length;
  return (
    <Flex direction="column" gap="4" data-testid="forecast">
      <Text fontSize="xl" fontWeight="600" color={sure ? 'ink' : 'warn'} aria-live="polite">
        {told.lasts < 0.005 ? 'A cord will run out' : lastsWords(told.lasts, 'Every cord')}.
      </Text>
      {Math.abs(Math.log(told.takeUpFactor.factor)) > UNLIKELY * KNOT_SPREAD && (
        <Text color="warn">
          That is far from what hands usually take. Were all ends of the cord measured, from the
          last knot on, and in the unit you meant?
        </Text>
      )}
      <LengthBand told={told} target={target} />
      <Box as="ul" listStyleType="disc" m="0" pl="5">
        <li>{unitWords(told, fillName(make))}</li>
        {told.fill && (
          <li>
            {told.fill.toLength === told.fill.planned
              ? `${counted(told.fill.planned, fillName(make))} still to tie, as planned, for ${units.size(target)}.`
              : `For ${units.size(target)} tie ${counted(told.fill.toLength, fillName(make))} more instead of ${told.fill.planned}.`}
          </li>
        )}
        <li>{closeBy(make, told)}</li>
        {told.strands
          .filter((strand) => strand.lasts < 0.995)
          .map((strand) => (
            <li key={strand.number}>
              Cord {strand.number} has {units.cord(strand.available)} and needs{' '}
              {units.cord(strand.needs)}, or {units.cord(strand.needsSurely)} to be sure:{' '}
              {lastsWords(strand.lasts, 'it')}.
            </li>
          ))}
      </Box>
      {remedies.length > 0 && (
        <Box>
          <Text fontWeight="600" mb="2">
            What can be done
          </Text>
          <Flex direction="column" gap="3">
            {remedies.map((remedy) => (
              <Box key={remedy.code} bg="warnFaint" borderRadius="soft" px="4" py="3">
                <Text fontWeight="600">{remedy.title}</Text>
                <Text>{units.say(remedy.text)}</Text>
              </Box>
            ))}
          </Flex>
        </Box>
      )}
    </Flex>
  );
}

/** What the parts that fill are made of. */
const fillName = ({ plan, steps, place }: Make): string => {
  const step = steps[place.index];
  return (
    plan.parts.find((part) => part.id === step?.part)?.layout.unitName ??
    plan.totals.counts[0]?.unitName ??
    'unit'
  );
};

/** Where the closure must begin at the latest, in words. */
function closeBy({ plan }: Make, { latest }: Forecast): string {
  const part = plan.parts.find((p) => p.id === latest.part);
  if (latest.all || !part) return 'The closure can be tied after the last part, as planned.';
  const name = part.layout.unitName;
  const at = plan.parts.indexOf(part) + 1;
  return `Begin the closure after ${counted(latest.unit, name)}${
    plan.parts.length > 1 ? ` of part ${at}` : ''
  } at the latest.`;
}

/** The length that comes out as a band on a rule, the planned one marked. */
function LengthBand({ told, target }: { readonly told: Forecast; readonly target: number }) {
  const units = useUnits();
  const { low, mid, high } = told.length;
  const from = Math.min(low, target) - 12;
  const to = Math.max(high, target) + 12;
  const x = (mm: number): string => `${((mm - from) / (to - from)) * 100}%`;
  return (
    <Box>
      <Text>
        Tied on as planned the parts come out {units.size(mid)}, nine times in ten between{' '}
        {units.size(low)} and {units.size(high)}; {units.size(target)} was planned.
      </Text>
      <Box position="relative" h="34px" mt="2" bg="rule" borderRadius="4px" aria-hidden>
        <Box
          position="absolute"
          top="6px"
          h="22px"
          bg="chalk"
          opacity="0.35"
          borderRadius="3px"
          style={{ left: x(low), width: `calc(${x(high)} - ${x(low)})` }}
        />
        <Box position="absolute" top="3px" h="28px" w="3px" bg="chalk" style={{ left: x(mid) }} />
        <Box
          position="absolute"
          top="0"
          h="34px"
          borderLeft="2px dashed {colors.ruleInk}"
          style={{ left: x(target) }}
        />
      </Box>
    </Box>
  );
}
