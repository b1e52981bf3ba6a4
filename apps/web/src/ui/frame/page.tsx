import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { NewerNote } from '../pocket/newer-note';
import { LooksOnly } from './for-makers';
import { TopBar } from './top-bar';
import { WeekNav } from './week-nav';

/** A page of the whole workshop: the bar on top, and what the page is about below it. */
export function Page({ children }: { readonly children: ReactNode }) {
  return (
    <>
      <TopBar />
      <WeekNav />
      <LooksOnly />
      <NewerNote />
      <Box
        as="main"
        px={{ base: '4', md: '7' }}
        py={{ base: '5', md: '8' }}
        maxW="1320px"
        mx="auto"
      >
        {children}
      </Box>
    </>
  );
}

interface HeadProps {
  readonly title: string;
  /** What it comes to, in a line. */
  readonly about?: ReactNode;
  /** What can be begun here. */
  readonly children?: ReactNode;
}

/** What a page is, and what can be begun on it. */
export function PageHead({ title, about, children }: HeadProps) {
  return (
    <Flex align="flex-end" gap="4" flexWrap="wrap" mb={{ base: '5', md: '8' }}>
      <Box flex="1" minW={{ base: '220px', md: '320px' }}>
        <Heading as="h1" fontSize={{ base: '2xl', md: '3xl' }} lineHeight="1.1">
          {title}
        </Heading>
        {about !== undefined && (
          <Text color="muted" mt="1">
            {about}
          </Text>
        )}
      </Box>
      {children !== undefined && (
        <Flex gap="3" flexWrap="wrap" className="no-print">
          {children}
        </Flex>
      )}
    </Flex>
  );
}
