import { partKind, type Cord, type FlossPart, type Run } from '@coiled-strand/core';
import { useMemo } from 'react';
import '../bench/bench.css';
import { DetailScale, Layers } from '../bench/shapes';

interface Props {
  readonly part: FlossPart;
  /** The cord of the strand at each place. */
  readonly cords: readonly Cord[];
  readonly height: number;
  /** Longest stretch that is drawn, as a multiple of its width. */
  readonly stretch?: number;
}

/** A piece of a band, as it will be. */
export function BandPreview({ part, cords, height, stretch = 4 }: Props) {
  const drawing = useMemo(() => {
    const runs = cords.map((cord, index): Run => ({
      index,
      strand: index + 1,
      half: 0,
      role: 'plaited',
      cord,
      laidIn: false,
      folded: false,
    }));
    const kind = partKind(part.kind);
    const site = {
      runs,
      bead: () => {
        throw new RangeError('a knotted band has no beads');
      },
      knot: () => {
        throw new RangeError('a knotted band has no knots of one’s own');
      },
      buried: 0,
      crossed: 0,
      pitchFactor: 1,
      practice: 'practised',
      first: true,
      last: true,
    } as const;
    // The cords are those at the places already, in whatever order the band’s own runs lie.
    const whole: FlossPart = { ...part, order: null, repeats: null };
    const { width } = kind.section(whole, site);
    const layout = kind.layOut(whole, site, width * stretch);
    const shapes = kind.draw(whole, site, layout, {
      part: part.id,
      done: Infinity,
      firstSide: 'left',
    });
    return { shapes, length: layout.length, width };
  }, [part, cords, stretch]);
  return (
    <svg
      aria-hidden
      viewBox={`-0.5 ${-drawing.width / 2 - 0.5} ${drawing.length + 1} ${drawing.width + 1}`}
      style={{ display: 'block', width: '100%', height }}
      preserveAspectRatio="xMinYMid meet"
    >
      <DetailScale.Provider value={4}>
        <Layers layers={[{ key: 'band', x: 0, shapes: drawing.shapes }]} />
      </DetailScale.Provider>
    </svg>
  );
}
