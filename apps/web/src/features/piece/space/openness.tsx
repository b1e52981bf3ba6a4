import { Flex } from '@chakra-ui/react';
import { Range } from '../../../ui/fields/range';

interface Props {
  /** How many moments there are from the widest to the tight one. */
  readonly moments: number;
  readonly at: number;
  readonly onChange: (at: number) => void;
}

/** How far a knot is opened out, by hand. */
export function Openness({ moments, at, onChange }: Props) {
  return (
    <Flex as="label" gap="3" align="center" mt="2" fontSize="sm" color="muted">
      Open
      <Range
        flex="1"
        minW="120px"
        type="range"
        aria-label="How far it is drawn tight"
        min={0}
        max={moments - 1}
        value={at}
        onChange={(event) => onChange(Number(event.target.value))}
      />
      Tight
    </Flex>
  );
}
