import {
  DndContext,
  DragOverlay,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
  type DragMoveEvent,
} from '@dnd-kit/core';
import { ANY_HAND, type Bead, type Hand } from '@coiled-strand/core';
import { useState, type ReactNode } from 'react';
import { handQuery, queryClient } from '../api/queries';
import { BeadPicture } from '../bench/bead-picture';
import { partPlaces, seamAt } from '../bench/part-places';
import { useSelection } from '../bench/selection-store';
import { useBenchView } from '../bench/view-store';
import { stringBead } from './part-edits';
import { usePiece } from './piece-store';
import { largePlanOf } from './large-plan';
import { draftOf } from './use-plan';

const BENCH = 'bench';

/** What a dragged bead brings along. */
export interface DraggedBead {
  readonly bead: Bead;
}
const beadOf = (data: unknown): Bead | null =>
  (data as Partial<DraggedBead> | undefined)?.bead ?? null;

/** The seam of the bench under what is dragged; null beside it. */
function seamUnder({ over, active }: DragMoveEvent | DragEndEvent): number | null {
  const frame = useBenchView.getState().frame;
  const piece = usePiece.getState().history?.now;
  const box = active.rect.current.translated;
  if (over?.id !== BENCH || !frame || !box || !piece) return null;
  const large = largePlanOf(usePiece.getState().id);
  const plan =
    large?.draft ?? draftOf(piece, queryClient.getQueryData<Hand>(handQuery.queryKey) ?? ANY_HAND);
  const x = box.left + box.width / 2 - over.rect.left;
  return plan.ok ? seamAt(partPlaces(plan), frame.x + x / frame.scale) : null;
}

/** Lets beads be dragged from the tray on to the bench above it. Touch drags after a short hold. */
export function BeadDrag({ children }: { readonly children: ReactNode }) {
  const [dragged, setDragged] = useState<Bead | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  const end = (event: DragEndEvent): void => {
    const bead = beadOf(event.active.data.current);
    const seam = seamUnder(event);
    setDragged(null);
    useSelection.getState().setDrop(null);
    if (bead && seam !== null) stringBead(bead, seam);
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => setDragged(beadOf(active.data.current))}
      onDragMove={(event) => useSelection.getState().setDrop(seamUnder(event))}
      onDragEnd={end}
      onDragCancel={() => {
        setDragged(null);
        useSelection.getState().setDrop(null);
      }}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        {dragged && <BeadPicture bead={dragged} scale={3} />}
      </DragOverlay>
    </DndContext>
  );
}

/** Where beads are let go. */
export function BenchDrop({ children }: { readonly children: ReactNode }) {
  const { setNodeRef } = useDroppable({ id: BENCH });
  return <div ref={setNodeRef}>{children}</div>;
}
