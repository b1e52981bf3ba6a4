import { Box, Flex, Grid, Heading, Link as ChakraLink, Text } from '@chakra-ui/react';
import { MAKE_STATES, type MakeState, type MakeView } from '@coiled-strand/contract';
import { PART_KINDS } from '@coiled-strand/core';
import { format } from 'date-fns';
import { Link } from 'react-router';
import type { ReactNode } from 'react';
import { useBook } from '../../../../data/api/lists';
import { useBringBack } from '../../../../data/api/queries';
import { MiniPiece } from '../../../piece/bench/mini-piece';
import { SelectField } from '../../../../ui/fields/select-field';
import { SearchField } from '../../../../ui/frame/search-field';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { SaveTableButton } from '../../../../ui/shell/save-table-button';
import { Fault, Loading } from '../../../../ui/shell/states';
import { Page } from '../../../../ui/frame/page';
import { useAsked } from '../../../../ui/frame/use-asked';
import { More } from '../../../../ui/shell/more';
import { useRested } from '../../../../ui/shell/use-rested';
import { Pictures } from './pictures';
import { bookTable } from './book-table';
import { whereIs } from './where-is';

const STATES: readonly { readonly value: MakeState | ''; readonly label: string }[] = [
  { value: '', label: 'All' },
  { value: 'logged', label: 'Finished' },
  { value: 'under-way', label: 'Under way' },
];
const stateOf = (asked: string): MakeState | undefined =>
  MAKE_STATES.find((state) => state === asked);

const TECHNIQUES = PART_KINDS.map(({ entry }) => ({ value: entry.id, label: entry.label })).sort(
  (a, b) => a.label.localeCompare(b.label),
);

/** The book of makes: everything that was made or is being made, to search; and its pictures. */
export function BookPage() {
  const { asked, ask } = useAsked();
  const pictures = asked('show') === 'pictures';
  return (
    <Page>
      <Heading as="h1" fontSize={{ base: '2xl', md: '3xl' }} lineHeight="1.1">
        The book of makes
      </Heading>
      <Grid
        templateColumns={{ base: '1fr', sm: '2fr 1fr 1fr', lg: '2fr 1fr 1fr 1fr' }}
        gap="3"
        my="6"
        alignItems="flex-end"
        role="search"
      >
        <SearchField placeholder="piece, wearer, cord, who has it, note" />
        <SelectField
          label="Show"
          value={pictures ? 'pictures' : ''}
          options={[
            { value: '', label: 'Makes' },
            { value: 'pictures', label: 'Pictures' },
          ]}
          onChange={(show) => ask('show', show)}
        />
        {!pictures && (
          <>
            <SelectField
              label="State"
              value={stateOf(asked('state')) ?? ''}
              options={STATES}
              onChange={(state) => ask('state', state)}
            />
            <SelectField
              label="Made of"
              value={asked('technique')}
              options={[{ value: '', label: 'Anything' }, ...TECHNIQUES]}
              onChange={(technique) => ask('technique', technique)}
            />
          </>
        )}
      </Grid>
      {pictures ? <Pictures /> : <Makes />}
    </Page>
  );
}

function Makes() {
  const { asked } = useAsked();
  const q = useRested(asked('q'));
  const state = stateOf(asked('state'));
  const technique = asked('technique');
  const book = useBook({ q, technique, ...(state ? { state } : {}) });
  const { items, total, error } = book;
  const filtered = q !== '' || technique !== '' || state !== undefined;
  return (
    <>
      {error ? (
        <Fault error={error} onRetry={book.retry} />
      ) : total === undefined ? (
        <Loading what="Opening the book" />
      ) : (
        <Flex align="center" gap="4" mb="4" flexWrap="wrap">
          <Text color="muted" role="status" flex="1">
            {total > 0
              ? `${total} ${total === 1 ? 'make' : 'makes'}`
              : filtered
                ? 'Nothing in the book matches. Try fewer words.'
                : 'Nothing has been made yet. The first make you begin is the first page.'}
          </Text>
          {total > 0 && (
            <SaveTableButton
              name="Book of makes"
              table={() => bookTable({ q, technique, state })}
            />
          )}
        </Flex>
      )}
      <Flex as="ul" listStyleType="none" direction="column" m="0" p="0">
        {items.map((make) => (
          <BookEntry key={make.id} make={make} />
        ))}
      </Flex>
      <More list={book} what={['make', 'makes']} />
    </>
  );
}

/** One make: its piece, when and for whom, what came of it. */
function BookEntry({ make }: { readonly make: MakeView }) {
  return (
    <Box as="li" borderTop="1px solid {colors.line}" data-testid="book-page">
      {make.putAway ? (
        <Entry make={make}>
          <PutAway pieceId={make.pieceId} />
        </Entry>
      ) : (
        <ChakraLink
          asChild
          color="ink"
          textDecoration="none"
          display="block"
          _hover={{ bg: 'faint' }}
        >
          <Link to={whereIs(make)}>
            <Entry make={make} />
          </Link>
        </ChakraLink>
      )}
    </Box>
  );
}

/** Its piece is no longer on the bench; it can be brought back from here. */
function PutAway({ pieceId }: { readonly pieceId: string }) {
  const bringBack = useBringBack();
  return (
    <Flex gap="3" align="center" flexWrap="wrap" mt="1">
      <Text color="muted">The piece has been put away.</Text>
      <Button disabled={bringBack.isPending} onClick={() => bringBack.mutate(pieceId)}>
        Bring it back
      </Button>
    </Flex>
  );
}

function Entry({ make, children }: { readonly make: MakeView; readonly children?: ReactNode }) {
  const units = useUnits();
  const { piece, record, outcome, loggedAt } = make;
  const [photo] = make.photos;
  return (
    <Grid
      templateColumns={{ base: '1fr', md: '300px 1fr auto' }}
      gap={{ base: '2', md: '6' }}
      alignItems="center"
      py="4"
      px="2"
    >
      <Box bg="bench" borderRadius="6px" px="3" py="2">
        <MiniPiece piece={piece} hand={make.hand} height={56} />
      </Box>
      <Box minW="0">
        <Text fontWeight="600" fontSize="lg">
          {piece.name}, make {make.number}
        </Text>
        <Text color="muted">
          {loggedAt
            ? format(new Date(loggedAt), 'd MMMM yyyy')
            : `under way, ${Math.round((make.reached.done / make.reached.total) * 100)} % done`}
          , for {piece.wearer.name}
          {record?.owner && record.owner !== piece.wearer.name && `; ${record.owner} has it`}
        </Text>
        {outcome && (
          <Text>
            {units.size(outcome.length.actual)} long, planned {units.size(outcome.length.predicted)}
            ; {record?.minutes} minutes
          </Text>
        )}
        {record?.note && (
          <Text color="muted" maxW="70ch" lineClamp="2">
            {record.note}
          </Text>
        )}
        {children}
      </Box>
      {photo && (
        <img
          src={`/api/photos/${photo.id}/thumb`}
          alt={`${piece.name}, make ${make.number}`}
          style={{ height: 72, maxWidth: 110, objectFit: 'cover', borderRadius: 6 }}
        />
      )}
    </Grid>
  );
}
