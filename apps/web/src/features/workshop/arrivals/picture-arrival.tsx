import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import type { MakeView } from '@coiled-strand/contract';
import type { FlossPart, Picture } from '@coiled-strand/core';
import { format } from 'date-fns';
import { useMemo, useState } from 'react';
import { useAddPhoto } from '../../../data/api/queries';
import { useBook } from '../../../data/api/lists';
import { SelectField } from '../../../ui/fields/select-field';
import { PictureDialog } from '../../piece/loom/picture-dialog';
import { readPicture } from '../../piece/loom/use-picture';
import { Button } from '../../../ui/shell/button';
import { Modal } from '../../../ui/shell/modal';
import { toaster } from '../../../ui/shell/toaster';
import { settle } from './arrival-store';
import { useOpenBands } from './open-band';
import { WhichBand } from './which-band';

/** So many makes are offered, the last logged first. */
const OFFERED = 24;

/** A picture: to be woven into the band that is open, or kept with a make. */
export function PictureArrival({ file }: { readonly file: File }) {
  const bands = useOpenBands();
  const [weaving, setWeaving] = useState<{ part: FlossPart; picture: Picture } | null>(null);
  const { items: makes, total } = useBook({ state: 'logged', sort: 'logged', limit: OFFERED });
  if (weaving) {
    const { part, picture } = weaving;
    return <PictureDialog part={part} given={{ picture, name: file.name }} onClose={settle} />;
  }
  return (
    <Modal
      open
      onClose={settle}
      title="What is this picture for?"
      description={file.name}
      footer={<Button onClick={settle}>Leave it</Button>}
    >
      <Flex direction="column" gap="5">
        <Seen file={file} />
        {bands.length > 0 && <Weave file={file} bands={bands} onWeave={setWeaving} />}
        {makes.length > 0 && <Keep file={file} makes={makes} />}
        {bands.length === 0 && total === 0 && (
          <Text>
            Open a piece with a knotted band to weave it into the band, or log a make to keep it
            with that.
          </Text>
        )}
      </Flex>
    </Modal>
  );
}

/** Shows what lies in a file for as long as it is looked at. */
const showing =
  (file: File) =>
  (image: HTMLImageElement | null): (() => void) | undefined => {
    if (!image) return undefined;
    const url = URL.createObjectURL(file);
    image.src = url;
    return () => URL.revokeObjectURL(url);
  };

function Seen({ file }: { readonly file: File }) {
  const show = useMemo(() => showing(file), [file]);
  return (
    <Box bg="bench" borderRadius="soft" p="3" textAlign="center">
      <img
        ref={show}
        alt="What came in"
        style={{ maxHeight: 180, maxWidth: '100%', display: 'inline-block' }}
      />
    </Box>
  );
}

interface WeaveProps {
  readonly file: File;
  readonly bands: readonly FlossPart[];
  readonly onWeave: (what: { readonly part: FlossPart; readonly picture: Picture }) => void;
}

function Weave({ file, bands, onWeave }: WeaveProps) {
  const [fault, setFault] = useState<string | null>(null);
  const [chosen, setChosen] = useState(bands[0]!.id);
  const part = bands.find(({ id }) => id === chosen) ?? bands[0]!;
  const weave = async (): Promise<void> => {
    try {
      onWeave({ part, picture: await readPicture(file) });
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Box as="section">
      <Heading as="h3" fontSize="md" mb="2">
        A pattern
      </Heading>
      <Flex gap="3" align="flex-end" flexWrap="wrap">
        <WhichBand bands={bands} chosen={chosen} onChoose={setChosen} />
        <Button onClick={() => void weave()}>Weave it into the band</Button>
      </Flex>
      {fault !== null && (
        <Text role="alert" color="danger" mt="2">
          {fault}
        </Text>
      )}
    </Box>
  );
}

const nameOf = ({ piece, number, loggedAt }: MakeView): string =>
  `${piece.name}, make ${number}${loggedAt === null ? '' : `, ${format(new Date(loggedAt), 'd MMM yyyy')}`}`;

interface KeepProps {
  readonly file: File;
  readonly makes: readonly MakeView[];
}

function Keep({ file, makes }: KeepProps) {
  const [chosen, setChosen] = useState(makes[0]!.id);
  const make = makes.find(({ id }) => id === chosen) ?? makes[0]!;
  const add = useAddPhoto(make.pieceId);
  const keep = (): void =>
    add.mutate(
      { id: make.id, file },
      {
        onSuccess: () => {
          toaster.create({ title: `The picture is kept with ${nameOf(make)}.` });
          settle();
        },
      },
    );
  return (
    <Box as="section">
      <Heading as="h3" fontSize="md" mb="2">
        What was made
      </Heading>
      <SelectField
        label="Make"
        value={make.id}
        options={makes.map((one) => ({ value: one.id, label: nameOf(one) }))}
        onChange={setChosen}
      />
      <Button mt="3" disabled={add.isPending} onClick={keep}>
        Keep it with this make
      </Button>
      {add.error && (
        <Text role="alert" color="danger" mt="2">
          {add.error.message}
        </Text>
      )}
    </Box>
  );
}
