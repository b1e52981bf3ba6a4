import { Box, Flex, Text } from '@chakra-ui/react';
import type { BenchDrawing } from '@coiled-strand/core';
import { useGesture } from '@use-gesture/react';
import {
  useDeferredValue,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  type CSSProperties,
  type ReactNode,
  type RefObject,
} from 'react';
import { useDevice } from '../../../data/device/device-store';
import { useUnits } from '../../../ui/settings/use-units';
import './bench.css';
import { EDGE_PX, fold, foldedScale, layersBetween } from './fold';
import type { PartPlace } from './part-places';
import { Aim, Ruler, RULER_HEIGHT } from './ruler';
import { useSelection } from './selection-store';
import { DetailScale, detailOf, Layers } from './shapes';
import { useSize } from './use-size';
import { SCALES, useBenchView, type FrameNow } from './view-store';

/** The bench, or one row of it, as it is drawn. */
export interface BenchFrame extends Pick<FrameNow, 'scale' | 'x' | 'width'> {
  readonly height: number;
  /** Pixel row of the piece's centre line. */
  readonly middle: number;
  /** Pixels above that are left to the tools. */
  readonly top: number;
  /** Millimetres between which what begins there is looked at here, and not in another row. */
  readonly from: number;
  readonly to: number;
  /** Id of the part that goes on here and is not drawn; null where it is. */
  readonly skips: string | null;
}

interface Props {
  readonly drawing: BenchDrawing;
  readonly label: string;
  readonly aim?: { readonly at: number; readonly label: string };
  /** Handles and marks in frame pixels, above the piece. */
  readonly children?: (frame: BenchFrame) => ReactNode;
  readonly height: { readonly base: string; readonly md: string };
  /** Parts that may be broken where the bench is folded, with what they are called; none when left out. */
  readonly breaks?: readonly NamedPlace[];
}

export interface NamedPlace extends PartPlace {
  readonly label: string;
}
const UNBROKEN: readonly NamedPlace[] = [];

const MARGIN_PX = 28;
/** Strip above the piece that is left to the tools. */
export const TOOLS_PX = 46;

/** The bench: the piece at true scale along a rule; zoomed by wheel or pinch, moved by dragging. */
export function Bench({ drawing, label, aim, children, height, breaks = UNBROKEN }: Props) {
  const [ref, size] = useSize<HTMLDivElement>();
  const frames = useFrames(drawing, size, breaks);
  const gestures = useRef<HTMLDivElement>(null);
  useBenchGestures(gestures);
  const folded = frames.length > 1;
  return (
    <div ref={gestures} data-bench className={folded ? 'bench-folded' : undefined}>
      <div
        ref={ref}
        className="bench-room"
        style={{ '--bench-low': height.base, '--bench-high': height.md } as CSSProperties}
      >
        {size.width > 0 &&
          frames.map((frame, i) =>
            frame.skips !== null ? (
              <ToldRow key={i} frame={frame} name={nameOf(breaks, frame.skips)} />
            ) : (
              <BenchRow
                key={i}
                frame={frame}
                row={i}
                rows={frames.length}
                label={folded ? `${label}, row ${i + 1} of ${frames.length}` : label}
                layers={drawing.layers}
                aim={aim}
              >
                {children}
              </BenchRow>
            ),
          )}
      </div>
    </div>
  );
}

/** Zooms by wheel or pinch, moves by dragging. */
function useBenchGestures(target: RefObject<HTMLDivElement | null>): void {
  const { zoomTo, pan } = useBenchView.getState();
  useGesture(
    {
      onDrag: ({ delta: [dx], event }) => {
        if (!(event.target as Element).closest('[data-handle]')) pan(dx);
      },
      onPinch: ({ origin: [ox], offset: [scale] }) => {
        zoomTo(scale, ox - (target.current?.getBoundingClientRect().left ?? 0));
      },
      onWheel: ({ delta: [dx, dy], ctrlKey, event }) => {
        if (ctrlKey) return;
        if (event.shiftKey || Math.abs(dx) > Math.abs(dy)) pan(-(dx || dy));
      },
    },
    {
      target,
      // Ctrl and wheel zoom the bench, so the page must not zoom as well.
      eventOptions: { passive: false },
      drag: { filterTaps: true },
      pinch: {
        from: () => [useBenchView.getState().frame?.scale ?? 1, 0],
        scaleBounds: SCALES,
      },
    },
  );
}

interface RowProps extends Pick<Props, 'label' | 'children'> {
  readonly frame: BenchFrame;
  readonly row: number;
  readonly rows: number;
  readonly layers: BenchDrawing['layers'];
  readonly aim: Props['aim'] | undefined;
}

/** The bench, or a row of it where it is folded: a stretch of the piece along its stretch of the rule. */
function BenchRow({ frame, row, rows, label, layers, aim, children }: RowProps) {
  const { unit } = useUnits();
  const { scale, x, width, height, middle, from, to } = frame;
  const seen = useMemo(
    () => (rows === 1 ? layers : layersBetween(layers, x, x + width / scale)),
    [layers, rows, x, width, scale],
  );
  // The piece is as large as the hand wants it at once; what more can be seen of its cords then follows.
  const detail = useDeferredValue(detailOf(scale));
  const bottom = height - RULER_HEIGHT;
  return (
    <svg
      className="bench-svg"
      role="group"
      aria-label={label}
      data-testid={row === 0 ? 'bench' : 'bench-row'}
      data-scale={scale}
      viewBox={`0 0 ${width} ${height}`}
      style={rows === 1 ? undefined : { height }}
    >
      <g transform={`translate(${-x * scale} ${middle}) scale(${scale})`}>
        <DetailScale value={detail}>
          <Layers layers={seen} />
        </DetailScale>
      </g>
      <Ruler width={width} top={bottom} scale={scale} x={x} unit={unit} />
      {row > 0 && <Break x={EDGE_PX} top={frame.top} bottom={bottom} />}
      {row < rows - 1 && <Break x={width - EDGE_PX} top={frame.top} bottom={bottom} />}
      {aim && aim.at >= from && aim.at < to && (
        <Aim x={(aim.at - x) * scale} top={bottom} label={aim.label} />
      )}
      {children?.(frame)}
    </svg>
  );
}

