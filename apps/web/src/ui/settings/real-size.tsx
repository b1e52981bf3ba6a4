import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '../shell/button';
import { useState } from 'react';
import { useDevice } from '../../data/device/device-store';
import { Choices } from '../fields/choices';

/** Width of a bank card in mm: ISO/IEC 7810, format ID-1. */
const CARD = { width: 85.6, height: 53.98 } as const;

/** Sets how large a millimetre is on this screen, against a bank card or a ruler. */
export function RealSize() {
  const { pxPerMm, calibrated, calibrate, forgetCalibration } = useDevice();
  const [against, setAgainst] = useState<'card' | 'ruler'>('card');
  const width = (against === 'card' ? CARD.width : 100) * pxPerMm;
  return (
    <Box>
      <Choices
        label="Real size on this screen"
        value={against}
        onChange={setAgainst}
        choices={[
          { value: 'card', label: 'Bank card', detail: 'Hold it against the screen' },
          { value: 'ruler', label: 'Ruler', detail: 'Make the bar 100 mm long' },
        ]}
      />
      <Box mt="4" overflow="hidden" py="1">
        <Box
          data-testid="real-size-sample"
          style={{
            width: `${width}px`,
            height: against === 'card' ? `${CARD.height * pxPerMm}px` : '28px',
          }}
          borderRadius={against === 'card' ? '12px' : '0'}
          border="2px solid {colors.chalk}"
          bg="chalkFaint"
          display="grid"
          placeItems="center"
        >
          <Text fontSize="sm">{against === 'card' ? 'as large as the card' : '100 mm'}</Text>
        </Box>
      </Box>
      <Flex align="center" gap="3" mt="2">
        <input
          type="range"
          aria-label="Size of the sample"
          min={2}
          max={9}
          step={0.005}
          value={pxPerMm}
          onChange={(event) => calibrate(Number(event.target.value))}
          style={{ flex: 1, accentColor: 'var(--cs-colors-chalk)' }}
        />
        <Button variant="text" onClick={forgetCalibration} disabled={!calibrated}>
          Use the browser’s guess
        </Button>
      </Flex>
      <Text fontSize="sm" color="muted" mt="1">
        {calibrated
          ? `Set by you: ${pxPerMm.toFixed(2)} pixels to the millimetre. Kept for this screen only.`
          : 'Not set yet. Browsers guess, and are often a tenth off.'}
      </Text>
    </Box>
  );
}
