import { Box } from '@chakra-ui/react';
import type { LineFault } from '@coiled-strand/core';

/** What is wrong with a text, line by line. */
export const LineFaults = ({ faults }: { readonly faults: readonly LineFault[] }) => (
  <Box role="alert" bg="dangerFaint" borderRadius="soft" px="4" py="3">
    <Box as="ul" m="0" pl="5">
      {faults.map(({ line, message }) => (
        <li key={`${line} ${message}`}>
          {line > 0 && <b>Line {line}: </b>}
          {message}
        </li>
      ))}
    </Box>
  </Box>
);
