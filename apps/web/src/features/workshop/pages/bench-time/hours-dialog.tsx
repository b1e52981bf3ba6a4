import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import type { WeekDto } from '@coiled-strand/contract';
import { dayFrom } from '@coiled-strand/workshop';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import type { Seen } from '../../../../data/api/changes';
import { useChangeWeek } from '../../../../data/api/week-queries';
import { CountField } from '../../../../ui/fields/count-field';
import { SelectField } from '../../../../ui/fields/select-field';
import { TextRow } from '../../../../ui/fields/text-row';
import { Button } from '../../../../ui/shell/button';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { ChangedMeanwhile, type Words } from '../../../../ui/shell/changed-meanwhile';
import { useDraft } from '../../../../ui/shell/use-draft';
import { clockText, sayDay, sayMinutes, WEEKDAY_NAMES } from '../../week/times';

interface Props {
  readonly week: Seen<WeekDto>;
  readonly onClose: () => void;
}

/** Minutes since midnight of `19:30`; null where it is no time. */
function minutesFrom(text: string): number | null {
  const read = /^(\d\d):(\d\d)$/.exec(text);
  return read ? Number(read[1]) * 60 + Number(read[2]) : null;
}

const WORDS: Words<WeekDto> = {
  days: {
    label: 'Hours',
    say: (days) =>
      days
        .flatMap(({ hours }, d) =>
          hours.map(({ from, to }) => `${WEEKDAY_NAMES[d]} ${clockText(from)} to ${clockText(to)}`),
        )
        .join(', ') || 'none',
  },
  longest: { label: 'Longest sitting', say: sayMinutes },
  zone: { label: 'Clock of the workshop', say: (zone) => zone },
  off: {
    label: 'Days off',
    say: (off) => off.map((day) => sayDay(dayFrom(day)!)).join(', ') || 'none',
  },
  pins: { label: 'Work put to a time', say: (pins) => `${pins.length} of it` },
};

const EVENING = { from: 19 * 60, to: 21 * 60 };

/** When the maker is at the bench. */
export function HoursDialog({ week: stored, onClose }: Props) {
  const draft = useDraft(stored);
  const { value: week, set, seen } = draft;
  const [off, setOff] = useState('');
  const change = useChangeWeek();
  const setHours = (day: number, hours: WeekDto['days'][number]['hours']): void =>
    set({ days: week.days.map((old, d) => (d === day ? { hours } : old)) });
  const save = async (): Promise<void> => {
    await change.mutateAsync({ seen, wanted: week });
    onClose();
  };
  const zones = Intl.supportedValuesOf('timeZone');
  return (
    <AskDialog
      onClose={onClose}
      size="wide"
      title="Your hours at the bench"
      action="Keep them"
      doing={[change]}
      onDo={save}
    >
      <ChangedMeanwhile draft={draft} words={WORDS} />
      <Flex direction="column" gap="2">
        {week.days.map(({ hours }, d) => (
          <Flex key={d} gap="4" align="center" flexWrap="wrap">
            <Text w="104px">{WEEKDAY_NAMES[d]}</Text>
            {hours.map(({ from, to }, h) => (
              <Flex key={h} gap="2" align="center">
                {(['from', 'to'] as const).map((end) => (
                  <Box key={end} w="148px">
                    <TextRow
                      label=""
                      aria-label={`${WEEKDAY_NAMES[d]} ${end}`}
                      type="time"
                      value={clockText(end === 'from' ? from : to)}
                      onChange={(event) => {
                        const minutes = minutesFrom(event.target.value);
                        if (minutes === null) return;
                        setHours(
                          d,
                          hours.map((old, i) => (i === h ? { ...old, [end]: minutes } : old)),
                        );
                      }}
                    />
                  </Box>
                ))}
                <Button
                  variant="bare"
                  size="icon"
                  aria-label={`Not at the bench on ${WEEKDAY_NAMES[d]}, ${clockText(from)}`}
                  onClick={() =>
                    setHours(
                      d,
                      hours.filter((_, i) => i !== h),
                    )
                  }
                >
                  <X size={16} />
                </Button>
              </Flex>
            ))}
            {hours.length < 3 && (
              <Button
                variant="bare"
                aria-label={`Hours on ${WEEKDAY_NAMES[d]}`}
                onClick={() => setHours(d, [...hours, EVENING])}
              >
                <Plus size={16} /> {hours.length === 0 ? 'Not at the bench' : ''}
              </Button>
            )}
          </Flex>
        ))}
      </Flex>
      <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="4" mt="6">
        <CountField
          label="Longest sitting, in minutes"
          value={week.longest}
          min={15}
          max={1440}
          onChange={(longest) => set({ longest })}
        />
        <SelectField
          label="Clock of the workshop"
          value={week.zone}
          options={[...new Set([week.zone, ...zones])].map((zone) => ({
            value: zone,
            label: zone,
          }))}
          onChange={(zone) => set({ zone })}
        />
        <Flex gap="2" align="flex-end">
          <TextRow
            label="A day off"
            type="date"
            value={off}
            onChange={(event) => setOff(event.target.value)}
          />
          <Button
            disabled={dayFrom(off) === null || week.off.includes(off)}
            onClick={() => {
              set({ off: [...week.off, off].sort() });
              setOff('');
            }}
          >
            Add
          </Button>
        </Flex>
        <Flex gap="2" flexWrap="wrap" align="center" pt="5">
          {week.off.map((day) => (
            <Button
              key={day}
              aria-label={`At the bench after all on ${day}`}
              onClick={() => set({ off: week.off.filter((one) => one !== day) })}
            >
              {sayDay(dayFrom(day)!)} <X size={14} />
            </Button>
          ))}
        </Flex>
      </Grid>
    </AskDialog>
  );
}
