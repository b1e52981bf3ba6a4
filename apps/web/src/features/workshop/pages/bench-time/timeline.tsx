import { Box, Flex, Text } from '@chakra-ui/react';
import { DndContext, PointerSensor, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import type { WeekDto } from '@coiled-strand/contract';
import { wallTime, type Sitting } from '@coiled-strand/workshop';
import { Fragment, useMemo, useState } from 'react';
import { useChangeWeek } from '../../../../data/api/week-queries';
import { toaster } from '../../../../ui/shell/toaster';
import type { SlotOn } from '../../week/slot-words';
import { sayDay, sayTime, sayWhen } from '../../week/times';
import type { Week } from '../../week/use-week';
import { daysOf, type DayPlan } from './days';
import { SlotBar } from './slot-bar';
import { SlotDialog } from './slot-dialog';

/** The days on which something is done, is over or is due. */
export function Timeline({ week }: { readonly week: Week }) {
  const days = useMemo(() => daysOf(week), [week]);
  const longest = Math.max(
    60,
    ...days.flatMap(({ sittings }) => sittings.map(({ start, end }) => (end - start) / 60_000)),
  );
  const [chosen, setChosen] = useState<SlotOn | null>(null);
  const change = useChangeWeek();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 8 } }));
  const seen = { value: week.week, etag: week.etag };
  // One task is put to a time, whatever was done to others meanwhile.
  const putTo =
    (task: string, at: string | undefined) =>
    (now: WeekDto): WeekDto => {
      const others = now.pins.filter((one) => one.task !== task);
      return { ...now, pins: at === undefined ? others : [...others, { task, at }] };
    };
  const pin = (task: string, at: number | null): void => {
    const before = week.week.pins.find((one) => one.task === task)?.at;
    change.mutate(
      { seen, wanted: putTo(task, at === null ? undefined : new Date(at).toISOString()) },
      {
        onSuccess: () =>
          toaster.create({
            title: at === null ? 'The plan chooses again.' : 'Moved; the plan follows.',
            action: {
              label: 'Undo',
              onClick: () => change.mutate({ seen, wanted: putTo(task, before) }),
            },
          }),
        onError: (error) => toaster.create({ title: error.message }),
      },
    );
  };
  return (
    <DndContext
      sensors={sensors}
      accessibility={{ screenReaderInstructions: MOVING }}
      onDragEnd={({ active, over }) => over && pin(String(active.id), Number(over.id))}
    >
      <Box as="ol" listStyleType="none" m="0" p="0" aria-busy={week.busy} data-testid="timeline">
        {days.map((day) => (
          <DayRow key={day.key} plan={day} week={week} longest={longest} onChoose={setChosen} />
        ))}
      </Box>
      {chosen && (
        <SlotDialog
          week={week}
          slot={chosen}
          onPin={(at) => {
            pin(chosen.task.id, at);
            setChosen(null);
          }}
          onClose={() => setChosen(null)}
        />
      )}
    </DndContext>
  );
}

/** It is not picked up by keys: choosing it asks when it is to be done. */
const MOVING = { draggable: 'Choose it to put it to another time.' };

interface RowProps {
  readonly plan: DayPlan;
  readonly week: Week;
  /** Minutes that fill the page. */
  readonly longest: number;
  readonly onChoose: (slot: SlotOn) => void;
}

function DayRow({ plan, week, longest, onChoose }: RowProps) {
  const { zone } = week.week;
  const { day, sittings, slots, over, due } = plan;
  return (
    <Flex
      as="li"
      direction={{ base: 'column', md: 'row' }}
      gap={{ base: '1', md: '6' }}
      py="3"
      borderBottom="1px solid {colors.line}"
      data-testid="bench-day"
    >
      <Box w={{ md: '150px' }} flexShrink={0}>
        <Text fontWeight="600" lineHeight="1.25">
          {capital(sayWhen(day, wallTime(week.now, zone)))}
        </Text>
        <Text fontSize="sm" color="muted">
          {sayDay(day)}
        </Text>
      </Box>
      <Box flex="1" minW="0">
        {sittings.map((sitting) => (
          <SittingRow
            key={sitting.start}
            sitting={sitting}
            zone={zone}
            longest={longest}
            slots={slots.filter(({ start }) => start >= sitting.start && start < sitting.end)}
            pins={week.pins}
            onChoose={onChoose}
          />
        ))}
        {over.map(({ name, until }) => (
          <Text key={`${name}${until}`} fontSize="sm" color="warn">
            {sayTime(until, zone)}: {name}
          </Text>
        ))}
        {due.map((text) => (
          <Text key={text} fontWeight="600">
            {text}
          </Text>
        ))}
      </Box>
    </Flex>
  );
}

interface SittingProps {
  readonly sitting: Sitting;
  readonly zone: string;
  readonly longest: number;
  readonly slots: readonly SlotOn[];
  readonly pins: ReadonlyMap<string, number>;
  readonly onChoose: (slot: SlotOn) => void;
}

/** A while at the bench, to scale, with what is done in it. */
function SittingRow({ sitting, zone, longest, slots, pins, onChoose }: SittingProps) {
  const { setNodeRef, isOver } = useDroppable({ id: String(sitting.start) });
  const minutes = (sitting.end - sitting.start) / 60_000;
  return (
    <Flex
      direction={{ base: 'column', md: 'row' }}
      gap={{ base: '0', md: '3' }}
      align={{ md: 'center' }}
      mb="2"
    >
      <Text w="92px" flexShrink={0} fontSize="sm" color="muted">
        {sayTime(sitting.start, zone)}–{sayTime(sitting.end, zone)}
      </Text>
      <Box flex="1" minW="0" w={{ base: 'full', md: 'auto' }}>
        <Flex
          ref={setNodeRef}
          wrap="wrap"
          minH="48px"
          bg={isOver ? 'chalkFaint' : 'bench'}
          borderRadius="6px"
          overflow="hidden"
          style={{ width: `${(100 * minutes) / longest}%` }}
        >
          {slots.map((slot, i) => (
            <Fragment
              // The same stretch stays the same while a better plan moves it within its sitting.
              key={`${slot.task.id} ${slots.slice(0, i).filter(({ task }) => task === slot.task).length}`}
            >
              <Pause from={slots[i - 1]?.end ?? sitting.start} to={slot.start} />
              <SlotBar
                slot={slot}
                pinned={pins.has(slot.task.id)}
                onChoose={() => onChoose(slot)}
              />
            </Fragment>
          ))}
          <Pause from={slots.at(-1)?.end ?? sitting.start} to={sitting.end} />
        </Flex>
      </Box>
    </Flex>
  );
}

/** Where nothing is done. */
const Pause = ({ from, to }: { readonly from: number; readonly to: number }) =>
  to > from ? <Box style={{ flex: `${(to - from) / 60_000} 1 0` }} /> : null;

const capital = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1);
