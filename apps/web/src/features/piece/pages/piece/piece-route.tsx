import { Box, Grid } from '@chakra-ui/react';
import { Changeable, LooksOnly } from '../../../../ui/frame/for-makers';
import { Button } from '../../../../ui/shell/button';
import type { PieceView } from '@coiled-strand/contract';
import { memo, useDeferredValue, useEffect, useMemo } from 'react';
import { Link, Outlet, useLocation, useNavigate, useParams } from 'react-router';
import { ApiError, isGone, isPutAway } from '../../../../data/api/client';
import { useOutbox } from '../../../../data/outbox/outbox';
import { useMay, useSession, useWorkIn } from '../../../../data/api/people-queries';
import { useBringBack, useHand, usePieceQuery } from '../../../../data/api/queries';
import { isLarge } from '../../bench/large';
import { useSelection } from '../../bench/selection-store';
import { REAL_SIZE, useBenchView } from '../../bench/view-store';
import { useUnits } from '../../../../ui/settings/use-units';
import { Fault, Loading } from '../../../../ui/shell/states';
import { TopBar } from '../../../../ui/frame/top-bar';
import { useHotkeys } from '../../../../ui/shell/use-hotkeys';
import { Answers } from '../../piece/answers';
import { leave, useAutosave } from '../../piece/autosave';
import { AdviceList } from '../../piece/advice-list';
import { ConflictDialog } from '../../piece/conflict-dialog';
import { MergeNote, PutAwayNote } from '../../piece/elsewhere-notes';
import { PieceBar } from './piece-bar';
import { PieceBench } from '../../piece/piece-bench';
import { usePiece } from '../../piece/piece-store';
import { StageNav } from './stage-nav';
import { stageStatus } from '../../piece/stage-status';
import { STAGES, useStageId, type StageId } from '../../piece/stages';
import { draftOf, usePlan, usePlanAhead } from '../../piece/use-plan';
import type { StageContext } from '../../piece/stage-context';
import { useMake, type Make } from '../../../make/make/use-make';
import { withOtherView } from '../../piece/view-param';
import { BenchDrag } from '../../piece/bench-drag';

/** Opens a piece: loads it, keeps it saved, and lays it on the bench above the stage. */
export function PieceRoute() {
  const { id = '' } = useParams();
  const query = usePieceQuery(id);
  const open = usePiece((state) => state.open);
  const openId = usePiece((state) => state.id);
  // What waits of it here is known first.
  const ready = useOutbox((state) => state.ready);
  useEffect(() => {
    if (query.data && ready) open(query.data);
  }, [query.data, open, ready]);
  const gone = isGone(query.error);
  useEffect(() => {
    const state = usePiece.getState();
    if (gone && state.id === id) state.setSave('gone');
  }, [gone, id]);
  useEffect(
    () => () => {
      useSelection.getState().select(null);
      void leave();
    },
    [id],
  );

  if (openId !== id || !query.data) {
    return (
      <>
        <TopBar />
        {query.isError ? (
          <Fault error={query.error} onRetry={() => void query.refetch()}>
            {isPutAway(query.error) && <BringBack pieceId={id} />}
            {gone && !isPutAway(query.error) && <OtherWorkshops />}
            {query.error instanceof ApiError && (
              <Button asChild>
                <Link to="/">To the workshop</Link>
              </Button>
            )}
          </Fault>
        ) : (
          <Loading what="Laying the piece on the bench" />
        )}
      </>
    );
  }
  return <OpenPiece view={query.data} />;
}

/** What is not in this workshop may be in another that one works in. */
function OtherWorkshops() {
  const { data } = useSession();
  const workIn = useWorkIn();
  return data?.workshops
    .filter(({ id }) => id !== data.workshop?.id)
    .map(({ id, name }) => (
      <Button key={id} disabled={workIn.isPending} onClick={() => workIn.mutate(id)}>
        Look in {name}
      </Button>
    ));
}

function BringBack({ pieceId }: { readonly pieceId: string }) {
  const bringBack = useBringBack();
  return (
    <Button
      variant="solid"
      disabled={bringBack.isPending}
      onClick={() => bringBack.mutate(pieceId)}
    >
      Bring it back
    </Button>
  );
}

/**
 * The page of an open piece. The panes look at the piece themselves, so that a drag draws anew only
 * what it changes.
 */
function OpenPiece({ view }: { readonly view: PieceView }) {
  useAutosave();
  const may = useMay('maker');
  useEffect(() => usePiece.setState({ readOnly: !may }), [may]);
  return usePlanAhead(view.id) ? (
    <PlannedPiece view={view} />
  ) : (
    <>
      <PieceTop />
      <Loading what="Planning a large piece" />
    </>
  );
}

/** Stages with something to turn over that changes nothing; they hold back their changes themselves. */
const LOOKED_AT: readonly StageId[] = ['layout', 'cut'];

