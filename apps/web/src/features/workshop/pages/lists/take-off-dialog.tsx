import { Box, Link as ChakraLink, Text } from '@chakra-ui/react';
import type { Stored, UsesView, UseView } from '@coiled-strand/contract';
import { Link } from 'react-router';
import { type CopiedListId, LISTS } from '@coiled-strand/workshop';
import { useTakeOff, useUses } from '../../../../data/api/list-queries';

import { AskDialog } from '../../../../ui/shell/ask-dialog';

interface Props {
  readonly list: CopiedListId;
  readonly item: Stored<object>;
  readonly onClose: () => void;
}

const TO: Readonly<Record<UseView['in'], (id: string) => string>> = {
  piece: (id) => `/pieces/${id}/fit`,
  lot: (id) => `/stash/${id}`,
  kit: (id) => `/kits/${id}`,
};
const WHAT: Readonly<Record<UseView['in'], string>> = { piece: 'Piece', lot: 'Lot', kit: 'Kit' };

/** Says what has to do with a thing before it goes from its list. */
export function TakeOffDialog({ list, item, onClose }: Props) {
  const uses = useUses(list, item.id);
  const takeOff = useTakeOff(list);
  const { name } = item.value as { readonly name: string };
  return (
    <AskDialog
      title={`Take ${name} off the list?`}
      action="Take it off"
      ready={uses.data !== undefined || uses.isError}
      doing={[takeOff]}
      onDo={async () => {
        await takeOff.mutateAsync(item.id);
        onClose();
      }}
      onClose={onClose}
    >
      {uses.data ? (
        <Uses uses={uses.data} one={LISTS[list].one} />
      ) : (
        <Text color="muted">
          {uses.isError
            ? `What has to do with it could not be found out: ${uses.error.message}`
            : 'Looking what has to do with it …'}
        </Text>
      )}
    </AskDialog>
  );
}

function Uses({ uses, one }: { readonly uses: UsesView; readonly one: string }) {
  const { total, named } = uses;
  if (total === 0) return <Text>No piece, lot or kit has to do with this {one}.</Text>;
  const kits = named.some((use) => use.in === 'kit');
  return (
    <>
      <Text mb="3">
        Pieces and lots keep their copy: their plans and what lies in the drawers stay as they are.
        {kits && ' A kit loses the size, and is planned for the others.'}
      </Text>
      <Box as="ul" m="0" pl="5">
        {named.map((use) => (
          <li key={`${use.in} ${use.id}`}>
            {WHAT[use.in]}:{' '}
            <ChakraLink asChild textDecoration="underline">
              <Link to={TO[use.in](use.id)}>{use.name}</Link>
            </ChakraLink>
          </li>
        ))}
        {total > named.length && <li>and {total - named.length} more</li>}
      </Box>
    </>
  );
}
