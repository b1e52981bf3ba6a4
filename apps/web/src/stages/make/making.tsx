import { Box, Flex, Text } from '@chakra-ui/react';

import { sideAt } from '@coiled-strand/core';
import { useLayoutEffect, useRef, useState, type MouseEvent } from 'react';
import { Link } from 'react-router';
import { sameDocument } from '../../piece/differences';
import { useStage } from '../../piece/stage-context';
import { placeAt, type Make } from '../../make/use-make';
import { useDevice } from '../../device/device-store';
import { Button } from '../../shell/button';
import { useHotkeys } from '../../shell/use-hotkeys';
import { CountDialog } from './count-dialog';
import { giveCue } from './cues';
import { LostDialog } from './lost-dialog';
import { MakeTools } from './make-tools';
import { MakesUnderWay } from './makes-under-way';
import { MeasureDialog } from './measure-dialog';
import { PlanChanged } from './plan-changed';
import { useProgress } from '../../make/progress-store';
import { StepBack } from './step-back';
import { StepView } from './step-view';
import { isBare, useLongPress } from './use-long-press';
import { useWakeLock } from './use-wake-lock';
import { beginWait, Waits } from '../../make/waits';

type Dialog = 'count' | 'lost' | 'measure';

/** The make on the table, one action at a time. */
export function Making({ make }: { readonly make: Make }) {
  const { view, piece } = useStage();
  const set = useProgress((state) => state.set);
  const pedal = useDevice((device) => device.pedal);
  const [dialog, setDialog] = useState<Dialog | null>(null);
  const [slow, setSlow] = useState(0);
  const { done, steps, place, finishFrom } = make;
  // Two taps may come before the page has drawn the first: each counts from where the last one led.
  const at = useRef(done);
  useLayoutEffect(() => {
    at.current = done;
  }, [done]);
  const tied = done >= finishFrom;
  const step = tied ? undefined : steps[place.index];
  const moveTo = (to: number): void => {
    if (to < 0 || to > finishFrom) return;
    at.current = to;
    setSlow(0);
    set(make.view.id, placeAt(make, to), step?.stage ?? 'tie');
  };
  const forward = (): void => {
    if (at.current >= finishFrom) return;
    moveTo(at.current + 1);
    cueAfter(make, at.current);
  };
  const back = (): void => moveTo(at.current - 1);
  const count = (unit: number): void => moveTo(done - place.unit + unit);
  const counts = step !== undefined && step.units > 1;
  const open = (which: Dialog) => (): void => {
    if (which === 'measure' || counts) setDialog(which);
  };
  useHotkeys({
    Space: forward,
    Enter: forward,
    Backspace: back,
    n: open('count'),
    w: open('lost'),
    r: open('measure'),
    s: () => setSlow((times) => times + 1),
    ...(pedal ? { [pedal]: forward } : {}),
  });
  useWakeLock();
  const press = useLongPress(open('count'));

  // A tap anywhere that is no control of its own goes on.
  const tap = (event: MouseEvent): void => {
    if (!press.wasLong() && isBare(event)) forward();
  };
  // A button that was touched must not keep the keys: the space bar goes on from wherever it was.
  const letGo = ({ detail }: MouseEvent): void => {
    const held = document.activeElement;
    if (detail > 0 && held instanceof HTMLButtonElement && !held.closest('[role=dialog]')) {
      held.blur();
    }
  };
  return (
    <Flex direction="column" gap="4" data-testid="making" onClick={letGo}>
      {!sameDocument(make.view.piece, piece) && <PlanChanged make={make} />}
      <Flex
        gap="2"
        align="center"
        justify="space-between"
        flexWrap="wrap"
        my={{ base: '-2', md: '0' }}
      >
        <MakesUnderWay make={make} />
        <MakeTools onLost={counts ? open('lost') : null} onMeasure={open('measure')} />
      </Flex>
      <Waits make={make} />
      {step ? (
        <Box
          onClick={tap}
          onPointerDown={press.onPointerDown}
          onPointerMove={press.onPointerMove}
          onPointerUp={press.onPointerUp}
          onPointerCancel={press.onPointerCancel}
          onContextMenu={(event: MouseEvent) => event.preventDefault()}
          cursor="pointer"
          userSelect="none"
          style={{ touchAction: 'manipulation' }}
          data-testid="tap-area"
        >
          <StepView make={make} step={step} slow={slow} onSlow={() => setSlow((n) => n + 1)}>
            <Flex
              gap="3"
              py="3"
              mt="2"
              align="center"
              flexWrap="wrap"
              // On a phone or an upright tablet the keys stay under the thumb.
              position={{ base: 'sticky', lg: 'static' }}
              bottom="0"
              bg="surface"
              zIndex="1"
            >
              <Button
                variant="solid"
                size="large"
                minW="170px"
                flex={{ base: '1', md: '0 0 auto' }}
                onClick={forward}
              >
                {counts ? 'Tied, next' : 'Done, next'}
              </Button>
              <Button size="large" onClick={back} disabled={done === 0}>
                One back
              </Button>
              {counts && (
                <Button
                  size="large"
                  // On a phone a long press does the same.
                  display={{ base: 'none', md: 'inline-flex' }}
                  onClick={open('count')}
                  title="Type how many (N)"
                >
                  Count
                </Button>
              )}
              <StepBack step={step} unit={place.unit} onBackTo={count} />
              <Text color="muted" fontSize="sm" display={{ base: 'none', lg: 'block' }}>
                Space or a tap goes on, Backspace goes back
              </Text>
            </Flex>
          </StepView>
        </Box>
      ) : (
        <AllTied pieceId={view.id} onBack={back} />
      )}
      {step && counts && (
        <>
          <CountDialog
            step={step}
            unit={place.unit}
            open={dialog === 'count'}
            onClose={() => setDialog(null)}
            onCount={count}
          />
          <LostDialog
            make={make}
            step={step}
            unit={place.unit}
            open={dialog === 'lost'}
            onClose={() => setDialog(null)}
            onCount={count}
          />
        </>
      )}
      <MeasureDialog make={make} open={dialog === 'measure'} onClose={() => setDialog(null)} />
    </Flex>
  );
}

/** What ears and hands are told after an action, and the wait that begins with it. */
function cueAfter({ steps, ...make }: Make, done: number): void {
  let before = 0;
  for (const step of steps) {
    if (done <= before + step.units) {
      const unit = done - before;
      const stepDone = unit === step.units;
      giveCue({ side: stepDone ? null : sideAt(step, unit), stepDone });
      if (stepDone) beginWait({ ...make, steps, done }, step);
      return;
    }
    before += step.units;
  }
}

function AllTied({ pieceId, onBack }: { readonly pieceId: string; readonly onBack: () => void }) {
  return (
    <Flex direction="column" gap="5" align="flex-start">
      <Text fontSize="2xl" fontWeight="600">
        All knots are tied
      </Text>
      <Flex gap="3">
        <Button variant="solid" size="large" asChild>
          <Link to={{ pathname: `/pieces/${pieceId}/finish`, search: window.location.search }}>
            On to finishing
          </Link>
        </Button>
        <Button size="large" onClick={onBack}>
          One back
        </Button>
      </Flex>
    </Flex>
  );
}
