import { Box, Text } from '@chakra-ui/react';

/** What people get wrong here. */
export function Mistakes({ mistakes }: { readonly mistakes: readonly string[] | undefined }) {
  if (!mistakes || mistakes.length === 0) return null;
  return (
    <Box mt="4" maxW="640px">
      <Text fontWeight="600">What goes wrong here</Text>
      <Box as="ul" listStyleType="disc" m="0" mt="1" pl="5">
        {mistakes.map((mistake) => (
          <li key={mistake}>{mistake}</li>
        ))}
      </Box>
    </Box>
  );
}
