import { Box, Field, Flex, Text, Textarea } from '@chakra-ui/react';
import {
  cordsOfBand,
  fileNameOf,
  layWritten,
  placesOf,
  readBand,
  runsOf,
  writeBand,
  type FlossPart,
  type Piece,
  type WrittenBand,
} from '@coiled-strand/core';
import { ClipboardCopy, FileDown } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useCords } from '../../../data/api/queries';
import { usePiece, usePieceDocument } from '../piece/piece-store';
import { Button } from '../../../ui/shell/button';
import { Modal } from '../../../ui/shell/modal';
import { saveFile } from '../../../ui/shell/save-file';
import { toaster } from '../../../ui/shell/toaster';
import { BandPreview } from './band-preview';
import { LineFaults } from './line-faults';

interface Props {
  readonly part: FlossPart;
  /** What to begin with; the band as it is when left out. */
  readonly text?: string;
  readonly onClose: () => void;
}

const textOf = (piece: Piece, part: FlossPart): string => {
  const runs = runsOf(piece);
  const colours = placesOf(piece, part.id).map((index) => runs[index]!.cord.colour);
  return writeBand(part, colours);
};

/** The pattern of a band as text: to be read, typed, kept and passed on. */
export function TextDialog({ part, text: start, onClose }: Props) {
  const piece = usePieceDocument();
  const [text, setText] = useState(() => start ?? textOf(piece, part));
  const read = useMemo(() => readBand(text), [text]);
  const { data: stash } = useCords();
  const laid = useMemo(
    () =>
      read.ok
        ? layWritten(
            piece,
            part.id,
            read.value,
            stash?.map(({ value }) => value),
          )
        : null,
    [read, piece, part.id, stash],
  );
  const lay = (): void => {
    if (!laid) return;
    usePiece.getState().edit(() => laid);
    onClose();
  };
  const copy = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(text);
      toaster.create({ title: 'The pattern is copied.' });
    } catch {
      toaster.create({
        title: 'The browser does not let it be copied. Mark the text and copy it.',
      });
    }
  };
  return (
    <Modal
      open
      onClose={onClose}
      size="wide"
      title="The pattern as text"
      description="A line for each row, a sign for each knot. Change it, or type another in its place; undo brings the old one back."
      footer={
        <>
          <Button onClick={() => void copy()}>
            <ClipboardCopy size={18} /> Copy
          </Button>
          <Button
            onClick={() =>
              saveFile(fileNameOf(piece.name, 'band.txt'), 'text/plain;charset=utf-8', text)
            }
          >
            <FileDown size={18} /> Save
          </Button>
          <Button variant="solid" disabled={!laid} onClick={lay}>
            Lay it on the loom
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4">
        <Field.Root invalid={!read.ok}>
          <Field.Label>Pattern</Field.Label>
          <Textarea
            value={text}
            onChange={(event) => setText(event.target.value)}
            rows={9}
            fontFamily="mono"
            fontSize="md"
            lineHeight="1.25"
            whiteSpace="pre"
            overflowX="auto"
            spellCheck={false}
            autoCapitalize="off"
            autoCorrect="off"
            autoComplete="off"
          />
        </Field.Root>
        {read.ok ? (
          laid && <Shown piece={laid} band={read.value} part={part} />
        ) : (
          <LineFaults faults={read.faults} />
        )}
        <Signs />
      </Flex>
    </Modal>
  );
}

interface ShownProps {
  readonly piece: Piece;
  readonly band: WrittenBand;
  readonly part: FlossPart;
}

/** The band as it would be tied. */
function Shown({ piece, band, part }: ShownProps) {
  const own = piece.parts.find(({ id }) => id === part.id);
  const runs = runsOf(piece);
  const cords = placesOf(piece, part.id).map((index) => runs[index]!.cord);
  if (own?.kind !== 'knotted-floss') return null;
  const colours = cordsOfBand(piece, part.id).map(({ colour }) => colour.name);
  return (
    <Box>
      <Box bg="bench" borderRadius="soft" p="3" data-testid="text-preview" overflow="hidden">
        <BandPreview part={own} cords={cords} height={84} stretch={6.4} />
      </Box>
      <Text fontSize="sm" color="muted" mt="1">
        {band.pattern.rows.length} rows on {band.strands} strands: {colours.join(', ')}.
      </Text>
    </Box>
  );
}

const SIGNS: readonly (readonly [string, string])[] = [
  ['>', 'the left strand ties, and they change places'],
  ['<', 'the right strand ties, and they change places'],
  [')', 'the left strand ties, and stays on its side'],
  ['(', 'the right strand ties, and stays on its side'],
  ['.', 'no knot'],
  ['-', 'in a leader’s row: the leader shows'],
  ['|', 'in a leader’s row: the strand it crosses shows'],
];

/** What may be typed. */
const Signs = () => (
  <Box as="details" fontSize="sm">
    <Box as="summary" cursor="pointer" py="1">
      How it is written
    </Box>
    <Box as="dl" display="grid" gridTemplateColumns="auto 1fr" columnGap="4" rowGap="0.5" mt="1">
      {SIGNS.map(([sign, meaning]) => (
        <Box key={sign} display="contents">
          <Box as="dt" fontFamily="mono" fontWeight="600">
            {sign}
          </Box>
          <Box as="dd" m="0">
            {meaning}
          </Box>
        </Box>
      ))}
    </Box>
    <Text mt="2">
      “strands: A B B A” gives each strand a letter from the left, and “A = #b3324a Brick” the
      letter a colour; both may be left out. Every second row of crossings begins one strand further
      in. Lines that begin with # are notes.
    </Text>
  </Box>
);
