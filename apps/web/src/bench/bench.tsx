import { Box } from '@chakra-ui/react';
import type { BenchDrawing } from '@coiled-strand/core';
import { useGesture } from '@use-gesture/react';
import { useEffect, useLayoutEffect, useMemo, useRef, type ReactNode } from 'react';
import { useDevice } from '../device/device-store';
import { useUnits } from '../settings/use-units';
import './bench.css';
import { Aim, Ruler, RULER_HEIGHT } from './ruler';
import { DetailScale, detailOf, Layers } from './shapes';
import { useSize } from './use-size';
import { SCALES, useBenchView, type FrameNow } from './view-store';

export interface BenchFrame extends FrameNow {
  readonly height: number;
  /** Pixel row of the piece's centre line. */
  readonly middle: number;
}

interface Props {
  readonly drawing: BenchDrawing;
  readonly label: string;
  readonly aim?: { readonly at: number; readonly label: string };
  /** Handles and marks in frame pixels, above the piece. */
  readonly children?: (frame: BenchFrame) => ReactNode;
  readonly height: { readonly base: string; readonly md: string };
}

const MARGIN_PX = 28;
/** Strip above the piece that is left to the tools. */
export const TOOLS_PX = 46;

/** The bench: the piece at true scale along a rule; zoomed by wheel or pinch, moved by dragging. */
export function Bench({ drawing, label, aim, children, height }: Props) {
  const [ref, size] = useSize<HTMLDivElement>();
  const frame = useFrame(drawing, size);
  const { setFrame, zoomTo, pan } = useBenchView.getState();
  const svg = useRef<SVGSVGElement>(null);
  const { unit } = useUnits();
  useLayoutEffect(() => {
    setFrame(size.width > 0 ? frame : null);
  }, [frame, size.width, setFrame]);
  useEffect(() => () => setFrame(null), [setFrame]);
  useGesture(
    {
      onDrag: ({ delta: [dx], event }) => {
        if (!(event.target as Element).closest('[data-handle]')) pan(dx);
      },
      onPinch: ({ origin: [ox], offset: [scale] }) => {
        zoomTo(scale, ox - (svg.current?.getBoundingClientRect().left ?? 0));
      },
      onWheel: ({ delta: [dx, dy], ctrlKey, event }) => {
        if (ctrlKey) return;
        if (event.shiftKey || Math.abs(dx) > Math.abs(dy)) pan(-(dx || dy));
      },
    },
    {
      target: svg,
      // Ctrl and wheel zoom the bench, so the page must not zoom as well.
      eventOptions: { passive: false },
      drag: { filterTaps: true },
      pinch: {
        from: () => [useBenchView.getState().frame?.scale ?? 1, 0],
        scaleBounds: SCALES,
      },
    },
  );

  return (
    <Box ref={ref} height={height} position="relative" overflow="hidden" bg="bench">
      {size.width > 0 && (
        <svg
          ref={svg}
          className="bench-svg"
          role="group"
          aria-label={label}
          data-testid="bench"
          data-scale={frame.scale}
          viewBox={`0 0 ${size.width} ${size.height}`}
        >
          <g
            transform={`translate(${-frame.x * frame.scale} ${frame.middle}) scale(${frame.scale})`}
          >
            <DetailScale value={detailOf(frame.scale)}>
              <Layers layers={drawing.layers} />
            </DetailScale>
          </g>
          <Ruler
            width={size.width}
            top={size.height - RULER_HEIGHT}
            scale={frame.scale}
            x={frame.x}
            unit={unit}
          />
          {aim && (
            <Aim
              x={(aim.at - frame.x) * frame.scale}
              top={size.height - RULER_HEIGHT}
              label={aim.label}
            />
          )}
          {children?.(frame)}
        </svg>
      )}
    </Box>
  );
}

function useFrame(drawing: BenchDrawing, size: { width: number; height: number }): BenchFrame {
  const framing = useBenchView((view) => view.framing);
  const pxPerMm = useDevice((device) => device.pxPerMm);
  const { bounds } = drawing;
  return useMemo(() => {
    const room = size.height - RULER_HEIGHT - TOOLS_PX;
    const middle = TOOLS_PX + room / 2;
    const base = { width: size.width, height: size.height, middle };
    if (framing.mode === 'free') return { ...base, scale: framing.scale, x: framing.x };
    if (framing.mode === 'real') return { ...base, scale: pxPerMm, x: framing.x };
    const scale = Math.max(
      0.3,
      Math.min(
        (size.width - 2 * MARGIN_PX) / Math.max(1, bounds.width),
        (room - 10) / Math.max(1, 2 * Math.max(-bounds.y, bounds.y + bounds.height)),
      ),
    );
    const spare = size.width / scale - bounds.width;
    return { ...base, scale, x: bounds.x - spare / 2 };
  }, [framing, pxPerMm, bounds, size.width, size.height]);
}
