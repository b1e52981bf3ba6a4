import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { TopBar } from './top-bar';

/** A page of the whole workshop: the bar on top, and what the page is about below it. */
export function Page({ children }: { readonly children: ReactNode }) {
  return (
    <>
      <TopBar />
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
