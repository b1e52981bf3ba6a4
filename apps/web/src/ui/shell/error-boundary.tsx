import { Flex, Heading, Text } from '@chakra-ui/react';
import { Button } from './button';
import { Component, type ReactNode } from 'react';

interface State {
  readonly error: Error | null;
}

interface Props {
  readonly children: ReactNode;
  /** What is shown in its place; words for the whole page when left out. */
  readonly fallback?: (error: Error) => ReactNode;
}

/** Catches a fault of the page itself, says so, and offers a way on. Edits are kept in the browser. */
export class ErrorBoundary extends Component<Props, State> {
  override state: State = { error: null };

  static getDerivedStateFromError(error: Error): State {
    return { error };
  }

  override render(): ReactNode {
    const { error } = this.state;
    const { children, fallback } = this.props;
    if (!error) return children;
    if (fallback) return fallback(error);
    return (
      <Flex direction="column" gap="4" maxW="520px" mx="auto" mt="20" px="5" role="alert">
        <Heading fontSize="xl">Something went wrong on this page</Heading>
        <Text>
          Your edits are kept in this browser. Reload to go on; if it happens again, go back to the
          workshop and open the piece anew.
        </Text>
        <Text fontSize="sm" color="muted">
          {error.message}
        </Text>
        <Flex gap="3">
          <Button variant="solid" onClick={() => window.location.reload()}>
            Reload
          </Button>
          <Button asChild>
            <a href="/">To the workshop</a>
          </Button>
        </Flex>
      </Flex>
    );
  }
}
