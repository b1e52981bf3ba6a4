import type { LotView } from '@coiled-strand/contract';
import type { Bead, Cord } from '@coiled-strand/core';
import { ringThickness, woundRadius } from '@coiled-strand/workshop';
import { useId } from 'react';
import './lot-picture.css';

/** Millimetres across and down, and pixels to one of them: everything in the drawers is drawn to one scale. */
const WIDTH = 176;
const HEIGHT = 108;
const SCALE = 0.9;

interface Props {
  readonly lot: Pick<LotView, 'thing' | 'form' | 'size' | 'left'>;
}

/** A lot as it lies in its drawer: what is left of it drawn, what is gone as its outline. */
export function LotPicture({ lot }: Props) {
  const { thing } = lot;
  return (
    <svg
      aria-hidden
      viewBox={`${-WIDTH / 2} ${-HEIGHT / 2} ${WIDTH} ${HEIGHT}`}
      width={WIDTH * SCALE}
      height={HEIGHT * SCALE}
      className="lot-picture"
    >
      {thing.kind === 'cord' ? (
        <CordLot cord={thing.cord} lot={lot} />
      ) : thing.kind === 'bead' ? (
        <Beads bead={thing.bead} lot={lot} />
      ) : (
        <Findings lot={lot} />
      )}
    </svg>
  );
}

interface CordProps extends Props {
  readonly cord: Cord;
}

function CordLot({ cord, lot }: CordProps) {
  if (lot.form === 'spool') return <Spool cord={cord} lot={lot} />;
  return lot.size > MAX_LINE ? <Hank cord={cord} lot={lot} /> : <Line cord={cord} lot={lot} />;
}

/** Turns nearer to each other than this, in mm, could not be told apart. */
const FINEST = 1.4;

/** Seen from the side, between its flanges. */
function Spool({ cord, lot: { size, left } }: CordProps) {
  const id = useId();
  const full = size * cord.diameter ** 2;
  // As broad as it is thick when it is full, within what lies in a drawer.
  const width = Math.min(96, Math.max(22, Math.cbrt(full) * 0.8));
  const spool = { radius: width * 0.2, width };
  const outer = woundRadius(size, cord.diameter, spool);
  const now = woundRadius(left, cord.diameter, spool);
  const shrink = Math.min(1, (HEIGHT / 2 - 5) / outer);
  const flange = outer + 3;
  const pitch = Math.max(FINEST, cord.diameter);
  return (
    <g transform={`scale(${shrink})`}>
      <defs>
        <pattern id={id} width={pitch} height={400} patternUnits="userSpaceOnUse">
          <rect width={pitch} height={400} fill={cord.colour.hex} />
          <path d={`M${pitch} 0V400`} className="turn" strokeWidth={pitch * 0.22} />
        </pattern>
      </defs>
      <rect x={-width / 2} y={-outer} width={width} height={outer * 2} className="gone" />
      <rect
        x={-width / 2}
        y={-spool.radius}
        width={width}
        height={spool.radius * 2}
        className="core"
      />
      {left > 0 && (
        <rect
          x={-width / 2}
          y={-now}
          width={width}
          height={now * 2}
          rx="1.5"
          fill={`url(#${id})`}
        />
      )}
      {[-1, 1].map((side) => (
        <rect
          key={side}
          x={side < 0 ? -width / 2 - 5 : width / 2}
          y={-flange}
          width={5}
          height={flange * 2}
          rx="2"
          className="flange"
        />
      ))}
    </g>
  );
}

const RING = 30;

/** A hank or a skein, laid in a ring. */
function Hank({ cord, lot: { size, left } }: CordProps) {
  const full = Math.max(1.5, ringThickness(size, cord.diameter, RING));
  const now = Math.max(1, ringThickness(left, cord.diameter, RING));
  return (
    <g transform="scale(1.35 0.95)">
      <circle r={RING} className="gone-ring" strokeWidth={full} />
      {left > 0 && (
        <>
          <circle r={RING} className="edge" strokeWidth={now + 1} />
          <circle r={RING} fill="none" stroke={cord.colour.hex} strokeWidth={now} />
          <circle r={RING} className="turns" strokeWidth={now * 0.34} />
        </>
      )}
      {/* Tied in the middle, so that it does not come undone. */}
      <path d={`M0 ${RING - full / 2 - 3}V${RING + full / 2 + 3}`} className="tie" />
    </g>
  );
}

/** A line on the page is a fifth as long as the cord. */
const LINE = 5;
const MAX_LINE = (WIDTH - 16) * LINE;

/** A short piece, laid straight. */
function Line({ cord, lot: { size, left } }: CordProps) {
  const line = (mm: number): string => {
    const half = mm / LINE / 2;
    return `M${-half} 0C${-half / 2} ${-14} ${half / 2} ${14} ${half} 0`;
  };
  const width = Math.max(1.6, cord.diameter);
  return (
    <>
      {left < size && <path d={line(size)} className="gone-line" strokeWidth={width} />}
      {left > 0 && <path d={line(left)} className="edge" strokeWidth={width + 1} />}
      {left > 0 && (
        <path
          d={line(left)}
          fill="none"
          stroke={cord.colour.hex}
          strokeWidth={width}
          strokeLinecap="round"
        />
      )}
    </>
  );
}

/** More of them are a heap, and nobody counts them in a picture. */
const MAX_DRAWN = 120;

/** Where things of one size lie in rows. */
function rowsOf(count: number, each: number): { x: number; y: number; each: number }[] {
  const step = Math.min(each * 1.12, Math.sqrt(((WIDTH - 8) * (HEIGHT - 8)) / count));
  const across = Math.max(1, Math.min(count, Math.floor((WIDTH - 8) / step)));
  const rows = Math.ceil(count / across);
  return Array.from({ length: count }, (_, i) => ({
    x: ((i % across) - (Math.min(across, count) - 1) / 2) * step,
    y: (Math.floor(i / across) - (rows - 1) / 2) * step,
    each: step / 1.12,
  }));
}

function Beads({ bead, lot: { size, left } }: Props & { readonly bead: Bead }) {
  const count = Math.min(MAX_DRAWN, Math.round(Math.max(size, left)));
  const share = count / Math.max(size, left);
  const there = Math.round(left * share);
  return rowsOf(count, Math.max(bead.length, bead.height, 4)).map(({ x, y, each }, i) =>
    i < there ? (
      <g key={i}>
        <circle cx={x} cy={y} r={each / 2} fill={bead.colour.hex} className="bead" />
        <circle
          cx={x}
          cy={y}
          r={Math.min(each / 2 - 0.6, Math.max(0.5, (bead.hole / 2) * (each / bead.height)))}
          className="hole"
        />
      </g>
    ) : (
      <circle key={i} cx={x} cy={y} r={each / 2 - 0.4} className="gone" />
    ),
  );
}

function Findings({ lot: { size, left } }: Props) {
  const count = Math.min(MAX_DRAWN, Math.round(Math.max(size, left)));
  return rowsOf(count, 15).map(({ x, y, each }, i) => (
    <rect
      key={i}
      x={x - each / 2}
      y={y - each / 3}
      width={each}
      height={(each / 3) * 2}
      rx={each / 5}
      className={i < left ? 'finding' : 'gone'}
    />
  ));
}
