import {
  beadPath,
  STRIPE_WIDTH,
  svgPath,
  type BeadSolid,
  type BenchLayer,
  type CordStroke,
  type Plate,
  type Primitive,
} from '@coiled-strand/core';
import { createContext, memo, useContext } from 'react';

// Everything here is drawn in millimetres; the bench scales it.

/** The cord's surface: short ribs of a braid, longer ones of a twist. In cord diameters. */
const RIBS: Readonly<Record<CordStroke['texture'], readonly [number, number] | null>> = {
  braid: [0.16, 0.3],
  twist: [0.28, 0.5],
  smooth: null,
};

/** Below these many pixels across, a cord shows no ribs, and then no edge of its own. */
const RIBS_FROM = 5;
const EDGE_FROM = 2.2;
/** Points nearer to each other than this many pixels are drawn as one. */
const FINEST = 0.5;

/** How much of a cord can be seen at all, by pixels for a millimetre. */
export const DetailScale = createContext(Infinity);

/** Scales between which nothing looks different, so that zooming a little draws nothing anew. */
export const detailOf = (scale: number): number => 2 ** Math.round(Math.log2(scale));

/** Whether what moves is shown going in along its way instead of lying there already. */
export const SlowMotion = createContext(false);

/** Seconds that a cord takes to go in along its whole way. */
export const WAY_SECONDS = 3.2;

/** A moving cord line after line, each drawn from its beginning to its end. */
function GoingIn({ stroke }: { readonly stroke: CordStroke }) {
  const { diameter: w, colour, stripe, lines } = stroke;
  const each = WAY_SECONDS / lines.length;
  return (
    <g className="cord cord-moving" data-strand={stroke.strand} data-part={stroke.part}>
      {lines.map((line, i) => {
        const common = {
          d: svgPath([line]),
          fill: 'none',
          pathLength: 1,
          strokeLinejoin: 'round',
          strokeLinecap: 'round',
          className: 'going-in',
        } as const;
        const time = { animationDuration: `${each}s`, animationDelay: `${i * each}s` };
        return (
          <g key={i}>
            <path {...common} strokeWidth={w * 1.5} style={{ ...time, stroke: 'var(--chalk)' }} />
            <path
              {...common}
              strokeWidth={w}
              style={{ ...time, stroke: `color-mix(in oklab, ${colour} 52%, var(--cord-edge))` }}
            />
            <path {...common} strokeWidth={w * 0.82} style={{ ...time, stroke: colour }} />
            {stripe && (
              <path
                {...common}
                strokeWidth={w * STRIPE_WIDTH}
                style={{ ...time, stroke: stripe }}
              />
            )}
          </g>
        );
      })}
    </g>
  );
}

const Cord = memo(function Cord({ stroke }: { stroke: CordStroke }) {
  const scale = useContext(DetailScale);
  const slow = useContext(SlowMotion);
  if (slow && stroke.state === 'moving') return <GoingIn stroke={stroke} />;
  return <LyingCord stroke={stroke} scale={scale} />;
});

function LyingCord({ stroke, scale }: { readonly stroke: CordStroke; readonly scale: number }) {
  const d = svgPath(stroke.lines, false, FINEST / scale);
  const pixels = stroke.diameter * scale;
  const { diameter: w, colour, state } = stroke;
  const ribs = pixels < RIBS_FROM ? null : RIBS[stroke.texture];
  const common = { d, fill: 'none', strokeLinejoin: 'round', strokeLinecap: stroke.ends } as const;
  return (
    <g className={`cord cord-${state}`} data-strand={stroke.strand} data-part={stroke.part}>
      {/* What moves next has a line of chalk round it: colour alone would not do. */}
      {state === 'moving' && (
        <path {...common} strokeWidth={w * 1.5} style={{ stroke: 'var(--chalk)' }} />
      )}
      <path
        {...common}
        strokeWidth={w}
        style={{
          stroke: `color-mix(in oklab, ${colour} ${pixels < EDGE_FROM ? 85 : 52}%, var(--cord-edge))`,
        }}
      />
      {pixels >= EDGE_FROM && <path {...common} strokeWidth={w * 0.82} stroke={colour} />}
      {ribs && (
        <path
          {...common}
          strokeLinecap="butt"
          strokeWidth={w * 0.7}
          strokeDasharray={`${ribs[0] * w} ${ribs[1] * w}`}
          style={{ stroke: `color-mix(in oklab, ${colour} 70%, black)` }}
          opacity={0.42}
        />
      )}
      {stroke.stripe && <path {...common} strokeWidth={w * STRIPE_WIDTH} stroke={stroke.stripe} />}
      {pixels >= RIBS_FROM && !stroke.stripe && (
        <path
          {...common}
          strokeWidth={w * 0.2}
          style={{ stroke: `color-mix(in oklab, ${colour} 62%, white)` }}
          opacity={0.5}
        />
      )}
    </g>
  );
}

