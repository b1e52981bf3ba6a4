import {
  partKind,
  type BenchDrawing,
  type Advice,
  type Piece,
  type Plan,
} from '@coiled-strand/core';
import { useDrag } from '@use-gesture/react';
import { memo, useEffect, useMemo, useRef, type KeyboardEvent } from 'react';
import { useUnits } from '../../../ui/settings/use-units';
import type { BenchFrame } from './bench';
import { partExtents, partPlaces, placeOfSeam, seamAt } from './part-places';
import { RULER_HEIGHT } from './ruler';
import { CLOSURE, useSelection } from './selection-store';
import { placeUnder, useBenchView } from './view-store';

/** What the maker may do with the part that is looked at. */
export interface PartActions {
  readonly move: (id: string, to: number) => void;
  readonly remove: (id: string) => void;
  readonly duplicate: (id: string) => void;
  readonly mirror: (id: string) => void;
  /** Shows the numbers of what was taken hold of. */
  readonly open: (id: string) => void;
}

interface Props {
  readonly frame: BenchFrame;
  readonly piece: Piece;
  readonly plan: Plan;
  readonly drawing: BenchDrawing;
  readonly actions: PartActions;
}

/** Narrowest place in pixels that a finger finds. */
const FINGER = 18;
const PAD = 5;

/** Whether something is wrong with a part, beyond what is only to be known. */
const isWarned = (advice: readonly Advice[], part: string): boolean =>
  advice.some((item) => item.part === part && item.severity !== 'note');

/**
 * The parts as things to take hold of: a tap selects, arrow keys go from part to part, with Shift they
 * move it, and a selected part is dragged to another place.
 */
export function PartsLayer({ frame, piece, plan, drawing, actions }: Props) {
  const units = useUnits();
  const selected = useSelection((state) => state.part);
  const drop = useSelection((state) => state.drop);
  const places = useMemo(() => partPlaces(plan), [plan]);
  // A handle that is not drawn anew asks where the parts lie now, not where they lay when it was.
  const now = useRef(places);
  useEffect(() => {
    now.current = places;
  });
  const extents = useMemo(() => partExtents(drawing), [drawing]);
  const warned = useMemo(() => plan.parts.map(({ id }) => isWarned(plan.advice, id)), [plan]);
  const closureWarned = useMemo(() => isWarned(plan.advice, CLOSURE), [plan.advice]);
  const px = (mm: number): number => (mm - frame.x) * frame.scale;
  const bottom = frame.height - RULER_HEIGHT;
  const ends = [
    { key: 'start', from: -plan.closure.reach.start, to: 0, at: 0 },
    {
      key: 'end',
      from: plan.fit.length,
      to: plan.fit.length + plan.closure.reach.end,
      at: plan.fit.length,
    },
  ].filter(({ at }) => at >= frame.from && at < frame.to);
  return (
    <g data-testid="parts-layer">
      {ends.map(({ key, from, to }) => (
        <ClosureEnd
          key={key}
          x={px(from)}
          width={Math.max(FINGER, (to - from) * frame.scale)}
          top={frame.top}
          height={bottom - frame.top}
          selected={selected === CLOSURE}
          first={key === 'start'}
          warned={closureWarned && key === 'start'}
          open={() => actions.open(CLOSURE)}
        />
      ))}
      {places.map((place, i) => {
        // In the row that it begins in it is taken hold of; where it goes on it can be tapped.
        if (place.from >= frame.to || place.to < frame.from) return null;
        if (place.from < frame.from) {
          return (
            <GoesOn
              key={place.id}
              width={px(place.to)}
              top={frame.top}
              bottom={bottom}
              selected={selected === place.id}
              open={() => actions.open(place.id)}
            />
          );
        }
        const room = extents.get(place.id);
        const from = Math.min(place.from, room?.x ?? place.from);
        const to = Math.max(place.to, room ? room.x + room.width : place.to);
        // What reaches beyond its place is marked there, and taken hold of where it lies.
        const width = (place.to - place.from) * frame.scale;
        const spare = Math.max(0, FINGER - width) / 2;
        const x = px(place.from) - spare;
        return (
          // Of what only moves along as a part before it is stretched, nothing but its place is drawn anew.
          <g key={place.id} transform={`translate(${x} 0)`}>
            <PartHandle
              id={place.id}
              index={i}
              count={places.length}
              name={partKind(piece.parts[i]?.kind ?? 'plain').entry.label}
              size={units.size(place.to - place.from)}
              width={width + 2 * spare}
              markX={px(from) - x}
              markWidth={(to - from) * frame.scale}
              markTop={frame.middle + (room?.y ?? 0) * frame.scale - PAD}
              markHeight={(room?.height ?? 0) * frame.scale + 2 * PAD}
              top={frame.top}
              bottom={bottom}
              tabbable={
                selected === place.id ||
                (selected === null && i === 0) ||
                (i === 0 && !places.some((p) => p.id === selected))
              }
              selected={selected === place.id}
              warned={warned[i] ?? false}
              actions={actions}
              seamOf={(x, y) => {
                const bench = useBenchView.getState().frame;
                return seamAt(now.current, bench ? placeUnder(bench, x, y) : 0);
              }}
              select={(to) => {
                const next = now.current[to]?.id;
                if (next !== undefined) goTo(next);
              }}
            />
          </g>
        );
      })}
      {drop !== null && (
        <path
          d={`M${px(placeOfSeam(places, drop))} ${frame.top}V${bottom}`}
          style={{ stroke: 'var(--chalk)' }}
          strokeWidth={3}
          strokeLinecap="round"
        />
      )}
    </g>
  );
}

