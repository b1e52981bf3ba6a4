import { Box, Flex, Text } from '@chakra-ui/react';
import type { Caution } from '@coiled-strand/core';
import { Baby, Droplets, Flame, Gem, Magnet, Scissors, Weight } from 'lucide-react';

const ICON = {
  flame: Flame,
  glue: Droplets,
  blade: Scissors,
  child: Baby,
  load: Weight,
  metal: Gem,
  magnet: Magnet,
} as const;

/** The usual cautions beside the step they belong to. */
export function Cautions({ cautions }: { readonly cautions: readonly Caution[] }) {
  if (cautions.length === 0) return null;
  return (
    <Flex direction="column" gap="2" mt="4">
      {cautions.map(({ kind, text }) => {
        const Icon = ICON[kind];
        return (
          <Flex key={text} gap="3" bg="warnFaint" borderRadius="soft" px="3" py="2" maxW="680px">
            <Box color="warn" pt="0.5" flexShrink={0}>
              <Icon size={20} aria-label="Caution" />
            </Box>
            <Text lineHeight="1.4">{text}</Text>
          </Flex>
        );
      })}
    </Flex>
  );
}
