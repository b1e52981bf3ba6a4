import { Box, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import {
  useAddWorkshop,
  useLeave,
  useSession,
  useWorkIn,
} from '../../../../data/api/people-queries';
import { TextRow } from '../../../../ui/fields/text-row';
import { HouseList, HouseRow } from '../../people/house-page';
import { ROLE_WORDS } from '../../people/role-words';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { Button } from '../../../../ui/shell/button';
import { DoorForm } from './door';

/** The workshops that somebody is in: the one that is worked in, and ways to the others. */
export function Workshops() {
  const { data } = useSession();
  const navigate = useNavigate();
  const workIn = useWorkIn();
  const [leaving, setLeaving] = useState(false);
  const leave = useLeave();
  if (!data) return null;
  return (
    <>
      <Box maxW="640px">
        <HouseList>
          {data.workshops.map(({ id, name, role }) => (
            <HouseRow key={id} title={name} about={ROLE_WORDS[role].name}>
              {id === data.workshop?.id ? (
                !data.open && <Button onClick={() => setLeaving(true)}>Leave it</Button>
              ) : (
                <Button
                  variant="solid"
                  disabled={workIn.isPending}
                  onClick={() => workIn.mutate(id, { onSuccess: () => void navigate('/') })}
                >
                  Work here
                </Button>
              )}
            </HouseRow>
          ))}
        </HouseList>
      </Box>
      <Box mt="5" maxW="420px">
        {data.open ? (
          <Text color="muted">With a password of your own you can have several workshops.</Text>
        ) : (
          <NewWorkshop />
        )}
      </Box>
      {leaving && data.workshop && (
        <AskDialog
          title={`Leave ${data.workshop.name}?`}
          description="What you made and wrote there stays. An owner can invite you again."
          action="Leave"
          doing={[leave]}
          onDo={async () => {
            await leave.mutateAsync(undefined);
            await navigate('/');
          }}
          onClose={() => setLeaving(false)}
        />
      )}
    </>
  );
}

/** A workshop of one's own. */
export function NewWorkshop() {
  const [name, setName] = useState('');
  const add = useAddWorkshop();
  const navigate = useNavigate();
  return (
    <DoorForm
      error={add.error}
      onSend={() => add.mutate({ name }, { onSuccess: () => void navigate('/') })}
    >
      <Flex gap="3" align="flex-end">
        <Box flex="1">
          <TextRow
            label="A workshop of your own"
            value={name}
            maxLength={80}
            placeholder="its name"
            onChange={(event) => setName(event.target.value)}
          />
        </Box>
        <Button type="submit" disabled={name.trim() === '' || add.isPending}>
          Begin it
        </Button>
      </Flex>
    </DoorForm>
  );
}