/** Its panes look at the piece themselves; nothing here is drawn anew while something is dragged. */
const PlannedPiece = memo(function PlannedPiece({ view }: { readonly view: PieceView }) {
  usePieceKeys(view.id);
  const { make, comes } = useMake(view.id);
  const stage = useStageId();
  const planning = stage === 'fit' || stage === 'layout' || stage === 'cut';
  const may = useMay('maker');
  return (
    <BenchDrag>
      <PieceTop />
      <PutAwayNote pieceId={view.id} />
      <LooksOnly />
      <BenchPane make={planning ? null : make} editable={planning && may} />
      <StagesPane view={view} make={make} />
      <Grid
        as="main"
        // On a phone: what is wrong, the stage, the answers. Beside the stage where there is room.
        templateAreas={
          planning
            ? { base: '"advice" "stage" "answers"', lg: '"stage advice" "stage answers"' }
            : '"stage"'
        }
        templateColumns={{ base: '1fr', lg: planning ? 'minmax(0, 1fr) 300px' : '1fr' }}
        templateRows={{ lg: planning ? 'auto 1fr' : 'auto' }}
        columnGap="10"
        px={{ base: '4', md: '7' }}
        py={{ base: '5', md: '6' }}
        maxW="1320px"
      >
        <Box minW="0" gridArea="stage">
          {LOOKED_AT.includes(stage) ? (
            <StagePane view={view} make={make} makeComes={comes} planning={planning} />
          ) : (
            <Changeable>
              <StagePane view={view} make={make} makeComes={comes} planning={planning} />
            </Changeable>
          )}
        </Box>
        {planning && (
          <>
            <Box className="no-print" gridArea="advice">
              <AdvicePane />
            </Box>
            <Box className="no-print" gridArea="answers" mt={{ base: '8', lg: '0' }}>
              <AnswersPane />
            </Box>
          </>
        )}
      </Grid>
      <ConflictDialog />
      <MergeNote />
    </BenchDrag>
  );
});

const PieceTop = memo(function PieceTop() {
  return (
    <TopBar>
      <PieceBar />
    </TopBar>
  );
});

/** From this many parts on the bench is drawn in slices between the moves of a drag. */
const MANY_PARTS = 16;

/**
 * The plan that the bench draws: of a small piece at once; of a large one a moment later, so that the
 * hand on the handle never waits for a thousand cords.
 */
function useBenchPlan(): ReturnType<typeof usePlan> {
  const now = usePlan();
  const hand = useHand();
  const later = useDeferredValue(now.piece);
  if (now.piece.parts.length < MANY_PARTS || isLarge(now.piece)) return now;
  return { piece: later, plan: draftOf(later, hand) };
}

interface BenchPaneProps {
  readonly make: Make | null;
  readonly editable: boolean;
}

/** While a piece is made, the bench shows it as it was when the make was begun. */
function BenchPane({ make, editable }: BenchPaneProps) {
  const { piece, plan } = useBenchPlan();
  return (
    <PieceBench
      piece={make?.view.piece ?? piece}
      plan={make?.plan ?? plan}
      make={make}
      editable={editable}
    />
  );
}

interface MakeProps {
  readonly view: PieceView;
  readonly make: Make | null;
}

function StagesPane({ view, make }: MakeProps) {
  const { piece, plan } = usePlan();
  const units = useUnits();
  return <StageNav pieceId={view.id} status={stageStatus(piece, plan, view, make, units)} />;
}

/**
 * While the end is dragged the bench, the answers and the line of stages follow in the same frame; the
 * fields below follow when it is let go. Counting knots waits for nothing.
 */
interface StageProps extends MakeProps {
  readonly makeComes: boolean;
  readonly planning: boolean;
}

function StagePane({ view, make, makeComes, planning }: StageProps) {
  const { piece, plan } = usePlan();
  const context = useMemo(
    () => ({ view, piece, plan, make, makeComes }),
    [view, piece, plan, make, makeComes],
  );
  const later = useDeferredValue(context);
  const held = useBenchView((bench) => bench.held !== null);
  return <StageOutlet context={planning ? later : context} held={held} />;
}

interface OutletProps {
  readonly context: StageContext;
  /** Whether something on the bench is being dragged. */
  readonly held: boolean;
}

const StageOutlet = memo(
  function StageOutlet({ context }: OutletProps) {
    return <Outlet context={context} />;
  },
  (before, after) => after.held || before.context === after.context,
);

function AdvicePane() {
  return <AdviceList advice={usePlan().plan.advice} />;
}

function AnswersPane() {
  return <Answers plan={usePlan().plan} />;
}

function usePieceKeys(pieceId: string): void {
  const navigate = useNavigate();
  const { search, pathname } = useLocation();
  const { undo, redo } = usePiece.getState();
  const { setFraming, zoomBy, toggleFold } = useBenchView.getState();
  const stages = Object.fromEntries(
    STAGES.map(({ id, key }) => [
      key,
      () => void navigate({ pathname: `/pieces/${pieceId}/${id}`, search }),
    ]),
  );
  useHotkeys({
    ...stages,
    'Ctrl+z': undo,
    'Ctrl+Shift+z': redo,
    'Ctrl+y': redo,
    '+': () => zoomBy(1.3),
    '=': () => zoomBy(1.3),
    '-': () => zoomBy(1 / 1.3),
    '0': () => setFraming({ mode: 'whole' }),
    '1': () => setFraming(REAL_SIZE),
    '2': toggleFold,
    v: () =>
      void navigate(
        {
          pathname,
          search: withOtherView(new URLSearchParams(search)).toString(),
        },
        { replace: true },
      ),
  });
}
