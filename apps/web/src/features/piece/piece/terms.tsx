import { Text } from '@chakra-ui/react';
import { tellTerm, type TermId } from '@coiled-strand/core';

/** What the words of the trade mean that stand in a step for the first time. */
export function Terms({ terms = [] }: { readonly terms?: readonly TermId[] | undefined }) {
  if (terms.length === 0) return null;
  return (
    <Text mt="2" color="muted" fontSize="sm" maxW="68ch">
      {terms.map(tellTerm).join(' ')}
    </Text>
  );
}
