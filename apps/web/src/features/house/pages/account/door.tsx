import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import type { FormEvent, ReactNode } from 'react';
import { ApiError } from '../../../../data/api/client';
import { Mark } from '../../../../ui/frame/mark';

interface Props {
  readonly title: string;
  readonly about?: ReactNode;
  readonly children: ReactNode;
}

/** A page before the workshop: one thing is asked on it. */
export function Door({ title, about, children }: Props) {
  return (
    <Flex
      as="main"
      direction="column"
      align="center"
      px="5"
      pt={{ base: '10', md: '16vh' }}
      pb="16"
      minH="100dvh"
    >
      <Box w="full" maxW="420px">
        <Flex align="center" gap="3" mb="8">
          <Mark size={38} />
          <Text fontWeight="600" fontSize="lg">
            Coiled Strand
          </Text>
        </Flex>
        <Heading as="h1" fontSize="2xl" lineHeight="1.15">
          {title}
        </Heading>
        {about !== undefined && (
          <Text mt="2" color="muted">
            {about}
          </Text>
        )}
        <Box mt="6">{children}</Box>
      </Box>
    </Flex>
  );
}

interface FormProps {
  readonly error: Error | null;
  readonly onSend: () => void;
  readonly children: ReactNode;
}

/** Fields one below the other, with what was wrong with them. */
export function DoorForm({ error, onSend, children }: FormProps) {
  const send = (event: FormEvent): void => {
    event.preventDefault();
    onSend();
  };
  return (
    <form onSubmit={send}>
      <Flex direction="column" gap="4">
        {children}
        {error && (
          <Text color="danger" role="alert">
            {error.message} {error instanceof ApiError && error.body.remedy}
          </Text>
        )}
      </Flex>
    </form>
  );
}

/** What is wrong with one field, of what the server named. */
export const faultAt = (error: Error | null, path: string): string | undefined =>
  error instanceof ApiError
    ? error.body.faults?.find((fault) => fault.path === path)?.message
    : undefined;
