import { Box, Text } from '@chakra-ui/react';
import type { FileFault } from '@coiled-strand/core';

interface Props {
  readonly name: string;
  readonly faults: readonly FileFault[];
}

/** What is wrong with the file of a piece, by path. */
export const FileFaults = ({ name, faults }: Props) => (
  <Box role="alert" bg="dangerFaint" borderRadius="soft" px="4" py="3">
    <Text fontWeight="600">{name} cannot be imported as it is. Nothing was saved.</Text>
    <Box as="ul" m="0" mt="2" pl="5">
      {faults.map((fault) => (
        <li key={`${fault.path}${fault.message}`}>
          {fault.path && <b>{fault.path}: </b>}
          {fault.message}
        </li>
      ))}
    </Box>
  </Box>
);
