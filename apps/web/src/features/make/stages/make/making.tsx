import { sameDocument } from '@coiled-strand/core';
import { Flex } from '@chakra-ui/react';
import { useState, type MouseEvent } from 'react';
import { useDevice } from '../../../../data/device/device-store';
import type { Make } from '../../make/use-make';
import { Waits } from '../../make/waits';
import { useMakingHere } from '../../../../ui/pocket/making-lock';
import { useStage } from '../../../piece/piece/stage-context';
import { useHotkeys } from '../../../../ui/shell/use-hotkeys';
import { AllTied } from './all-tied';
import { NotKept, WentOnElsewhere } from '../../make/went-on-elsewhere';
import { CountDialog } from './count-dialog';
import { LostDialog } from './lost-dialog';
import { MakeTools } from './make-tools';
import { MakesUnderWay } from './makes-under-way';
import { MeasureDialog } from './measure-dialog';
import { PlanChanged } from './plan-changed';
import { StepBack } from './step-back';
import { StepKeys } from './step-keys';
import { StepView } from './step-view';
import { TapArea } from './tap-area';
import { useMoves } from './use-moves';
import { useWakeLock } from './use-wake-lock';

type Dialog = 'count' | 'lost' | 'measure';

/** A button that was touched must not keep the keys: the space bar goes on from wherever it was. */
const letGo = ({ detail }: MouseEvent): void => {
  const held = document.activeElement;
  if (detail > 0 && held instanceof HTMLButtonElement && !held.closest('[role=dialog]')) {
    held.blur();
  }
};

/** The make on the table, one action at a time. */
export function Making({ make }: { readonly make: Make }) {
  const { view, piece } = useStage();
  const pedal = useDevice((device) => device.pedal);
  const [dialog, setDialog] = useState<Dialog | null>(null);
  const [slow, setSlow] = useState(0);
  const { forward, back, count } = useMoves(make, () => setSlow(0));
  const { done, steps, place, finishFrom } = make;
  const step = done >= finishFrom ? undefined : steps[place.index];
  const counts = step !== undefined && step.units > 1;
  const open = (which: Dialog) => (): void => {
    if (which === 'measure' || counts) setDialog(which);
  };
  const close = (): void => setDialog(null);
  const slower = (): void => setSlow((times) => times + 1);
  useHotkeys({
    Space: forward,
    Enter: forward,
    Backspace: back,
    n: open('count'),
    w: open('lost'),
    r: open('measure'),
    s: slower,
    ...(pedal ? { [pedal]: forward } : {}),
  });
  useWakeLock();
  useMakingHere();
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
      <NotKept />
      <Waits make={make} />
      {step ? (
        <TapArea onTap={forward} onLongPress={open('count')}>
          <StepView make={make} step={step} slow={slow} onSlow={slower}>
            <StepKeys
              onForward={forward}
              onBack={done === 0 ? null : back}
              onCount={counts ? open('count') : null}
            >
              <StepBack step={step} unit={place.unit} onBackTo={count} />
            </StepKeys>
          </StepView>
        </TapArea>
      ) : (
        <AllTied pieceId={view.id} onBack={back} />
      )}
      {step && counts && (
        <>
          <CountDialog
            step={step}
            unit={place.unit}
            open={dialog === 'count'}
            onClose={close}
            onCount={count}
          />
          <LostDialog
            make={make}
            step={step}
            unit={place.unit}
            open={dialog === 'lost'}
            onClose={close}
            onCount={count}
          />
        </>
      )}
      <WentOnElsewhere make={make} />
      <MeasureDialog make={make} open={dialog === 'measure'} onClose={close} />
    </Flex>
  );
}
