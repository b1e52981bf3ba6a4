import { Box } from '@chakra-ui/react';
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
import { type Bead } from '@coiled-strand/core';
import { useState, type ReactNode } from 'react';
import { BeadPicture } from '../bench/bead-picture';
import { partPlaces, seamAt } from '../bench/part-places';
import { useSelection } from '../bench/selection-store';
import { placeUnder, useBenchView } from '../bench/view-store';
import { stringBead } from './part-edits';
import { usePiece } from './piece-store';
import { handNow } from './prepare';
import { largePlanOf } from './large-plan';
import { draftOf } from './use-plan';

const BENCH = 'bench';

/** What a dragged bead brings along. */
export interface DraggedBead {
  readonly bead: Bead;
}
/** What a dragged kind of part brings along: its name, and what puts it in at a seam. */
export interface DraggedPart {
  readonly part: string;
  readonly putIn: (seam: number) => void;
}
type Dragged = DraggedBead | DraggedPart;

const draggedOf = (data: unknown): Dragged | null => {
  const some = data as Partial<DraggedBead & DraggedPart> | undefined;
  return some?.bead || some?.putIn ? (some as Dragged) : null;
};

function letGo(dragged: Dragged, seam: number): void {
  if ('bead' in dragged) stringBead(dragged.bead, seam);
  else dragged.putIn(seam);
}

/** The seam of the bench under what is dragged; null beside it. */
function seamUnder({ over, active }: DragMoveEvent | DragEndEvent): number | null {
  const frame = useBenchView.getState().frame;
  const piece = usePiece.getState().history?.now;
  const box = active.rect.current.translated;
  if (over?.id !== BENCH || !frame || !box || !piece) return null;
  const large = largePlanOf(usePiece.getState().id);
  const plan = large?.draft ?? draftOf(piece, handNow());
  const x = box.left + box.width / 2 - over.rect.left;
  const y = box.top + box.height / 2 - over.rect.top;
  return plan.ok ? seamAt(partPlaces(plan), placeUnder(frame, x, y)) : null;
}

/** Lets beads and parts be dragged on to the bench. Touch drags after a short hold. */
export function BenchDrag({ children }: { readonly children: ReactNode }) {
  const [dragged, setDragged] = useState<Dragged | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  const end = (event: DragEndEvent): void => {
    const some = draggedOf(event.active.data.current);
    const seam = seamUnder(event);
    setDragged(null);
    useSelection.getState().setDrop(null);
    if (some && seam !== null) letGo(some, seam);
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => setDragged(draggedOf(active.data.current))}
      onDragMove={(event) => useSelection.getState().setDrop(seamUnder(event))}
      onDragEnd={end}
      onDragCancel={() => {
        setDragged(null);
        useSelection.getState().setDrop(null);
      }}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        {dragged && 'bead' in dragged && <BeadPicture bead={dragged.bead} scale={3} />}
        {dragged && 'part' in dragged && (
          <Box bg="raised" px="3" py="2" borderRadius="soft" boxShadow="lifted" w="max-content">
            {dragged.part}
          </Box>
        )}
      </DragOverlay>
    </DndContext>
  );
}

/** Where what is dragged is let go. */
export function BenchDrop({ children }: { readonly children: ReactNode }) {
  const { setNodeRef } = useDroppable({ id: BENCH });
  return <div ref={setNodeRef}>{children}</div>;
}
