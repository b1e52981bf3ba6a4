import { chakra } from '@chakra-ui/react';
import { useDraggable } from '@dnd-kit/core';
import { actionOf, type SlotOn } from '../../week/slot-words';
import { sayMinutes } from '../../week/times';

const Bar = chakra('button', {
  base: {
    position: 'relative',
    h: '48px',
    // As wide as it is long, but never too narrow to be touched.
    flexBasis: '0',
    flexShrink: 1,
    minW: '24px',
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
  /** Whether the maker put it there. */
  readonly pinned: boolean;
  readonly onChoose: () => void;
}

/** A stretch of work in its sitting: drag it to another, or choose it to put it elsewhere. */
export function SlotBar({ slot, pinned, onChoose }: Props) {
  const { attributes, listeners, setNodeRef, transform } = useDraggable({ id: slot.task.id });
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
        flexGrow: minutes,
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
