import { Box, Flex, Grid, Heading, Link as ChakraLink, Text } from '@chakra-ui/react';
import type { Piece } from '@coiled-strand/core';
import { wallTime, dayFrom } from '@coiled-strand/workshop';
import { ArrowRight, Hourglass, ShoppingBasket } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useOrders, usePiecesById } from '../../../../data/api/week-queries';
import { MiniPiece } from '../../../piece/bench/mini-piece';
import { Button } from '../../../../ui/shell/button';
import { useShort } from '../../stock/use-short';
import { useOrderedWishes } from '../../stock/use-wishes';
import type { Wish } from '../../stock/demand';
import { amountText, nameOf } from '../../stock/words';
import { useUnits } from '../../../../ui/settings/use-units';
import { linesText, madeOf, whoOf } from '../../week/order-words';
import { actionOf, slotsOn, wayTo, type SlotOn } from '../../week/slot-words';
import { daysBetween, sayDaysLeft, sayMinutes, sayMoment, sayWhen } from '../../week/times';
import { dueAt, useWeek, type Week } from '../../week/use-week';

/** So many things of a kind are told here; the rest is a touch away. */
const SHOWN = 4;

/** What to take in hand now and why, what cures, what is due, what is short. */
export function Now() {
  const week = useWeek();
  if (!week || week.view.jobs.length === 0) return null;
  const slots = slotsOn(week);
  const [first] = slots;
  return (
    <Box as="section" aria-label="Now" mb={{ base: '8', md: '12' }}>
      {first ? <TakeInHand week={week} slots={slots} first={first} /> : <NoSitting week={week} />}
      <Grid
        templateColumns={{ base: '1fr', md: 'repeat(3, 1fr)' }}
        gap={{ base: '6', md: '10' }}
        mt={{ base: '6', md: '8' }}
      >
        <Cures week={week} />
        <Due week={week} />
        <IsShort />
      </Grid>
    </Box>
  );
}

interface FirstProps {
  readonly week: Week;
  readonly slots: readonly SlotOn[];
  readonly first: SlotOn;
}

/** The one thing to take up, large, and what comes after it in the same sitting. */
function TakeInHand({ week, slots, first }: FirstProps) {
  const { zone } = week.week;
  const { job, task } = first;
  const ids = job.pieceId === null ? [] : [job.pieceId];
  const piece: Piece | undefined = usePiecesById(ids).get(job.pieceId ?? '')?.piece;
  const sitting = week.sittings.find(({ start, end }) => first.start >= start && first.start < end);
  const atBench = sitting !== undefined && sitting.start <= week.now + 60_000;
  const after = slots.filter(
    ({ start, task: other }) => sitting && start < sitting.end && other.id !== task.id,
  );
  const label = job.makeId === null ? 'To the order' : 'Go on with it';
  return (
    <Grid
      templateColumns={{ base: '1fr', lg: '1fr 300px' }}
      gap={{ base: '4', lg: '10' }}
      bg="bench"
      borderRadius="12px"
      px={{ base: '5', md: '8' }}
      py={{ base: '5', md: '7' }}
    >
      <Box minW="0">
        <Text color="muted">
          {atBench
            ? 'Now'
            : `At the bench ${sitting ? sayMoment(sitting.start, zone, week.now) : ''}`}
        </Text>
        <Heading
          as="h2"
          fontSize={{ base: '2xl', md: '3xl' }}
          lineHeight="1.1"
          mt="1"
          data-testid="now"
        >
          {actionOf(task)}: {job.name}
        </Heading>
        <Text mt="2" maxW="60ch">
          {whyNow(week, first)}
        </Text>
        {piece && (
          <Box my="4" maxW="640px">
            <MiniPiece piece={piece} height={84} />
          </Box>
        )}
        <Button variant="solid" size="large" asChild mt={piece ? '0' : '5'}>
          <Link to={wayTo(job)}>
            {label} <ArrowRight size={20} />
          </Link>
        </Button>
      </Box>
      {after.length > 0 && (
        <Box>
          <Text color="muted">Then, until {sayMoment(sitting!.end, zone, week.now)}</Text>
          {after.slice(0, SHOWN).map((slot) => (
            <Text key={`${slot.task.id}${slot.start}`} mt="2" lineHeight="1.3">
              <b>
                {actionOf(slot.task)}: {slot.job.name}
              </b>
              <br />
              <Text as="span" color="muted">
                {sayMinutes((slot.end - slot.start) / 60_000)}
              </Text>
            </Text>
          ))}
          {after.length > SHOWN && (
            <ChakraLink asChild display="inline-block" mt="2" textDecoration="underline">
              <Link to="/bench-time">and {after.length - SHOWN} more</Link>
            </ChakraLink>
          )}
        </Box>
      )}
    </Grid>
  );
}

