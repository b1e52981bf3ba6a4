import { Box, Link as ChakraLink, Text } from '@chakra-ui/react';
import type { CutDto } from '@coiled-strand/contract';
import type { Cord } from '@coiled-strand/core';
import { likeKey, type CutPlan } from '@coiled-strand/workshop';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useLots } from '../../../../data/api/week-queries';
import { useUnits } from '../../../../ui/settings/use-units';

interface Props {
  readonly plan: CutPlan;
  readonly cuts: readonly CutDto[];
  readonly cords: ReadonlyMap<string, Cord>;
}

/** What no lot can give whole: what is missing, and what else could be done. */
export function Uncut({ plan, cuts, cords }: Props) {
  const units = useUnits();
  const others = useLots({ kind: 'cord', state: 'left', limit: 100 });
  const rows = useMemo(
    () =>
      plan.uncut.flatMap((one) => {
        const cut = cuts.find(({ id }) => id === one.cut.id);
        const cord = cords.get(one.cut.thing);
        return cut && cord ? [{ ...one, cut, cord }] : [];
      }),
    [plan, cuts, cords],
  );
  if (rows.length === 0) return null;
  return (
    <Box bg="warnFaint" borderRadius="10px" px="5" py="4" mb="7" role="status">
      <Text fontWeight="600" fontSize="lg">
        {rows.length === 1 ? 'One cut' : `${rows.length} cuts`} cannot be made from what is there
      </Text>
      {rows.map(({ cut, cord, because, longest }) => {
        const colour = others.items.find(
          ({ thing, left }) =>
            thing.kind === 'cord' &&
            likeKey(thing.cord) === likeKey(cord) &&
            thing.cord.colour.hex !== cord.colour.hex &&
            left >= cut.length,
        );
        const single = cut.fold !== undefined && longest >= cut.length / 2;
        return (
          <Box key={cut.id} mt="3">
            <Text>
              <b>{units.cord(cut.length)}</b> of {cord.name}, {cord.colour.name}, for {cut.piece} (
              {cut.role.toLowerCase()}):{' '}
              {because === 'none'
                ? 'there is none of it.'
                : because === 'too-short'
                  ? `no lot is so long; ${units.cord(cut.length - longest)} are missing from the longest.`
                  : `other cuts need what is there; ${units.cord(longest)} are left at the longest.`}
            </Text>
            <Text fontSize="sm" color="muted">
              <ChakraLink asChild textDecoration="underline">
                <Link to="/buying">Buy some</Link>
              </ChakraLink>
              {colour?.thing.kind === 'cord' &&
                `, take ${colour.thing.cord.colour.name} instead (${units.cord(colour.left)} there)`}
              {single && ', cut it single in two halves instead of one folded in the middle'}
              {!single && ', or join two lots where a knot covers the joint'}.
            </Text>
          </Box>
        );
      })}
    </Box>
  );
}
