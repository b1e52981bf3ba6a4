import { Box, Flex, Input, Menu, Portal, Text } from '@chakra-ui/react';
import { useOutbox } from '../../../../data/outbox/outbox';
import { useAddPiece } from '../../../../data/api/queries';
import { Changeable, ForMakers } from '../../../../ui/frame/for-makers';
import { saveFile } from '../../../../ui/shell/save-file';
import { ToolButton } from '../../../../ui/shell/tool-button';
import { pieceFileName, toPieceFile } from '@coiled-strand/core';
import {
  CloudOff,
  Copy,
  Download,
  EllipsisVertical,
  History,
  Printer,
  Redo2,
  Ruler,
  Undo2,
} from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toaster } from '../../../../ui/shell/toaster';
import { OnPaper } from '../../paper/on-paper';
import { isDirty, usePiece, type SaveState } from '../../piece/piece-store';

const MAX_NAME = 80;
const COPY = ', copy';
/** What a second piece like another is called. */
const copyName = (name: string): string => `${name.slice(0, MAX_NAME - COPY.length)}${COPY}`;

const WORDS: Readonly<Record<SaveState, string>> = {
  saved: 'Saved',
  saving: 'Saving',
  waiting: 'Saved on this device until the server answers',
  refused: 'Not saved',
  gone: 'Put away',
};

function SaveNote() {
  const told = usePiece((state) => state.save);
  const refusal = usePiece((state) => state.refusal);
  const keeping = useOutbox((state) => state.keeping);
  const writing = useOutbox((state) => state.writing > 0);
  const dirty = usePiece(isDirty);
  // What was typed a moment ago is not saved yet, although nothing has been sent.
  const save: SaveState = told === 'saved' && dirty ? 'saving' : told;
  const trouble = save === 'waiting' || save === 'refused' || save === 'gone';
  return (
    <Text
      role="status"
      data-testid="save-state"
      data-state={save}
      fontSize="sm"
      color={trouble ? 'warn' : 'muted'}
      whiteSpace="nowrap"
      overflow="hidden"
      textOverflow="ellipsis"
      title={refusal ?? undefined}
      display={{ base: trouble ? 'flex' : 'none', md: 'flex' }}
      alignItems="center"
      gap="2"
      minW="0"
    >
      {save === 'waiting' && <CloudOff size={16} aria-hidden />}
      {save === 'waiting' && (!keeping || writing)
        ? 'Not saved: leave this window open until the server answers'
        : WORDS[save]}
      {refusal && trouble && <span>: {refusal}</span>}
    </Text>
  );
}

/** The piece's name, edited in place; one step of undo. */
function NameField() {
  const name = usePiece((state) => state.history?.now.name ?? '');
  const edit = usePiece((state) => state.edit);
  const [draft, setDraft] = useState<string | null>(null);
  const text = draft ?? name;
  const commit = (): void => {
    const clean = text.trim();
    setDraft(null);
    if (clean !== '') edit((piece) => ({ ...piece, name: clean }));
  };
  return (
    <Input
      aria-label="Name of the piece"
      value={text}
      maxLength={MAX_NAME}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') setDraft(null);
      }}
      bg="transparent"
      borderColor="transparent"
      fontSize={{ base: 'md', md: 'lg' }}
      fontWeight="600"
      px="2"
      textOverflow="ellipsis"
      minW="0"
      flex="1"
      maxW="340px"
    />
  );
}

/** Hands the piece as it is now to the browser as a file. */
function exportPiece(): void {
  const piece = usePiece.getState().history?.now;
  if (!piece) return;
  const text = `${JSON.stringify(toPieceFile(piece), null, 2)}\n`;
  saveFile(pieceFileName(piece.name), 'application/json', text);
}

/** Name, undo and redo, how it stands with the server, and what can be done with the piece. */
export function PieceBar() {
  const { undo, redo } = usePiece.getState();
  const canUndo = usePiece((state) => (state.history?.past.length ?? 0) > 0);
  const canRedo = usePiece((state) => (state.history?.future.length ?? 0) > 0);
  const [paper, setPaper] = useState(false);
  const id = usePiece((state) => state.id);
  const navigate = useNavigate();
  const add = useAddPiece();
  /** A second piece like this one as it is now; this one stays. */
  const duplicate = async (): Promise<void> => {
    const piece = usePiece.getState().history?.now;
    if (!piece) return;
    try {
      const copy = await add.mutateAsync({ ...piece, name: copyName(piece.name) });
      await navigate(`/pieces/${copy.id}/layout`);
    } catch (error) {
      toaster.create({ title: `It could not be duplicated: ${(error as Error).message}` });
    }
  };
  const to = (page: 'sizes' | 'versions'): void => {
    if (id !== null) void navigate(`/${page}/${id}`);
  };
  return (
    <Flex align="center" gap={{ base: '1', md: '3' }} minW="0">
      <Changeable>
        <NameField />
      </Changeable>
      <Flex>
        <ToolButton label="Undo" hotkey="Ctrl Z" onClick={undo} disabled={!canUndo}>
          <Undo2 size={19} />
        </ToolButton>
        <ToolButton label="Redo" hotkey="Ctrl Shift Z" onClick={redo} disabled={!canRedo}>
          <Redo2 size={19} />
        </ToolButton>
        <Menu.Root positioning={{ placement: 'bottom-end' }}>
          <Menu.Trigger asChild>
            <ToolButton label="More">
              <EllipsisVertical size={19} />
            </ToolButton>
          </Menu.Trigger>
          <Portal>
            <Menu.Positioner>
              <Menu.Content>
                <Menu.Item value="export" onClick={exportPiece}>
                  <Download size={17} aria-hidden /> Export as a file
                </Menu.Item>
                <ForMakers>
                  <Menu.Item value="duplicate" onClick={() => void duplicate()}>
                    <Copy size={17} aria-hidden /> Duplicate
                  </Menu.Item>
                </ForMakers>
                <Menu.Item value="sizes" onClick={() => to('sizes')}>
                  <Ruler size={17} aria-hidden /> In other sizes
                </Menu.Item>
                <Menu.Item value="versions" onClick={() => to('versions')}>
                  <History size={17} aria-hidden /> As it was before
                </Menu.Item>
                <Menu.Item value="paper" onClick={() => setPaper(true)}>
                  <Printer size={17} aria-hidden /> Put on paper
                </Menu.Item>
              </Menu.Content>
            </Menu.Positioner>
          </Portal>
        </Menu.Root>
      </Flex>
      <Box flex="1" minW="0">
        <SaveNote />
      </Box>
      {paper && <OnPaper onClose={() => setPaper(false)} />}
    </Flex>
  );
}
