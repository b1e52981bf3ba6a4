import { Box, Flex, Text } from '@chakra-ui/react';
import { usePreferences } from '../../../ui/settings/use-preferences';
import { Button } from '../../../ui/shell/button';
import {
  inSentence,
  doneByPart,
  drawBench,
  firstSideFor,
  partKind,
  type Part,
  type Piece,
  type Plan,
  type PlanResult,
} from '@coiled-strand/core';
import { Rotate3d, Watch } from 'lucide-react';
import { memo, useMemo, useState } from 'react';
import { useLocation, useNavigate, useParams, useSearchParams } from 'react-router';
import { useStageId } from './stages';
import { PieceInSpace } from './piece-in-space';
import { isClosed, viewIn, withOtherView, withView } from './view-param';
import { Bench, type BenchFrame } from '../bench/bench';
import { BenchTools } from '../bench/bench-tools';
import { ClosedView } from '../bench/closed-view';
import { HangingView } from '../bench/hanging-view';
import { ForecastBand } from '../bench/forecast-band';
import { LengthHandle } from '../bench/length-handle';
import { partPlaces } from '../bench/part-places';
import { PartsLayer } from '../bench/parts-layer';
import { useSelection } from '../bench/selection-store';
import { StrandLanes } from '../bench/strand-lanes';
import { useBenchView } from '../bench/view-store';
import { useUnits } from '../../../ui/settings/use-units';
import { useForecast } from '../../make/make/use-forecast';
import { BenchDrop } from './bench-drag';
import { countsOf } from './counts';
import { PieceInWords } from './piece-in-words';
import { partActions, withPartLength } from './part-edits';
import { prepareEdit, prepareRest } from './prepare';
import type { Make } from '../../make/make/use-make';

const HEIGHT = { base: '220px', md: '304px' } as const;
/** While hands are full the piece is the progress bar, and the step needs the room. */
const LOW = { base: '150px', md: '206px' } as const;
/** Shortest and longest in mm that a part is dragged to. */
const LENGTHS = { min: 1, max: 2000 } as const;

interface Props {
  readonly piece: Piece;
  readonly plan: PlanResult;
  /** The make whose progress is shown instead of the finished piece. */
  readonly make: Make | null;
  /** Whether the end may be dragged. */
  readonly editable: boolean;
}

/** The piece on the bench, flat along the rule or closed round the body. */
export function PieceBench({ piece, plan, make, editable }: Props) {
  // The last plan that worked stays in sight while a value is being mended.
  const [last, setLast] = useState<{ piece: Piece; plan: Plan } | null>(null);
  if (plan.ok && last?.plan !== plan) setLast({ piece, plan });
  const shown = plan.ok ? { piece, plan } : last;
  const done = useMemo(() => (make ? doneByPart(make.steps, make.done) : undefined), [make]);
  if (!shown) {
    return (
      <Flex h={HEIGHT} bg="bench" align="center" justify="center" px="5">
        <Text color="muted" textAlign="center">
          The piece appears here as soon as the values below can be planned.
        </Text>
      </Flex>
    );
  }
  return (
    <>
      <SeenPiece {...shown} make={make} editable={editable && plan.ok} />
      <PieceInWords {...shown} {...(done ? { done } : {})} />
    </>
  );
}

/** Flat along the rule, closed round the body, or in space. */
function SeenPiece({ make, editable, ...shown }: FlatProps) {
  const [search] = useSearchParams();
  if (viewIn(search) === 'space') {
    return (
      <Box position="relative" className="no-print">
        <PieceInSpace piece={shown.piece} plan={shown.plan} />
        <Tools flat={false} />
      </Box>
    );
  }
  return isClosed(search) ? (
    <Box position="relative" className="no-print">
      {shown.piece.wear.site === 'neck' ? (
        <HangingView {...shown} height={make ? LOW : HEIGHT} />
      ) : (
        <ClosedView {...shown} height={make ? LOW : HEIGHT} />
      )}
      <Tools flat={false} />
    </Box>
  ) : (
    <FlatBench {...shown} make={make} editable={editable} />
  );
}

interface FlatProps {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly make: Make | null;
  readonly editable: boolean;
}

