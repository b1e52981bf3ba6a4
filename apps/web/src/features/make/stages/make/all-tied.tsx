import { Flex, Text } from '@chakra-ui/react';
import { Link } from 'react-router';
import { Button } from '../../../../ui/shell/button';

interface Props {
  readonly pieceId: string;
  readonly onBack: () => void;
}

/** The way on to finishing. */
export function AllTied({ pieceId, onBack }: Props) {
  return (
    <Flex direction="column" gap="5" align="flex-start">
      <Text fontSize="2xl" fontWeight="600">
        All knots are tied
      </Text>
      <Flex gap="3">
        <Button variant="solid" size="large" asChild>
          <Link to={{ pathname: `/pieces/${pieceId}/finish`, search: window.location.search }}>
            On to finishing
          </Link>
        </Button>
        <Button size="large" onClick={onBack}>
          Back one
        </Button>
      </Flex>
    </Flex>
  );
}