const handleId = (id: string): string => `part-${id}`;

/** Looks at a part and moves the focus there at once, so that the next key counts from it. */
function goTo(id: string): void {
  useSelection.getState().select(id);
  document.getElementById(handleId(id))?.focus();
}

/** The same for a part that is about to be drawn at another place. */
function follow(id: string): void {
  useSelection.getState().select(id);
  requestAnimationFrame(() => document.getElementById(handleId(id))?.focus());
}

interface GoesOnProps {
  readonly width: number;
  readonly top: number;
  readonly bottom: number;
  readonly selected: boolean;
  readonly open: () => void;
}

/** A part that began in the row above. */
const GoesOn = ({ width, top, bottom, selected, open }: GoesOnProps) => (
  <g aria-hidden className="bench-part" onClick={open}>
    <rect x={0} y={top} width={Math.max(0, width)} height={bottom - top} fill="transparent" />
    {selected && (
      <path
        d={`M0 ${bottom - 4}H${width - 2}`}
        style={{ stroke: 'var(--chalk)' }}
        strokeWidth={3}
        strokeLinecap="round"
      />
    )}
  </g>
);

interface EndProps {
  readonly x: number;
  readonly width: number;
  readonly top: number;
  readonly height: number;
  readonly selected: boolean;
  readonly first: boolean;
  readonly warned: boolean;
  readonly open: () => void;
}

/** One end of the closure. Both are one thing; only the first takes the focus. */
function ClosureEnd({ x, width, top, height, selected, first, warned, open }: EndProps) {
  return (
    <g
      role={first ? 'button' : undefined}
      aria-hidden={first ? undefined : true}
      aria-label={first ? 'Closure' : undefined}
      aria-pressed={first ? selected : undefined}
      tabIndex={first ? 0 : undefined}
      className="bench-part"
      onClick={open}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault();
          open();
        }
      }}
    >
      <rect x={x} y={top} width={width} height={height} fill="transparent" />
      {selected && (
        <path
          d={`M${x + 2} ${top + height - 4}H${x + width - 2}`}
          style={{ stroke: 'var(--chalk)' }}
          strokeWidth={3}
          strokeLinecap="round"
        />
      )}
      {warned && <Warned x={x + width / 2} y={top + 14} />}
    </g>
  );
}

/** A mark over the part that a warning concerns. */
const Warned = ({ x, y }: { readonly x: number; readonly y: number }) => (
  <g transform={`translate(${x} ${y})`} pointerEvents="none">
    <path d="M0 -9L9 7H-9Z" style={{ fill: 'var(--cs-colors-warn)' }} />
    <path d="M0 -3.5V2M0 4.4v.6" stroke="white" strokeWidth={1.8} strokeLinecap="round" />
  </g>
);

interface HandleProps {
  readonly id: string;
  readonly index: number;
  readonly count: number;
  readonly name: string;
  /** Its length in the maker's words. */
  readonly size: string;
  readonly width: number;
  /** Of its mark, from its own left edge. */
  readonly markX: number;
  readonly markWidth: number;
  readonly markTop: number;
  readonly markHeight: number;
  readonly top: number;
  readonly bottom: number;
  readonly tabbable: boolean;
  readonly selected: boolean;
  readonly warned: boolean;
  readonly actions: PartActions;
  /** Seam under a pixel of the bench. */
  readonly seamOf: (x: number, y: number) => number;
  readonly select: (index: number) => void;
}

