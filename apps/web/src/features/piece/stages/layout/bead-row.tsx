import { Box, Flex, Text } from '@chakra-ui/react';
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  arrayMove,
  rectSortingStrategy,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import {
  alternated,
  beadsById,
  graded,
  inBlocks,
  mirrored,
  type Bead,
  type PieceBead,
  MAX_ROW,
} from '@coiled-strand/core';
import { X } from 'lucide-react';
import { useMemo, useState } from 'react';
import { BeadPicture } from '../../bench/bead-picture';
import { usePiecePart } from '../../piece/piece-store';
import { Button } from '../../../../ui/shell/button';
import { SelectField } from '../../../../ui/fields/select-field';
import { useBeadChoices } from './use-bead-choices';

interface Arranging {
  readonly label: string;
  readonly run: () => readonly string[];
  /** Beads that it takes at least; two when left out. */
  readonly least?: number;
}

interface Props {
  readonly label: string;
  /** Ids of beads, in order. */
  readonly row: readonly string[];
  readonly onChange: (row: readonly string[]) => void;
  readonly onAppend: (bead: Bead) => void;
}

/** A row of beads, put in order by dragging or by the arrow keys, and arranged as a whole. */
export function BeadRow({ label, row, onChange, onAppend }: Props) {
  const beads = usePiecePart((piece) => piece.beads);
  const bead = useMemo(() => beadsById({ beads }), [beads]);
  const choices = useBeadChoices();
  const [chosen, setAdding] = useState<string | null>(null);
  const adding = choices.find((choice) => choice.key === chosen) ?? choices[0];
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 4 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 150, tolerance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  // Beads alike are told apart by their place.
  const keys = row.map((id, i) => `${i}:${id}`);
  const drop = ({ active, over }: DragEndEvent): void => {
    const [from, to] = [keys.indexOf(String(active.id)), keys.indexOf(String(over?.id))];
    if (from >= 0 && to >= 0 && from !== to) onChange(arrayMove([...row], from, to));
  };
  const arrange: readonly Arranging[] = [
    { label: 'Mirror', run: () => mirrored(row) },
    { label: 'Grade by size', run: () => graded(row, bead) },
    { label: 'Blocks of colour', run: () => inBlocks(row) },
    { label: 'Alternate', run: () => alternated(row) },
    { label: 'Repeat', run: () => [...row, ...row].slice(0, MAX_ROW), least: 1 },
  ];
  return (
    <Box role="group" aria-label={label}>
      <Text fontSize="sm" color="muted" mb="1">
        {label}
      </Text>
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
        <SortableContext items={keys} strategy={rectSortingStrategy}>
          <Flex gap="1" flexWrap="wrap" bg="faint" borderRadius="soft" p="2" minH="64px">
            {row.map((id, i) => (
              <RowBead
                key={keys[i]}
                sortKey={keys[i]!}
                place={i + 1}
                bead={beads.find((b) => b.id === id)}
                onRemove={
                  row.length > 1 ? () => onChange(row.filter((_, at) => at !== i)) : undefined
                }
              />
            ))}
          </Flex>
        </SortableContext>
      </DndContext>
      <Flex gap="2" mt="2" flexWrap="wrap">
        {arrange.map((way) => (
          <Button
            key={way.label}
            fontSize="sm"
            disabled={row.length < (way.least ?? 2)}
            onClick={() => onChange(way.run())}
          >
            {way.label}
          </Button>
        ))}
      </Flex>
      <Flex gap="3" mt="3" align="flex-end" maxW="420px">
        <SelectField
          label="Add to this row"
          value={adding?.key ?? ''}
          options={choices.map(({ key, bead: own }) => ({ value: key, label: own.name }))}
          onChange={setAdding}
        />
        <Button disabled={!adding} onClick={() => adding && onAppend(adding.bead)}>
          Add one
        </Button>
      </Flex>
    </Box>
  );
}

interface RowBeadProps {
  readonly sortKey: string;
  readonly place: number;
  readonly bead: PieceBead | undefined;
  readonly onRemove: (() => void) | undefined;
}

function RowBead({ sortKey, place, bead, onRemove }: RowBeadProps) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: sortKey,
  });
  if (!bead) return null;
  return (
    <Flex
      ref={setNodeRef}
      direction="column"
      align="center"
      gap="0.5"
      style={{
        transform: CSS.Translate.toString(transform),
        transition,
        opacity: isDragging ? 0.5 : 1,
      }}
    >
      <Box
        as="button"
        {...attributes}
        {...listeners}
        aria-label={`Bead ${place}: ${bead.name}`}
        title={bead.name}
        display="grid"
        placeItems="center"
        minW="34px"
        minH="40px"
        px="1"
        cursor="grab"
        borderRadius="soft"
        style={{ touchAction: 'none' }}
        onKeyDown={(event: React.KeyboardEvent) => {
          if (event.key === 'Delete' || event.key === 'Backspace') onRemove?.();
          else listeners?.onKeyDown?.(event);
        }}
      >
        <BeadPicture bead={bead} />
      </Box>
      {onRemove && (
        <Button
          variant="bare"
          size="icon"
          minH="20px"
          h="20px"
          w="24px"
          aria-label={`Remove bead ${place}`}
          onClick={onRemove}
        >
          <X size={13} />
        </Button>
      )}
    </Flex>
  );
}
