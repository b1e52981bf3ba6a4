import { Grid } from '@chakra-ui/react';
import type { ReactNode } from 'react';

interface Props {
  /** No tile is narrower than so many pixels, as long as the page is not. */
  readonly least: number;
  readonly gap?: string;
  /** Items of a list. */
  readonly children: ReactNode;
}

/** Things to look through, side by side in as many columns as there is room for. */
export const Tiles = ({ least, gap = '5', children }: Props) => (
  <Grid
    as="ul"
    listStyleType="none"
    m="0"
    p="0"
    gap={gap}
    templateColumns={`repeat(auto-fill, minmax(min(${least}px, 100%), 1fr))`}
  >
    {children}
  </Grid>
);
