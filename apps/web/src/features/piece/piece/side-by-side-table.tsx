import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import type { Row } from './side-by-side';

interface Props {
  readonly label: string;
  /** What each column is of: header cells of its own. */
  readonly heads: readonly ReactNode[];
  readonly rows: readonly Row[];
}

/** Columns of which anything is known. */
const knownColumns = (rows: readonly Row[]): readonly number[] =>
  (rows[0]?.cells ?? []).flatMap((_, i) =>
    rows.some(({ cells }) => cells[i] !== null) ? [i] : [],
  );

/** Whether a line is the same in all of them. */
const alike = ({ cells }: Row, columns: readonly number[]): boolean =>
  new Set(columns.map((i) => cells[i])).size < 2;

/** Plans as columns; what does not change from one to the next is pale. */
export const SideBySideTable = ({ label, heads, rows }: Props) => (
  <Box overflowX="auto" tabIndex={0} role="region" aria-label={label}>
    <Box
      as="table"
      css={{
        borderCollapse: 'collapse',
        '& th, & td': { px: { base: '2', md: '3' }, py: '2', textAlign: 'right' },
        '& td': { whiteSpace: 'nowrap' },
        '& thead th': { verticalAlign: 'bottom' },
        '& tbody th': {
          pl: '0',
          textAlign: 'left',
          fontWeight: '400',
          whiteSpace: { base: 'normal', md: 'nowrap' },
        },
        '& tbody tr': { borderTop: '1px solid {colors.line}' },
      }}
    >
      <thead>
        <tr>
          <td />
          {heads.map((head, i) => (
            <th key={i} scope="col">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <Box
            as="tr"
            key={row.what}
            color={heads.length > 1 && alike(row, knownColumns(rows)) ? 'muted' : 'ink'}
          >
            <th scope="row">{row.what}</th>
            {row.cells.map((cell, i) => (
              <td key={i}>{cell ?? ''}</td>
            ))}
          </Box>
        ))}
      </tbody>
    </Box>
  </Box>
);
