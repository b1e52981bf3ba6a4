import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from './button';
import type { Draft } from './use-draft';

/** How each part of something is called, and what it says. */
export type Words<T extends object> = {
  readonly [P in keyof T]-?: {
    readonly label: string;
    readonly say: (value: T[P]) => string;
  };
};

interface Props<T extends object> {
  readonly draft: Draft<T>;
  readonly words: Words<T>;
}

/** What others changed while somebody typed, beside what was typed. */
export function ChangedMeanwhile<T extends object>({ draft, words }: Props<T>) {
  const { theirs, news, take, keep, read } = draft;
  const parts = Object.keys(theirs) as (keyof T)[];
  if (parts.length === 0 && news.length === 0) return null;
  return (
    <Box
      bg="bench"
      borderRadius="10px"
      px="5"
      py="4"
      mb="6"
      maxW="880px"
      role="status"
      data-testid="changed-meanwhile"
    >
      <Text fontWeight="600">Somebody changed this while you were typing.</Text>
      {parts.map((part) => (
        <Flex key={String(part)} gap="3" mt="2" align="center" flexWrap="wrap">
          <Text flex="1 1 240px">
            {words[part].label}: theirs is {words[part].say(theirs[part] as T[keyof T])}. Yours
            stands below.
          </Text>
          <Flex gap="2">
            <Button aria-label={`Take theirs: ${words[part].label}`} onClick={() => take(part)}>
              Take theirs
            </Button>
            <Button aria-label={`Keep yours: ${words[part].label}`} onClick={() => keep(part)}>
              Keep yours
            </Button>
          </Flex>
        </Flex>
      ))}
      {news.length > 0 && (
        <Flex gap="3" mt="2" align="center" flexWrap="wrap">
          <Text flex="1 1 240px" color="muted">
            As they have it now: {news.map((part) => words[part].label).join(', ')}.
          </Text>
          <Button onClick={read}>I have seen it</Button>
        </Flex>
      )}
    </Box>
  );
}
