import { Box, Flex, Text } from '@chakra-ui/react';
import { FileUp } from 'lucide-react';
import { useState, type DragEvent } from 'react';
import { useArrival } from '../../arrivals/arrival-store';
import { FileFaults } from '../../arrivals/file-faults';
import { recogniseFile } from '../../arrivals/recognise';
import { useTakePiece } from '../../arrivals/use-take-piece';
import { FileButton } from '../../../../ui/shell/file-button';
import { Modal } from '../../../../ui/shell/modal';

/** Takes a piece from its file; what is wrong with a file is named by path, and nothing is stored. */
export function ImportDialog({ onClose }: { readonly onClose: () => void }) {
  const [name, setName] = useState('');
  const { take, faults, setFaults, isPending } = useTakePiece();
  const bring = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setName(file.name);
    setFaults([]);
    const arrival = await recogniseFile(file);
    if (arrival.kind === 'piece') await take(arrival.file);
    else if (arrival.kind === 'bad-piece') setFaults(arrival.faults);
    else if (arrival.kind === 'unknown') setFaults([{ path: '', message: arrival.why }]);
    else {
      // A pattern, a picture or a table has questions of its own.
      onClose();
      useArrival.setState({ arrival });
    }
  };
  const drop = (event: DragEvent): void => {
    event.preventDefault();
    void bring(event.dataTransfer.files[0]);
  };
  return (
    <Modal
      open
      onClose={onClose}
      title="From a file"
      description="A piece exported from Coiled Strand, also one that was edited by hand; the pattern of a band as text; a table of beads, cords, findings or wearers. It may be dropped on any page as well."
    >
      <Flex
        direction="column"
        align="center"
        gap="3"
        py="8"
        border="1.5px dashed {colors.line}"
        borderRadius="8px"
        onDragOver={(event) => event.preventDefault()}
        onDrop={drop}
      >
        <FileButton
          variant="solid"
          accept=".json,application/json,.csv,text/csv,.txt,text/plain,image/*"
          testId="import-file"
          disabled={isPending}
          onFile={(file) => void bring(file)}
        >
          <FileUp size={18} /> Choose a file
        </FileButton>
        <Text color="muted">or drop it here</Text>
      </Flex>
      {faults.length > 0 && (
        <Box mt="5">
          <FileFaults name={name} faults={faults} />
        </Box>
      )}
    </Modal>
  );
}
