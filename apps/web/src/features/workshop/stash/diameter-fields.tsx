import { Box, Grid, Text } from '@chakra-ui/react';
import { meanOf, type Measured } from '@coiled-strand/core';
import { useState } from 'react';
import { LengthField } from '../../../ui/fields/length-field';
import { Button } from '../../../ui/shell/button';

const PLACES = [1, 2, 3] as const;
const NONE = PLACES.map(() => null);

interface Props {
  readonly value: number;
  readonly error: string | undefined;
  /** The diameter with its spread from place to place; undefined where one place was measured. */
  readonly onChange: (measured: {
    readonly mean: number;
    readonly spread: Measured['spread'] | undefined;
  }) => void;
}

/** How thick a cord is: in one number, or measured in three places, since no cord is the same all along. */
export function DiameterFields({ value, error, onChange }: Props) {
  const [places, setPlaces] = useState<readonly (number | null)[] | null>(null);
  const measured = (places ?? []).filter((one) => one !== null);
  const found = measured.length === PLACES.length ? meanOf(measured) : null;
  const set = (index: number, mm: number): void => {
    const next = (places ?? NONE).map((old, i) => (i === index ? mm : old));
    setPlaces(next);
    const all = next.filter((one) => one !== null);
    if (all.length === PLACES.length) onChange(meanOf(all));
  };
  if (places === null) {
    return (
      <Box>
        <LengthField
          label="Diameter"
          value={value}
          unit="mm"
          decimals={2}
          nudge={0.1}
          onChange={(mean) => onChange({ mean, spread: undefined })}
          error={error}
        />
        <Button variant="text" fontSize="sm" mt="1" onClick={() => setPlaces(NONE)}>
          Measure it in three places
        </Button>
      </Box>
    );
  }
  return (
    <Box gridColumn="1 / -1">
      <Grid templateColumns="1fr 1fr 1fr" gap="3">
        {PLACES.map((place, i) => (
          <LengthField
            key={place}
            label={`Diameter, place ${place}`}
            value={places[i] ?? null}
            unit="mm"
            decimals={2}
            nudge={0.1}
            onChange={(mm) => set(i, mm)}
            error={i === 0 ? error : undefined}
          />
        ))}
      </Grid>
      <Text fontSize="sm" color="muted" mt="1" aria-live="polite">
        {found
          ? `${found.mean.toFixed(2)} mm in the mean, give or take ${found.spread.toFixed(2)} mm from place to place`
          : 'Along some metres of it, without pressing.'}
      </Text>
    </Box>
  );
}
