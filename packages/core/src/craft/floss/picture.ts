import { MAX_ROWS, type FlossPattern } from './pattern.js';

/** A picture as a browser gives it: rows of four bytes a pixel, red, green, blue, opacity. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}

/** How a picture becomes a band. */
export interface PictureOptions {
  readonly strands: number;
  /** Colour of the leader, `#rrggbb`: the ground. */
  readonly ground: string;
  /** Colours the crossed strands may have, >= 1, each `#rrggbb`. */
  readonly figures: readonly string[];
  /** Whether the picture's width lies across the band instead of along it. */
  readonly upright: boolean;
}

export interface PictureWoven {
  readonly pattern: FlossPattern;
  /** For the strand at each place: null for the leader, else the index into `figures`. */
  readonly figures: readonly (number | null)[];
  /** Mean distance of the knots' colours from the picture's, in CIELAB units. */
  readonly distance: number;
}

type Lab = readonly [number, number, number];

const linear = (byte: number): number => {
  const c = byte / 255;
  return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
};

/**
 * A colour of the screen in CIELAB, where distances are about as the eye sees them.
 * Source: CIE 15 with the D65 white and the primaries of IEC 61966-2-1 (sRGB).
 *
 * @param red linear light, 0 to 1; so are green and blue
 * @example labOf(1, 1, 1)[0] // 100.0
 */
export function labOf(red: number, green: number, blue: number): Lab {
  const f = (t: number): number =>
    t > 216 / 24389 ? Math.cbrt(t) : (24389 / 27 / 116) * t + 16 / 116;
  const x = f((0.4124564 * red + 0.3575761 * green + 0.1804375 * blue) / 0.95047);
  const y = f(0.2126729 * red + 0.7151522 * green + 0.072175 * blue);
  const z = f((0.0193339 * red + 0.119192 * green + 0.9503041 * blue) / 1.08883);
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

/** Red, green and blue of `#rrggbb`, 0 to 255. */
export const bytesOf = (hex: string): readonly [number, number, number] => [
  parseInt(hex.slice(1, 3), 16),
  parseInt(hex.slice(3, 5), 16),
  parseInt(hex.slice(5, 7), 16),
];

/** The same of `#rrggbb`. */
export const labOfHex = (hex: string): Lab => {
  const [r, g, b] = bytesOf(hex);
  return labOf(linear(r), linear(g), linear(b));
};

const distance = (a: Lab, b: Lab): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/**
 * Mean colour of every cell of a grid laid over a picture, by area and in linear light; where the
 * picture is clear, the ground shows through.
 */
function cellsOf(
  picture: Picture,
  across: number,
  along: number,
  ground: string,
  upright: boolean,
): Lab[][] {
  const { width, height, data } = picture;
  const behind = bytesOf(ground).map(linear) as [number, number, number];
  const [columns, rows] = upright ? [across, along] : [along, across];
  const cell = (cx: number, cy: number): Lab => {
    const [x0, x1] = [(cx * width) / columns, ((cx + 1) * width) / columns];
    const [y0, y1] = [(cy * height) / rows, ((cy + 1) * height) / rows];
    const sum = [0, 0, 0];
    let area = 0;
    for (let y = Math.floor(y0); y < Math.min(height, Math.ceil(y1)); y++) {
      const h = Math.min(y + 1, y1) - Math.max(y, y0);
      for (let x = Math.floor(x0); x < Math.min(width, Math.ceil(x1)); x++) {
        const part = h * (Math.min(x + 1, x1) - Math.max(x, x0));
        const i = 4 * (y * width + x);
        const opaque = data[i + 3]! / 255;
        for (let k = 0; k < 3; k++) {
          sum[k]! += part * (opaque * linear(data[i + k]!) + (1 - opaque) * behind[k]!);
        }
        area += part;
      }
    }
    return labOf(sum[0]! / area, sum[1]! / area, sum[2]! / area);
  };
  return Array.from({ length: along }, (_, r) =>
    Array.from({ length: across }, (__, p) => (upright ? cell(p, r) : cell(r, p))),
  );
}

/**
 * Turns a picture into a band of leader's rows: every knot shows the ground or the strand it crosses,
 * whichever is nearer to the picture. Each crossed strand keeps its colour all along, so for each the
 * colour is taken that leaves its whole column nearest to the picture: no choice of colours is nearer.
 *
 * Knots lie as wide as high, so the picture keeps its proportions.
 *
 * @throws RangeError for an empty picture, no colour, or fewer than three strands
 */
export function weavePicture(picture: Picture, options: PictureOptions): PictureWoven {
  const { strands, figures, upright } = options;
  const across = strands - 1;
  if (picture.width < 1 || picture.height < 1) throw new RangeError('the picture is empty');
  if (figures.length === 0) throw new RangeError('there is no colour to show the picture in');
  if (across < 2) throw new RangeError('a picture needs at least three strands');
  const shape = upright ? picture.height / picture.width : picture.width / picture.height;
  const along = Math.max(1, Math.min(MAX_ROWS, Math.round(across * shape)));
  const cells = cellsOf(picture, across, along, options.ground, upright);
  const ground = labOfHex(options.ground);
  const colours = figures.map(labOfHex);

  let total = 0;
  const chosen = Array.from({ length: across }, (_, p) => {
    const column = cells.map((row) => ({ cell: row[p]!, bare: distance(row[p]!, ground) }));
    const costs = colours.map((colour) =>
      column.reduce((sum, { cell, bare }) => sum + Math.min(bare, distance(cell, colour)), 0),
    );
    const best = costs.indexOf(Math.min(...costs));
    total += costs[best]!;
    return best;
  });
  const rows = cells.map((row) =>
    row
      .map((cell, p) => (distance(cell, colours[chosen[p]!]!) < distance(cell, ground) ? '|' : '-'))
      .join(''),
  );
  return {
    pattern: { lay: 'leader', rows },
    figures: [null, ...chosen],
    distance: total / (across * along),
  };
}
