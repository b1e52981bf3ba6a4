import { Box, Text } from '@chakra-ui/react';
import { sumOf, type StrandPlan } from '@coiled-strand/core';
import { useUnits } from '../../../ui/settings/use-units';

/** Short words for the stretches that most cords have; others are called by their own. */
const SHORT: Readonly<Record<string, string>> = {
  'start.hitch': 'hitch',
  'start.joint': 'joint',
  'run.straight': 'straight',
  'knot.half': 'half knots',
  'closure.turn': 'turn',
  'closure.buried': 'turned back',
  'end.tail': 'tails',
  'end.grip': 'to hold',
  'end.tie': 'to tie with',
  'knot.tie': 'knot',
  'end.chain': 'ends',
  reserve: 'reserve',
};

interface Props {
  readonly strand: StrandPlan;
  /** Smallest share of the cord that is named. */
  readonly least?: number;
}

/** The cord laid out straight and cut into what it is for, in proportion; the fold marked. */
export function CordStrip({ strand, least = 0.07 }: Props) {
  const units = useUnits();
  const { cut, cord, fold } = strand;
  const rows = strand.reasons.map((reason, index) => ({
    reason,
    index,
    from: sumOf(strand.reasons.slice(0, index)),
    share: reason.mm / cut,
  }));
  return (
    <Box my="3" position="relative" aria-hidden>
      <Box
        display="flex"
        h="16px"
        borderRadius="round"
        overflow="hidden"
        border="1px solid rgba(0,0,0,.35)"
      >
        {rows.map(({ reason, index, share }) => (
          <Box
            key={index}
            style={{
              width: `${share * 100}%`,
              background:
                reason.area === 'reserve'
                  ? `repeating-linear-gradient(135deg, ${cord.colour.hex} 0 5px, transparent 5px 9px)`
                  : cord.colour.hex,
            }}
            borderRight="1.5px solid {colors.surface}"
            title={`${units.say(reason.label)}: ${units.cord(reason.mm)}`}
          />
        ))}
      </Box>
      <Box position="relative" h="20px" mt="1">
        {rows
          .filter(({ share }) => share > least)
          .map(({ reason, index, from, share }) => (
            <Text
              key={index}
              as="span"
              position="absolute"
              fontSize="xs"
              color="muted"
              whiteSpace="nowrap"
              textAlign="center"
              overflow="hidden"
              textOverflow="ellipsis"
              style={{ left: `${(from / cut) * 100}%`, width: `${share * 100}%` }}
            >
              {SHORT[reason.code] ?? units.say(reason.label)}
            </Text>
          ))}
      </Box>
      {fold !== null && (
        <Box
          position="absolute"
          top="-5px"
          h="26px"
          w="0"
          borderLeft="2px dashed {colors.chalk}"
          style={{ left: `${(fold / cut) * 100}%` }}
          title="Fold here"
        />
      )}
    </Box>
  );
}
