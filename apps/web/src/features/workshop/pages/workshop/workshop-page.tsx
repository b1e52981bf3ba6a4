import { Box, Flex, Grid, Heading, Link as ChakraLink, Text } from '@chakra-ui/react';
import { ForMakers } from '../../../../ui/frame/for-makers';
import { SaveLink } from '../../../../ui/shell/save-link';
import { Button } from '../../../../ui/shell/button';
import { PAGE, type PieceSort, type PieceView } from '@coiled-strand/contract';
import { draftPlan } from '@coiled-strand/core';
import { Archive, FileDown, FileUp, Plus, Tag } from 'lucide-react';
import { memo, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useOpenedHere, usePieces } from '../../../../data/api/lists';
import { useSession } from '../../../../data/api/people-queries';
import { useBringBack, useHand, usePutAway, useWorkshop } from '../../../../data/api/queries';
import { SelectField } from '../../../../ui/fields/select-field';
import { SearchField } from '../../../../ui/frame/search-field';
import { useAsked } from '../../../../ui/frame/use-asked';
import { More } from '../../../../ui/shell/more';
import { useNear } from '../../../../ui/shell/use-near';
import { useRested } from '../../../../ui/shell/use-rested';
import { isLarge } from '../../../piece/bench/large';
import { MiniPiece } from '../../../piece/bench/mini-piece';
import type { StageId } from '../../../piece/piece/stages';
import { waitsFor } from '../../../piece/piece/stage-status';
import { useTried } from '../../../piece/piece/use-tried';
import { useUnits } from '../../../../ui/settings/use-units';
import { ErrorBoundary } from '../../../../ui/shell/error-boundary';
import { later } from '../../../../ui/shell/later';
import { Fault, Loading } from '../../../../ui/shell/states';
import { toaster } from '../../../../ui/shell/toaster';
import { Page } from '../../../../ui/frame/page';
import { TagFilter } from './tag-filter';

const TagsDialog = later(() => import('./tags-dialog').then((m) => m.TagsDialog));
/** With the cutting of what is short it is fetched when the pieces are there. */
const Now = later(() => import('./now').then((m) => m.Now));
const ImportDialog = later(() => import('./import-dialog').then((m) => m.ImportDialog));
const NewPieceDialog = later(() => import('./new-piece-dialog').then((m) => m.NewPieceDialog));

/** The pieces on the bench. */
export function WorkshopPage() {
  const { asked } = useAsked();
  const q = useRested(asked('q'));
  const sort = sortOf(asked('sort'));
  const tag = asked('tag');
  const pieces = usePieces({ q, sort, ...(tag === '' ? {} : { tag }) });
  const workshop = useWorkshop();
  const [dialog, setDialog] = useState<'new' | 'import' | null>(null);
  const [sorted, setSorted] = useState<PieceView | null>(null);
  const opened = useOpenedHere();
  const { total, away } = pieces;
  // A list that was fetched before a piece was made does not have it; whoever opened it here does.
  const items = away ? withOpened(pieces.items, opened, { q, tag }) : pieces.items;
  const error = items.length > 0 ? null : pieces.error;
  return (
    <Page>
      <Flex align="flex-end" gap="4" flexWrap="wrap" mb={{ base: '5', md: '8' }}>
        <Box flex="1" minW="220px">
          <Heading as="h1" fontSize={{ base: '2xl', md: '3xl' }} lineHeight="1.1">
            {workshop.data?.name ?? 'The workshop'}
          </Heading>
          <Text color="muted" mt="1">
            {sayCount(total, q, tag)}
            <Open />
          </Text>
        </Box>
        <ForMakers>
          <Flex gap="3">
            <Button onClick={() => setDialog('import')}>
              <FileUp size={18} /> From a file
            </Button>
            <Button variant="solid" onClick={() => setDialog('new')}>
              <Plus size={18} /> New piece
            </Button>
          </Flex>
        </ForMakers>
      </Flex>
      {q === '' && tag === '' && <Now />}
      <TagFilter />
      {((total ?? 0) > PAGE || q !== '' || asked('q') !== '') && <FindPieces sort={sort} />}
      {away && items.length > 0 && (
        <Text role="status" mb="5" maxW="60ch" bg="faint" borderRadius="soft" px="4" py="3">
          Nobody answers: there is no network, or the server is away. These pieces are as they were
          known on this device; those that were opened here can be worked on.
        </Text>
      )}
      {error ? (
        <Fault error={error} onRetry={pieces.retry} />
      ) : (
        total === undefined && items.length === 0 && <Loading what="Fetching the bench" />
      )}
      {total === 0 && q === '' && tag === '' && <EmptyBench onNew={() => setDialog('new')} />}
      <Flex as="ul" listStyleType="none" direction="column" gap="5" m="0" p="0">
        {items.map((view) => (
          // One that this version cannot draw must not take the others with it.
          <ErrorBoundary
            key={view.id}
            fallback={(error) => <PieceFault view={view} error={error} />}
          >
            <PieceOnBench view={view} onTags={setSorted} />
          </ErrorBoundary>
        ))}
      </Flex>
      <More list={pieces} what={['piece', 'pieces']} />
      {sorted && <TagsDialog view={sorted} onClose={() => setSorted(null)} />}
      {dialog === 'new' && <NewPieceDialog onClose={() => setDialog(null)} />}
      {dialog === 'import' && <ImportDialog onClose={() => setDialog(null)} />}
    </Page>
  );
}

