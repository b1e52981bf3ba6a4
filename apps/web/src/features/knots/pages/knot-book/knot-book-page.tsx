import { Box, Link as ChakraLink, Text } from '@chakra-ui/react';
import { EXAMPLE_CORD, PART_KINDS } from '@coiled-strand/core';
import { Link } from 'react-router';
import { useBeads, useCords } from '../../../../data/api/queries';
import { Page, PageHead } from '../../../../ui/frame/page';
import { SearchField } from '../../../../ui/frame/search-field';
import { useAsked } from '../../../../ui/frame/use-asked';
import { Tiles } from '../../../../ui/shell/tiles';
import { KindPicture } from '../../../piece/stages/layout/kind-picture';
import { findEntries, GROUPS, type Entry } from './entries';

/** Everything that the program knows to tie, to close with and to end with. */
export function KnotBookPage() {
  const { asked } = useAsked();
  const found = findEntries(asked('q'));
  return (
    <Page>
      <PageHead
        title="The knot book"
        about="What each technique, closure and end is good for, what it takes, and how it is tied"
      />
      <Box maxW="480px" mb="7" role="search">
        <SearchField placeholder="plait, slider, spiral, glue" />
      </Box>
      {found.length === 0 && <Text>Nothing of that is in the book. Try fewer words.</Text>}
      {GROUPS.map(({ id, label }) => {
        const entries = found.filter(({ group }) => group === id);
        if (entries.length === 0) return null;
        return (
          <Box as="section" key={id} mb="9">
            <Text as="h2" fontSize="xl" fontWeight="600" mb="3">
              {label}
            </Text>
            <Tiles least={220} gap="4">
              {entries.map((entry) => (
                <Card key={entry.id} entry={entry} />
              ))}
            </Tiles>
          </Box>
        );
      })}
    </Page>
  );
}

function Card({ entry }: { readonly entry: Entry }) {
  const cord = useCords().data?.[0]?.value ?? EXAMPLE_CORD;
  const bead = useBeads().data?.[0]?.value;
  const drawn = PART_KINDS.some((kind) => kind.entry.id === entry.id && !kind.entry.needsKnot);
  return (
    <Box as="li">
      <ChakraLink asChild display="block" color="ink" textDecoration="none" borderRadius="soft">
        <Link to={`/knot-book/${entry.id}`}>
          {drawn && <KindPicture kind={entry.id} cord={cord} bead={bead} />}
          <Text
            mt={drawn ? '2' : '0'}
            fontWeight="600"
            textDecoration="underline"
            textUnderlineOffset="3px"
          >
            {entry.label}
          </Text>
          <Text fontSize="sm" color="muted" lineHeight="1.35">
            {entry.blurb}
          </Text>
        </Link>
      </ChakraLink>
    </Box>
  );
}
