import { Box, Flex, Grid, Heading, Text, chakra } from '@chakra-ui/react';
import type { HandleDto, InstrumentView } from '@coiled-strand/contract';
import { BatteryLow, Plug, Unplug } from 'lucide-react';
import { useState } from 'react';
import { Changeable } from '../../../../ui/frame/for-makers';
import { useHandle } from '../../../../data/api/week-queries';
import { useReadings } from '../../../../data/device/readings';
import { Page, PageHead } from '../../../../ui/frame/page';
import { Button } from '../../../../ui/shell/button';

const Wheel = chakra('input', {
  base: { w: 'full', minH: '44px', accentColor: 'var(--cs-colors-chalk)' },
});

const INSTRUMENTS = [
  { which: 'caliper', title: 'Caliper', unit: 'mm', most: 150, step: 0.01, turn: 'Turn the wheel' },
  { which: 'scale', title: 'Scale', unit: 'g', most: 600, step: 0.1, turn: 'Put on the pan' },
] as const;

/** The panel of the instruments: what they say, and the hands of those that are stand-ins. */
export function InstrumentsPage() {
  return (
    <Page>
      <PageHead
        title="Instruments"
        about="What rests is taken by the field that has the focus: keep this page in a window of its own"
      />
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap={{ base: '8', md: '12' }}>
        {INSTRUMENTS.map((one) => (
          <Instrument key={one.which} {...one} />
        ))}
      </Grid>
      <Text mt="10" color="muted" maxW="70ch">
        Lengths, holes and diameters take from the caliper, weights from the scale. A real one is
        heard over the same line: see docs/instruments.md for how to connect it.
      </Text>
    </Page>
  );
}

type Props = (typeof INSTRUMENTS)[number];

function Instrument({ which, title, unit, most, step, turn }: Props) {
  const view = useReadings(({ views }) => views[which]);
  const handle = useHandle(which);
  const [value, setValue] = useState(0);
  const hands = (body: HandleDto): void => handle.mutate(body);
  return (
    <Box as="section" aria-label={title}>
      <Heading as="h2" fontSize="lg" mb="2">
        {title}
      </Heading>
      <Face view={view} unit={unit} />
      {view?.simulated && (
        <Changeable>
          <chakra.label display="block" mt="4" fontSize="sm" color="muted">
            {turn}
            <Wheel
              type="range"
              min={0}
              max={most}
              step={step}
              value={value}
              onChange={(event) => setValue(Number(event.target.value))}
              onPointerUp={() => hands({ value })}
              onKeyUp={() => hands({ value })}
            />
          </chakra.label>
          <Flex gap="3" mt="2" flexWrap="wrap">
            <Button onClick={() => hands({ plugged: !view.here })}>
              {view.here ? <Unplug size={18} /> : <Plug size={18} />}
              {view.here ? 'Pull the plug' : 'Put the plug in'}
            </Button>
            <Button
              onClick={() => hands({ batteryLow: !(view.reading?.batteryLow ?? false) })}
              disabled={!view.here}
            >
              <BatteryLow size={18} />
              {view.reading?.batteryLow ? 'A fresh battery' : 'An old battery'}
            </Button>
          </Flex>
        </Changeable>
      )}
      {handle.error && (
        <Text color="danger" role="alert" mt="2">
          {handle.error.message}
        </Text>
      )}
    </Box>
  );
}

interface FaceProps {
  readonly view: InstrumentView | undefined;
  readonly unit: string;
}

/** What it shows. */
function Face({ view, unit }: FaceProps) {
  const reading = view?.here ? view.reading : null;
  return (
    <Box bg="ink" color="surface" borderRadius="10px" px="6" py="5" data-testid="instrument-face">
      <Text fontSize="3xl" fontWeight="600" lineHeight="1.1" textAlign="right">
        {reading
          ? reading.value === null
            ? 'too much'
            : `${reading.value.toFixed(2)} ${unit}`
          : '–'}
      </Text>
      <Text fontSize="sm" textAlign="right" opacity="0.8">
        {!view?.here
          ? 'not there'
          : reading?.stable
            ? 'at rest'
            : reading?.value === null
              ? 'beyond what it measures'
              : 'moving'}
        {reading?.batteryLow && ', battery low'}
      </Text>
    </Box>
  );
}
