import { Flex, Text } from '@chakra-ui/react';
import { Button } from './button';

interface Props {
  /** How many are shown, and how many there are. */
  readonly shown: number;
  readonly total: number;
  /** What one and several of them are called. */
  readonly what: readonly [one: string, several: string];
  readonly more: (() => void) | null;
  readonly pending: boolean;
}

/** The end of a list that goes on: how much of it is here, and the rest. */
export function More({ shown, total, what: [one, several], more, pending }: Props) {
  if (!more) return null;
  return (
    <Flex gap="4" align="center" mt="6">
      <Button onClick={more} disabled={pending}>
        {pending ? 'Fetching more' : 'Show more'}
      </Button>
      <Text color="muted">
        {shown} of {total} {total === 1 ? one : several}
      </Text>
    </Flex>
  );
}
