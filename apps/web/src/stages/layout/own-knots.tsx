import { Box, Link as ChakraLink, Text } from '@chakra-ui/react';
import type { KnotView } from '@coiled-strand/contract';
import { PART_KINDS } from '@coiled-strand/core';
import { Link } from 'react-router';
import { useKnots } from '../../api/knot-queries';
import { KnotPicture } from '../../board/flat-knot';
import { Button } from '../../shell/button';

interface Props {
  readonly onAdd: (kind: string, knot: KnotView) => void;
}

/** The kind of part that is one of the maker's own knots. */
const KIND = PART_KINDS.find(({ entry }) => entry.needsKnot)!.entry.id;

/** The knots that were drawn in the workshop, each to be put in; or the way to the board. */
export function OwnKnots({ onAdd }: Props) {
  const { data: knots = [] } = useKnots();
  return (
    <>
      {knots.map((knot) => (
        <Button
          key={knot.id}
          variant="bare"
          w="full"
          justifyContent="flex-start"
          minH="44px"
          px="2"
          gap="3"
          onClick={() => onAdd(KIND, knot)}
        >
          <Box w="72px" flexShrink="0">
            <KnotPicture
              curves={knot.value.tight.curves}
              long={knot.value.tight.size.length.value}
              wide={knot.value.tight.size.width.value}
              height={30}
            />
          </Box>
          <Text as="span">{knot.value.name}</Text>
        </Button>
      ))}
      <Text fontSize="sm" px="2" py="1">
        <ChakraLink asChild>
          <Link to="/knots/new">Draw a knot of your own</Link>
        </ChakraLink>
      </Text>
    </>
  );
}