const PLATE_FILL: Readonly<Record<Plate['fill'], string>> = {
  finding: 'currentColor',
  'finding-recess': 'var(--finding-recess)',
  stone: 'currentColor',
  body: 'var(--body-fill)',
  room: 'var(--room-fill)',
  range: 'none',
  pass: 'none',
};
/** Sizes it can take are lines, not things. */
const LINES: Partial<Record<Plate['fill'], string>> = { range: '3 2.4', pass: '0.9 2.2' };

const PlateShape = memo(function PlateShape({ plate }: { plate: Plate }) {
  const solid = plate.fill === 'finding' || plate.fill === 'stone';
  const dashes = LINES[plate.fill];
  if (dashes) {
    return (
      <path
        className={`plate plate-${plate.fill}`}
        data-part={plate.part}
        d={svgPath(plate.outlines, true)}
        fill="none"
        strokeDasharray={dashes}
        style={{ stroke: plate.fill === 'pass' ? 'var(--cs-colors-warn)' : 'var(--chalk)' }}
        strokeWidth={0.9}
      />
    );
  }
  return (
    <path
      className={`plate plate-${plate.fill}`}
      data-part={plate.part}
      d={svgPath(plate.outlines, true)}
      fillRule="evenodd"
      style={{
        fill: plate.colour ?? PLATE_FILL[plate.fill],
        stroke: solid ? 'var(--finding-edge)' : 'none',
        strokeWidth: 0.5,
      }}
    />
  );
});

/** A bead with its shine, its cord running along its own x axis. */
const Bead = memo(function Bead({ bead }: { bead: BeadSolid }) {
  const { at, turn, length, height, colour, shape } = bead;
  const thin = shape === 'ring' || shape === 'disc';
  return (
    <g
      className={`bead bead-${bead.state}`}
      data-part={bead.part}
      transform={`translate(${at[0]} ${at[1]}) rotate(${(turn * 180) / Math.PI})`}
    >
      {bead.state === 'moving' && (
        <path
          d={beadPath(shape, length, height)}
          style={{ fill: 'none', stroke: 'var(--chalk)' }}
          strokeWidth={height * 0.18}
        />
      )}
      <path
        d={beadPath(shape, length, height)}
        style={{ fill: colour, stroke: `color-mix(in oklab, ${colour} 45%, var(--cord-edge))` }}
        strokeWidth={Math.min(0.45, height * 0.07)}
      />
      <ellipse
        cx={thin ? 0 : -length * 0.12}
        cy={-height * 0.22}
        rx={length * (thin ? 0.2 : 0.2)}
        ry={height * 0.12}
        style={{ fill: `color-mix(in oklab, ${colour} 35%, white)` }}
        opacity={0.75}
      />
    </g>
  );
});

function Shape({ shape }: { shape: Primitive }) {
  switch (shape.kind) {
    case 'cord':
      return <Cord stroke={shape} />;
    case 'plate':
      return <PlateShape plate={shape} />;
    case 'bead':
      return <Bead bead={shape} />;
    case 'arrow':
      return (
        <path
          d={svgPath([shape.line])}
          fill="none"
          markerEnd="url(#strand-arrow)"
          style={{ stroke: 'var(--chalk)', strokeWidth: shape.width }}
          strokeLinecap="round"
        />
      );
  }
}

/** Runs of shapes that are planned and runs that are not, in order. */
function runsOf(shapes: readonly Primitive[]): { planned: boolean; shapes: Primitive[] }[] {
  const runs: { planned: boolean; shapes: Primitive[] }[] = [];
  for (const shape of shapes) {
    const planned = 'state' in shape && shape.state === 'planned';
    const last = runs.at(-1);
    if (last?.planned === planned) last.shapes.push(shape);
    else runs.push({ planned, shapes: [shape] });
  }
  return runs;
}

/** Shapes in painter's order. What is planned fades as a whole, so that overlaps do not show through. */
export const Shapes = memo(function Shapes({ shapes }: { readonly shapes: readonly Primitive[] }) {
  return (
    <>
      {runsOf(shapes).map((run) => (
        <g key={run.shapes[0]?.key} className={run.planned ? 'planned' : undefined}>
          {run.shapes.map((shape) => (
            <Shape key={shape.key} shape={shape} />
          ))}
        </g>
      ))}
    </>
  );
});

/** Layers in painter’s order; one that only moved is not drawn again. */
export const Layers = ({ layers }: { readonly layers: readonly BenchLayer[] }) =>
  layers.map(({ key, x, shapes }) => (
    <g key={key} transform={x === 0 ? undefined : `translate(${x} 0)`}>
      <Shapes shapes={shapes} />
    </g>
  ));

/** The arrow head that the shapes refer to; once per page. */
export function ArrowHead() {
  return (
    <svg width="0" height="0" aria-hidden style={{ position: 'absolute' }}>
      <defs>
        <marker
          id="strand-arrow"
          viewBox="0 0 10 10"
          refX="6"
          refY="5"
          markerWidth="5"
          markerHeight="5"
          orient="auto-start-reverse"
        >
          <path d="M1 1 9 5 1 9z" style={{ fill: 'var(--chalk)' }} />
        </marker>
      </defs>
    </svg>
  );
}
