import { Box, Text, type BoxProps } from '@chakra-ui/react';
import type { MovePicture, TyingShown } from '@coiled-strand/core';
import { useEffect, useRef, useState } from 'react';
import './bench.css';
import { Shapes, SlowMotion, WAY_SECONDS } from './shapes';

interface Props {
  readonly shown: TyingShown;
  /** Counts up each time the moves are to be shown slowly; 0 for not yet. */
  readonly slow?: number;
}

/** Between the end of a move and the beginning of the next, in s. */
const PAUSE = 0.6;

/** Which move is shown slowly now, one after the other; null for none. */
function usePlayed(slow: number, moves: number): number | null {
  const [playing, setPlaying] = useState<{ readonly slow: number; readonly at: number }>({
    slow: 0,
    at: 0,
  });
  const at = playing.slow === slow ? playing.at : 0;
  const goesOn = slow > 0 && at < moves;
  useEffect(() => {
    if (!goesOn) return undefined;
    const next = setTimeout(() => setPlaying({ slow, at: at + 1 }), 1000 * (WAY_SECONDS + PAUSE));
    return () => clearTimeout(next);
  }, [goesOn, slow, at]);
  return goesOn ? at : null;
}

/**
 * How a knot is tied: a picture and a sentence for every move. On a phone they lie side by side and are pushed along;
 * where there is room all of them are seen at once, so that hands that hold cord need not touch anything.
 */
export function TyingMoves({ shown, slow = 0 }: Props) {
  const { ground, moves, drawUp } = shown;
  const played = usePlayed(slow, moves.length);
  return (
    <Box minW="0" data-testid="tying-moves">
      <Box
        as="ol"
        listStyleType="none"
        m="0"
        p="0"
        // What is pushed along can be reached by keys as well.
        tabIndex={0}
        aria-label={`${shown.name}, move by move`}
        display={{ base: 'flex', md: 'grid' }}
        gridTemplateColumns={{ md: 'repeat(auto-fill, minmax(230px, 1fr))' }}
        gap="3"
        overflowX={{ base: 'auto', md: 'visible' }}
        scrollSnapType={{ base: 'x mandatory', md: 'none' }}
      >
        <Words order={{ base: 1, md: 0 }}>{ground.join(' ')}</Words>
        {moves.map((move, i) => (
          <Move key={move.text} move={move} number={i + 1} plays={played === i ? slow : 0} />
        ))}
        {drawUp.length > 0 && <Words order="2">{drawUp.join(' ')}</Words>}
      </Box>
    </Box>
  );
}

interface WordsProps {
  readonly order: BoxProps['order'];
  readonly children: string;
}

/** What is told before the first move and after the last; where there is room for one picture only, after it. */
function Words({ order, children }: WordsProps) {
  return (
    <Text
      order={order}
      as="li"
      flex={{ base: '0 0 56%', md: 'initial' }}
      gridColumn={{ md: '1 / -1' }}
      scrollSnapAlign="start"
      fontSize={{ base: 'sm', md: 'md' }}
      lineHeight="1.4"
    >
      {children}
    </Text>
  );
}

interface MoveProps {
  readonly move: MovePicture;
  readonly number: number;
  /** Counts up each time that it is shown slowly; 0 for not now. */
  readonly plays: number;
}

/** How wide for their height pictures are, at the least and at the most. */
const WIDE = [4 / 3, 1.7] as const;

/** A picture is as wide for its height as what it shows; what stands upright has room beside it. */
function shapeOf({ width, height }: MovePicture['frame']): number {
  const [least, most] = WIDE;
  const own = width / height;
  // What is as high as wide, as a knot round a post, is shown as large as there is room.
  return own < 0.9 ? least : Math.min(most, own);
}

function Move({ move: { frame, shapes, text }, number, plays }: MoveProps) {
  const box = useRef<HTMLLIElement>(null);
  const shape = shapeOf(frame);
  useEffect(() => {
    if (plays > 0) box.current?.scrollIntoView?.({ block: 'nearest', inline: 'nearest' });
  }, [plays]);
  return (
    <Box
      ref={box}
      as="li"
      order={{ md: 1 }}
      flex={{ base: '0 0 86%', md: 'initial' }}
      scrollSnapAlign="start"
      className="print-keep"
    >
      <Box
        bg="bench"
        borderRadius="8px"
        overflow="hidden"
        // On a phone what is counted stays in sight below.
        h={{ base: shape < WIDE[0] ? '220px' : '150px', md: 'auto' }}
        aspectRatio={{ md: shape }}
      >
        <svg
          key={plays}
          aria-hidden
          viewBox={`${frame.x} ${frame.y} ${frame.width} ${frame.height}`}
          preserveAspectRatio="xMidYMid meet"
          style={{ width: '100%', height: '100%', display: 'block' }}
          data-testid="move-picture"
        >
          <SlowMotion value={plays > 0}>
            <Shapes shapes={shapes} />
          </SlowMotion>
        </svg>
      </Box>
      <Text mt="1" lineHeight="1.35" fontSize={{ base: 'sm', md: 'md' }}>
        {number}. {text}
      </Text>
    </Box>
  );
}
