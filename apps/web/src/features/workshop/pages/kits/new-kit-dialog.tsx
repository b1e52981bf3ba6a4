import { Box, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useWearers } from '../../../../data/api/queries';
import { useAddKit, useAllPieces } from '../../../../data/api/week-queries';
import { CountField } from '../../../../ui/fields/count-field';
import { SelectField } from '../../../../ui/fields/select-field';
import { TextRow } from '../../../../ui/fields/text-row';
import { TickField } from '../../../../ui/fields/tick-field';
import { useUnits } from '../../../../ui/settings/use-units';
import { AskDialog } from '../../../../ui/shell/ask-dialog';

interface Props {
  /** What it begins with: the id of a piece, and of wearers. */
  readonly piece: string;
  readonly sizes: readonly string[];
  readonly onClose: () => void;
}

/** A piece, the sizes it is for, and how many packs. */
export function NewKitDialog({ piece: firstPiece, sizes: firstSizes, onClose }: Props) {
  const units = useUnits();
  const navigate = useNavigate();
  const { data: pieces = [] } = useAllPieces();
  const { data: wearers = [] } = useWearers();
  const add = useAddKit();
  const [pieceId, setPieceId] = useState(firstPiece);
  const [number, setNumber] = useState(6);
  const [sizes, setSizes] = useState(firstSizes);
  const [name, setName] = useState('');
  const piece = pieces.find(({ id }) => id === pieceId) ?? pieces[0];
  const title = name.trim() || (piece ? `${piece.piece.name} kit` : '');
  const save = async (): Promise<void> => {
    if (!piece || sizes.length === 0) return;
    const kit = await add.mutateAsync({
      ...{ name: title, pieceId: piece.id, number, sizes: [...sizes] },
    });
    await navigate(`/kits/${kit.id}`);
  };
  return (
    <AskDialog
      onClose={onClose}
      title="Plan a kit"
      action="Plan it"
      doing={[add]}
      ready={piece !== undefined && sizes.length > 0}
      onDo={save}
    >
      <Flex direction="column" gap="4">
        <SelectField
          label="Piece"
          value={piece?.id ?? ''}
          options={pieces.map((view) => ({ value: view.id, label: view.piece.name }))}
          onChange={setPieceId}
        />
        <TextRow
          label="Name on the label"
          value={name}
          placeholder={title}
          maxLength={120}
          onChange={(event) => setName(event.target.value)}
        />
        <CountField label="How many packs" value={number} min={1} max={500} onChange={setNumber} />
        <Box role="group" aria-label="Sizes">
          <Text fontSize="sm" color="muted" mb="1">
            Long enough for all of these sizes
          </Text>
          {wearers.map(({ id, value }) => (
            <Box key={id}>
              <TickField
                label={`${value.name}, wrist ${units.size(value.wrist)}`}
                checked={sizes.includes(id)}
                onChange={(checked) =>
                  setSizes(checked ? [...sizes, id] : sizes.filter((one) => one !== id))
                }
              />
            </Box>
          ))}
        </Box>
      </Flex>
    </AskDialog>
  );
}
