import { Box, Grid, Text } from '@chakra-ui/react';
import { drawClosed, type ClosedView as Closed, type Piece, type Plan } from '@coiled-strand/core';
import { useMemo } from 'react';
import { useDevice } from '../device/device-store';
import { useUnits } from '../settings/use-units';
import './bench.css';
import { Shapes } from './shapes';
import { useSize } from './use-size';
import { useBenchView } from './view-store';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly height: { readonly base: string; readonly md: string };
  /** Whether what it measures is written beside it, where there is room for it. */
  readonly noted?: boolean;
}

interface Note {
  readonly at: number;
  readonly y: number;
  readonly text: string;
  /** Radius in mm that the note points at. */
  readonly r: number;
}

const NAMES = { wrist: 'Wrist', ankle: 'Ankle', neck: 'Neck' } as const;
/** Pixels between the lines of the notes. */
const LINE = 34;

/** What is written beside the closed piece, from the inside outwards. */
function closedNotes(
  closed: Closed,
  plan: Plan,
  piece: Piece,
  say: (mm: number) => string,
): Note[] {
  const { fit } = plan;
  const lines: { text: string; r: number }[] = [];
  if (fit.girth > 0) {
    lines.push({ text: `${NAMES[piece.wear.site]} ${say(fit.girth)}`, r: closed.body * 0.86 });
  }
  if (fit.circumference === 0) {
    lines.push({ text: `Laid out ${say(fit.length)}`, r: closed.inner });
  } else {
    if (fit.girth > 0) {
      lines.push({
        text: `Room all round ${say(closed.inner - closed.body)}`,
        r: (closed.body + closed.inner) / 2,
      });
    }
    lines.push({ text: `Inside ${say(fit.circumference)}`, r: closed.inner });
    const [first, last] = [fit.states[0], fit.states.at(-1)];
    if (fit.states.length > 1 && first && last) {
      lines.push({ text: `${first.label} ${say(first.circumference)}`, r: closed.shortest });
      lines.push({ text: `${last.label} ${say(last.circumference)}`, r: closed.longest });
    } else {
      lines.push({
        text: `Thickness ${say(closed.outer - closed.inner)}`,
        r: (closed.inner + closed.outer) / 2,
      });
    }
    if (fit.pass) {
      const { what, mm, estimated } = fit.pass;
      lines.push({
        text: `Passes the ${what}, ${say(mm)}${estimated ? ', estimated' : ''}`,
        r: closed.pass,
      });
    }
  }
  const top = -((lines.length - 1) * LINE) / 2;
  return lines.map((line, at) => ({ ...line, at, y: top + at * LINE }));
}

/** Narrower than this in pixels, nothing is written beside the drawing. */
const NARROW = 640;

/** The piece closed round the body, with what it measures written beside it. */
export function ClosedView({ piece, plan, height, noted = true }: Props) {
  const [ref, size] = useSize<HTMLDivElement>();
  const units = useUnits();
  const framing = useBenchView((view) => view.framing);
  const pxPerMm = useDevice((device) => device.pxPerMm);
  const closed = useMemo(() => drawClosed(piece, plan), [piece, plan]);
  const { bounds } = closed;
  const whole = Math.max(0.12, (size.height - 24) / bounds.height);
  const scale =
    framing.mode === 'real'
      ? pxPerMm
      : framing.mode === 'free'
        ? Math.min(framing.scale, whole * 3)
        : whole;
  // Where there is no room beside it, the measures are written below.
  const beside = noted && size.width >= NARROW;
  const cx = size.width / 2;
  const cy = size.height / 2 - (bounds.y + bounds.height / 2) * scale;
  const notes = closedNotes(closed, plan, piece, units.size);
  const labelX = Math.min(
    size.width - 176,
    cx + Math.max(closed.outer, closed.longest, closed.pass) * scale + 44,
  );
  return (
    <Box bg="bench">
      <Box
        ref={ref}
        height={height}
        // At real size the piece is as large as it is, and the frame makes room for it.
        minH={framing.mode === 'real' ? `${bounds.height * pxPerMm + 24}px` : undefined}
        position="relative"
        overflow="hidden"
      >
        {size.width > 0 && (
          <svg
            className="bench-svg"
            role="img"
            data-testid="closed-view"
            aria-label={`Closed round the ${piece.wear.site}: ${notes.map((n) => n.text).join(', ')}`}
            viewBox={`0 0 ${size.width} ${size.height}`}
          >
            <g transform={`translate(${cx} ${cy}) scale(${scale})`}>
              <Shapes shapes={closed.shapes} />
            </g>
            {(beside ? notes : []).map(({ at, y, text, r }) => {
              const angle = (y / 110) * 0.9;
              const x0 = cx + Math.cos(angle) * r * scale;
              const y0 = cy + Math.sin(angle) * r * scale;
              const yLabel = cy + y;
              return (
                <g key={at}>
                  <path
                    d={`M${x0} ${y0}L${labelX - 12} ${yLabel}h6`}
                    fill="none"
                    style={{ stroke: 'var(--cs-colors-ink)' }}
                    strokeWidth={1}
                  />
                  <circle cx={x0} cy={y0} r={2.6} style={{ fill: 'var(--cs-colors-ink)' }} />
                  <text
                    x={labelX}
                    y={yLabel + 5}
                    fontSize={15}
                    fontWeight={500}
                    style={{ fill: 'var(--cs-colors-ink)' }}
                  >
                    {text}
                  </text>
                </g>
              );
            })}
          </svg>
        )}
      </Box>
      {noted && !beside && size.width > 0 && (
        <Grid templateColumns="1fr 1fr" columnGap="4" px="4" pb="3" fontSize="sm" aria-hidden>
          {notes.map(({ at, text }) => (
            <Text key={at}>{text}</Text>
          ))}
        </Grid>
      )}
    </Box>
  );
}