/** Why this comes first, in a sentence. */
function whyNow(week: Week, { job, task, start, end }: SlotOn): string {
  const { zone } = week.week;
  const minutes = sayMinutes(task.minutes);
  const room = (end - start) / 60_000 < task.minutes - 1 ? ', as far as the sitting goes' : '';
  const lies = task.wait >= 60 ? `, then it lies by itself for ${sayMinutes(task.wait)}` : '';
  const due = dueAt(job.due, zone);
  const who = job.customer ? ` for ${job.customer}` : '';
  if (due === null) return `${minutes} of work${room}${lies}${who}. Nobody waits for it by a day.`;
  const today = wallTime(week.now, zone);
  const day = dayFrom(job.due!)!;
  const spare = due - (week.plan.ready.get(job.id) ?? due);
  const keeps =
    spare < 0
      ? 'it will be late as things stand'
      : spare < 86_400_000
        ? 'it is ready just in time'
        : `it is ready ${Math.floor(spare / 86_400_000)} days before`;
  return `${minutes} of work${room}${lies}. Due ${sayWhen(day, today)}${who}; ${keeps}.`;
}

/** There is work, and no hour for it. */
function NoSitting({ week }: { readonly week: Week }) {
  return (
    <Box bg="bench" borderRadius="12px" px="6" py="6">
      <Text fontSize="lg" fontWeight="600">
        {week.plan.slots.length === 0 && week.sittings.length === 0
          ? 'You have no hours at the bench'
          : 'Nothing needs your hands just now'}
      </Text>
      <ChakraLink asChild textDecoration="underline">
        <Link to="/bench-time">To your bench time</Link>
      </ChakraLink>
    </Box>
  );
}

interface PartProps {
  readonly title: string;
  readonly to: string;
  readonly children: ReactNode;
}

const Part = ({ title, to, children }: PartProps) => (
  <Box minW="0">
    <Heading as="h2" fontSize="lg" mb="1">
      <ChakraLink
        asChild
        color="ink"
        textDecoration="none"
        _hover={{ textDecoration: 'underline' }}
      >
        <Link to={to}>{title}</Link>
      </ChakraLink>
    </Heading>
    {children}
  </Box>
);

function Cures({ week }: { readonly week: Week }) {
  const lying = week.view.jobs.filter(
    ({ release }) => release !== null && Date.parse(release) > week.now,
  );
  return (
    <Part title="Cures" to="/bench-time">
      {lying.map(({ id, name, release, waitsFor }) => (
        <Flex key={id} gap="2" align="flex-start" py="1" data-testid="cures">
          <Box color="warn" pt="1" flexShrink={0}>
            <Hourglass size={16} aria-hidden />
          </Box>
          <Text lineHeight="1.3">
            <b>{name}</b>, until {sayMoment(Date.parse(release!), week.week.zone, week.now)}
            <Text as="span" color="muted">
              {' '}
              ({waitsFor})
            </Text>
          </Text>
        </Flex>
      ))}
      {lying.length === 0 && <Text color="muted">Nothing lies.</Text>}
    </Part>
  );
}

function Due({ week }: { readonly week: Week }) {
  const { items } = useOrders({ state: 'open', sort: 'due', limit: SHOWN });
  const today = wallTime(week.now, week.week.zone);
  return (
    <Part title="Due" to="/orders">
      {items.map((view) => {
        const day = view.order.promisedFor === null ? null : dayFrom(view.order.promisedFor);
        const days = day && daysBetween(today, day);
        const { made, all } = madeOf(view);
        return (
          <ChakraLink key={view.id} asChild display="block" color="ink" textDecoration="none">
            <Link to={`/orders/${view.id}`}>
              <Text lineHeight="1.3" py="1" data-testid="due">
                <Text
                  as="span"
                  fontWeight="600"
                  color={days !== null && days < 0 ? 'danger' : 'ink'}
                >
                  {days === null ? 'No day yet' : sayDaysLeft(days)}
                </Text>
                : {linesText(view)}
                <Text as="span" color="muted">
                  {' '}
                  ({whoOf(view)}
                  {made > 0 && `, ${made} of ${all} made`})
                </Text>
              </Text>
            </Link>
          </ChakraLink>
        );
      })}
      {items.length === 0 && <Text color="muted">Nobody waits.</Text>}
    </Part>
  );
}

const NONE: readonly Wish[] = [];

function IsShort() {
  const units = useUnits();
  const wishes = useOrderedWishes();
  const { missing } = useShort(wishes ?? NONE);
  return (
    <Part title="Short" to="/buying">
      {missing?.slice(0, SHOWN).map(({ key, thing, amount }) => (
        <Flex key={key} gap="2" align="flex-start" py="1" data-testid="short">
          <Box color="warn" pt="1" flexShrink={0}>
            <ShoppingBasket size={16} aria-hidden />
          </Box>
          <Text lineHeight="1.3">
            <b>{amountText(thing, amount, units)}</b> {nameOf(thing)}
          </Text>
        </Flex>
      ))}
      {missing && missing.length > SHOWN && (
        <Text color="muted">and {missing.length - SHOWN} more</Text>
      )}
      {missing?.length === 0 && <Text color="muted">All that is ordered can be made.</Text>}
      {missing === null && <Text color="muted">Looking through the drawers</Text>}
    </Part>
  );
}