/** Less than this many pixels is how sums come out, and no move. */
const MIN_PX = 1e-6;

const sameHandle = (a: HandleProps, b: HandleProps): boolean =>
  (
    [
      'id',
      'index',
      'count',
      'name',
      'size',
      'width',
      'markX',
      'markWidth',
      'markTop',
      'markHeight',
      'top',
      'bottom',
      'tabbable',
      'selected',
      'warned',
    ] as const
  ).every((key) => {
    const [before, after] = [a[key], b[key]];
    return typeof before === 'number' && typeof after === 'number'
      ? Math.abs(before - after) < MIN_PX
      : before === after;
  });

const PartHandle = memo(function PartHandle(props: HandleProps) {
  const { id, index, count, name, width, selected, actions } = props;
  const { markX, markWidth, markTop, markHeight } = props;
  const latest = useRef(props);
  useEffect(() => {
    latest.current = props;
  });
  const bind = useDrag(
    ({ first, last, xy: [cx, cy], event, tap, cancel, canceled }) => {
      const state = useSelection.getState();
      if (tap) {
        latest.current.actions.open(id);
        return;
      }
      // A part is moved once it is selected; before that, dragging moves the bench.
      if (!latest.current.selected) {
        cancel();
        return;
      }
      const box = (event.target as Element).closest('[data-bench]')?.getBoundingClientRect();
      const seam = latest.current.seamOf(cx - (box?.left ?? 0), cy - (box?.top ?? 0));
      if (first) useBenchView.getState().hold();
      if (!last) {
        state.setDrop(seam);
        return;
      }
      state.setDrop(null);
      requestAnimationFrame(useBenchView.getState().letGo);
      const to = seam > latest.current.index ? seam - 1 : seam;
      if (!canceled && to !== latest.current.index) latest.current.actions.move(id, to);
    },
    { filterTaps: true, pointer: { keys: false } },
  );
  const press = (event: KeyboardEvent): void => {
    const { shiftKey, key } = event;
    const keys: Partial<Record<string, () => void>> = {
      ArrowRight: () => (shiftKey ? moveTo(index + 1) : props.select(index + 1)),
      ArrowLeft: () => (shiftKey ? moveTo(index - 1) : props.select(index - 1)),
      Home: () => props.select(0),
      End: () => props.select(count - 1),
      Enter: () => actions.open(id),
      ' ': () => actions.open(id),
      Delete: () => actions.remove(id),
      Backspace: () => actions.remove(id),
      d: () => actions.duplicate(id),
      r: () => actions.mirror(id),
      Escape: () => useSelection.getState().select(null),
    };
    const run = event.ctrlKey || event.metaKey || event.altKey ? undefined : keys[key];
    if (!run) return;
    event.preventDefault();
    event.stopPropagation();
    run();
  };
  const moveTo = (to: number): void => {
    if (to < 0 || to >= count) return;
    actions.move(id, to);
    follow(id);
  };
  return (
    <g
      {...bind()}
      id={handleId(id)}
      data-handle={selected ? true : undefined}
      className="bench-part"
      role="button"
      tabIndex={props.tabbable ? 0 : -1}
      aria-pressed={selected}
      aria-label={`${name}, part ${index + 1} of ${count}, ${props.size}${props.warned ? ', has a warning' : ''}`}
      onKeyDown={press}
      onFocus={(event) => {
        // The keyboard looks at what it comes to; a pointer may only be moving the bench.
        if (event.currentTarget.matches(':focus-visible')) useSelection.getState().select(id);
      }}
      style={{ touchAction: 'none', cursor: selected ? 'move' : 'pointer' }}
    >
      <rect y={props.top} width={width} height={props.bottom - props.top} fill="transparent" />
      <rect
        className="bench-part-mark"
        x={markX + 0.5}
        y={markTop}
        width={Math.max(2, markWidth - 1)}
        height={markHeight}
        rx={5}
        fill="none"
        style={{ stroke: 'var(--chalk)' }}
        strokeWidth={selected ? 2 : 1}
        opacity={selected ? 1 : 0}
      />
      {props.warned && <Warned x={width / 2} y={markTop - 10} />}
    </g>
  );
}, sameHandle);
