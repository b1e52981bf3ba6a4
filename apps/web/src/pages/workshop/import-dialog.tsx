import { Box, Flex, Text } from '@chakra-ui/react';
import { readPieceFile, type FileFault } from '@coiled-strand/core';
import { FileUp } from 'lucide-react';
import { useState, type DragEvent } from 'react';
import { useNavigate } from 'react-router';
import { ApiError } from '../../api/client';
import { useImportPiece } from '../../api/queries';
import { FileButton } from '../../shell/file-button';
import { Modal } from '../../shell/modal';

const LARGEST = 1_000_000;

/** Takes a piece from its file; what is wrong with a file is named by path, and nothing is stored. */
export function ImportDialog({ onClose }: { readonly onClose: () => void }) {
  const [name, setName] = useState('');
  const [faults, setFaults] = useState<readonly FileFault[]>([]);
  const importPiece = useImportPiece();
  const navigate = useNavigate();
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setName(file.name);
    setFaults([]);
    if (file.size > LARGEST) {
      setFaults([
        { path: '', message: 'The file is larger than 1 MB; a piece takes a few kilobytes.' },
      ]);
      return;
    }
    const read = readPieceFile(await file.text());
    if (!read.ok) {
      setFaults(read.faults);
      return;
    }
    try {
      const view = await importPiece.mutateAsync(read.value);
      await navigate(`/pieces/${view.id}/fit`);
    } catch (error) {
      const named = error instanceof ApiError ? error.body.faults : undefined;
      setFaults(named ?? [{ path: '', message: (error as Error).message }]);
    }
  };
  const drop = (event: DragEvent): void => {
    event.preventDefault();
    void take(event.dataTransfer.files[0]);
  };
  return (
    <Modal
      open
      onClose={onClose}
      title="A piece from a file"
      description="A file exported from Coiled Strand, also one that was edited by hand."
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
          accept=".json,application/json"
          testId="import-file"
          disabled={importPiece.isPending}
          onFile={(file) => void take(file)}
        >
          <FileUp size={18} /> Choose a file
        </FileButton>
        <Text color="muted">or drop it here</Text>
      </Flex>
      {faults.length > 0 && (
        <Box mt="5" role="alert" bg="dangerFaint" borderRadius="soft" px="4" py="3">
          <Text fontWeight="600">{name} cannot be imported as it is. Nothing was saved.</Text>
          <Box as="ul" m="0" mt="2" pl="5">
            {faults.map((fault) => (
              <li key={`${fault.path}${fault.message}`}>
                {fault.path && <b>{fault.path}: </b>}
                {fault.message}
              </li>
            ))}
          </Box>
        </Box>
      )}
    </Modal>
  );
}
