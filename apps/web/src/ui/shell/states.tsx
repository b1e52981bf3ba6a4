import { Flex, Spinner, Text } from '@chakra-ui/react';
import { Button } from './button';
import type { ReactNode } from 'react';
import { ApiError } from '../../data/api/client';

/** Something is on its way. */
export function Loading({ what }: { readonly what: string }) {
  return (
    <Flex align="center" justify="center" gap="3" py="20" color="muted" role="status">
      <Spinner size="sm" /> <Text>{what}</Text>
    </Flex>
  );
}

interface FaultProps {
  readonly error: Error;
  readonly onRetry: () => void;
  readonly children?: ReactNode;
}

/** Something did not arrive: what, and what to do. */
export function Fault({ error, onRetry, children }: FaultProps) {
  const remedy =
    error instanceof ApiError
      ? error.body.remedy
      : 'Is there a network, and is it still running in the terminal where you started it? This page tries again by itself.';
  return (
    <Flex direction="column" gap="3" maxW="520px" mx="auto" py="20" px="5" role="alert">
      <Text fontSize="xl" fontWeight="600">
        {error.message}
      </Text>
      <Text>{remedy}</Text>
      <Flex gap="3" flexWrap="wrap">
        <Button variant="solid" onClick={onRetry}>
          Try again
        </Button>
        {children}
      </Flex>
    </Flex>
  );
}
