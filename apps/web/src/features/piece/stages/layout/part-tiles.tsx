import { Box, chakra, Grid, Text } from '@chakra-ui/react';
import { useDraggable } from '@dnd-kit/core';
import { useId, type KeyboardEvent, type ReactNode } from 'react';
import type { DraggedPart } from '../../piece/bench-drag';

/** Tiles in a row. */
const ACROSS = 2;
const STEPS: Readonly<Record<string, number>> = {
  ArrowLeft: -1,
  ArrowRight: 1,
  ArrowUp: -ACROSS,
  ArrowDown: ACROSS,
};
export const TILE = 'data-part-tile';

/** From tile to tile by the arrow keys, through all groups of a list. */
export function moveAmongTiles(event: KeyboardEvent<HTMLElement>): void {
  const step = STEPS[event.key];
  if (step === undefined || !(event.target as Element).hasAttribute(TILE)) return;
  const tiles = [...event.currentTarget.querySelectorAll<HTMLElement>(`[${TILE}]:not(:disabled)`)];
  const at = tiles.indexOf(event.target as HTMLElement);
  event.preventDefault();
  tiles[Math.min(tiles.length - 1, Math.max(0, at + step))]?.focus();
}

const Tile = chakra('button', {
  base: {
    display: 'flex',
    flexDirection: 'column',
    justifyContent: 'flex-start',
    alignItems: 'stretch',
    textAlign: 'left',
    p: '2',
    border: '1px solid {colors.line}',
    borderRadius: '8px',
    cursor: 'pointer',
    touchAction: 'manipulation',
    _hover: { borderColor: 'ink', bg: 'faint' },
    _disabled: { opacity: 0.55, cursor: 'not-allowed' },
  },
});

interface TileProps {
  readonly label: string;
  readonly about?: string;
  readonly picture: ReactNode;
  readonly disabled?: boolean;
  readonly onAdd: () => void;
  /** What is put in where it is dragged to. */
  readonly dragged: DraggedPart;
}

/** Something that can be put into the piece: its picture, its name, and what it is good for. */
export function PartTile({ label, about, picture, disabled = false, onAdd, dragged }: TileProps) {
  const id = useId();
  const { setNodeRef, listeners } = useDraggable({
    id,
    data: dragged,
    disabled,
  });
  return (
    <Tile ref={setNodeRef} {...listeners} {...{ [TILE]: '' }} disabled={disabled} onClick={onAdd}>
      {picture}
      <Text as="span" display="block" fontWeight="600" lineHeight="1.25" mt="2">
        {label}
      </Text>
      {about !== undefined && (
        <Text as="span" display="block" fontSize="sm" color="muted" lineHeight="1.3" mt="0.5">
          {about}
        </Text>
      )}
    </Tile>
  );
}

/** Tiles that belong together, under their name. */
export const TileGroup = ({
  label,
  children,
}: {
  readonly label: string;
  readonly children: ReactNode;
}) => (
  <Box as="section" aria-label={label} mb="5">
    <Text as="h3" fontWeight="600" mb="2">
      {label}
    </Text>
    <Grid templateColumns={`repeat(${ACROSS}, minmax(0, 1fr))`} gap="2">
      {children}
    </Grid>
  </Box>
);
