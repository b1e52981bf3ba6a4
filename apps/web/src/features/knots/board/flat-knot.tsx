import { byDepth, type Cord, type Point3 } from '@coiled-strand/core';
import { useMemo } from 'react';
import { Shapes } from '../../piece/bench/shapes';
import { colourOf } from './colours';

/** A cord one diameter thick, as all lengths on a board are in diameters. */
const cordOf = (cord: number): Cord => ({
  name: `Cord ${cord + 1}`,
  kind: 'waxed-cotton',
  diameter: 1,
  effective: 1,
  colour: { name: `${cord + 1}`, hex: colourOf(cord) },
});

interface Props {
  /** Middles of the cords in diameters, y upwards and z towards the viewer. */
  readonly curves: readonly (readonly Point3[])[];
}

/** Cords as they are seen from above, each over what lies under it. Drawn in diameters, y upwards. */
export function FlatCords({ curves }: Props) {
  const shapes = useMemo(
    () =>
      byDepth(
        curves.map((line, cord) => ({
          run: { strand: cord + 1, cord: cordOf(cord) },
          state: 'laid',
          line: line.map(([x, y, z]): Point3 => [x, -y, z]),
        })),
        'cord',
        'board',
      ),
    [curves],
  );
  return <Shapes shapes={shapes} />;
}

/** A small picture of a knot that is tight, all of it in sight. */
export function KnotPicture({
  curves,
  long,
  wide,
  height,
}: Props & { readonly long: number; readonly wide: number; readonly height: number }) {
  const [room, across] = [long + 3, Math.max(wide + 1, 3)];
  return (
    <svg
      aria-hidden
      viewBox={`${-1.5} ${-across / 2} ${room} ${across}`}
      preserveAspectRatio="xMidYMid meet"
      style={{ display: 'block', width: '100%', height }}
    >
      <FlatCords curves={curves} />
    </svg>
  );
}
