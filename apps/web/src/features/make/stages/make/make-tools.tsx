import { Box, Flex, Menu, Portal, Text } from '@chakra-ui/react';
import { Footprints, Ruler, Settings2, Signpost, Vibrate, Volume2, VolumeX } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useDevice } from '../../../../data/device/device-store';
import { Button } from '../../../../ui/shell/button';
import { Modal } from '../../../../ui/shell/modal';
import { keyName } from '../../../../ui/shell/use-hotkeys';

interface Props {
  readonly onLost: (() => void) | null;
  readonly onMeasure: () => void;
}

/** Words of a tool, where there is room for them. */
const Words = ({ children }: { readonly children: string }) => (
  <Box as="span" display={{ base: 'none', md: 'inline' }}>
    {children}
  </Box>
);

/** Beside the step: what helps when the place, the length or the hands are lost. */
export function MakeTools({ onLost, onMeasure }: Props) {
  const [pedal, setPedal] = useState(false);
  return (
    <Flex gap="1" align="center">
      <Button
        variant="bare"
        minH="44px"
        minW="44px"
        onClick={onMeasure}
        title="Measure now (R)"
        aria-label="Measure now"
      >
        <Ruler size={18} /> <Words>Measure now</Words>
      </Button>
      {onLost && (
        <Button
          variant="bare"
          minH="44px"
          minW="44px"
          onClick={onLost}
          title="Where was I? (W)"
          aria-label="Where was I?"
        >
          <Signpost size={18} /> <Words>Where was I?</Words>
        </Button>
      )}
      <Cues onPedal={() => setPedal(true)} />
      {pedal && <PedalDialog onClose={() => setPedal(false)} />}
    </Flex>
  );
}

function Cues({ onPedal }: { readonly onPedal: () => void }) {
  const { sound, vibration, pedal, setCues } = useDevice();
  return (
    <Menu.Root>
      <Menu.Trigger asChild>
        <Button variant="bare" minH="44px" minW="44px" aria-label="Sound, vibration, foot pedal">
          <Settings2 size={18} />
        </Button>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            <Menu.CheckboxItem
              value="sound"
              checked={sound}
              onCheckedChange={(checked) => setCues({ sound: checked })}
            >
              {sound ? <Volume2 size={18} /> : <VolumeX size={18} />} Sound: {sound ? 'on' : 'off'}
            </Menu.CheckboxItem>
            <Menu.CheckboxItem
              value="vibration"
              checked={vibration}
              onCheckedChange={(checked) => setCues({ vibration: checked })}
            >
              <Vibrate size={18} /> Vibration: {vibration ? 'on' : 'off'}
            </Menu.CheckboxItem>
            <Menu.Item value="pedal" onClick={onPedal}>
              <Footprints size={18} /> Foot pedal: {pedal ?? 'none'}
            </Menu.Item>
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}

/** Learns the key that a pedal sends: whatever is pressed next. */
function PedalDialog({ onClose }: { readonly onClose: () => void }) {
  const { pedal, setCues } = useDevice();
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if (['Escape', 'Tab', 'Shift', 'Control', 'Alt', 'Meta'].includes(event.key)) return;
      event.preventDefault();
      event.stopPropagation();
      setCues({ pedal: keyName(event) });
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, [setCues]);
  return (
    <Modal
      open
      onClose={onClose}
      title="Foot pedal"
      description="Step on the pedal now. Whatever key it sends goes on from step to step from then on, besides Space."
    >
      <Text fontSize="xl" fontWeight="600" aria-live="polite">
        {pedal ? `It sends ${pedal}.` : 'Nothing heard yet.'}
      </Text>
      <Flex justify="flex-end" gap="3" mt="5">
        {pedal && <Button onClick={() => setCues({ pedal: null })}>No pedal</Button>}
        <Button variant="solid" onClick={onClose}>
          Done
        </Button>
      </Flex>
    </Modal>
  );
}
