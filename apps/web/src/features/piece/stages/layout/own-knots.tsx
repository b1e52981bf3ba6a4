import { Link as ChakraLink, Text } from '@chakra-ui/react';
import type { KnotView } from '@coiled-strand/contract';
import { PART_KINDS } from '@coiled-strand/core';
import { Link } from 'react-router';
import { KnotPicture } from '../../../knots/board/flat-knot';
import { PartTile } from './part-tiles';

interface Props {
  /** Those of the workshop that are offered. */
  readonly knots: readonly KnotView[];
  /** @param seam where it goes; behind the selected part when left out */
  readonly onAdd: (kind: string, knot: KnotView, seam?: number) => void;
}

/** The kind of part that is one of the maker's own knots. */
const KIND = PART_KINDS.find(({ entry }) => entry.needsKnot)!.entry.id;

/** The knots that were drawn in the workshop, each to be put in. */
export function OwnKnots({ knots, onAdd }: Props) {
  return knots.map((knot) => (
    <PartTile
      key={knot.id}
      label={knot.value.name}
      about="A knot of your own."
      onAdd={() => onAdd(KIND, knot)}
      dragged={{ part: knot.value.name, putIn: (seam) => onAdd(KIND, knot, seam) }}
      picture={
        <KnotPicture
          curves={knot.value.tight.curves}
          long={knot.value.tight.size.length.value}
          wide={knot.value.tight.size.width.value}
          height={64}
        />
      }
    />
  ));
}

/** The way to the board. */
export const DrawAKnot = () => (
  <Text fontSize="sm" mt="-3" mb="5">
    <ChakraLink asChild>
      <Link to="/knots/new">Draw a knot of your own</Link>
    </ChakraLink>
  </Text>
);
