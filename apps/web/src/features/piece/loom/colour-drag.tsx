import { Box } from '@chakra-ui/react';
import {
  DndContext,
  DragOverlay,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import type { Cord } from '@coiled-strand/core';
import { useState, type ReactNode } from 'react';
import { LOOM_DROP } from './loom-canvas';
import { loomEdits } from './loom-edits';
import type { DraggedCord } from './loom-tools';
import { headUnder, type LoomView } from './view';

interface Props {
  readonly part: string;
  readonly view: LoomView;
  readonly children: ReactNode;
}

/** Colours are dragged from their chips on to a strand of the loom. */
export function ColourDrag({ part, view, children }: Props) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  const [dragged, setDragged] = useState<Cord | null>(null);
  const drop = ({ active, over, activatorEvent, delta }: DragEndEvent): void => {
    setDragged(null);
    const cord = (active.data.current as DraggedCord | undefined)?.cord;
    if (!cord || over?.id !== LOOM_DROP) return;
    const place = headUnder(view, [0, pressedAt(activatorEvent) + delta.y - over.rect.top]);
    if (place !== null) loomEdits.recolour(part, place, cord);
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => setDragged((active.data.current as DraggedCord).cord)}
      onDragEnd={drop}
      onDragCancel={() => setDragged(null)}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        {dragged && (
          <Box
            w="34px"
            h="14px"
            borderRadius="round"
            className="true-colour"
            style={{ background: dragged.colour.hex }}
          />
        )}
      </DragOverlay>
    </DndContext>
  );
}

/** How far down the page a drag was begun, by mouse or finger. */
const pressedAt = (event: Event): number =>
  'touches' in event ? (event as TouchEvent).touches[0]!.clientY : (event as MouseEvent).clientY;
