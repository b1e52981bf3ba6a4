import { Flex, Text } from '@chakra-ui/react';
import type { PagedList } from '../../data/api/lists';
import { Button } from './button';

interface Props {
  readonly list: PagedList<unknown>;
  /** What one and several of them are called. */
  readonly what: readonly [one: string, several: string];
}

/** The end of a list that goes on: how much of it is here, and the rest. */
export function More({ list, what: [one, several] }: Props) {
  const { items, total = 0, more, isFetchingMore } = list;
  if (!more) return null;
  return (
    <Flex gap="4" align="center" mt="6">
      <Button onClick={more} disabled={isFetchingMore}>
        {isFetchingMore ? 'Fetching more' : 'Show more'}
      </Button>
      <Text color="muted">
        {items.length} of {total} {total === 1 ? one : several}
      </Text>
    </Flex>
  );
}
