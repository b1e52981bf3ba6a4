import { Box, Flex, Text } from '@chakra-ui/react';
import { sumOf, type Reason } from '@coiled-strand/core';
import { useUnits } from '../../../ui/settings/use-units';

interface Props {
  readonly reasons: readonly Reason[];
  readonly format: (mm: number) => string;
  readonly total: string;
  /** Written after the total, when what is used differs from the exact sum. */
  readonly after?: { readonly label: string; readonly value: string };
}

/** Errors are told from here on, in %: what friction adds in a hand is far more. */
const MIN_TOLD = 0.1;

/** Where the numbers behind it come from, in brackets; nothing where it is but measured. */
function sourceOf({ assumed, source }: Reason): string {
  if (assumed) return ' (assumed; a swatch will tell)';
  if (!source) return '';
  if (source.how === 'practice') return ' (common practice)';
  const percent = Math.max(MIN_TOLD, source.error * 100);
  return ` (computed, to ${percent < 1 ? percent.toFixed(1) : Math.round(percent)} %)`;
}

/** A length as the sum it is made of. */
export function Reasons({ reasons, format, total, after }: Props) {
  const units = useUnits();
  return (
    <Box as="dl" m="0">
      {reasons.map((reason, index) => (
        <Flex key={`${reason.code}-${index}`} justify="space-between" gap="4" py="1.5">
          <Box as="dt" minW="0">
            <Text as="span" fontWeight="500">
              {units.say(reason.label)}
            </Text>
            <Text as="span" display="block" fontSize="sm" color="muted" lineHeight="1.35">
              {reason.times && reason.times.count > 1
                ? `${reason.times.count} × ${units.each(reason.times.each)}, ${units.say(reason.detail)}`
                : units.say(reason.detail)}
              {sourceOf(reason)}
            </Text>
          </Box>
          <Text as="dd" m="0" whiteSpace="nowrap" textAlign="right">
            {reason.mm < 0
              ? `− ${format(-reason.mm)}`
              : index === 0
                ? format(reason.mm)
                : `+ ${format(reason.mm)}`}
          </Text>
        </Flex>
      ))}
      <Flex justify="space-between" gap="4" pt="2" mt="1" borderTop="1px solid {colors.line}">
        <Text as="dt" fontWeight="600">
          {total}
        </Text>
        <Text as="dd" m="0" fontWeight="600" whiteSpace="nowrap">
          {format(sumOf(reasons))}
        </Text>
      </Flex>
      {after && (
        <Flex justify="space-between" gap="4" pt="1">
          <Text as="dt" fontWeight="600">
            {after.label}
          </Text>
          <Text as="dd" m="0" fontWeight="600" whiteSpace="nowrap">
            {after.value}
          </Text>
        </Flex>
      )}
    </Box>
  );
}
