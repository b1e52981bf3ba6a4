import { Box, Flex, Text } from '@chakra-ui/react';
import type { Step } from '@coiled-strand/core';
import { Hourglass } from 'lucide-react';
import { useSyncExternalStore } from 'react';
import type { Make } from './use-make';
import { serverNow } from '../../../data/api/clock';
import { Button } from '../../../ui/shell/button';
import { useProgress } from './progress-store';

const MINUTE = 60_000;

let now = serverNow();
function tick(listener: () => void): () => void {
  now = serverNow();
  const timer = setInterval(() => {
    now = serverNow();
    listener();
  }, 1000);
  return () => clearInterval(timer);
}
/** The time now, told every second. */
const useNow = (): number => useSyncExternalStore(tick, () => now);

/** `23 h 59 min`, `4 min 10 s`: how long it still takes. */
export function sayLeft(ms: number): string {
  const seconds = Math.max(0, Math.ceil(ms / 1000));
  const minutes = Math.floor(seconds / 60);
  if (minutes >= 60) return `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
  return minutes > 0 ? `${minutes} min ${seconds % 60} s` : `${seconds} s`;
}

interface Running {
  readonly step: Step;
  readonly ends: number;
}

/** Waits of a make that were begun and not stopped. */
export function runningWaits(make: Pick<Make, 'steps' | 'timers'>): Running[] {
  return make.steps.flatMap((step) => {
    const started = make.timers[step.id];
    if (!step.wait || !started) return [];
    return [{ step, ends: Date.parse(started) + step.wait.minutes * MINUTE }];
  });
}

/** Begins the wait of a step that was just done. */
export function beginWait(make: Make, step: Step | undefined): void {
  if (!step?.wait || make.timers[step.id]) return;
  useProgress.getState().setTimer(make.view, step.id, new Date(serverNow()).toISOString());
}

/** What runs by itself: how long still, and what must not be done meanwhile. */
export function Waits({ make }: { readonly make: Make }) {
  const running = runningWaits(make);
  if (running.length === 0) return null;
  return (
    <Flex direction="column" gap="2" data-testid="waits">
      {running.map((wait) => (
        <WaitRow key={wait.step.id} make={make} wait={wait} />
      ))}
    </Flex>
  );
}

function WaitRow({ make, wait }: { readonly make: Make; readonly wait: Running }) {
  const left = wait.ends - useNow();
  const over = left <= 0;
  const setTimer = useProgress((state) => state.setTimer);
  const { what, not, minutes } = wait.step.wait!;
  const share = Math.min(1, Math.max(0, 1 - left / (minutes * MINUTE)));
  return (
    <Box bg={over ? 'faint' : 'warnFaint'} borderRadius="soft" overflow="hidden" maxW="760px">
      <Flex gap="3" px="4" py="2.5" align="center" flexWrap="wrap">
        <Box color={over ? 'muted' : 'warn'}>
          <Hourglass size={20} aria-hidden />
        </Box>
        <Box flex="1" minW="200px">
          <Text fontWeight="600" role="timer">
            {over ? `Over: ${what}, done.` : `Wait while ${what}: ${sayLeft(left)}`}
          </Text>
          {!over && <Text>{not}</Text>}
        </Box>
        <Button
          onClick={() => setTimer(make.view, wait.step.id, null)}
          aria-label={over ? `Put the timer away: ${what}` : `Stop the timer: ${what}`}
        >
          {over ? 'Put away' : 'Stop'}
        </Button>
      </Flex>
      <Box h="4px" bg="warn" style={{ width: `${share * 100}%` }} aria-hidden />
    </Box>
  );
}

/** What still runs before a step, in words; null when nothing does. */
export function useWaitBefore(make: Make, index: number): string | null {
  const time = useNow();
  const wait = runningWaits(make).find(
    ({ step, ends }) => ends > time && make.steps.indexOf(step) < index,
  );
  return wait ? `${wait.step.wait!.what}, ${sayLeft(wait.ends - time)} still` : null;
}
