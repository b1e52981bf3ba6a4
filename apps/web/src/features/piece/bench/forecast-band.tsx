import type { Forecast } from '@coiled-strand/core';
import { RULER_HEIGHT } from './ruler';
import type { BenchFrame } from './bench';

interface Props {
  readonly frame: BenchFrame;
  readonly forecast: Forecast;
  /** What the band says, in words. */
  readonly label: string;
}

/** Where the work will end as a band across the bench, and where the closure must begin at the latest. */
export function ForecastBand({ frame, forecast, label }: Props) {
  const { low, mid, high } = forecast.length;
  const x = (mm: number): number => (mm - frame.x) * frame.scale;
  const bottom = frame.height - RULER_HEIGHT;
  const { latest } = forecast;
  return (
    <g data-testid="forecast-band" role="img" aria-label={label}>
      <rect
        x={x(low)}
        y={0}
        width={Math.max(1, x(high) - x(low))}
        height={bottom}
        style={{ fill: 'var(--chalk)' }}
        opacity={0.16}
      />
      <path
        d={`M${x(mid)} 0V${bottom}`}
        style={{ stroke: 'var(--chalk)' }}
        strokeWidth={2}
        opacity={0.8}
      />
      {!latest.all && (
        <g>
          <path
            d={`M${x(latest.length)} 0V${bottom}`}
            style={{ stroke: 'var(--cs-colors-warn)' }}
            strokeWidth={2}
            strokeDasharray="6 5"
          />
          <text
            x={x(latest.length) - 8}
            y={bottom - 8}
            textAnchor="end"
            fontSize={13}
            fontWeight={600}
            style={{ fill: 'var(--cs-colors-warn)' }}
          >
            close by here
          </text>
        </g>
      )}
    </g>
  );
}
