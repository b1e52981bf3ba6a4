import { Box, Popover, Portal, Text } from '@chakra-ui/react';
import { PART_KINDS, type PartEntry } from '@coiled-strand/core';
import type { KnotView } from '@coiled-strand/contract';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { useBeads } from '../../api/queries';
import { useSelection } from '../../bench/selection-store';
import { OwnKnots } from './own-knots';
import { addPart } from '../../piece/part-edits';
import { usePiecePart } from '../../piece/piece-store';
import { Button } from '../../shell/button';

const GROUPS: readonly { readonly id: PartEntry['group']; readonly label: string }[] = [
  { id: 'knots', label: 'Knots' },
  { id: 'beads', label: 'Beads' },
  { id: 'focal', label: 'Focal pieces' },
  { id: 'cord', label: 'Cord' },
];

/** Every kind of part there is, by what it is; the chosen one goes behind the selected part. */
export function AddPart() {
  const [open, setOpen] = useState(false);
  const { data: stash = [] } = useBeads();
  const own = usePiecePart((piece) => piece.beads[0]);
  const add = (entry: PartEntry): void => {
    setOpen(false);
    const bead = own ?? stash[0]?.value;
    addPart(entry.id, undefined, entry.needsBead ? bead : undefined);
    useSelection.getState().setPane('part');
  };
  const addKnot = (kind: string, knot: KnotView): void => {
    setOpen(false);
    addPart(kind, undefined, undefined, knot);
    useSelection.getState().setPane('part');
  };
  const canString = own !== undefined || stash.length > 0;
  return (
    <Popover.Root
      open={open}
      onOpenChange={(details) => setOpen(details.open)}
      positioning={{ placement: 'bottom-end' }}
    >
      <Popover.Trigger asChild>
        <Button>
          <Plus size={18} /> Add a part
        </Button>
      </Popover.Trigger>
      <Portal>
        <Popover.Positioner>
          <Popover.Content
            w="420px"
            maxW="calc(100vw - 24px)"
            maxH="min(70vh, var(--available-height, 70vh))"
            overflowY="auto"
            aria-label="Add a part"
          >
            <Text fontSize="sm" color="muted" mb="2">
              It goes after the selected part.
            </Text>
            {GROUPS.map(({ id, label }) => (
              <Box key={id} mb="3">
                <Text fontWeight="600" fontSize="sm" mb="1">
                  {label}
                </Text>
                {id === 'knots' && <OwnKnots onAdd={addKnot} />}
                {PART_KINDS.filter(({ entry }) => entry.group === id && !entry.needsKnot).map(
                  ({ entry }) => (
                    <Button
                      key={entry.id}
                      variant="bare"
                      w="full"
                      justifyContent="flex-start"
                      textAlign="left"
                      whiteSpace="normal"
                      minH="44px"
                      px="2"
                      disabled={entry.needsBead && !canString}
                      onClick={() => add(entry)}
                    >
                      <Box>
                        <Text as="span" display="block" fontWeight="600" lineHeight="1.25">
                          {entry.label}
                        </Text>
                        <Text
                          as="span"
                          fontSize="sm"
                          color="muted"
                          fontWeight="400"
                          lineHeight="1.25"
                        >
                          {entry.blurb}
                        </Text>
                      </Box>
                    </Button>
                  ),
                )}
              </Box>
            ))}
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}
