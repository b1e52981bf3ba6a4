import { Box, Heading, Text } from '@chakra-ui/react';
import { FileUp } from 'lucide-react';
import { useState } from 'react';
import { ApiError } from '../../../../data/api/client';
import { useBeginWithBackup, useSetUp } from '../../../../data/api/people-queries';
import { TextRow } from '../../../../ui/fields/text-row';
import { Button } from '../../../../ui/shell/button';
import { FileButton } from '../../../../ui/shell/file-button';
import { Door, DoorForm } from './door';
import { isSaid, NewPersonFields, NOBODY } from './new-person';

/** The first start of an empty installation: its workshop and its owner, or one from another machine. */
export function SetUpPage() {
  const [workshop, setWorkshop] = useState('');
  const [person, setPerson] = useState(NOBODY);
  const setUp = useSetUp();
  return (
    <Door
      title="A new workshop"
      about="You will be its owner: you let others in, and say what each may do."
    >
      <DoorForm error={setUp.error} onSend={() => setUp.mutate({ workshop, ...person })}>
        <TextRow
          label="Name of the workshop"
          value={workshop}
          maxLength={80}
          autoFocus
          onChange={(event) => setWorkshop(event.target.value)}
        />
        <NewPersonFields person={person} onChange={setPerson} error={setUp.error} />
        <Button
          type="submit"
          variant="solid"
          size="large"
          disabled={workshop.trim() === '' || !isSaid(person) || setUp.isPending}
        >
          Open the workshop
        </Button>
      </DoorForm>
      <FromBackup />
    </Door>
  );
}

/** What was on another machine, with everybody who signed in there. */
function FromBackup() {
  const begin = useBeginWithBackup();
  return (
    <Box mt="10" pt="6" borderTop="1px solid {colors.line}">
      <Heading as="h2" fontSize="md">
        Moving from another machine?
      </Heading>
      <Text color="muted" mt="1" mb="3">
        Choose the backup that was saved there. Everybody signs in here as they did there.
      </Text>
      <FileButton
        accept=".gz,application/gzip"
        testId="backup-file"
        disabled={begin.isPending}
        onFile={(file) => begin.mutate(file)}
      >
        <FileUp size={18} /> {begin.isPending ? 'Bringing it in' : 'Choose the backup'}
      </FileButton>
      {begin.error && (
        <Text color="danger" role="alert" mt="3">
          {begin.error.message} {begin.error instanceof ApiError && begin.error.body.remedy}
        </Text>
      )}
    </Box>
  );
}