interface BreakProps {
  readonly x: number;
  readonly top: number;
  readonly bottom: number;
}

/** Where the bench is folded: what lies beyond it is looked at in the next row. */
const Break = ({ x, top, bottom }: BreakProps) => {
  const waves = Math.max(2, Math.round((bottom - top) / 22));
  const step = (bottom - top) / waves / 2;
  return (
    <path
      d={`M${x} ${top}${`q4 ${step / 2} 0 ${step}q-4 ${step / 2} 0 ${step}`.repeat(waves)}v${RULER_HEIGHT}`}
      fill="none"
      style={{ stroke: 'var(--cs-colors-muted)' }}
      strokeWidth={1.5}
      aria-hidden
    />
  );
};

const nameOf = (places: readonly NamedPlace[], id: string): string =>
  places.find((place) => place.id === id)?.label ?? '';

/** A stretch that is broken out: what goes on there, and from where to where; marked as its part is. */
function ToldRow({ frame, name }: { readonly frame: BenchFrame; readonly name: string }) {
  const units = useUnits();
  const selected = useSelection((state) => state.part === frame.skips);
  const line = (
    <Box
      flex="1"
      borderTopWidth={selected ? '3px' : '2px'}
      borderTopStyle={selected ? 'solid' : 'dashed'}
      borderColor={selected ? 'chalk' : 'line'}
    />
  );
  return (
    <Flex
      h={`${frame.height}px`}
      align="center"
      px="4"
      gap="3"
      color={selected ? 'ink' : 'muted'}
      fontSize="sm"
      data-selected={selected || undefined}
      data-testid="told-row"
    >
      {line}
      <Text>
        {name} goes on from {units.size(frame.from)} to {units.size(frame.to)}
      </Text>
      {line}
    </Flex>
  );
}

/** How much larger a piece must be seen folded for that to be offered. */
const GAIN = 1.5;

/** The one frame of the bench, or one for each row where it is folded; the store knows of it. */
function useFrames(
  drawing: BenchDrawing,
  size: { readonly width: number; readonly height: number },
  breaks: readonly NamedPlace[],
): readonly BenchFrame[] {
  const framing = useBenchView((view) => view.framing);
  const { setFrame } = useBenchView.getState();
  const flat = useFlatFrame(drawing, size);
  const { width } = size;
  const folding = framing.mode === 'folded';
  const held = folding ? framing.held : undefined;
  const folded = useMemo(
    () => (folding && width > 0 ? (held ?? fold(drawing, width, TOOLS_PX, breaks)) : null),
    [folding, drawing, width, held, breaks],
  );
  const isFolded = folded !== null && folded.rows.length > 1;
  const frames = useMemo((): readonly BenchFrame[] => {
    if (!isFolded) return [{ ...flat, top: TOOLS_PX, from: -Infinity, to: Infinity, skips: null }];
    const last = folded.rows.length - 1;
    return folded.rows.map(({ x, from, to, height, middle, skips }, i) => ({
      ...{ scale: folded.scale, x, width, height, middle, skips },
      top: i === 0 ? TOOLS_PX : 4,
      from: i === 0 ? -Infinity : from,
      to: i === last ? Infinity : to,
    }));
  }, [isFolded, folded, flat, width]);
  const folds = foldedScale(drawing.bounds, width) > GAIN * wholeScale(drawing, width);
  useLayoutEffect(() => {
    const [{ scale, x }] = frames as readonly [BenchFrame];
    setFrame(width > 0 ? { scale, x, width, folded: isFolded ? folded : null, folds } : null);
  }, [frames, width, isFolded, folded, folds, setFrame]);
  useEffect(() => () => setFrame(null), [setFrame]);
  return frames;
}

/** Scale at which the whole piece is as wide as the bench. */
const wholeScale = ({ bounds }: BenchDrawing, width: number): number =>
  (width - 2 * MARGIN_PX) / Math.max(1, bounds.width);

function useFlatFrame(
  drawing: BenchDrawing,
  size: { readonly width: number; readonly height: number },
): Pick<BenchFrame, 'scale' | 'x' | 'width' | 'height' | 'middle'> {
  const framing = useBenchView((view) => view.framing);
  const pxPerMm = useDevice((device) => device.pxPerMm);
  return useMemo(() => {
    const { bounds } = drawing;
    const room = size.height - RULER_HEIGHT - TOOLS_PX;
    const middle = TOOLS_PX + room / 2;
    const base = { width: size.width, height: size.height, middle };
    if (framing.mode === 'free') return { ...base, scale: framing.scale, x: framing.x };
    if (framing.mode === 'real') return { ...base, scale: pxPerMm, x: framing.x };
    const scale = Math.max(
      0.3,
      Math.min(
        wholeScale(drawing, size.width),
        (room - 10) / Math.max(1, 2 * Math.max(-bounds.y, bounds.y + bounds.height)),
      ),
    );
    const spare = size.width / scale - bounds.width;
    return { ...base, scale, x: bounds.x - spare / 2 };
  }, [framing, pxPerMm, drawing, size.width, size.height]);
}
