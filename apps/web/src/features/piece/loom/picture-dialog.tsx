import { Box, Flex, Text } from '@chakra-ui/react';
import {
  cordsOfBand,
  layColours,
  runsOf,
  withPattern,
  withSingleStrands,
  withStrandCount,
  type FlossPart,
  type Picture,
  type PictureOptions,
} from '@coiled-strand/core';
import { FileImage } from 'lucide-react';
import { useMemo, useState } from 'react';
import { SelectField } from '../../../ui/fields/select-field';
import { TickField } from '../../../ui/fields/tick-field';
import { usePiece, usePieceDocument } from '../piece/piece-store';
import { Button } from '../../../ui/shell/button';
import { FileButton } from '../../../ui/shell/file-button';
import { Modal } from '../../../ui/shell/modal';
import { BandPreview } from './band-preview';
import { StrandsAnd } from './strands-and';
import { readPicture, useWoven } from './use-picture';

interface Props {
  readonly part: FlossPart;
  /** The picture, where it is there already. */
  readonly given?: { readonly picture: Picture; readonly name: string };
  readonly onClose: () => void;
}

/** A small picture reduced to the band’s own colours and knots, seen before it is laid on. */
export function PictureDialog({ part, given, onClose }: Props) {
  const piece = usePieceDocument();
  const cords = useMemo(() => cordsOfBand(piece, part.id), [piece, part.id]);
  const [picture, setPicture] = useState<Picture | null>(given?.picture ?? null);
  const [name, setName] = useState<string | null>(given?.name ?? null);
  const [fault, setFault] = useState<string | null>(null);
  const [strands, setStrands] = useState(() => Math.max(12, runsOf(piece).length));
  const [ground, setGround] = useState(0);
  const [upright, setUpright] = useState(false);
  const figures = cords.filter((_, i) => i !== ground);
  const options: PictureOptions | null =
    figures.length === 0
      ? null
      : {
          strands,
          ground: cords[ground]!.colour.hex,
          figures: figures.map((cord) => cord.colour.hex),
          upright,
        };
  const { woven, fault: cannot } = useWoven(picture, options);
  // A preview of other strands than those asked for is one of a moment ago.
  const current = woven?.figures.length === strands ? woven : null;
  const colours = current?.figures.map((figure) =>
    figure === null ? ground : cords.indexOf(figures[figure] ?? cords[0]!),
  );
  const take = async (file: File): Promise<void> => {
    try {
      setPicture(await readPicture(file));
      setName(file.name);
      setFault(null);
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error));
    }
  };
  const lay = (): void => {
    if (!current || !colours) return;
    usePiece.getState().edit((old) => {
      // Each column has a colour of its own, so that every strand lies single.
      const enough = withStrandCount(withSingleStrands(old), part.id, strands);
      return layColours(withPattern(enough, part.id, current.pattern), part.id, colours, cords);
    });
    onClose();
  };
  return (
    <Modal
      open
      onClose={onClose}
      size="wide"
      title="A band from a picture"
      description="One strand lays the ground; each strand it crosses shows where the picture asks for it."
      footer={
        <Button variant="solid" disabled={!current} onClick={lay}>
          Lay it on the loom
        </Button>
      }
    >
      <Flex direction="column" gap="4">
        <Flex align="center" gap="3" flexWrap="wrap">
          <FileButton accept="image/*" testId="picture-file" onFile={(file) => void take(file)}>
            <FileImage size={18} /> Choose a picture
          </FileButton>
          <Text color="muted">{name ?? 'a PNG or a JPEG, up to 12 MB'}</Text>
        </Flex>
        {(fault ?? cannot) && (
          <Text role="alert" color="danger">
            {fault ?? cannot}
          </Text>
        )}
        {options === null && (
          <Text color="warn">
            A picture needs at least two colours of strands. Give one strand another colour first.
          </Text>
        )}
        <StrandsAnd strands={strands} onStrands={setStrands}>
          <SelectField
            label="Ground"
            value={String(ground)}
            options={cords.map((cord, i) => ({ value: String(i), label: cord.colour.name }))}
            onChange={(value) => setGround(Number(value))}
          />
        </StrandsAnd>
        <TickField
          label="The picture stands across the band"
          checked={upright}
          onChange={setUpright}
        />
        <Box bg="bench" borderRadius="soft" p="3" minH="90px" data-testid="picture-preview">
          {current && colours ? (
            <BandPreview
              part={{ ...part, ...current.pattern }}
              cords={colours.map((colour) => cords[colour]!)}
              height={120}
              stretch={current.pattern.rows.length / (strands - 1)}
            />
          ) : (
            <Text color="muted">
              {picture
                ? 'Working it out …'
                : 'Choose a small picture with few colours and clear shapes.'}
            </Text>
          )}
        </Box>
        {current && (
          <Text fontSize="sm" color="muted">
            {current.pattern.rows.length} rows of {strands - 1} knots.
          </Text>
        )}
      </Flex>
    </Modal>
  );
}
