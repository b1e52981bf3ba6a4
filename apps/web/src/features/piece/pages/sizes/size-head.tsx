import { Text } from '@chakra-ui/react';
import type { Sized } from '@coiled-strand/core';
import { useNavigate } from 'react-router';
import { useAddPiece } from '../../../../data/api/queries';
import { ForMakers } from '../../../../ui/frame/for-makers';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';

interface HeadProps {
  readonly sized: Sized;
  readonly own: boolean;
}

/** Whom a column is for, and a way to make it a piece. */
export function SizeHead({ sized: { piece, plan }, own }: HeadProps) {
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
    <>
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
    </>
  );
}
