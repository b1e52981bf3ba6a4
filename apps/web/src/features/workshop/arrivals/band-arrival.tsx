import { Flex, Text } from '@chakra-ui/react';
import {
  layWritten,
  readBand,
  templateById,
  type FlossPart,
  type WrittenBand,
} from '@coiled-strand/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useAddPiece, useCords, useWearers, useWorkshop } from '../../../data/api/queries';
import { LineFaults } from '../../piece/loom/line-faults';
import { TextDialog } from '../../piece/loom/text-dialog';
import { AskDialog } from '../../../ui/shell/ask-dialog';
import { Button } from '../../../ui/shell/button';
import { Modal } from '../../../ui/shell/modal';
import { settle } from './arrival-store';
import { useOpenBands } from './open-band';
import { WhichBand } from './which-band';

/** The pattern of a band: laid on the loom that is open, or made into a piece. */
export function BandArrival({ text }: { readonly text: string }) {
  const bands = useOpenBands();
  const [chosen, setChosen] = useState<string | null>(null);
  if (bands.length > 1 && chosen === null) {
    return <AskBand bands={bands} onChoose={setChosen} />;
  }
  const part = bands.find(({ id }) => id === chosen) ?? bands[0];
  if (part) return <TextDialog part={part} text={text} onClose={settle} />;
  const read = readBand(text);
  if (read.ok) return <NewPiece band={read.value} />;
  return (
    <Modal
      open
      onClose={settle}
      title="This pattern cannot be read"
      footer={<Button onClick={settle}>Close</Button>}
    >
      <LineFaults faults={read.faults} />
    </Modal>
  );
}

interface AskProps {
  readonly bands: readonly FlossPart[];
  readonly onChoose: (id: string) => void;
}

function AskBand({ bands, onChoose }: AskProps) {
  const [band, setBand] = useState(bands[0]!.id);
  return (
    <AskDialog
      title="A pattern for a band"
      action="Go on"
      doing={[]}
      onDo={() => onChoose(band)}
      onClose={settle}
    >
      <WhichBand bands={bands} chosen={band} onChoose={setBand} />
    </AskDialog>
  );
}

/** The ready band whose place the pattern takes, and a wrist where the workshop has none. */
const BEGINS_AS = 'floss-stripe';
const BAND = 'knotted-floss';
const SOMEBODY = { name: 'Somebody', wrist: 165 } as const;

/** No band is open: the pattern is tied into a piece of its own. */
function NewPiece({ band }: { readonly band: WrittenBand }) {
  const add = useAddPiece();
  const navigate = useNavigate();
  const settings = useWorkshop().data?.settings;
  const wearer = useWearers().data?.[0]?.value ?? SOMEBODY;
  const { data: cords = [] } = useCords();
  const make = async (): Promise<void> => {
    if (!settings) return;
    const { step, confidence, practice, ends } = settings;
    const plain = templateById(BEGINS_AS).make({
      name: 'A knotted band',
      wearer,
      cutting: { step, confidence, practice },
      ends,
    });
    const piece = layWritten(
      plain,
      BAND,
      band,
      cords.map(({ value }) => value),
    );
    const { id } = await add.mutateAsync(piece);
    settle();
    await navigate(`/pieces/${id}/layout`);
  };
  return (
    <AskDialog
      title="A pattern for a band"
      action="Make a piece of it"
      ready={settings !== undefined}
      doing={[add]}
      onDo={make}
      onClose={settle}
    >
      <Flex direction="column" gap="3">
        <Text>
          {band.pattern.rows.length} rows on {band.strands} strands. It becomes a new band for{' '}
          {wearer.name}; all of it can be changed afterwards.
        </Text>
        <Text fontSize="sm" color="muted">
          To lay it on a band that you have, open that piece first and drop it there.
        </Text>
      </Flex>
    </AskDialog>
  );
}
