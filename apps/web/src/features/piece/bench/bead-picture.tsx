import { beadPath, type Bead } from '@coiled-strand/core';

interface Props {
  readonly bead: Pick<Bead, 'shape' | 'length' | 'height' | 'colour'>;
  /** Pixels for one millimetre. */
  readonly scale?: number;
}

/** A bead by itself, at one scale wherever beads stand side by side. */
export function BeadPicture({ bead, scale = 2.4 }: Props) {
  const { shape, length, height, colour } = bead;
  const [w, h] = [length + 1, height + 1];
  return (
    <svg
      aria-hidden
      width={w * scale}
      height={h * scale}
      viewBox={`${-w / 2} ${-h / 2} ${w} ${h}`}
      style={{ display: 'block', flexShrink: 0 }}
    >
      <path
        d={beadPath(shape, length, height)}
        style={{
          fill: colour.hex,
          stroke: `color-mix(in oklab, ${colour.hex} 45%, var(--cord-edge))`,
        }}
        strokeWidth={0.4}
      />
      <ellipse
        cx={-length * 0.12}
        cy={-height * 0.22}
        rx={length * 0.2}
        ry={height * 0.12}
        fill="white"
        opacity={0.45}
      />
    </svg>
  );
}
