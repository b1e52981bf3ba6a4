import { Flex, Text } from '@chakra-ui/react';
import { STRAND_LIMITS, type Advice } from '@coiled-strand/core';
import { useUnits } from '../../../ui/settings/use-units';
import { Button } from '../../../ui/shell/button';
import { loomEdits } from './loom-edits';

/** Strands that a band is begun with where there are too few. */
const USUAL_STRANDS = 8;

interface Props {
  readonly part: string;
  readonly fault: Advice;
  readonly strands: number;
}

/** Why the pattern cannot be tied as it stands, and the way out. */
export function FaultBar({ part, fault, strands }: Props) {
  const units = useUnits();
  return (
    <Flex
      role="alert"
      gap="3"
      align="center"
      flexWrap="wrap"
      bg="warnFaint"
      borderRadius="soft"
      px="4"
      py="2"
    >
      <Text flex="1" minW="220px">
        {units.say(fault.message)}
      </Text>
      {strands < STRAND_LIMITS.min ? (
        <Button onClick={() => loomEdits.ready(part, 'stripe', USUAL_STRANDS, '')}>
          {`Lay ${USUAL_STRANDS} strands`}
        </Button>
      ) : (
        <Button onClick={() => loomEdits.fit(part)}>Fit it to the strands</Button>
      )}
    </Flex>
  );
}
