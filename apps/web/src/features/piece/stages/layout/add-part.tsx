import { Box, Dialog, Portal, Text } from '@chakra-ui/react';
import { PART_KINDS, type PartEntry } from '@coiled-strand/core';
import type { KnotView } from '@coiled-strand/contract';
import { Plus, X } from 'lucide-react';
import { useState, type KeyboardEvent } from 'react';
import { useKnots } from '../../../../data/api/knot-queries';
import { useBeads } from '../../../../data/api/queries';
import { useSelection } from '../../bench/selection-store';
import { TextRow } from '../../../../ui/fields/text-row';
import { addPart } from '../../piece/part-edits';
import { usePiecePart } from '../../piece/piece-store';
import { Button } from '../../../../ui/shell/button';
import { KindPicture } from './kind-picture';
import { DrawAKnot, OwnKnots } from './own-knots';
import { moveAmongTiles, PartTile, TILE, TileGroup } from './part-tiles';

const GROUPS: readonly { readonly id: PartEntry['group']; readonly label: string }[] = [
  { id: 'knots', label: 'Knots' },
  { id: 'beads', label: 'Beads' },
  { id: 'focal', label: 'Focal pieces' },
  { id: 'cord', label: 'Cord' },
];

/** Every kind of part there is, in the cord at hand, in a drawer beside the bench. */
export function AddPart() {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(details) => setOpen(details.open)}
      modal={false}
      trapFocus={false}
      closeOnInteractOutside={false}
      lazyMount
      unmountOnExit
    >
      <Dialog.Trigger asChild>
        <Button>
          <Plus size={18} /> Add a part
        </Button>
      </Dialog.Trigger>
      <Portal>
        <Dialog.Positioner
          css={{ alignItems: 'stretch', justifyContent: 'flex-end', p: 0, pointerEvents: 'none' }}
        >
          <Dialog.Content
            aria-label="Add a part"
            w="420px"
            maxW="100vw"
            maxH="100dvh"
            h="100dvh"
            m="0"
            p="5"
            borderRadius="0"
            overflowY="auto"
            pointerEvents="auto"
          >
            <Dialog.CloseTrigger asChild>
              <Button variant="bare" size="icon" aria-label="Close">
                <X size={18} />
              </Button>
            </Dialog.CloseTrigger>
            <Parts onDone={() => setOpen(false)} />
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

const holds = (text: string, words: string): boolean =>
  text.toLowerCase().includes(words.trim().toLowerCase());

function Parts({ onDone }: { readonly onDone: () => void }) {
  const [words, setWords] = useState('');
  const { data: stash = [] } = useBeads();
  const { data: knots = [] } = useKnots();
  const own = usePiecePart((piece) => piece.beads[0]);
  const cord = usePiecePart((piece) => piece.strands[0]?.cord);
  const bead = own ?? stash[0]?.value;
  const put = (kind: string, seam?: number, knot?: KnotView): void => {
    const entry = PART_KINDS.find((one) => one.entry.id === kind)!.entry;
    addPart(kind, seam, entry.needsBead ? bead : undefined, knot);
    useSelection.getState().setPane('part');
    if (seam === undefined) onDone();
  };
  const offered = PART_KINDS.map(({ entry }) => entry).filter(
    ({ needsKnot, label, blurb }) => !needsKnot && (holds(label, words) || holds(blurb, words)),
  );
  const named = knots.filter(({ value }) => holds(value.name, words));
  const intoTiles = (event: KeyboardEvent<HTMLElement>): void => {
    const tiles = event.currentTarget.querySelector<HTMLElement>(`[${TILE}]:not(:disabled)`);
    if ((event.target as Element).tagName !== 'INPUT' || !tiles) return;
    if (event.key === 'ArrowDown') tiles.focus();
    else if (event.key === 'Enter' && words.trim() !== '') tiles.click();
    else return;
    event.preventDefault();
  };
  return (
    <Box
      onKeyDown={(event: KeyboardEvent<HTMLElement>) => {
        intoTiles(event);
        moveAmongTiles(event);
      }}
    >
      <Dialog.Title>Add a part</Dialog.Title>
      <Text fontSize="sm" color="muted" mt="1" mb="3">
        Tapped, it goes after the selected part; dragged, where it is let go on the bench.
      </Text>
      <Box mb="4">
        <TextRow
          label="Search"
          type="search"
          value={words}
          placeholder="A name, or what it is for"
          onChange={(event) => setWords(event.target.value)}
        />
      </Box>
      {GROUPS.map(({ id, label }) => {
        const entries = offered.filter(({ group }) => group === id);
        const shown = id === 'knots' ? named : [];
        if (entries.length + shown.length === 0) return null;
        return (
          <Box key={id}>
            <TileGroup label={label}>
              <OwnKnots knots={shown} onAdd={(kind, knot, seam) => put(kind, seam, knot)} />
              {entries.map((entry) => (
                <PartTile
                  key={entry.id}
                  label={entry.label}
                  about={entry.blurb}
                  disabled={entry.needsBead && bead === undefined}
                  onAdd={() => put(entry.id)}
                  dragged={{ part: entry.label, putIn: (seam) => put(entry.id, seam) }}
                  picture={cord && <KindPicture kind={entry.id} cord={cord} bead={bead} />}
                />
              ))}
            </TileGroup>
            {id === 'knots' && <DrawAKnot />}
          </Box>
        );
      })}
      {offered.length + named.length === 0 && (
        <Text color="muted">Nothing here is called that. Try another word.</Text>
      )}
    </Box>
  );
}
