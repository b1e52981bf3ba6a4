import { Box } from '@chakra-ui/react';
import { useDroppable } from '@dnd-kit/core';
import type { Run, Simulation } from '@coiled-strand/core';
import {
  useEffect,
  useLayoutEffect,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
} from 'react';
import { useSize } from '../bench/use-size';
import { drawLoom } from './draw-loom';
import { HEADS, headUnder, knotUnder, pointOf, type KnotPlace, type LoomView } from './view';

interface Props {
  readonly view: LoomView;
  readonly rows: readonly string[];
  readonly sim: Simulation;
  readonly runs: readonly Run[];
  readonly cursor: KnotPlace;
  readonly shown: number | null;
  readonly lanes: boolean;
  readonly describedBy: string;
  /** A knot is touched: first of a stroke of the pointer, or one that it is drawn over. */
  readonly onKnot: (at: KnotPlace, first: boolean) => void;
  readonly onHead: (place: number) => void;
  readonly onKey: (event: KeyboardEvent) => void;
}

/** Where colours are let go on the loom: the place under a point of the screen. */
export const LOOM_DROP = 'loom';

/** The band as the stitches it will be, drawn anew at every change; only what is in sight. */
export function LoomCanvas(props: Props) {
  const { view, rows, sim, runs, cursor, shown, lanes } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  const [frame, { width }] = useSize<HTMLDivElement>();
  const [scroll, setScroll] = useState(0);
  const [focused, setFocused] = useState(false);
  const painting = useRef(false);
  const { setNodeRef } = useDroppable({ id: LOOM_DROP, data: { view } });

  useLayoutEffect(() => {
    const element = canvas.current;
    const ctx = element?.getContext('2d');
    if (!element || !ctx || width === 0) return;
    const ratio = window.devicePixelRatio || 1;
    const [w, h] = [Math.round(width * ratio), Math.round(view.height * ratio)];
    if (element.width !== w) element.width = w;
    if (element.height !== h) element.height = h;
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    const style = getComputedStyle(element);
    drawLoom(ctx, {
      view,
      sim,
      runs,
      scroll,
      width,
      cursor: focused ? cursor : null,
      shown,
      lanes,
      ink: style.color,
      ground: frame.current ? getComputedStyle(frame.current).backgroundColor : 'transparent',
      mark: style.outlineColor,
    });
  });

  // The knot that keys are on stays in sight.
  useEffect(() => {
    const element = frame.current;
    if (!element || !focused) return;
    const [x] = pointOf(view, cursor);
    const room = 2 * view.lattice.along;
    const [left, seen] = [element.scrollLeft, element.clientWidth];
    if (x - left < HEADS + room) element.scrollTo({ left: x - HEADS - room });
    else if (x + room > left + seen) element.scrollTo({ left: x + room - seen });
  }, [frame, cursor, focused, view]);

  const pointIn = (event: PointerEvent): readonly [number, number] => {
    const box = canvas.current!.getBoundingClientRect();
    return [event.clientX - box.left, event.clientY - box.top];
  };
  const knotIn = (event: PointerEvent): KnotPlace | null => {
    const [x, y] = pointIn(event);
    return x < HEADS ? null : knotUnder(view, rows, [x + scroll, y]);
  };
  const press = (event: PointerEvent): void => {
    if (event.button !== 0) return;
    const head = headUnder(view, pointIn(event));
    if (head !== null) {
      props.onHead(head);
      return;
    }
    const knot = knotIn(event);
    if (!knot) return;
    painting.current = true;
    props.onKnot(knot, true);
  };
  const move = (event: PointerEvent): void => {
    // A finger that moves scrolls; a mouse or a pen paints.
    if (!painting.current || event.pointerType === 'touch') return;
    const knot = knotIn(event);
    if (knot && (knot.row !== cursor.row || knot.knot !== cursor.knot)) props.onKnot(knot, false);
  };
  const end = (): void => {
    painting.current = false;
  };

  return (
    <Box
      ref={frame}
      role="application"
      aria-label="Loom: arrow keys go from knot to knot, Space changes one, Tab leaves"
      aria-describedby={props.describedBy}
      tabIndex={0}
      data-testid="loom"
      overflowX="auto"
      bg="bench"
      borderRadius="soft"
      onScroll={(event) => setScroll(event.currentTarget.scrollLeft)}
      onFocus={() => setFocused(true)}
      onBlur={() => setFocused(false)}
      onKeyDown={props.onKey}
    >
      <Box ref={setNodeRef} style={{ width: view.width, height: view.height }}>
        <Box
          as="canvas"
          ref={canvas}
          aria-hidden
          display="block"
          position="sticky"
          left="0"
          color="ink"
          outlineColor="chalk"
          cursor="pointer"
          style={{ width, height: view.height }}
          onPointerDown={press}
          onPointerMove={move}
          onPointerUp={end}
          onPointerLeave={end}
        />
      </Box>
    </Box>
  );
}
