import { Grid } from '@chakra-ui/react';
import { STRAND_LIMITS } from '@coiled-strand/core';
import type { ReactNode } from 'react';
import { CountField } from '../../../ui/fields/count-field';

interface Props {
  readonly strands: number;
  readonly onStrands: (strands: number) => void;
  readonly children: ReactNode;
}

/** On how many strands, and one thing more. */
export const StrandsAnd = ({ strands, onStrands, children }: Props) => (
  <Grid templateColumns={{ base: '1fr', sm: '140px 1fr' }} gap="4">
    <CountField
      label="Strands"
      value={strands}
      min={STRAND_LIMITS.min}
      max={STRAND_LIMITS.max}
      onChange={onStrands}
    />
    {children}
  </Grid>
);
