import { Box, Flex, Grid, Heading, Link as ChakraLink, Text } from '@chakra-ui/react';
import type { MakeView } from '@coiled-strand/contract';
import { format } from 'date-fns';
import { Link, useSearchParams } from 'react-router';
import type { ReactNode } from 'react';
import { useBook, useBringBack } from '../../api/queries';
import { MiniPiece } from '../../bench/mini-piece';
import { SelectField } from '../../fields/select-field';
import { TextRow } from '../../fields/text-row';
import { MAKE_PARAM } from '../../make/use-make';
import { useUnits } from '../../settings/use-units';
import { Button } from '../../shell/button';
import { Fault, Loading } from '../../shell/states';
import { Page } from '../../frame/page';
import { found, STATES, techniquesOf, type BookFilter, type BookState } from './book-filter';

/** The book of makes: everything that was made or is being made, to search. */
export function BookPage() {
  const book = useBook();
  const [search, setSearch] = useSearchParams();
  const filter: BookFilter = {
    text: search.get('q') ?? '',
    state: (search.get('state') as BookState | null) ?? 'all',
    technique: search.get('technique') ?? '',
  };
  const set = (key: string, value: string): void =>
    setSearch(
      (old) => {
        const next = new URLSearchParams(old);
        if (value === '') next.delete(key);
        else next.set(key, value);
        return next;
      },
      { replace: true },
    );
  const makes = book.data ?? [];
  const shown = makes.filter((make) => found(make, filter));
  return (
    <Page>
      <Heading as="h1" fontSize={{ base: '2xl', md: '3xl' }} lineHeight="1.1">
        The book of makes
      </Heading>
      <Grid
        templateColumns={{ base: '1fr', sm: '2fr 1fr 1fr' }}
        gap="3"
        my="6"
        alignItems="flex-end"
        role="search"
      >
        <TextRow
          label="Search"
          type="search"
          value={filter.text}
          placeholder="piece, wearer, who has it, note"
          onChange={(event) => set('q', event.target.value)}
        />
        <SelectField
          label="State"
          value={filter.state}
          options={STATES}
          onChange={(state) => set('state', state === 'all' ? '' : state)}
        />
        <SelectField
          label="Made of"
          value={filter.technique}
          options={[{ value: '', label: 'Anything' }, ...techniquesOf(makes)]}
          onChange={(technique) => set('technique', technique)}
        />
      </Grid>
      {book.isPending && <Loading what="Opening the book" />}
      {book.isError && !book.data && (
        <Fault error={book.error} onRetry={() => void book.refetch()} />
      )}
      {book.data && (
        <Text color="muted" role="status" mb="4">
          {makes.length === 0
            ? 'Nothing has been made yet. The first make you begin is the first page.'
            : shown.length === 0
              ? 'Nothing in the book matches. Try fewer words.'
              : `${shown.length} of ${makes.length} ${makes.length === 1 ? 'make' : 'makes'}`}
        </Text>
      )}
      <Flex as="ul" listStyleType="none" direction="column" m="0" p="0">
        {shown.map((make) => (
          <BookEntry key={make.id} make={make} />
        ))}
      </Flex>
    </Page>
  );
}

/** One make: its piece, when and for whom, what came of it. */
function BookEntry({ make }: { readonly make: MakeView }) {
  const { loggedAt } = make;
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
          <Link
            to={
              loggedAt
                ? `/pieces/${make.pieceId}/log#make-${make.id}`
                : `/pieces/${make.pieceId}/make?${MAKE_PARAM}=${make.id}`
            }
          >
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
          src={`/api/photos/${photo.id}`}
          alt={`${piece.name}, make ${make.number}`}
          style={{ height: 72, maxWidth: 110, objectFit: 'cover', borderRadius: 6 }}
        />
      )}
    </Grid>
  );
}
