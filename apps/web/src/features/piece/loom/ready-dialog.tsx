import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import {
  READY_PATTERNS,
  runsOf,
  cordsOfBand,
  type FlossPart,
  type ReadyPattern,
} from '@coiled-strand/core';
import { useMemo, useState } from 'react';
import { TextField } from '../../../ui/fields/text-field';
import { usePieceDocument } from '../piece/piece-store';
import { Modal } from '../../../ui/shell/modal';
import { BandPreview } from './band-preview';
import { loomEdits } from './loom-edits';
import { StrandsAnd } from './strands-and';

interface Props {
  readonly part: FlossPart;
  readonly onClose: () => void;
}

/** Patterns made by rule, each drawn in the band’s own colours; one that cannot be says what it needs. */
export function ReadyDialog({ part, onClose }: Props) {
  const piece = usePieceDocument();
  const [strands, setStrands] = useState(() => runsOf(piece).length);
  const [text, setText] = useState('ALDER RISE');
  const cords = useMemo(() => cordsOfBand(piece, part.id), [piece, part.id]);
  const lay = (ready: ReadyPattern, on: number): void => {
    loomEdits.ready(part.id, ready.id, on, text);
    onClose();
  };
  return (
    <Modal
      open
      onClose={onClose}
      size="wide"
      title="Ready patterns"
      description="They take the place of what is on the loom; undo brings it back."
    >
      <Box mb="5">
        <StrandsAnd strands={strands} onStrands={setStrands}>
          <TextField
            label="Word, for letters"
            value={text}
            onChange={(next) => setText(next ?? '')}
          />
        </StrandsAnd>
      </Box>
      <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="3">
        {READY_PATTERNS.map((ready) => (
          <Card
            key={ready.id}
            ready={ready}
            part={part}
            strands={strands}
            text={text}
            cords={cords}
            onLay={(on) => lay(ready, on)}
          />
        ))}
      </Grid>
    </Modal>
  );
}

interface CardProps {
  readonly ready: ReadyPattern;
  readonly part: FlossPart;
  readonly strands: number;
  readonly text: string;
  readonly cords: ReturnType<typeof cordsOfBand>;
  readonly onLay: (strands: number) => void;
}

function Card({ ready, part, strands, text, cords, onLay }: CardProps) {
  const missing = ready.lacks({ strands, colours: cords.length, text });
  const nearest = ready.nearest(strands);
  const mends =
    missing !== null && ready.lacks({ strands: nearest, colours: cords.length, text }) === null;
  const on = missing === null ? strands : nearest;
  const drawn = useMemo(() => {
    const start = { strands: on, colours: cords.length, text };
    if (ready.lacks(start) !== null) return null;
    const made = ready.make(start);
    return {
      part: { ...part, ...made.pattern },
      cords: made.colours.map((colour) => cords[colour]!),
    };
  }, [ready, on, text, cords, part]);
  return (
    <Box
      as="button"
      display="flex"
      flexDirection="column"
      justifyContent="flex-start"
      textAlign="left"
      p="3"
      borderRadius="soft"
      border="1px solid {colors.line}"
      bg="raised"
      cursor={drawn ? 'pointer' : 'not-allowed'}
      _hover={{ borderColor: drawn ? 'ink' : 'line' }}
      aria-disabled={!drawn}
      onClick={() => drawn && onLay(on)}
    >
      <Flex
        w="full"
        h="64px"
        align="center"
        bg="bench"
        borderRadius="soft"
        px="2"
        mb="2"
        overflow="hidden"
      >
        {drawn && (
          <BandPreview {...drawn} height={48} stretch={ready.id === 'letters' ? 11 : 6.4} />
        )}
      </Flex>
      <Text fontWeight="600" lineHeight="1.25">
        {ready.label}
      </Text>
      <Text fontSize="sm" color="muted" lineHeight="1.3">
        {ready.blurb}
      </Text>
      {missing !== null && (
        <Text fontSize="sm" color="warn" lineHeight="1.3" mt="1">
          {missing}
          {mends && ` Chosen here, it is laid on ${nearest} strands.`}
        </Text>
      )}
    </Box>
  );
}
