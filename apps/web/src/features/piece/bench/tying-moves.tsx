import { Box, Text, type BoxProps } from '@chakra-ui/react';
import type { MovePicture, TyingShown } from '@coiled-strand/core';
import './bench.css';
import { Shapes, SlowMotion } from './shapes';

interface Props {
  readonly shown: TyingShown;
  /** Counts up each time the moves are to be shown slowly; 0 for not yet. */
  readonly slow?: number;
}

/**
 * How a knot is tied: a picture and a sentence for every move. On a phone they lie side by side and are pushed along;
 * where there is room all of them are seen at once, so that hands that hold cord need not touch anything.
 */
export function TyingMoves({ shown, slow = 0 }: Props) {
  const { ground, moves, drawUp } = shown;
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
          <Move key={move.text} move={move} number={i + 1} slow={slow} />
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
  readonly slow: number;
}

function Move({ move: { frame, shapes, text }, number, slow }: MoveProps) {
  return (
    <Box
      as="li"
      order={{ md: 1 }}
      flex={{ base: '0 0 86%', md: 'initial' }}
      scrollSnapAlign="start"
      className="print-keep"
    >
      <Box bg="bench" borderRadius="8px" overflow="hidden" h={{ base: '150px', md: '180px' }}>
        <svg
          key={slow}
          aria-hidden
          viewBox={`${frame.x} ${frame.y} ${frame.width} ${frame.height}`}
          preserveAspectRatio="xMidYMid meet"
          style={{ width: '100%', height: '100%', display: 'block' }}
          data-testid="move-picture"
        >
          <SlowMotion value={slow > 0}>
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
