import { Flex, Text } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { Button } from '../../../../ui/shell/button';

interface Props {
  readonly onForward: () => void;
  /** null at the first action. */
  readonly onBack: (() => void) | null;
  /** Types how many are done; null where there is nothing to count. */
  readonly onCount: (() => void) | null;
  readonly children: ReactNode;
}

/** What goes on and back, under the thumb. */
export function StepKeys({ onForward, onBack, onCount, children }: Props) {
  return (
    <Flex
      gap="3"
      py="3"
      mt="2"
      align="center"
      flexWrap="wrap"
      // On a phone or an upright tablet the keys stay under the thumb.
      position={{ base: 'sticky', lg: 'static' }}
      bottom="0"
      bg="surface"
      zIndex="1"
    >
      <Button
        variant="solid"
        size="large"
        minW="170px"
        flex={{ base: '1', md: '0 0 auto' }}
        onClick={onForward}
      >
        {onCount ? 'Tied, next' : 'Done, next'}
      </Button>
      <Button size="large" onClick={onBack ?? undefined} disabled={!onBack}>
        Back one
      </Button>
      {onCount && (
        <Button
          size="large"
          // On a phone a long press does the same.
          display={{ base: 'none', md: 'inline-flex' }}
          onClick={onCount}
          title="Type how many (N)"
        >
          Count
        </Button>
      )}
      {children}
      <Text color="muted" fontSize="sm" display={{ base: 'none', lg: 'block' }}>
        Space or a tap goes on, Backspace goes back
      </Text>
    </Flex>
  );
}
