import { memo } from 'react';
import { isImperial, rulerTicks, type LengthUnit } from '@coiled-strand/core';

export const RULER_HEIGHT = 34;
/** Room at the right end for the unit's name. */
const NAME_PX = 54;
const TICK = { major: 15, middle: 10, minor: 6 } as const;
const RANKS = ['major', 'middle', 'minor'] as const;

interface Props {
  readonly width: number;
  readonly top: number;
  readonly scale: number;
  readonly x: number;
  readonly unit: LengthUnit;
}

/** A wooden rule under the piece, true to the scale of the drawing. */
export const Ruler = memo(function Ruler({ width, top, scale, x, unit }: Props) {
  const ticks = rulerTicks(x, x + width / scale, unit, 4 / scale);
  return (
    <g aria-hidden className="ruler">
      <rect y={top} width={width} height={RULER_HEIGHT} style={{ fill: 'var(--cs-colors-rule)' }} />
      <g style={{ stroke: 'var(--cs-colors-rule-ink)' }} strokeWidth={1}>
        {RANKS.map((rank) => (
          <path
            key={rank}
            d={ticks
              .filter((tick) => tick.rank === rank)
              .map(({ at }) => `M${Math.round((at - x) * scale) + 0.5} ${top}v${TICK[rank]}`)
              .join('')}
            opacity={rank === 'minor' ? 0.6 : 1}
          />
        ))}
      </g>
      <g
        textAnchor="middle"
        style={{ fill: 'var(--cs-colors-rule-ink)', fontSize: 13, fontWeight: 500 }}
      >
        {ticks.map(({ at, label }) =>
          label === null || (at - x) * scale > width - NAME_PX - 10 ? null : (
            <text key={at} x={(at - x) * scale} y={top + RULER_HEIGHT - 6}>
              {label}
            </text>
          ),
        )}
      </g>
      <g transform={`translate(${width} ${top})`}>
        <rect
          x={-NAME_PX}
          width={NAME_PX}
          height={RULER_HEIGHT}
          style={{ fill: 'var(--cs-colors-rule)' }}
        />
        <text
          x={-10}
          y={RULER_HEIGHT - 6}
          textAnchor="end"
          style={{ fill: 'var(--cs-colors-rule-ink)', fontSize: 13 }}
        >
          {isImperial(unit) ? 'inches' : 'cm'}
        </text>
      </g>
    </g>
  );
});

/** A flag on the rule: the size aimed at. */
export function Aim({
  x,
  top,
  label,
}: {
  readonly x: number;
  readonly top: number;
  readonly label: string;
}) {
  return (
    <g transform={`translate(${x} ${top})`}>
      <path d="M0 0l-6 -9h12z" style={{ fill: 'var(--chalk)' }} />
      <title>{label}</title>
    </g>
  );
}
