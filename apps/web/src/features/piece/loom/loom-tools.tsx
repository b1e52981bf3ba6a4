import { Box, Flex, Text } from '@chakra-ui/react';
import { useDraggable } from '@dnd-kit/core';
import { CROSSING_FACTS, CROSSINGS, type Cord, type Crossing, type Lay } from '@coiled-strand/core';
import { memo, type ReactNode } from 'react';
import { selectable } from '../../../ui/shell/selectable';
import { CrossingIcon } from './crossing-icon';

/** What a touch does to a knot: turns it to the next kind, or makes it one kind. */
export type Tool = 'turn' | Crossing;

interface GroupProps {
  readonly label: string;
  readonly children: ReactNode;
}
/** Tools that belong together, with their name above. */
export const ToolGroup = ({ label, children }: GroupProps) => (
  <Box role="group" aria-label={label}>
    <Text fontSize="sm" color="muted" mb="1">
      {label}
    </Text>
    <Flex gap="1" flexWrap="wrap">
      {children}
    </Flex>
  </Box>
);

interface ToolProps {
  readonly label: string;
  readonly chosen: boolean;
  readonly onChoose: () => void;
  readonly children: ReactNode;
}
const ToolChoice = ({ label, chosen, onChoose, children }: ToolProps) => (
  <Box
    as="button"
    aria-label={label}
    title={label}
    aria-pressed={chosen}
    onClick={onChoose}
    minW="44px"
    h="40px"
    px="1"
    display="inline-flex"
    alignItems="center"
    justifyContent="center"
    {...selectable(chosen)}
  >
    {children}
  </Box>
);

interface KnotToolsProps {
  readonly lay: Lay;
  readonly tool: Tool;
  readonly onTool: (tool: Tool) => void;
}

/** Kinds of knot, as they look; a straight row only tells whose colour shows. */
export const KnotTools = memo(function KnotTools({ lay, tool, onTool }: KnotToolsProps) {
  if (lay === 'leader') {
    return (
      <Text fontSize="sm" color="muted" maxW="320px">
        A touch changes whose colour shows in a knot: the strand that leads, or the one it crosses.
      </Text>
    );
  }
  return (
    <ToolGroup label="A touch makes a knot">
      <ToolChoice
        label="the next kind, by turns"
        chosen={tool === 'turn'}
        onChoose={() => onTool('turn')}
      >
        <Text as="span" fontSize="sm" fontWeight="600" px="2">
          by turns
        </Text>
      </ToolChoice>
      {CROSSINGS.map((crossing, i) => (
        <ToolChoice
          key={crossing}
          label={`${CROSSING_FACTS[crossing].label} (${i + 1})`}
          chosen={tool === crossing}
          onChoose={() => onTool(crossing)}
        >
          <CrossingIcon crossing={crossing} />
        </ToolChoice>
      ))}
    </ToolGroup>
  );
});

/** What a dragged colour brings along. */
export interface DraggedCord {
  readonly cord: Cord;
}

interface ColoursProps {
  readonly cords: readonly Cord[];
  readonly brush: Cord | null;
  readonly onBrush: (cord: Cord | null) => void;
}

/** Colours to give to strands: drag one on to a strand, or choose it and touch the strand. */
export const Colours = memo(function Colours({ cords, brush, onBrush }: ColoursProps) {
  return (
    <ToolGroup label="Colours: drag one on to a strand, or choose it and touch strands">
      {cords.map((cord) => (
        <ColourChip
          key={cord.colour.hex + cord.name}
          cord={cord}
          chosen={brush?.colour.hex === cord.colour.hex && brush.name === cord.name}
          onChoose={(on) => onBrush(on ? cord : null)}
        />
      ))}
    </ToolGroup>
  );
});

interface ChipProps {
  readonly cord: Cord;
  readonly chosen: boolean;
  readonly onChoose: (chosen: boolean) => void;
}
function ColourChip({ cord, chosen, onChoose }: ChipProps) {
  const { setNodeRef, listeners } = useDraggable({
    id: `colour-${cord.name}-${cord.colour.hex}`,
    data: { cord } satisfies DraggedCord,
  });
  return (
    <Box
      as="button"
      ref={setNodeRef}
      {...listeners}
      aria-label={cord.colour.name}
      title={`${cord.colour.name}, ${cord.name}`}
      aria-pressed={chosen}
      onClick={() => onChoose(!chosen)}
      w="44px"
      h="40px"
      borderRadius="soft"
      border="1px solid {colors.line}"
      outline={chosen ? '3px solid {colors.chalk}' : undefined}
      outlineOffset="1px"
      cursor="grab"
      touchAction="manipulation"
      className="true-colour"
      style={{ background: cord.colour.hex }}
    />
  );
}
