import { Box, Text } from '@chakra-ui/react';
import type { Sized } from '@coiled-strand/core';
import { useNavigate } from 'react-router';
import { useAddPiece } from '../../api/queries';
import { ForMakers } from '../../frame/for-makers';
import { useUnits } from '../../settings/use-units';
import { Button } from '../../shell/button';
import type { Row } from './rows';

interface Props {
  readonly sized: readonly Sized[];
  readonly rows: readonly Row[];
}

/** Whether all that is known of a line is the same. */
const alike = ({ cells }: Row): boolean => new Set(cells.filter((cell) => cell !== null)).size < 2;

/** The sizes as columns; what does not change from size to size is pale. */
export function SizesTable({ sized, rows }: Props) {
  return (
    <Box overflowX="auto" tabIndex={0} role="region" aria-label="Sizes side by side">
      <Box
        as="table"
        css={{
          borderCollapse: 'collapse',
          '& th, & td': { px: '3', py: '2', textAlign: 'right', whiteSpace: 'nowrap' },
          '& tbody th': { pl: '0', textAlign: 'left', fontWeight: '400' },
          '& tbody tr': { borderTop: '1px solid {colors.line}' },
        }}
      >
        <thead>
          <tr>
            <td />
            {sized.map((one, i) => (
              <Head key={i} sized={one} own={i === 0} />
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <Box as="tr" key={row.what} color={sized.length > 1 && alike(row) ? 'muted' : 'ink'}>
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
}

interface HeadProps {
  readonly sized: Sized;
  readonly own: boolean;
}

function Head({ sized: { piece, plan }, own }: HeadProps) {
  const units = useUnits();
  const add = useAddPiece();
  const navigate = useNavigate();
  const { name } = piece.wearer;
  const { site } = piece.wear;
  const girth = piece.wearer[site];
  const make = async (): Promise<void> => {
    const { id } = await add.mutateAsync({ ...piece, name: `${piece.name}, ${name}`.slice(0, 80) });
    await navigate(`/pieces/${id}/fit`);
  };
  const fault = plan.advice.find(({ severity }) => severity === 'error');
  return (
    <th scope="col" style={{ verticalAlign: 'bottom' }}>
      <Text fontWeight="600">{name}</Text>
      <Text fontSize="sm" color="muted" fontWeight="400">
        {girth === undefined ? `${site} not measured` : `${site} ${units.size(girth)}`}
      </Text>
      {fault && (
        <Text fontSize="sm" color="danger" fontWeight="400" whiteSpace="normal" maxW="180px">
          {units.say(fault.message)}
        </Text>
      )}
      {!own && (
        <ForMakers>
          <Button variant="text" fontSize="sm" disabled={add.isPending} onClick={() => void make()}>
            Make it a piece
          </Button>
        </ForMakers>
      )}
    </th>
  );
}
