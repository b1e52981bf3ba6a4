import { Box } from '@chakra-ui/react';
import type { Cord } from '@coiled-strand/core';
import { memo } from 'react';

interface Props {
  readonly number: number;
  readonly cord: Cord;
  readonly size?: number;
}

/** A cord's number on its colour: neither stands alone. */
export const StrandBadge = memo(function StrandBadge({ number, cord, size = 26 }: Props) {
  return (
    <Box
      as="span"
      display="inline-grid"
      placeItems="center"
      flexShrink={0}
      w={`${size}px`}
      h={`${size}px`}
      borderRadius="round"
      className="true-colour"
      style={{ background: cord.colour.hex }}
      border="1px solid rgba(0,0,0,.3)"
    >
      <Box
        as="span"
        bg="raised"
        color="ink"
        borderRadius="round"
        w={`${size * 0.62}px`}
        h={`${size * 0.62}px`}
        display="grid"
        placeItems="center"
        fontSize={`${size * 0.5}px`}
        fontWeight="700"
        lineHeight="1"
      >
        {number}
      </Box>
    </Box>
  );
});