/** Pieces of a list, and those that were opened here besides and have each of the words that are looked for, and the tag. */
function withOpened(
  listed: readonly PieceView[],
  opened: readonly PieceView[],
  { q, tag }: { readonly q: string; readonly tag: string },
): readonly PieceView[] {
  const words = q.toLowerCase().split(/\s+/);
  const isMeant = ({ piece, tags }: PieceView): boolean => {
    if (tag !== '' && !tags.includes(tag)) return false;
    const text = `${piece.name} ${piece.wearer.name}`.toLowerCase();
    return words.every((word) => text.includes(word));
  };
  const others = opened.filter(({ id }) => listed.every((one) => one.id !== id));
  return [...listed, ...others.filter(isMeant)];
}

/** Says that no password is asked for, and where one is chosen. */
function Open() {
  const { data } = useSession();
  if (!data?.open) return null;
  return (
    <>
      . Open to whoever sits at this machine:{' '}
      <ChakraLink asChild textDecoration="underline" color="muted">
        <Link to="/account">choose a password</Link>
      </ChakraLink>
    </>
  );
}

const SORTS: readonly { readonly value: PieceSort; readonly label: string }[] = [
  { value: 'changed', label: 'Changed last' },
  { value: 'laid', label: 'Laid first' },
  { value: 'name', label: 'By name' },
];
const sortOf = (asked: string): PieceSort =>
  SORTS.find(({ value }) => value === asked)?.value ?? 'changed';

function sayCount(total: number | undefined, q: string, tag: string): string {
  if (total === undefined) return '';
  const pieces = `${total} ${total === 1 ? 'piece' : 'pieces'}`;
  if (q !== '') return total === 0 ? 'No piece matches. Try fewer words.' : `${pieces} found`;
  if (tag !== '') return `${pieces} under ${tag}`;
  return total === 0 ? 'The bench is clear' : `${pieces} on the bench`;
}

/** Finds a piece among more than a page of them; fewer are seen at a glance. */
function FindPieces({ sort }: { readonly sort: PieceSort }) {
  const { ask } = useAsked();
  return (
    <Grid
      templateColumns={{ base: '1fr', sm: '2fr 1fr' }}
      gap="3"
      mb="6"
      maxW="760px"
      alignItems="flex-end"
      role="search"
    >
      <SearchField placeholder="piece, wearer, cord, bead, note" />
      <SelectField
        label="Order"
        value={sort}
        options={SORTS}
        onChange={(value) => ask('sort', value === 'changed' ? '' : value)}
      />
    </Grid>
  );
}

function EmptyBench({ onNew }: { readonly onNew: () => void }) {
  return (
    <Box bg="bench" borderRadius="10px" px={{ base: '5', md: '10' }} py="12" maxW="720px">
      <Text fontSize="lg" fontWeight="600">
        Start with a wrist
      </Text>
      <Text mt="2" maxW="52ch">
        Name a piece and say whose wrist it is for. Everything else can be changed afterwards: the
        room under it, the cords, the length. The cut list follows as you go.
      </Text>
      <ForMakers>
        <Button variant="solid" mt="5" onClick={onNew}>
          <Plus size={18} /> New piece
        </Button>
      </ForMakers>
    </Box>
  );
}

function usePutAwayWithWayBack({ id, piece }: PieceView): () => Promise<void> {
  const putAway = usePutAway();
  const bringBack = useBringBack();
  return async () => {
    await putAway.mutateAsync(id);
    toaster.create({
      title: `${piece.name} has been put away.`,
      action: { label: 'Bring it back', onClick: () => bringBack.mutate(id) },
    });
  };
}