function FlatBench({ piece, plan, make, editable }: FlatProps) {
  const { hand } = usePreferences();
  const units = useUnits();
  const tails = useBenchView((view) => view.tails);
  const lanes = useSelection((state) => state.lanes);
  const actions = usePartActions();
  const seen = useForecast(make);
  const drawing = useMemo(
    () =>
      drawBench(piece, plan, {
        firstSide: firstSideFor(hand),
        tails: tails && !make,
        ...(make ? { done: doneByPart(make.steps, make.done) } : {}),
      }),
    [piece, plan, hand, tails, make],
  );
  // While it is made, every knot is looked for.
  const breaks = useMemo(
    () =>
      make
        ? null
        : partPlaces(plan).map((place, i) => ({
            ...place,
            label: partKind(piece.parts[i]!.kind).entry.label,
          })),
    [make, piece, plan],
  );
  return (
    <div className="bench-place no-print">
      <BenchDrop>
        <Bench
          drawing={drawing}
          height={make ? LOW : HEIGHT}
          {...(breaks ? { breaks } : {})}
          label={`${piece.name} on the bench: ${units.size(plan.fit.length)} long, ${countsOf(plan).join(', ')}`}
          {...(plan.fit.fitted > 0
            ? {
                aim: {
                  at: plan.fit.fitted,
                  label: `The fit asks for ${units.size(plan.fit.fitted)}`,
                },
              }
            : {})}
        >
          {(frame) => (
            <>
              {seen && (
                <ForecastBand
                  frame={frame}
                  forecast={seen.forecast}
                  label={`Comes out between ${units.size(seen.forecast.length.low)} and ${units.size(seen.forecast.length.high)}`}
                />
              )}
              {lanes && <StrandLanes frame={frame} piece={piece} plan={plan} />}
              {editable && (
                <PartsLayer
                  frame={frame}
                  piece={piece}
                  plan={plan}
                  drawing={drawing}
                  actions={actions}
                />
              )}
              {editable && <Stretch frame={frame} piece={piece} plan={plan} />}
            </>
          )}
        </Bench>
      </BenchDrop>
      <Tools flat />
    </div>
  );
}

/** What can be done with parts; looking at one leads to where its numbers are. */
function usePartActions() {
  const navigate = useNavigate();
  const { search } = useLocation();
  const { id: piece } = useParams();
  const stage = useStageId();
  return useMemo(
    () => ({
      ...partActions,
      open: (id: string): void => {
        useSelection.getState().select(id);
        if (stage !== 'layout') void navigate({ pathname: `/pieces/${piece}/layout`, search });
      },
    }),
    [navigate, piece, search, stage],
  );
}

/** Whether a part has a length of its own that can be set. */
const stretches = (part: Part): boolean =>
  'length' in part && partKind(part.kind).fields.some((f) => f.key === 'length' && 'open' in f);

interface StretchProps {
  readonly frame: BenchFrame;
  readonly piece: Piece;
  readonly plan: Plan;
}

/** The end of the selected part, or of the only part there is. */
function Stretch({ frame, piece, plan }: StretchProps) {
  const selected = useSelection((state) => state.part);
  const index =
    piece.parts.length === 1 ? 0 : piece.parts.findIndex((part) => part.id === selected);
  const part = piece.parts[index];
  const place = plan.parts[index];
  if (!part || !place || !stretches(part)) return null;
  const end = place.start + place.layout.length;
  // In the row that it ends in.
  if (end <= frame.from || end > frame.to) return null;
  const { entry } = partKind(part.kind);
  return (
    <LengthHandle
      frame={frame}
      label={`Length of ${inSentence(entry.label)}`}
      start={place.start}
      length={place.layout.length}
      min={LENGTHS.min}
      max={LENGTHS.max}
      prepare={(mm) => prepareEdit((now) => withPartLength(now, part.id, mm))}
      prepareRest={prepareRest}
    />
  );
}

const Tools = memo(function Tools({ flat }: { readonly flat: boolean }) {
  const [search, setSearch] = useSearchParams();
  const view = viewIn(search);
  const closed = view === 'closed';
  const toggle = (): void => {
    setSearch(withOtherView, { replace: true, flushSync: true });
  };
  return (
    <Flex position="absolute" top="1" right={{ base: '1', md: '4' }} gap="1" align="center">
      {view !== 'space' && <BenchTools flat={flat} />}
      <Button
        variant={view === 'space' ? 'solid' : 'bare'}
        aria-pressed={view === 'space'}
        aria-label="In space"
        onClick={() =>
          setSearch((old) => withView(old, view === 'space' ? null : 'space'), {
            replace: true,
            flushSync: true,
          })
        }
        title="Turn it round in space"
      >
        <Rotate3d size={17} />
        <Box as="span" display={{ base: 'none', md: 'inline' }}>
          In space
        </Box>
      </Button>
      <Button
        variant={closed ? 'solid' : 'bare'}
        aria-pressed={closed}
        aria-label="Worn"
        onClick={toggle}
        title="Close it round the body (V)"
      >
        <Watch size={17} />
        <Box as="span" display={{ base: 'none', md: 'inline' }}>
          Worn
        </Box>
      </Button>
    </Flex>
  );
});
