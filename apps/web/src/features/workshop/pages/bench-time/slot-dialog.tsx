import { Flex, Link as ChakraLink, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { Link } from 'react-router';
import { SelectField } from '../../../../ui/fields/select-field';
import { Button } from '../../../../ui/shell/button';
import { Modal } from '../../../../ui/shell/modal';
import { actionOf, wayTo, type SlotOn } from '../../week/slot-words';
import { sayMinutes, sayMoment } from '../../week/times';
import type { Week } from '../../week/use-week';

/** So many sittings are offered: what is further away is dragged, or waited for. */
const OFFERED = 30;

interface Props {
  readonly week: Week;
  readonly slot: SlotOn;
  /** When it is to be done; null where the plan chooses. */
  readonly onPin: (at: number | null) => void;
  readonly onClose: () => void;
}

/** One stretch of work: what it is, and where else it could be done. */
export function SlotDialog({ week, slot, onPin, onClose }: Props) {
  const { zone } = week.week;
  const { task, job } = slot;
  const offered = week.sittings.slice(0, OFFERED);
  const now = offered.find(({ start, end }) => slot.start >= start && slot.start < end);
  const [at, setAt] = useState(String(now?.start ?? offered[0]?.start ?? ''));
  const pinned = week.pins.has(task.id);
  return (
    <Modal
      open
      onClose={onClose}
      title={`${actionOf(task)}: ${job.name}`}
      footer={
        <>
          {pinned && <Button onClick={() => onPin(null)}>Let the plan choose</Button>}
          <Button variant="solid" onClick={() => onPin(Number(at))}>
            Do it then
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4">
        <Text>
          {sayMinutes(task.minutes)} of work
          {task.wait > 0 && `, then ${sayMinutes(task.wait)} in which it lies by itself`}
          {job.customer && `. For ${job.customer}`}.
        </Text>
        <SelectField
          label="When"
          value={at}
          options={offered.map(({ start }) => ({
            value: String(start),
            label: sayMoment(start, zone, week.now),
          }))}
          onChange={setAt}
        />
        <ChakraLink asChild textDecoration="underline">
          <Link to={wayTo(job)}>
            {job.makeId === null ? 'To what was ordered' : 'Go on with it now'}
          </Link>
        </ChakraLink>
      </Flex>
    </Modal>
  );
}
