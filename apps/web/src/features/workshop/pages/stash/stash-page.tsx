import { Box, Flex, Grid, Link as ChakraLink, Text } from '@chakra-ui/react';
import {
  LOT_SORTS,
  LOT_STATES,
  PAGE,
  THING_KINDS,
  type LotSort,
  type LotState,
  type LotView,
} from '@coiled-strand/contract';
import type { Thing } from '@coiled-strand/workshop';
import { List as ListIcon, PackagePlus } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { ForMakers } from '../../../../ui/frame/for-makers';
import { useLots } from '../../../../data/api/week-queries';
import { SelectField } from '../../../../ui/fields/select-field';
import { Page, PageHead } from '../../../../ui/frame/page';
import { SearchField } from '../../../../ui/frame/search-field';
import { useAsked } from '../../../../ui/frame/use-asked';
import { useUnits } from '../../../../ui/settings/use-units';
import { TagsButton } from '../../../piece/paper/tags-button';
import { Button } from '../../../../ui/shell/button';
import { More } from '../../../../ui/shell/more';
import { SaveTableButton } from '../../../../ui/shell/save-table-button';
import { Fault, Loading } from '../../../../ui/shell/states';
import { useRested } from '../../../../ui/shell/use-rested';
import { LotPicture } from '../../stock/lot-picture';
import { amountText, leftText, lotText, nameOf } from '../../stock/words';
import { TakeInDialog } from '../../stock/take-in-dialog';
import { stashTable } from './stash-table';
import { tagOf } from './tag-of';

const KINDS: readonly { readonly value: Thing['kind'] | ''; readonly label: string }[] = [
  { value: '', label: 'Everything' },
  { value: 'cord', label: 'Cord' },
  { value: 'bead', label: 'Beads' },
  { value: 'finding', label: 'Findings' },
];
const SORTS: readonly { readonly value: LotSort; readonly label: string }[] = [
  { value: 'name', label: 'By name' },
  { value: 'added', label: 'Taken in last' },
  { value: 'least', label: 'Least left' },
];
const STATES: readonly { readonly value: LotState; readonly label: string }[] = [
  { value: 'left', label: 'What is left' },
  { value: 'used-up', label: 'Used up' },
  { value: 'all', label: 'Both' },
];

const oneOf = <T extends string>(all: readonly T[], asked: string, usual: T): T =>
  all.find((one) => one === asked) ?? usual;

/** What lies in the drawers, drawn to one scale with what is left of it. */
export function StashPage() {
  const { asked, ask } = useAsked();
  const q = useRested(asked('q'));
  const kind = THING_KINDS.find((one) => one === asked('kind'));
  const sort = oneOf(LOT_SORTS, asked('sort'), 'name');
  const state = oneOf(LOT_STATES, asked('state'), 'left');
  const lots = useLots({ q, kind, sort, state, limit: 2 * PAGE });
  const [taking, setTaking] = useState(false);
  const { items, total, error } = lots;
  const units = useUnits();
  return (
    <Page>
      <PageHead
        title="The stash"
        about={total === undefined ? '' : sayCount(total, q !== '' || kind !== undefined)}
      >
        <Button asChild>
          <Link to="/lists">
            <ListIcon size={18} /> Lists
          </Link>
        </Button>
        {items.length > 0 && (
          <>
            <SaveTableButton name="Stash" table={() => stashTable({ q, kind, sort, state })} />
            <TagsButton
              title="Labels for the stash"
              label="Labels"
              tags={() => items.map((lot) => tagOf(lot, units))}
            />
          </>
        )}
        <ForMakers>
          <Button variant="solid" onClick={() => setTaking(true)}>
            <PackagePlus size={18} /> Take in
          </Button>
        </ForMakers>
      </PageHead>
      <Grid
        templateColumns={{ base: '1fr 1fr', md: '2fr 1fr 1fr 1fr' }}
        gap="3"
        mb="7"
        alignItems="flex-end"
        role="search"
      >
        <Box gridColumn={{ base: '1 / -1', md: 'auto' }}>
          <SearchField placeholder="name, colour, dye lot, place" />
        </Box>
        <SelectField
          label="Show"
          value={kind ?? ''}
          options={KINDS}
          onChange={(value) => ask('kind', value)}
        />
        <SelectField
          label="Order"
          value={sort}
          options={SORTS}
          onChange={(value) => ask('sort', value === 'name' ? '' : value)}
        />
        <SelectField
          label="Of that"
          value={state}
          options={STATES}
          onChange={(value) => ask('state', value === 'left' ? '' : value)}
        />
      </Grid>
      {error ? (
        <Fault error={error} onRetry={lots.retry} />
      ) : (
        total === undefined && <Loading what="Opening the drawers" />
      )}
      {total === 0 && q === '' && kind === undefined && (
        <Text maxW="56ch">
          Nothing lies here yet. Take in a spool, a hank or a strand of beads with its length or
          number and what it cost: cutting, buying and prices go by it from then on.
        </Text>
      )}
      <Grid
        as="ul"
        listStyleType="none"
        m="0"
        p="0"
        gap={{ base: '3', md: '4' }}
        templateColumns={{
          base: 'repeat(auto-fill, minmax(150px, 1fr))',
          sm: 'repeat(auto-fill, minmax(200px, 1fr))',
        }}
      >
        {items.map((lot) => (
          <LotInDrawer key={lot.id} lot={lot} />
        ))}
      </Grid>
      <More list={lots} what={['lot', 'lots']} />
      {taking && <TakeInDialog onClose={() => setTaking(false)} />}
    </Page>
  );
}

function sayCount(total: number, asked: boolean): string {
  const lots = `${total} ${total === 1 ? 'lot' : 'lots'}`;
  if (asked) return total === 0 ? 'Nothing matches. Try fewer words.' : `${lots} found`;
  return total === 0 ? 'The drawers are empty.' : `${lots}, drawn to one scale`;
}

function LotInDrawer({ lot }: { readonly lot: LotView }) {
  const units = useUnits();
  return (
    <Box as="li" data-testid="lot">
      <ChakraLink asChild display="block" color="ink" textDecoration="none" borderRadius="10px">
        <Link to={`/stash/${lot.id}`}>
          <Flex
            bg="bench"
            borderRadius="10px"
            align="center"
            justify="center"
            minH="124px"
            px="2"
            _hover={{ bg: 'faint' }}
            transition="background-color .15s"
          >
            <LotPicture lot={lot} />
          </Flex>
          <Text mt="2" fontWeight="600" lineHeight="1.25">
            {nameOf(lot.thing)}
          </Text>
          <Text fontSize="lg" lineHeight="1.3">
            {lot.left > 0
              ? leftText(lot, units)
              : `used up (${amountText(lot.thing, lot.size, units)})`}
          </Text>
          <Text fontSize="sm" color="muted" lineHeight="1.3">
            {lotText(lot)}
          </Text>
        </Link>
      </ChakraLink>
    </Box>
  );
}
