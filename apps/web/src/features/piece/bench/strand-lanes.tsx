import { lanesOf, runsOf, sitesOf, type Piece, type Plan } from '@coiled-strand/core';
import { useMemo } from 'react';
import type { BenchFrame } from './bench';

interface Props {
  readonly frame: BenchFrame;
  readonly piece: Piece;
  readonly plan: Plan;
}

/** Every strand as a thin line through the work, in its lane, with its number at both ends. */
export function StrandLanes({ frame, piece, plan }: Props) {
  const lanes = useMemo(() => {
    const runs = runsOf(piece);
    const sites = sitesOf(piece);
    const at = plan.parts.map((part, i) => ({ part, lanes: lanesOf(sites[i]?.runs ?? []) }));
    return runs.map((run) => ({
      run,
      points: at.flatMap(({ part, lanes: own }) => {
        const y = own.get(run.index);
        return y === undefined
          ? []
          : [
              [part.start, y],
              [part.start + part.layout.length, y],
            ];
      }),
    }));
  }, [piece, plan]);
  return (
    <g data-testid="strand-lanes" pointerEvents="none">
      {lanes.map(({ run, points }) => {
        const px = points.map(([x = 0, y = 0]): [number, number] => [
          (x - frame.x) * frame.scale,
          frame.middle + y * frame.scale,
        ]);
        const [first, last] = [px[0], px.at(-1)];
        if (!first || !last) return null;
        return (
          <g key={run.index}>
            <path
              d={`M${px.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`}
              fill="none"
              stroke="white"
              strokeWidth={3}
              opacity={0.8}
            />
            <path
              d={`M${px.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`}
              fill="none"
              style={{ stroke: run.cord.colour.hex }}
              strokeWidth={1.6}
              strokeDasharray={run.role === 'working' ? '6 4' : undefined}
            />
            {[first, last].map(([x, y], i) => (
              <g key={i} transform={`translate(${x + (i === 0 ? -9 : 9)} ${y})`}>
                <circle
                  r={7.5}
                  style={{ fill: 'var(--cs-colors-raised)', stroke: run.cord.colour.hex }}
                  strokeWidth={1.6}
                />
                <text
                  y={3.6}
                  textAnchor="middle"
                  fontSize={10.5}
                  fontWeight={700}
                  style={{ fill: 'var(--cs-colors-ink)' }}
                >
                  {run.strand}
                </text>
              </g>
            ))}
          </g>
        );
      })}
    </g>
  );
}
