import { Box, Grid, Text } from '@chakra-ui/react';
import type { Drawing } from '@coiled-strand/core';
import { useDevice } from '../../../data/device/device-store';
import './bench.css';
import { Shapes } from './shapes';
import { useSize } from './use-size';
import { useBenchView } from './view-store';

/** A line of text, and what it points at. */
export interface Note {
  readonly text: string;
  /** Where the line of the note ends in the drawing, in mm; its own height in pixels from the middle is known. */
  readonly at: (y: number) => readonly [number, number];
}

interface Props {
  readonly drawing: Drawing;
  readonly notes: readonly Note[];
  /** How far to the right of nought the drawing is left free of notes, in mm. */
  readonly reach: number;
  readonly label: string;
  readonly testId: string;
  readonly height: { readonly base: string; readonly md: string };
  /** Whether what it measures is written beside it, where there is room for it. */
  readonly noted: boolean;
}

/** Pixels between the lines of the notes. */
const LINE = 34;
/** Narrower than this in pixels, nothing is written beside the drawing. */
const NARROW = 640;

/** A drawing about its middle, with what it measures written beside it. */
export function NotedView({ drawing, notes, reach, label, testId, height, noted }: Props) {
  const [ref, size] = useSize<HTMLDivElement>();
  const framing = useBenchView((view) => view.framing);
  const pxPerMm = useDevice((device) => device.pxPerMm);
  const { bounds } = drawing;
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
  const labelX = Math.min(size.width - 176, cx + reach * scale + 44);
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
            data-testid={testId}
            aria-label={label}
            viewBox={`0 0 ${size.width} ${size.height}`}
          >
            <g transform={`translate(${cx} ${cy}) scale(${scale})`}>
              <Shapes shapes={drawing.shapes} />
            </g>
            {(beside ? notes : []).map(({ text, at }, i) => {
              const y = (i - (notes.length - 1) / 2) * LINE;
              const [x0, y0] = at(y);
              const [px, py] = [cx + x0 * scale, cy + y0 * scale];
              const yLabel = size.height / 2 + y;
              return (
                <g key={text}>
                  <path
                    d={`M${px} ${py}L${labelX - 12} ${yLabel}h6`}
                    fill="none"
                    style={{ stroke: 'var(--cs-colors-ink)' }}
                    strokeWidth={1}
                  />
                  <circle cx={px} cy={py} r={2.6} style={{ fill: 'var(--cs-colors-ink)' }} />
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
          {notes.map(({ text }) => (
            <Text key={text}>{text}</Text>
          ))}
        </Grid>
      )}
    </Box>
  );
}
