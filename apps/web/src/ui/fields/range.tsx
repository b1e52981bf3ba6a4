import { chakra } from '@chakra-ui/react';

/** A value slid to its place, where the exact number matters less than what it does. */
export const Range = chakra('input', {
  base: { w: 'full', minH: '28px', accentColor: 'var(--chalk)', cursor: 'pointer' },
});
