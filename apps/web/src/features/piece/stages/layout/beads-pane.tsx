import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { useDraggable } from '@dnd-kit/core';
import type { Bead } from '@coiled-strand/core';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { BeadPicture } from '../../bench/bead-picture';
import { useSelection } from '../../bench/selection-store';
import type { DraggedBead } from '../../piece/bench-drag';
import { rowOf, stringBead } from '../../piece/part-edits';
import { useStage } from '../../piece/stage-context';
import { Button } from '../../../../ui/shell/button';
import { OwnBeadDialog } from '../../../workshop/stash/dialogs';
import { ToolButton } from '../../../../ui/shell/tool-button';
import { useBeadChoices } from './use-bead-choices';

/** The bead tray: to be dragged on to the bench, or added by a tap. */
export function BeadsPane() {
  const choices = useBeadChoices();
  const { piece, plan } = useStage();
  const selected = useSelection((state) => state.part);
  const [entering, setEntering] = useState(false);
  const used = plan.ok ? plan.counters.beads : [];
  const target = piece.parts.find((part) => part.id === selected);
  return (
    <Box>
      <Flex gap="4" align="baseline" flexWrap="wrap" mb="3">
        <Text flex="1" minW="240px">
          Drag a bead on to the bench, or add it{' '}
          {!target
            ? 'at the end.'
            : rowOf(target)
              ? 'to the selected row.'
              : 'after the selected part.'}
        </Text>
        <Button onClick={() => setEntering(true)}>Enter a bead</Button>
      </Flex>
      <Grid
        as="ul"
        listStyleType="none"
        m="0"
        p="0"
        gap="2"
        templateColumns={{ base: '1fr', sm: 'repeat(auto-fill, minmax(250px, 1fr))' }}
      >
        {choices.map(({ key, bead, id }) => (
          <TrayBead
            key={key}
            trayKey={key}
            bead={bead}
            used={used.find((count) => count.id === id)?.count ?? 0}
          />
        ))}
      </Grid>
      {choices.length === 0 && (
        <Text color="muted">No bead is in the tray yet. Enter the first one by its measures.</Text>
      )}
      {entering && <OwnBeadDialog onClose={() => setEntering(false)} />}
    </Box>
  );
}

interface TrayProps {
  readonly trayKey: string;
  readonly bead: Bead;
  /** How many the piece uses. */
  readonly used: number;
}

function TrayBead({ trayKey, bead, used }: TrayProps) {
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: `tray-${trayKey}`,
    data: { bead } satisfies DraggedBead,
  });
  const left = bead.count === undefined ? null : bead.count - used;
  return (
    <Flex
      as="li"
      align="center"
      gap="3"
      bg="faint"
      borderRadius="soft"
      px="3"
      py="2"
      data-bead={bead.name}
    >
      <Box
        ref={setNodeRef}
        {...listeners}
        w="48px"
        minH="44px"
        display="grid"
        placeItems="center"
        cursor="grab"
        opacity={isDragging ? 0.4 : 1}
        style={{ touchAction: 'none' }}
        title="Drag on to the bench"
      >
        <BeadPicture bead={bead} scale={Math.min(2.4, 42 / Math.max(bead.length, bead.height))} />
      </Box>
      <Box flex="1" minW="0">
        <Text fontWeight="600" lineHeight="1.25">
          {bead.name}
        </Text>
        <Text fontSize="sm" color="muted" lineHeight="1.3">
          {bead.length} × {bead.height} mm, hole {bead.hole} mm
          {(used > 0 || left !== null) && (
            <>
              <br />
              {used > 0 && `${used} used`}
              {used > 0 && left !== null && ', '}
              {left !== null && (left < 0 ? `${-left} too few` : `${left} left`)}
            </>
          )}
        </Text>
      </Box>
      <ToolButton label={`Add ${bead.name}`} onClick={() => stringBead(bead)}>
        <Plus size={18} />
      </ToolButton>
    </Flex>
  );
}
