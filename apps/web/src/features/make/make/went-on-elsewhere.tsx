import { Text } from '@chakra-ui/react';
import { actionsAt, placeOf } from '@coiled-strand/core';
import { useUnits } from '../../../ui/settings/use-units';
import { Button } from '../../../ui/shell/button';
import { Modal } from '../../../ui/shell/modal';
import { useOutbox } from '../../../data/outbox/outbox';
import { useProgress } from './progress-store';
import type { Make } from './use-make';

/** The make went on in another window or on another device too: a clear choice, before anything is taken back. */
export function WentOnElsewhere({ make }: { readonly make: Make }) {
  const there = useProgress((state) => state.elsewhere[make.view.id]);
  const goOn = useProgress((state) => state.goOn);
  const where = useWhere(make);
  if (!there) return null;
  const goOnFrom = (from: 'here' | 'there') => (): void => goOn(make.view.id, from);
  return (
    <Modal
      open
      onClose={() => undefined}
      dismissible={false}
      title="This make went on elsewhere"
      description="Another window or device has counted it too. Look at the work, and choose which is right."
      footer={
        <>
          <Button onClick={goOnFrom('here')}>Go on from here</Button>
          <Button variant="solid" onClick={goOnFrom('there')}>
            Go on from there
          </Button>
        </>
      }
    >
      <Text mb="2">There: {where(actionsAt(make.steps, there.at) ?? there.reached.done)}.</Text>
      <Text>Here: {where(make.done)}.</Text>
    </Modal>
  );
}

/** A place in a make, in words. */
function useWhere({ steps }: Make): (done: number) => string {
  const { say } = useUnits();
  return (done) => {
    const { index, unit } = placeOf(steps, done);
    const step = steps[index];
    if (!step) return 'all done';
    const counted = step.units > 1 ? `, ${unit + (step.from ?? 0)} done` : '';
    return `step ${index + 1} of ${steps.length}, “${say(step.title)}”${counted}`;
  };
}

/** What is tapped is known in this window alone until the server has it. */
export function NotKept() {
  const keeping = useOutbox((state) => state.keeping);
  if (keeping) return null;
  return (
    <Text role="alert" bg="warnFaint" borderRadius="soft" px="4" py="2">
      This browser has no room to keep what you count. It still goes to the server: leave this
      window open until the server has it.
    </Text>
  );
}
