import { Box, Flex, Text } from '@chakra-ui/react';
import { Smartphone } from 'lucide-react';
import { Button } from '../shell/button';
import { usePocket } from './pocket-store';

const sayHere = (here: boolean | null): string => {
  if (here === true) {
    return 'The program lies on this device. It opens without a network, with the pieces you opened lately: making, measuring and logging go on, and what you did goes to the server when it is back.';
  }
  if (here === null) return 'The program is being put on this device.';
  return window.isSecureContext
    ? 'This browser does not keep programs: without the server only what is open goes on.'
    : 'Browsers keep a program only from an address that begins with https. Reached by this address it needs the server; docs/phone.md says how to give it another.';
};

/** Whether the program is here without a network, and how to get an icon for it. */
export function OnThisDevice() {
  const { here, offer, installed } = usePocket();
  return (
    <Box data-testid="on-this-device">
      <Text fontWeight="600" mb="1">
        On this device
      </Text>
      <Text color="muted">{sayHere(here)}</Text>
      {here === true && !installed && (
        <Flex mt="3" gap="3" align="center" flexWrap="wrap">
          {offer ? (
            <Button onClick={() => void offer.prompt()}>
              <Smartphone size={18} /> Install it
            </Button>
          ) : (
            <Text fontSize="sm" color="muted">
              To have an icon for it, choose “Install” or “Add to home screen” in the browser’s own
              menu.
            </Text>
          )}
        </Flex>
      )}
    </Box>
  );
}