/** A piece that cannot be drawn: it is named, it can be taken elsewhere, and it can be put away. */
function PieceFault({ view, error }: { readonly view: PieceView; readonly error: Error }) {
  const remove = usePutAwayWithWayBack(view);
  return (
    <Box as="li" bg="warnFaint" borderRadius="10px" px="6" py="5" data-testid="piece-fault">
      <Text fontSize="lg" fontWeight="600">
        {view.piece.name}
      </Text>
      <Text mt="1" maxW="64ch">
        This version of the program cannot draw it. Nothing of it is lost: save its file and open
        that with the version that made it, or put it away.
      </Text>
      <Text fontSize="sm" color="muted" mt="1">
        {error.message}
      </Text>
      <Flex gap="3" mt="3">
        <SaveLink path={`/pieces/${view.id}/file`}>
          <FileDown size={18} /> Save its file
        </SaveLink>
        <ForMakers>
          <Button onClick={() => void remove()}>
            <Archive size={18} /> Put away
          </Button>
        </ForMakers>
      </Flex>
    </Box>
  );
}

/** The stage that a piece waits in. */
function stageOf(make: PieceView['make']): StageId {
  if (!make) return 'fit';
  const { done, finishFrom, total } = make.reached;
  return done >= total ? 'log' : done >= finishFrom ? 'finish' : 'make';
}

interface OnBenchProps {
  readonly view: PieceView;
  readonly onTags: (view: PieceView) => void;
}

/** Of the drawing of a piece, in px. */
const HEIGHT = 104;

/** Drawn anew only when it changes itself: a full bench holds still while a dialog opens over it. */
const PieceOnBench = memo(function PieceOnBench({ view, onTags }: OnBenchProps) {
  const units = useUnits();
  const known = useHand();
  const remove = usePutAwayWithWayBack(view);
  const { make } = view;
  // What is being made lies on the bench as it was planned then.
  const piece = make?.piece ?? view.piece;
  const [ref, near] = useNear<HTMLLIElement>();
  const draft = useMemo(
    () => (isLarge(piece) || !near ? null : draftPlan(piece, make?.hand ?? known)),
    [piece, make?.hand, known, near],
  );
  // What is under way is being made: nobody asks any more whether it can be.
  const tried = useTried(piece, make ? null : draft);
  const plan = tried ?? draft;
  return (
    <Box as="li" ref={ref} position="relative" data-testid="piece">
      <ChakraLink
        asChild
        display="block"
        color="ink"
        textDecoration="none"
        borderRadius="10px"
        overflow="hidden"
      >
        <Link to={`/pieces/${view.id}/${stageOf(make)}`}>
          <Box
            bg="bench"
            px={{ base: '3', md: '6' }}
            py="5"
            _hover={{ bg: 'faint' }}
            transition="background-color .15s"
          >
            {!near ? (
              <Box h={`${HEIGHT}px`} />
            ) : plan === null || plan.ok ? (
              <MiniPiece
                piece={piece}
                height={HEIGHT}
                {...(draft ? { planned: draft } : {})}
                {...(make ? { hand: make.hand } : {})}
                {...(make ? { done: make.reached.parts } : {})}
              />
            ) : (
              <Text color="muted" py="8">
                No drawing: {units.say(plan.advice[0]?.message ?? '')}
              </Text>
            )}
          </Box>
          <Flex pl={{ base: '1', md: '2' }} pt="2" gap="4" align="baseline" flexWrap="wrap" pr="24">
            <Text fontSize="lg" fontWeight="600">
              {view.piece.name}
            </Text>
            <Text color="muted">
              {piece.wearer.name}
              {plan?.ok && `, ${units.size(plan.fit.circumference)} inside`}
            </Text>
            {view.tags.length > 0 && (
              <Text color="muted" fontSize="sm">
                {view.tags.join(', ')}
              </Text>
            )}
            <Text ml={{ base: '0', md: 'auto' }}>{plan && waitsFor(view, plan)}</Text>
          </Flex>
        </Link>
      </ChakraLink>
      <ForMakers>
        {' '}
        <Flex position="absolute" right="0" bottom="-6px">
          <Button
            variant="bare"
            size="icon"
            aria-label={`Tags of ${view.piece.name}`}
            title="Tags"
            onClick={() => onTags(view)}
          >
            <Tag size={18} />
          </Button>
          <Button
            variant="bare"
            size="icon"
            aria-label={`Put ${view.piece.name} away`}
            title="Put away"
            onClick={() => void remove()}
          >
            <Archive size={18} />
          </Button>
        </Flex>
      </ForMakers>
    </Box>
  );
});
