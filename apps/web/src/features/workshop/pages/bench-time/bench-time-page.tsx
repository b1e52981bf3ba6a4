import { Box, Text } from '@chakra-ui/react';
import { isBest } from '@coiled-strand/workshop';
import { CalendarArrowDown, CalendarClock } from 'lucide-react';
import { useState } from 'react';
import { Changeable, ForMakers } from '../../../../ui/frame/for-makers';
import { Page, PageHead } from '../../../../ui/frame/page';
import { Button } from '../../../../ui/shell/button';
import { saveFile } from '../../../../ui/shell/save-file';
import { Loading } from '../../../../ui/shell/states';
import { slotsOn } from '../../week/slot-words';
import { sayMinutes } from '../../week/times';
import { useWeek, type Week } from '../../week/use-week';
import { HoursDialog } from './hours-dialog';
import { Timeline } from './timeline';

/** What is done when: sittings and waits, planned so that nothing is late, or the least late. */
export function BenchTimePage() {
  const week = useWeek();
  const [hours, setHours] = useState(false);
  const save = async (of: Week): Promise<void> => {
    const { calendarOf } = await import('../../week/calendar');
    saveFile('bench-time.ics', 'text/calendar', calendarOf(slotsOn(of), of.now));
  };
  return (
    <Page>
      <PageHead title="Bench time" about={week ? sayPlan(week) : ''}>
        <ForMakers>
          <Button onClick={() => setHours(true)}>
            <CalendarClock size={18} /> Your hours
          </Button>
        </ForMakers>
        <Button onClick={() => week && void save(week)} disabled={!week}>
          <CalendarArrowDown size={18} /> As a calendar
        </Button>
      </PageHead>
      {!week && <Loading what="Planning your week" />}
      {week?.jobs.length === 0 && (
        <Text maxW="56ch">
          Nothing is to be done. What is under way and what is ordered takes its place here: at the
          bench while you tie, and beside it while glue cures.
        </Text>
      )}
      {week && week.jobs.length > 0 && (
        <Changeable>
          <Timeline week={week} />
        </Changeable>
      )}
      {(week?.view.unplanned.length ?? 0) > 0 && (
        <Box mt="8">
          <Text fontWeight="600">Ordered and not laid out yet, so without a time</Text>
          {week?.view.unplanned.map(({ lineId, what, number }) => (
            <Text key={lineId}>
              {number > 1 && `${number} × `}
              {what}
            </Text>
          ))}
        </Box>
      )}
      {hours && week && (
        <HoursDialog week={{ value: week.week, etag: week.etag }} onClose={() => setHours(false)} />
      )}
    </Page>
  );
}

/** How good the plan is, in a line. */
function sayPlan({ plan, busy, view }: Week): string {
  const late = Math.max(0, plan.lateness.most) / 60_000;
  if (view.jobs.length === 0) return '';
  if (late === Infinity) return 'Not all of it fits into the weeks that are planned.';
  if (late < 1) return 'Nothing is late.';
  const by = late > 1440 ? `${(late / 1440).toFixed(1)} days` : sayMinutes(late);
  if (isBest(plan)) return `The latest is ${by} late, and no plan does better.`;
  const least = Math.max(0, plan.least) / 60_000;
  return `The latest is ${by} late${busy ? '; still looking' : ''}. No plan is under ${
    least > 1440 ? `${(least / 1440).toFixed(1)} days` : sayMinutes(least)
  }.`;
}
