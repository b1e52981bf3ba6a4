import {
  beadPath,
  STRIPE_WIDTH,
  pointsSeen,
  type Plate,
  type Point,
  type Primitive,
  type BenchLayer,
} from '@coiled-strand/core';

/** Points nearer to each other than this, in mm, are one on paper. */
const FINEST = 0.06;
/** Share of a cord's width that its middle takes; the rest is its edge. */
const MIDDLE = 0.84;
/** Edges of cords are no wider than this, in mm, however thick the cord. */
const WIDEST_EDGE = 0.28;

/** Grey that each thing is filled with: everything is told apart without colour. */
const FILLS: Readonly<Record<Plate['fill'], string | null>> = {
  finding: '#c9c9c9',
  'finding-recess': '#ffffff',
  stone: '#dedede',
  body: '#f2f2f2',
  room: '#ffffff',
  range: null,
  pass: null,
};
/** Cords: as they lie; what moves next; what is cut off; what is still to come. */
const CORDS = { laid: '#ffffff', moving: '#9a9a9a', tail: '#e8e8e8', planned: '#ffffff' } as const;
/** And the stripe that tells one cord from the next, on each of them. */
const STRIPES = {
  laid: '#8a8a8a',
  moving: '#ffffff',
  tail: '#8a8a8a',
  planned: '#c8c8c8',
} as const;
/** What is still to come is drawn in a lighter line. */
const PLANNED_EDGE = '#a8a8a8';

/** Hundredths of a millimetre are finer than any printer, and keep files short. */
const two = (value: number): number => Math.round(value * 100) / 100;

/** Begins a path along some lines. */
function trace(
  pdf: PDFKit.PDFDocument,
  lines: readonly (readonly Point[])[],
  step: number,
  closed = false,
): PDFKit.PDFDocument {
  for (const line of lines) {
    pointsSeen(line, step).forEach((point, i) => {
      const [x, y] = [two(point[0]), two(point[1])];
      if (i === 0) pdf.moveTo(x, y);
      else pdf.lineTo(x, y);
    });
    if (closed) pdf.closePath();
  }
  return pdf;
}

/** The darkest grey that stands for a colour: black lines are still seen on it. */
const DARKEST = 0.52;

/**
 * Grey for a colour as dark as it is seen, but never so dark that lines on it are lost: Rec. 709 luminance, its root.
 *
 * @param hex '#rrggbb'
 */
function greyOf(hex: string): string {
  const [r, g, b] = [1, 3, 5].map((i) => (parseInt(hex.slice(i, i + 2), 16) / 255) ** 2.2);
  const light = Math.sqrt(0.2126 * r! + 0.7152 * g! + 0.0722 * b!);
  const level = Math.round(255 * (DARKEST + (1 - DARKEST) * light));
  return `#${level.toString(16).padStart(2, '0').repeat(3)}`;
}

/**
 * Draws what is on the bench, in mm and without colour.
 *
 * @param tones `colours` gives cords and beads the grey of their colours, so that patterns show; `moves` leaves them
 *   white, and only what moves next is grey
 * @param scale how many times as large it is on paper
 */
export function drawShapes(
  pdf: PDFKit.PDFDocument,
  shapes: readonly Primitive[],
  tones: 'colours' | 'moves',
  scale = 1,
): void {
  for (const shape of shapes) drawShape(pdf, shape, tones === 'colours', FINEST / scale);
}

/** Draws the layers of the bench, each in its place. */
export function drawLayers(
  pdf: PDFKit.PDFDocument,
  layers: readonly BenchLayer[],
  scale = 1,
): void {
  for (const { x, shapes } of layers) {
    pdf.save();
    pdf.translate(x, 0);
    drawShapes(pdf, shapes, 'colours', scale);
    pdf.restore();
  }
}

function drawShape(pdf: PDFKit.PDFDocument, shape: Primitive, toned: boolean, step: number): void {
  switch (shape.kind) {
    case 'cord': {
      const { diameter: w, state, lines } = shape;
      if (!lines.some((line) => line.length > 1)) return;
      const middle = Math.max(MIDDLE * w, w - 2 * WIDEST_EDGE);
      pdf.lineJoin('round').lineCap(shape.ends);
      trace(pdf, lines, step)
        .lineWidth(w)
        .stroke(state === 'planned' ? PLANNED_EDGE : '#000000');
      trace(pdf, lines, step)
        .lineWidth(middle)
        .stroke(toned ? greyOf(shape.colour) : CORDS[state]);
      if (shape.stripe) {
        trace(pdf, lines, step)
          .lineWidth(STRIPE_WIDTH * w)
          .stroke(toned ? greyOf(shape.stripe) : STRIPES[state]);
      }
      return;
    }
    case 'plate': {
      const path = (): PDFKit.PDFDocument => trace(pdf, shape.outlines, step, true);
      const fill = FILLS[shape.fill];
      pdf.lineWidth(0.2).lineJoin('round');
      if (fill === null) path().dash(2, { space: 1.6 }).stroke('#000000').undash();
      else path().fillAndStroke(fill, '#000000', 'even-odd');
      return;
    }
    case 'bead': {
      const { at, turn, length, height, state } = shape;
      pdf.save();
      pdf.translate(at[0], at[1]).rotate((turn * 180) / Math.PI);
      pdf
        .path(beadPath(shape.shape, length, height))
        .lineWidth(0.22)
        .fillAndStroke(
          toned ? greyOf(shape.colour) : state === 'moving' ? CORDS.moving : '#ffffff',
          state === 'planned' ? PLANNED_EDGE : '#000000',
        );
      pdf.restore();
      return;
    }
    case 'arrow': {
      const { line, width } = shape;
      const [tip, before] = [line.at(-1), line.at(-2)];
      if (!tip || !before) return;
      trace(pdf.lineCap('round').lineWidth(width), [line], step).stroke('#000000');
      const angle = Math.atan2(tip[1] - before[1], tip[0] - before[0]);
      const corner = (turn: number): [number, number] => [
        tip[0] + 2.4 * width * Math.cos(angle + turn),
        tip[1] + 2.4 * width * Math.sin(angle + turn),
      ];
      pdf.polygon(corner(0), corner(2.5), corner(-2.5)).fill('#000000');
    }
  }
}
