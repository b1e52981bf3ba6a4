import { Box, Flex, Grid, Link as ChakraLink, Text } from '@chakra-ui/react';
import { KNOWN_KNOTS } from '@coiled-strand/core';
import { BookMarked, Copy, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import type { KnotView } from '@coiled-strand/contract';
import { useKnots, useRemoveKnot } from '../../../../data/api/knot-queries';
import { KnotPicture } from '../../board/flat-knot';
import { sayMeasure } from '../../board/words';
import { ForMakers } from '../../../../ui/frame/for-makers';
import { Page, PageHead } from '../../../../ui/frame/page';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { Button } from '../../../../ui/shell/button';
import { Fault, Loading } from '../../../../ui/shell/states';
import { ToolButton } from '../../../../ui/shell/tool-button';

/** Knots that were drawn in the workshop. */
export function KnotsPage() {
  const knots = useKnots();
  const [leaving, setLeaving] = useState<KnotView | null>(null);
  return (
    <Page>
      <PageHead
        title="Your knots"
        about="Knots that no list has: drawn on a board, drawn tight, and then a part like any other"
      >
        <Button asChild>
          <Link to="/knot-book">
            <BookMarked size={18} /> Knot book
          </Link>
        </Button>
        <ForMakers>
          <Button variant="solid" asChild>
            <Link to="/knots/new">
              <Plus size={18} /> Draw a knot
            </Link>
          </Button>
        </ForMakers>
      </PageHead>
      {knots.error && !knots.data ? (
        <Fault error={knots.error} onRetry={() => void knots.refetch()} />
      ) : (
        !knots.data && <Loading what="Fetching your knots" />
      )}
      {knots.data?.length === 0 && (
        <Text maxW="58ch" mb="6">
          None yet. Begin with an empty board, or with a knot that you know and change it: how much
          cord it takes and how large it becomes is worked out as you draw.
        </Text>
      )}
      <Grid templateColumns="repeat(auto-fill, minmax(240px, 1fr))" gap="5">
        {knots.data?.map((knot) => (
          <KnotCard key={knot.id} knot={knot} onRemove={() => setLeaving(knot)} />
        ))}
      </Grid>
      <ForMakers>
        <Text as="h2" fontSize="xl" fontWeight="600" mt="10" mb="3">
          Begin with one that is known
        </Text>
        <Flex gap="3" flexWrap="wrap">
          {KNOWN_KNOTS.map(({ id, name }) => (
            <Button key={id} asChild>
              <Link to={`/knots/new?from=${id}`}>{name}</Link>
            </Button>
          ))}
        </Flex>
      </ForMakers>
      {leaving && <LeaveDialog knot={leaving} onClose={() => setLeaving(null)} />}
    </Page>
  );
}

function KnotCard({ knot, onRemove }: { readonly knot: KnotView; readonly onRemove: () => void }) {
  const { id, value } = knot;
  const { size, curves } = value.tight;
  return (
    <Box
      border="1px solid {colors.line}"
      borderRadius="8px"
      bg="raised"
      overflow="hidden"
      data-testid="knot"
    >
      <ChakraLink asChild display="block" color="ink" textDecoration="none">
        <Link to={`/knots/${id}`} aria-label={value.name}>
          <Box bg="bench" py="4">
            <KnotPicture
              curves={curves}
              long={size.length.value}
              wide={size.width.value}
              height={120}
            />
          </Box>
        </Link>
      </ChakraLink>
      <Flex px="4" py="3" align="center" gap="2">
        <Box flex="1" minW="0">
          <Text fontWeight="600">{value.name}</Text>
          <Text fontSize="sm" color="muted">
            takes{' '}
            {size.uses
              .filter(({ value: v }) => v > 0)
              .map(sayMeasure)
              .join(' and ')}{' '}
            diameters
          </Text>
        </Box>
        <ForMakers>
          <Button variant="bare" size="icon" asChild>
            <Link
              to={`/knots/new?copy=${id}`}
              aria-label={`Begin with a copy of “${value.name}”`}
              title="Begin with a copy"
            >
              <Copy size={17} />
            </Link>
          </Button>
          <ToolButton label={`Take “${value.name}” off the list`} onClick={onRemove}>
            <Trash2 size={17} />
          </ToolButton>
        </ForMakers>
      </Flex>
    </Box>
  );
}

function LeaveDialog({ knot, onClose }: { readonly knot: KnotView; readonly onClose: () => void }) {
  const remove = useRemoveKnot();
  return (
    <AskDialog
      title={`Take “${knot.value.name}” off the list?`}
      description="Pieces and makes that have it keep it as it is. It cannot be put into others any more."
      action="Take it off"
      doing={[remove]}
      onDo={async () => {
        await remove.mutateAsync(knot.id);
        onClose();
      }}
      onClose={onClose}
    />
  );
}
