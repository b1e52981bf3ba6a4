import { Box, Flex, Text } from '@chakra-ui/react';
import type { Stored } from '@coiled-strand/contract';
import { countOf, EXAMPLE_CORD, pluralOf, type Cord } from '@coiled-strand/core';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { COPIED_LISTS, type CopiedListId, LISTS } from '@coiled-strand/workshop';
import { useThingsOn } from '../../../../data/api/list-queries';
import { TableFileButton } from '../../arrivals/table-file-button';
import { TextRow } from '../../../../ui/fields/text-row';
import { ForMakers } from '../../../../ui/frame/for-makers';
import { Page, PageHead } from '../../../../ui/frame/page';
import { useAsked } from '../../../../ui/frame/use-asked';

import { listTable } from '../../lists/list-table';
import { colourOf, sayThing } from '../../lists/thing-words';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { SaveTableButton } from '../../../../ui/shell/save-table-button';
import { Fault, Loading } from '../../../../ui/shell/states';
import { ToolButton } from '../../../../ui/shell/tool-button';
import { OwnBeadDialog, OwnCordDialog } from '../../stash/dialogs';
import { TakeOffDialog } from './take-off-dialog';

/** Where what is not entered here comes from. */
const COMES_FROM: Readonly<Record<CopiedListId, string>> = {
  wearers: 'A wearer comes on to this list in the Fit stage of a piece, or from a table.',
  cords: 'A cord comes on to this list when it is entered, here or for a piece, or from a table.',
  beads: 'A bead comes on to this list when it is entered, here or for a piece, or from a table.',
  fittings: 'A finding comes on to this list from the closure of a piece, or from a table.',
};

const nameOf = (thing: object): string => (thing as { readonly name: string }).name;

/** What pieces choose from: to be looked through, filled from a table, saved as one, and cleared out. */
export function ListsPage() {
  const { asked, ask } = useAsked();
  const list = COPIED_LISTS.find((id) => id === asked('list')) ?? 'cords';
  const q = asked('q').trim().toLowerCase();
  const { data, error, refetch } = useThingsOn(list);
  const units = useUnits();
  const [entering, setEntering] = useState(false);
  const [going, setGoing] = useState<Stored<object> | null>(null);
  const shown = (data ?? []).filter(({ value }) =>
    `${nameOf(value)} ${sayThing(list, value, units)}`.toLowerCase().includes(q),
  );
  const words = LISTS[list];
  const first = data?.[0]?.value;
  return (
    <Page>
      <PageHead
        title="Your lists"
        about="What pieces choose from. Each piece keeps a copy of what it has."
      >
        {data && data.length > 0 && (
          <SaveTableButton
            name={words.title}
            table={() =>
              listTable(
                list,
                data.map(({ value }) => value),
              )
            }
          />
        )}
        <ForMakers>
          <TableFileButton />
          {(list === 'cords' || list === 'beads') && (
            <Button variant="solid" onClick={() => setEntering(true)}>
              <Plus size={18} /> Enter a {words.one}
            </Button>
          )}
        </ForMakers>
      </PageHead>
      <Flex gap="4" align="flex-end" flexWrap="wrap" mb="5" role="search">
        <Flex role="group" aria-label="Which list" flexWrap="wrap" gap="2">
          {COPIED_LISTS.map((id) => (
            <Button
              key={id}
              aria-pressed={id === list}
              variant={id === list ? 'solid' : 'line'}
              onClick={() => ask('list', id)}
            >
              {LISTS[id].title}
            </Button>
          ))}
        </Flex>
        <Box flex="1" minW="200px" maxW="420px">
          <TextRow
            label="Search"
            type="search"
            value={asked('q')}
            placeholder="name, kind, colour"
            onChange={(event) => ask('q', event.target.value)}
          />
        </Box>
      </Flex>
      {error && !data && <Fault error={error} onRetry={() => void refetch()} />}
      {!data && !error && <Loading what="Opening the list" />}
      {data && (
        <Text color="muted" mb="3" aria-live="polite">
          {shown.length === data.length
            ? `${countOf(data.length, words.one)}. `
            : `${shown.length} of ${data.length} ${pluralOf(words.one)}. `}
          {shown.length === 0 && q !== '' ? 'Nothing matches. Try fewer words.' : COMES_FROM[list]}
        </Text>
      )}
      <Box as="ul" listStyleType="none" m="0" p="0" maxW="860px">
        {shown.map((item) => (
          <Flex
            key={item.id}
            as="li"
            align="center"
            gap="4"
            py="2"
            borderTop="1px solid {colors.line}"
            data-testid="thing"
          >
            <Swatch list={list} thing={item.value} />
            <Box flex="1" minW="0">
              <Text fontWeight="600" lineHeight="1.25" overflowWrap="anywhere">
                {nameOf(item.value)}
              </Text>
              <Text fontSize="sm" color="muted">
                {sayThing(list, item.value, units)}
              </Text>
            </Box>
            <ForMakers>
              <ToolButton
                label={`Take ${nameOf(item.value)} off the list`}
                onClick={() => setGoing(item)}
              >
                <Trash2 size={18} />
              </ToolButton>
            </ForMakers>
          </Flex>
        ))}
      </Box>
      {going && <TakeOffDialog list={list} item={going} onClose={() => setGoing(null)} />}
      {entering && list === 'beads' && <OwnBeadDialog onClose={() => setEntering(false)} />}
      {entering && list === 'cords' && (
        <OwnCordDialog
          start={(first as Cord | undefined) ?? EXAMPLE_CORD}
          onClose={() => setEntering(false)}
          onDone={() => setEntering(false)}
        />
      )}
    </Page>
  );
}

/** The colour of a thing, where it has one: a length of cord, or a bead. */
function Swatch({ list, thing }: { readonly list: CopiedListId; readonly thing: object }) {
  const colour = colourOf(list, thing);
  if (list === 'wearers') return null;
  return (
    <Flex w="36px" justify="center" flexShrink={0} aria-hidden>
      <Box
        w={list === 'cords' ? '36px' : '20px'}
        h={list === 'cords' ? '9px' : '20px'}
        borderRadius="round"
        boxShadow="0 0 0 1px rgba(0,0,0,.18)"
        className="true-colour"
        style={{ background: colour ?? 'transparent' }}
      />
    </Flex>
  );
}
