import { Box, Link as ChakraLink, Text } from '@chakra-ui/react';
import type { KnotView } from '@coiled-strand/contract';
import { Link } from 'react-router';
import { useKnots } from '../../../../data/api/knot-queries';
import { SelectField } from '../../../../ui/fields/select-field';
import { usePiecePart } from '../../piece/piece-store';
import { Button } from '../../../../ui/shell/button';

interface Props {
  readonly label: string;
  /** Id of the knot within the piece. */
  readonly id: string;
  readonly onChange: (knot: KnotView) => void;
}

/** Which of the workshop's knots; one that was changed since is offered as it is now. */
export function KnotField({ label, id, onChange }: Props) {
  const own = usePiecePart((piece) => piece.knots?.find((knot) => knot.id === id));
  const { data: knots = [] } = useKnots();
  const now = knots.find((knot) => knot.id === own?.origin);
  return (
    <Box>
      <SelectField
        label={label}
        value={now?.id ?? ''}
        options={[
          ...(now ? [] : [{ value: '', label: own?.name ?? `“${id}” is not among the knots` }]),
          ...knots.map((knot) => ({ value: knot.id, label: knot.value.name })),
        ]}
        onChange={(key) => {
          const choice = knots.find((knot) => knot.id === key);
          if (choice) onChange(choice);
        }}
      />
      {now && own && now.version > own.version && (
        <Text fontSize="sm" mt="1">
          It was changed since it was put in here.{' '}
          <Button variant="text" fontSize="sm" onClick={() => onChange(now)}>
            Take it as it is now
          </Button>
        </Text>
      )}
      {now && (
        <ChakraLink asChild fontSize="sm">
          <Link to={`/knots/${now.id}`}>See it on its board</Link>
        </ChakraLink>
      )}
    </Box>
  );
}
