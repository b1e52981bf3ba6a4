import { chakra } from '@chakra-ui/react';
import type { Thing } from '@coiled-strand/workshop';

/** The colour of a thing, small. Its name always stands beside it. */
export function ThingSwatch({ thing }: { readonly thing: Thing }) {
  const colour =
    thing.kind === 'cord'
      ? thing.cord.colour.hex
      : thing.kind === 'bead'
        ? thing.bead.colour.hex
        : 'var(--cs-colors-line)';
  return (
    <chakra.span
      aria-hidden
      display="inline-block"
      flexShrink={0}
      w={thing.kind === 'cord' ? '22px' : '12px'}
      // In the middle of as much room as a cord takes, so that lists of both stand in columns.
      mx={thing.kind === 'cord' ? '0' : '5px'}
      h={thing.kind === 'cord' ? '6px' : '12px'}
      borderRadius="round"
      verticalAlign="middle"
      className="true-colour"
      style={{ background: colour, boxShadow: '0 0 0 1px rgba(0,0,0,.18)' }}
    />
  );
}
