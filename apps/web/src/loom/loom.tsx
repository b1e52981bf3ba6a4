import { Box, Flex, Text } from '@chakra-ui/react';
import {
  DndContext,
  DragOverlay,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  cordsOfBand,
  CROSSING_FACTS,
  CROSSINGS,
  crossingOf,
  firstPlace,
  leftWorks,
  orderAfter,
  patternFaults,
  placesOf,
  placeStep,
  repeatsToReturn,
  runsOf,
  simulate,
  STRAND_LIMITS,
  type Cord,
  type FlossPart,
  type Piece,
  type Run,
  type Simulation,
} from '@coiled-strand/core';
import {
  FlipHorizontal2,
  FlipVertical2,
  Grid3x3,
  Image,
  Minus,
  Plus,
  Repeat,
  Route,
  ZoomIn,
  ZoomOut,
} from 'lucide-react';
import { lazy, Suspense, useId, useMemo, useState, type KeyboardEvent } from 'react';
import { useCords } from '../api/queries';
import { loadOwnCord } from '../stash/cord-picker';
import { useUnits } from '../settings/use-units';
import { usePieceDocument } from '../piece/piece-store';
import { Button } from '../shell/button';
import { ToolButton } from '../shell/tool-button';
import { LOOM_DROP, LoomCanvas } from './loom-canvas';
import { drawable, loomEdits, nextSign } from './loom-edits';
import { Colours, KnotTools, ToolGroup, type DraggedCord, type Tool } from './loom-tools';
import { loomView, repeatsDrawn, stepFrom, zoomFor, ZOOMS, type KnotPlace } from './view';

const ReadyDialog = lazy(() => import('./ready-dialog').then((m) => ({ default: m.ReadyDialog })));
const PictureDialog = lazy(() =>
  import('./picture-dialog').then((m) => ({ default: m.PictureDialog })),
);
const OwnCordDialog = lazy(() => loadOwnCord().then((m) => ({ default: m.OwnCordDialog })));

const NONE: readonly never[] = [];

/** Strands that a band is begun with where there are too few. */
const USUAL_STRANDS = 8;

interface Props {
  /** Id of the band. */
  readonly id: string;
}

/** One repeat of a knotted band, to be drawn and changed as the stitches it will be. */
export function Loom({ id }: Props) {
  const piece = usePieceDocument();
  const part = piece.parts.find((p) => p.id === id);
  return part?.kind === 'knotted-floss' ? <Band piece={piece} part={part} /> : null;
}

interface BandProps {
  readonly piece: Piece;
  readonly part: FlossPart;
}

