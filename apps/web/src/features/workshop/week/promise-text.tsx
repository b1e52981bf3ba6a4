import { Box, Text } from '@chakra-ui/react';
import { wallTime, type ReadyBy } from '@coiled-strand/workshop';
import { DAYS } from './use-week';
import { sayDay } from './times';

interface Props {
  readonly promise: ReadyBy;
  readonly zone: string;
}

const dayOrLater = (instant: number, zone: string): string =>
  instant === Infinity ? `more than ${DAYS / 7} weeks away` : sayDay(wallTime(instant, zone));

/** When something can be ready: the days that are kept 80 and 95 times in 100. */
export function PromiseText({ promise: { eighty, ninetyFive, pace }, zone }: Props) {
  return (
    <Box data-testid="promise" aria-live="polite">
      <Text fontSize="xl" fontWeight="600" lineHeight="1.25">
        {dayOrLater(eighty, zone)}
        <Text as="span" fontSize="md" fontWeight="400" color="muted">
          {' '}
          is kept 80 times in 100
        </Text>
      </Text>
      <Text fontSize="lg" fontWeight="600" lineHeight="1.3">
        {dayOrLater(ninetyFive, zone)}
        <Text as="span" fontSize="md" fontWeight="400" color="muted">
          {' '}
          95 times in 100
        </Text>
      </Text>
      <Text fontSize="sm" color="muted" mt="1">
        {pace.rests > 0
          ? `By what hands are like and the times of your last ${pace.rests === 1 ? 'make' : `${pace.rests} makes`}, after all that is planned before it.`
          : 'By assumed times, with a wide margin. Every make that you log brings it nearer to your pace.'}
      </Text>
    </Box>
  );
}
