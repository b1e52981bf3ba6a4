import { Flex, Heading, Text } from '@chakra-ui/react';
import { Button } from '../shell/button';
import { Link } from 'react-router';
import { TopBar } from './top-bar';

/** An address that leads nowhere. */
export function NotFound() {
  return (
    <>
      <TopBar />
      <Flex direction="column" gap="4" align="flex-start" maxW="520px" mx="auto" py="20" px="5">
        <Heading fontSize="xl">Nothing here</Heading>
        <Text>There is no page at this address. Look for your piece in the workshop.</Text>
        <Button variant="solid" asChild>
          <Link to="/">To the workshop</Link>
        </Button>
      </Flex>
    </>
  );
}