function Band({ piece, part }: BandProps) {
  const units = useUnits();
  const runs = useMemo(() => {
    const all = runsOf(piece);
    return placesOf(piece, part.id).map((index) => all[index]!);
  }, [piece, part.id]);
  const [fault] = useMemo(() => patternFaults(part, runs.length), [part, runs.length]);
  const shown = useMemo(
    () => (fault ? drawable(part, runs.length) : part),
    [fault, part, runs.length],
  );
  const sim = useMemo(
    () => simulate({ lay: shown.lay, rows: shown.rows }, runs.length, repeatsDrawn(shown)),
    [shown, runs.length],
  );
  const [zoom, setZoom] = useState(() => zoomFor(runs.length));
  const view = useMemo(() => loomView(shown, runs.length, zoom), [shown, runs.length, zoom]);
  const [at, setAt] = useState<KnotPlace>({ row: 0, knot: 0 });
  const cursor = stepFrom(shown.rows, at, {});
  const [tool, setTool] = useState<Tool>('turn');
  const [stroke, setStroke] = useState<{ readonly key: string; readonly sign: string } | null>(
    null,
  );
  const [brush, setBrush] = useState<Cord | null>(null);
  const [alone, setAlone] = useState<number | null>(null);
  const [lanes, setLanes] = useState(false);
  const [dialog, setDialog] = useState<'ready' | 'picture' | 'colour' | null>(null);
  const status = useId();
  const { data: stash = NONE } = useCords();
  // Colours stay the same objects while knots are changed, so that their chips are not drawn anew.
  const { strands } = piece;
  const order = part.order;
  const own = useMemo(
    () => cordsOfBand({ ...piece, strands, parts: [{ ...part, order }] }, part.id),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the colours depend on these alone
    [strands, order],
  );
  const cords = useMemo(
    () =>
      [
        ...own,
        ...stash.map(({ value }) => value).filter((cord) => cord.kind === own[0]?.kind),
        ...(brush ? [brush] : []),
      ].filter((cord, i, all) => all.findIndex((c) => c.colour.hex === cord.colour.hex) === i),
    [own, stash, brush],
  );

  const signAt = ({ row, knot }: KnotPlace): string => shown.rows[row]?.[knot] ?? '';
  const put = (place: KnotPlace, sign: string, mergeKey?: string): void =>
    loomEdits.sign(part.id, place, sign, mergeKey);
  const wanted = (place: KnotPlace): string =>
    tool === 'turn' || part.lay === 'leader' ? nextSign(part.lay, signAt(place)) : tool;

  const touch = (place: KnotPlace, first: boolean): void => {
    const mine = first || !stroke ? { key: `loom-${Date.now()}`, sign: wanted(place) } : stroke;
    if (mine !== stroke) setStroke(mine);
    setAt(place);
    put(place, mine.sign, mine.key);
  };
  const head = (place: number): void => {
    if (brush) loomEdits.recolour(part.id, place, brush);
    else setAlone(alone === place ? null : place);
  };
  const keys: Readonly<Record<string, () => void>> = {
    ArrowRight: () => setAt(stepFrom(shown.rows, cursor, { along: 1 })),
    ArrowLeft: () => setAt(stepFrom(shown.rows, cursor, { along: -1 })),
    ArrowDown: () => setAt(stepFrom(shown.rows, cursor, { across: 1 })),
    ArrowUp: () => setAt(stepFrom(shown.rows, cursor, { across: -1 })),
    Home: () => setAt(stepFrom(shown.rows, cursor, { along: -Infinity })),
    End: () => setAt(stepFrom(shown.rows, cursor, { along: Infinity })),
    ' ': () => put(cursor, wanted(cursor)),
    Enter: () => put(cursor, wanted(cursor)),
    Insert: () => loomEdits.addRows(part.id, cursor.row),
    Delete: () => loomEdits.removeRows(part.id, cursor.row),
    Escape: () => {
      setAlone(null);
      setBrush(null);
    },
    ...(part.lay === 'crossing'
      ? Object.fromEntries(CROSSINGS.map((sign, i) => [String(i + 1), () => put(cursor, sign)]))
      : {}),
    // The strand that works in this knot, by itself.
    s: () => {
      const worker = workerAt(sim, shown, cursor);
      if (worker !== null) setAlone(alone === worker ? null : worker);
    },
    b: () => {
      const place = alone ?? workerAt(sim, shown, cursor);
      if (brush && place !== null) loomEdits.recolour(part.id, place, brush);
    },
  };
  const press = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const run = keys[event.key];
    if (!run) return;
    event.preventDefault();
    run();
  };

  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  const [dragged, setDragged] = useState<Cord | null>(null);
  const drop = ({ active, over, activatorEvent, delta }: DragEndEvent): void => {
    setDragged(null);
    const cord = (active.data.current as DraggedCord | undefined)?.cord;
    if (!cord || over?.id !== LOOM_DROP) return;
    const y = pressedAt(activatorEvent) + delta.y - over.rect.top - view.height / 2;
    const place = Math.floor(y / view.lattice.across + runs.length / 2);
    if (place >= 0 && place < runs.length) loomEdits.recolour(part.id, place, cord);
  };

  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => setDragged((active.data.current as DraggedCord).cord)}
      onDragEnd={drop}
      onDragCancel={() => setDragged(null)}
    >
      <Flex direction="column" gap="3">
        <Flex gap="2" flexWrap="wrap" align="center">
          <Button onClick={() => setDialog('ready')}>
            <Grid3x3 size={18} /> Ready patterns
          </Button>
          <Button onClick={() => setDialog('picture')}>
            <Image size={18} /> From a picture
          </Button>
          <Box flex="1" />
          <Flex role="group" aria-label="How the loom is seen">
            <ToolButton
              label="Smaller"
              disabled={zoom <= ZOOMS.min}
              onClick={() => setZoom(zoom - 1)}
            >
              <ZoomOut size={18} />
            </ToolButton>
            <ToolButton
              label="Larger"
              disabled={zoom >= ZOOMS.max}
              onClick={() => setZoom(zoom + 1)}
            >
              <ZoomIn size={18} />
            </ToolButton>
            <ToolButton
              label="The way of every strand"
              aria-pressed={lanes}
              onClick={() => setLanes(!lanes)}
              color={lanes ? 'chalk' : undefined}
            >
              <Route size={18} />
            </ToolButton>
          </Flex>
        </Flex>
        {fault && (
          <Flex
            role="alert"
            gap="3"
            align="center"
            flexWrap="wrap"
            bg="warnFaint"
            borderRadius="soft"
            px="4"
            py="2"
          >
            <Text flex="1" minW="220px">
              {units.say(fault.message)}
            </Text>
            {runs.length < STRAND_LIMITS.min ? (
              <Button onClick={() => loomEdits.ready(part.id, 'stripe', USUAL_STRANDS, '')}>
                {`Lay ${USUAL_STRANDS} strands`}
              </Button>
            ) : (
              <Button onClick={() => loomEdits.fit(part.id)}>Fit it to the strands</Button>
            )}
          </Flex>
        )}
        <LoomCanvas
          view={view}
          rows={shown.rows}
          sim={sim}
          runs={runs}
          cursor={cursor}
          shown={alone !== null && alone < runs.length ? alone : null}
          lanes={lanes}
          describedBy={status}
          onKnot={touch}
          onHead={head}
          onKey={press}
        />
        <Text id={status} fontSize="sm" color="muted" aria-live="polite" data-testid="loom-status">
          {tellKnot(shown, runs, sim, cursor)} {tellReturn(sim, shown.rows.length)}
        </Text>
        <Flex gap="5" flexWrap="wrap" align="flex-end">
          <KnotTools lay={part.lay} tool={tool} onTool={setTool} />
          <ToolGroup label={`Rows, at row ${cursor.row + 1}`}>
            <ToolButton
              label="Put rows in here"
              hotkey="Ins"
              onClick={() => loomEdits.addRows(part.id, cursor.row)}
            >
              <Plus size={18} />
            </ToolButton>
            <ToolButton
              label="Take these rows out"
              hotkey="Del"
              onClick={() => loomEdits.removeRows(part.id, cursor.row)}
            >
              <Minus size={18} />
            </ToolButton>
            <ToolButton
              label="Mirror left and right"
              onClick={() => loomEdits.mirrorAcross(part.id)}
            >
              <FlipVertical2 size={18} />
            </ToolButton>
            <ToolButton
              label="Mirror along: the same rows back again"
              onClick={() => loomEdits.mirrorAlong(part.id)}
            >
              <FlipHorizontal2 size={18} />
            </ToolButton>
            <ToolButton label="The repeat twice" onClick={() => loomEdits.repeat(part.id)}>
              <Repeat size={18} />
            </ToolButton>
          </ToolGroup>
          <ToolGroup
            label={alone === null ? `Strands: ${runs.length}` : `Strands, at place ${alone + 1}`}
          >
            <ToolButton
              label="Put a strand in"
              disabled={runs.length >= STRAND_LIMITS.max}
              onClick={() => loomEdits.addStrand(part.id, alone ?? runs.length)}
            >
              <Plus size={18} />
            </ToolButton>
            <ToolButton
              label="Take a strand out"
              disabled={runs.length <= STRAND_LIMITS.min}
              onClick={() => loomEdits.removeStrand(part.id, alone ?? runs.length - 1)}
            >
              <Minus size={18} />
            </ToolButton>
          </ToolGroup>
        </Flex>
        <Flex gap="3" flexWrap="wrap" align="flex-end">
          <Colours cords={cords} brush={brush} onBrush={setBrush} />
          <Button variant="text" fontSize="sm" onClick={() => setDialog('colour')}>
            Another colour
          </Button>
        </Flex>
      </Flex>
      <DragOverlay dropAnimation={null}>
        {dragged && (
          <Box w="34px" h="14px" borderRadius="round" style={{ background: dragged.colour.hex }} />
        )}
      </DragOverlay>
      <Suspense fallback={null}>
        {dialog === 'ready' && <ReadyDialog part={part} onClose={() => setDialog(null)} />}
        {dialog === 'picture' && <PictureDialog part={part} onClose={() => setDialog(null)} />}
        {dialog === 'colour' && own[0] && (
          <OwnCordDialog
            start={own[0]}
            onClose={() => setDialog(null)}
            onDone={(cord) => {
              setBrush(cord);
              setDialog(null);
            }}
          />
        )}
      </Suspense>
    </DndContext>
  );
}

