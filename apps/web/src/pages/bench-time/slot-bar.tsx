import { chakra } from '@chakra-ui/react';
import { useDraggable } from '@dnd-kit/core';
import type { Sitting } from '@coiled-strand/core';
import { actionOf, type SlotOn } from '../../week/slot-words';
import { sayMinutes } from '../../week/times';

const Bar = chakra('button', {
  base: {
    position: 'absolute',
    top: '0',
    bottom: '0',
    px: '2',
    textAlign: 'left',
    overflow: 'hidden',
    whiteSpace: 'nowrap',
    textOverflow: 'ellipsis',
    bg: 'raised',
    color: 'ink',
    border: '1px solid {colors.line}',
    borderLeft: '4px solid {colors.muted}',
    cursor: 'grab',
    fontSize: 'sm',
    lineHeight: '1.2',
    _hover: { borderColor: 'ink', zIndex: 1 },
    '&[data-what=tie]': { borderLeftColor: 'chalk' },
    '&[data-what=finish]': { borderLeftColor: 'warn' },
    '&[data-pinned=true]': { bg: 'chalkFaint' },
  },
});

interface Props {
  readonly slot: SlotOn;
  readonly sitting: Sitting;
  /** Whether the maker put it there. */
  readonly pinned: boolean;
  readonly onChoose: () => void;
}

/** A stretch of work in its sitting: drag it to another, or choose it to put it elsewhere. */
export function SlotBar({ slot, sitting, pinned, onChoose }: Props) {
  const { attributes, listeners, setNodeRef, transform } = useDraggable({ id: slot.task.id });
  const whole = sitting.end - sitting.start;
  const minutes = (slot.end - slot.start) / 60_000;
  const name = `${actionOf(slot.task)}: ${slot.job.name}, ${sayMinutes(minutes)}`;
  return (
    <Bar
      type="button"
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      aria-label={pinned ? `${name}, put there by hand` : name}
      title={name}
      data-what={slot.task.what}
      data-pinned={pinned}
      onClick={onChoose}
      style={{
        left: `${(100 * (slot.start - sitting.start)) / whole}%`,
        width: `${(100 * (slot.end - slot.start)) / whole}%`,
        ...(transform
          ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 5 }
          : {}),
      }}
    >
      <b>{slot.job.name}</b>
      <br />
      {actionOf(slot.task)}
    </Bar>
  );
}
