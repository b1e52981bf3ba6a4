import { Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { Button } from '../shell/button';
import { isMakingAnywhere } from './making-lock';
import { usePocket } from './pocket-store';

/** A newer program lies ready: it takes the place of this one when it is told to, and never during a make. */
export function NewerNote() {
  const newer = usePocket((pocket) => pocket.newer);
  const [busy, setBusy] = useState(false);
  if (!newer) return null;
  const change = async (): Promise<void> => {
    const making = await isMakingAnywhere();
    setBusy(making);
    if (!making) newer();
  };
  return (
    <Flex
      role="status"
      className="no-print"
      align="center"
      gap="4"
      flexWrap="wrap"
      bg="chalkFaint"
      px={{ base: '4', md: '7' }}
      py="2"
    >
      <Text flex="1" minW="220px">
        {busy
          ? 'Something is being made in another window. The newer program waits until it is done.'
          : 'A newer Coiled Strand lies ready on this device.'}
      </Text>
      <Button onClick={() => void change()}>Use it now</Button>
    </Flex>
  );
}