/** How far down the page a drag was begun, by mouse or finger. */
const pressedAt = (event: Event): number =>
  'touches' in event ? (event as TouchEvent).touches[0]!.clientY : (event as MouseEvent).clientY;

/** Number of the knot at a place among all knots; -1 where there is none. */
function knotIndex(sim: Simulation, { lay }: FlossPart, { row, knot }: KnotPlace): number {
  const place = firstPlace(lay, row) + knot * placeStep(lay);
  for (let k = 0; k < sim.count && sim.row[k]! <= row; k++) {
    if (sim.row[k] === row && sim.place[k] === place) return k;
  }
  return -1;
}

/** The strand that works in a knot, by the place where it starts; null where there is no knot. */
function workerAt(sim: Simulation, part: FlossPart, at: KnotPlace): number | null {
  const k = knotIndex(sim, part, at);
  return k < 0 ? null : sim.worker[k]!;
}

/** The knot that keys are on, in words. */
function tellKnot(part: FlossPart, runs: readonly Run[], sim: Simulation, at: KnotPlace): string {
  const sign = part.rows[at.row]?.[at.knot];
  if (sign === undefined) return '';
  const crossing = crossingOf(part.lay, at.row, sign);
  const where = `Row ${at.row + 1} of ${part.rows.length}, knot ${at.knot + 1}: ${CROSSING_FACTS[crossing].label.toLowerCase()}`;
  const k = knotIndex(sim, part, at);
  if (k < 0) return `${where}.`;
  const name = (s: number): string => `strand ${runs[s]!.strand} (${runs[s]!.cord.colour.name})`;
  const works = leftWorks(crossing) ? 'from the left' : 'from the right';
  return `${where}; ${name(sim.worker[k]!)} ${works} over ${name(sim.carried[k]!)}.`;
}

const tellReturn = (sim: Simulation, rows: number): string => {
  const times = repeatsToReturn(orderAfter(sim, rows));
  return times === 1
    ? 'After the repeat all strands are back in their places.'
    : `All strands are back in their places after ${times} repeats.`;
};
