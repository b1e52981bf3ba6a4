import { Flex, Text } from '@chakra-ui/react';
import { sameDocument } from '@coiled-strand/core';
import { isStale, type Change, type Seen } from '../../data/api/changes';
import { Button } from './button';

interface Props<T extends object, V> {
  readonly change: {
    readonly error: Error | null;
    readonly variables: Change<T> | undefined;
    readonly mutate: (change: Change<T>) => void;
  };
  /** What may be changed of an answer. */
  readonly read: (view: V) => Seen<T>;
}

/** What of a thing was meant to be changed, and how. */
function meant<T extends object>({ seen, wanted }: Change<T>): Partial<T> {
  const value = typeof wanted === 'function' ? wanted(seen.value) : wanted;
  const changed = (Object.keys(value) as (keyof T)[]).filter(
    (part) => !sameDocument(value[part], seen.value[part]),
  );
  return Object.fromEntries(changed.map((part) => [part, value[part]])) as Partial<T>;
}

/** Why a field was not kept; where somebody else was quicker, what was typed can be kept all the same. */
export function ChangeFault<T extends object, V>({ change, read }: Props<T, V>) {
  const { error, variables, mutate } = change;
  if (!error) return null;
  if (!isStale(error) || !variables) {
    return (
      <Text color="danger" role="alert" mt="2">
        Not kept: {error.message}
      </Text>
    );
  }
  const keep = (): void => {
    const seen = read(error.body.stored as V);
    mutate({ seen, wanted: { ...seen.value, ...meant(variables) } });
  };
  return (
    <Flex role="alert" gap="3" mt="2" align="center" flexWrap="wrap">
      <Text flex="1 1 200px">
        Somebody else changed the same just before. What you see is theirs.
      </Text>
      <Button onClick={keep}>Keep yours</Button>
    </Flex>
  );
}
