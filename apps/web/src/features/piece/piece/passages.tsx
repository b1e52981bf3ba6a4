import { Box, Text } from '@chakra-ui/react';
import { passage, type Passage, type PassageAnswer } from '@coiled-strand/core';

const ONE: Readonly<Record<PassageAnswer, string>> = {
  goes: 'the cord goes through',
  needle: 'the cord goes through with a needle or a stiffened point',
  no: 'the cord does not go through',
};
const MANY: Readonly<Record<PassageAnswer, string>> = {
  goes: 'go through',
  needle: 'go through with a needle or a stiffened point',
  no: 'do not go through',
};

/** '6 mm bead, hole 1.4 mm: 2 passes of cord go through'. */
export function passageLine({ what, hole, runs }: Passage): string {
  const { answer } = passage(
    hole,
    runs.map((run) => run.cord),
  );
  const passes = runs.length === 1 ? ONE[answer] : `${runs.length} passes of cord ${MANY[answer]}`;
  return `${what}, hole ${Number(hole.toFixed(2))} mm: ${passes}`;
}

/** Whether the cords go through each hole, and how often. */
export function Passages({ passages }: { readonly passages: readonly Passage[] }) {
  const lines = [...new Set(passages.filter(({ runs }) => runs.length > 0).map(passageLine))];
  if (lines.length === 0) return null;
  return (
    <Box role="group" aria-label="Holes">
      {lines.map((line) => (
        <Text key={line} fontSize="sm">
          {line}
        </Text>
      ))}
    </Box>
  );
}
