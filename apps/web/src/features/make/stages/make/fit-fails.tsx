import { Box, Flex, List, Text } from '@chakra-ui/react';
import { refit, type Refit, type Step } from '@coiled-strand/core';
import { useMemo, useState } from 'react';
import { Choices } from '../../../../ui/fields/choices';
import { LengthField } from '../../../../ui/fields/length-field';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { Modal } from '../../../../ui/shell/modal';
import { counted } from '../../../piece/piece/counts';
import type { Make } from '../../make/use-make';

interface Props {
  readonly make: Make;
  readonly step: Step;
}

/** Whether it is tried on in a step while its length can still be changed. */
const canChange = ({ actions = [] }: Step): boolean =>
  actions.some((action) => action.do === 'try-on' && action.how !== 'closed');

/** Beside a try-on: what to do when it does not fit. */
export function FitFails({ make, step }: Props) {
  const [open, setOpen] = useState(false);
  if (!canChange(step)) return null;
  return (
    <>
      <Button mt="4" onClick={() => setOpen(true)}>
        It does not fit
      </Button>
      <Modal
        open={open}
        onClose={() => setOpen(false)}
        size="wide"
        title="It does not fit"
        description="Close the ends where they should meet, and measure how far off they are."
      >
        <Mending make={make} step={step} />
        <Flex justify="flex-end" mt="5">
          <Button variant="solid" size="large" onClick={() => setOpen(false)}>
            Go on
          </Button>
        </Flex>
      </Modal>
    </>
  );
}

type Way = 'long' | 'short';
const WAYS = [
  { value: 'long', label: 'Too long' },
  { value: 'short', label: 'Too short' },
] as const;

/** As far off in mm as can be mended, and not be another piece. */
const MOST = 100;

function Mending({ make, step }: Props) {
  const units = useUnits();
  const [way, setWay] = useState<Way>('long');
  const [by, setBy] = useState<number | null>(null);
  const far = by !== null && by > MOST;
  const { view, plan, firstSide } = make;
  const mended = useMemo(
    () =>
      by === null || by <= 0 || by > MOST
        ? undefined
        : refit(
            view.piece,
            plan,
            step.id,
            way === 'long' ? by : -by,
            { first: firstSide, words: true },
            view.hand,
          ),
    [view.piece, view.hand, plan, firstSide, step.id, way, by],
  );
  return (
    <Flex direction="column" gap="4">
      <Choices label="It is" choices={WAYS} value={way} onChange={setWay} />
      <LengthField
        label="By how much"
        value={by}
        unit={units.unit}
        error={far ? `At most ${units.size(MOST)}: more than that is another piece.` : undefined}
        onChange={setBy}
        onClear={() => setBy(null)}
      />
      <Box role="status">{mended !== undefined && <Told mended={mended} />}</Box>
    </Flex>
  );
}

function Told({ mended }: { readonly mended: Refit | null }) {
  const { say } = useUnits();
  if (mended === null || mended.refused) {
    const short = mended?.refused?.code === 'out-of-cord' ? mended.refused : null;
    return (
      <Text>
        {short
          ? `So much cannot be added: ${say(short.message)}`
          : 'It cannot be told knot by knot. Undo what you made last, try it round again, and go on from there.'}
      </Text>
    );
  }
  return (
    <List.Root as="ol" listStyle="decimal" ps="6" data-testid="mended">
      {mended.steps.map((own) => (
        <List.Item key={own.id} mb="3">
          <Text as="span" fontWeight="600">
            {say(own.title)}
            {own.units > 1 && own.unitName ? `: ${counted(own.units, own.unitName)}` : ''}
          </Text>
          <Text as="span" display="block" color="muted">
            {say(own.text)}
          </Text>
        </List.Item>
      ))}
      <List.Item>
        <Text as="span" fontWeight="600">
          Try it round again
        </Text>
      </List.Item>
    </List.Root>
  );
}
