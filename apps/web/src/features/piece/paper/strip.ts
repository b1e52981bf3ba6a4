import {
  drawBench,
  firstSideFor,
  makeSteps,
  onSheets,
  PAPER_MARGIN,
  PAPERS,
  rulerTicks,
  speakLength,
  stripMarks,
  tilesOf,
  type BenchDrawing,
  type PaperSize,
  type Piece,
  type Plan,
  type Side,
  type SpokenUnits,
  type StripMark,
  type Tile,
} from '@coiled-strand/core';
import { PaperDocument, type Printed } from './document';
import type { PaperFonts } from './fonts';
import { drawLayers } from './ink';

/** For whom and on what a document is printed. */
export interface PaperChoice {
  readonly paper: PaperSize;
  readonly units: SpokenUnits;
  readonly hand: Side;
}

/** Rows overlap by as much as glue needs, in mm. */
const OVERLAP = 12;
/** Side of the square that shows whether it was printed as large as it is, in mm. */
const CHECK = 50;
/** Room for counting above the work, and for the rule and the parts below it, in mm. */
const ABOVE = 9;
const BELOW = 17;
/** Between rows, in mm. */
const BETWEEN = 5;
/** Height of what is said at the head of the first sheet and of the others, in mm. */
const HEAD = { first: CHECK + 10, next: 10 } as const;

/** Numbers nearer to each other than this, in mm, run together: only some are written. */
const NUMBERS_APART = 4.6;
const CIRCLES_APART = 4;

interface Row {
  readonly drawing: BenchDrawing;
  readonly marks: readonly StripMark[];
  readonly units: SpokenUnits;
  readonly tile: Tile;
  /** How far the work reaches up and down from its middle, in mm. */
  readonly up: number;
  readonly down: number;
}

/** The piece as large as it is, to lay the work on: tiles of it where it is longer than a sheet. */
export async function stripPdf(
  piece: Piece,
  plan: Plan,
  choice: PaperChoice,
  fonts: PaperFonts,
): Promise<Printed> {
  const { paper, units, hand } = choice;
  const drawing = drawBench(piece, plan, { tails: false, firstSide: firstSideFor(hand) });
  const marks = stripMarks(piece, plan, makeSteps(piece, plan, { hand }));
  const { x, y, width, height } = drawing.bounds;
  // Laid on the table with its start on the left, the maker's left is below: the bench has it above.
  const [up, down] = [y + height, -y];
  const document = new PaperDocument({
    title: `${piece.name}: strip at true size`,
    paper,
    landscape: true,
    fonts,
    foot: `${piece.name}, strip at true size`,
  });
  const tiles = tilesOf(x, x + width, document.inner, OVERLAP);
  const high = ABOVE + up + down + BELOW + BETWEEN;
  const space = PAPERS[paper].width - 2 * PAPER_MARGIN - 6;
  const sheets = onSheets(tiles, high, space - HEAD.first, space - HEAD.next);
  sheets.forEach((rows, sheet) => {
    if (sheet > 0) document.page();
    head(document, piece, plan, choice, tiles.length, sheet === 0);
    for (const tile of rows) {
      drawRow(document, { drawing, marks, units, tile, up, down }, tiles);
      document.y += high;
    }
  });
  listParts(document, marks, units);
  return document.end();
}

/** Where every part begins and ends: what to measure at. */
function listParts(document: PaperDocument, marks: readonly StripMark[], units: SpokenUnits): void {
  const size = (mm: number): string => speakLength(mm, 'laid', units);
  const parts = marks.flatMap((mark) => (mark.kind === 'part' ? [mark] : []));
  document.room(12);
  document.text('H2', 'To measure at');
  document.y += 1;
  const columns = 3;
  const width = document.inner / columns;
  for (let i = 0; i < parts.length; i += columns) {
    const rows = parts.slice(i, i + columns);
    document.room(6);
    rows.forEach(({ number, label, at, to }, column) => {
      const style = { size: 9 } as const;
      const words = `${number}. ${label}: ${size(at)} to ${size(to)}`;
      document.at(
        'LI',
        document.shortened(words, width - 4, style),
        PAPER_MARGIN + column * width,
        document.y,
        style,
      );
    });
    document.y += 4.8;
  }
}

function head(
  document: PaperDocument,
  piece: Piece,
  plan: Plan,
  { units }: PaperChoice,
  tiles: number,
  first: boolean,
): void {
  const size = (mm: number): string => speakLength(mm, 'laid', units);
  if (!first) {
    document.at('P', `${piece.name}, continued`, PAPER_MARGIN, document.y, { weight: 'bold' });
    document.y = PAPER_MARGIN + HEAD.next;
    return;
  }
  const top = document.y;
  const width = document.inner - CHECK - 10;
  document.text('H1', piece.name, { width });
  document.text(
    'P',
    `${size(plan.fit.length)} of work${plan.fit.circumference > 0 ? `, closes on ${size(plan.fit.circumference)}` : ''}. Drawn as large as it is: print it at 100 %, not fitted to the page.`,
    { width },
  );
  document.y += 1.5;
  document.text(
    'P',
    'Lay the work on it with its start on the left, right side up: what is your left while it hangs from its start is then the lower edge. A dot beside the edge shows the side on which the bump of that knot lies. The numbers above the work count knots, those in circles beads from the start.',
    { width },
  );
  if (tiles > 1) {
    document.y += 1.5;
    document.text(
      'P',
      `It is longer than the sheet and comes in ${tiles} rows. Cut along the dashed line at the beginning of a row and glue that edge on the dashed line of the row before: the same letters lie on each other.`,
      { width },
    );
  }
  checkSquare(document, document.width - PAPER_MARGIN - CHECK, top);
  document.y = top + HEAD.first;
}

function checkSquare(document: PaperDocument, x: number, y: number): void {
  document.figure(
    'A square of 50 mm, to check the size of the print',
    (pdf) => {
      pdf.lineWidth(0.25).rect(0, 0, CHECK, CHECK).stroke('#000000');
      for (let i = 1; i < CHECK; i++) {
        const long = i % 10 === 0 ? 4 : i % 5 === 0 ? 2.6 : 1.5;
        pdf.moveTo(i, CHECK).lineTo(i, CHECK - long);
      }
      pdf.lineWidth(0.15).stroke('#000000');
    },
    x,
    y,
  );
  const middle = x + CHECK / 2;
  document.at('P', '50 mm each way', middle, y + 12, { align: 'centre', weight: 'bold' });
  document.at('P', 'If it is not, print', middle, y + 19, { align: 'centre' });
  document.at('P', 'again at 100 %.', middle, y + 24, { align: 'centre' });
}

function drawRow(document: PaperDocument, row: Row, tiles: readonly Tile[]): void {
  const { tile, drawing, up, down } = row;
  const middle = document.y + ABOVE + up;
  const left = PAPER_MARGIN - tile.from;
  const index = tiles.indexOf(tile);
  const words = row.marks
    .flatMap((mark) =>
      mark.kind === 'part' && mark.to > tile.from && mark.at < tile.to ? [mark] : [],
    )
    .map(({ label, at, to }) => `${label} from ${speak(row, at)} to ${speak(row, to)}`)
    .join('; ');
  document.figure(`The work at true size: ${words}`, (pdf) => {
    pdf.save();
    pdf
      .rect(PAPER_MARGIN, middle - up - ABOVE, tile.to - tile.from, up + down + ABOVE + BELOW)
      .clip();
    pdf.save();
    pdf.translate(left, middle).scale(1, -1);
    drawLayers(pdf, drawing.layers);
    pdf.restore();
    pdf.restore();
  });
  document.apart(() => {
    counting(document, row, left, middle);
    measuring(document, row, left, middle);
    joints(document, row, tiles, index, middle);
  });
}

const speak = ({ units }: Row, mm: number): string => speakLength(mm, 'laid', units);

const within = ({ from, to }: Tile, at: number): boolean => at >= from - 1e-6 && at <= to + 1e-6;

/** Knots counted and beads numbered above the work, and dots on the sides of bumps. */
function counting(document: PaperDocument, row: Row, left: number, middle: number): void {
  const { tile, up, down } = row;
  const top = middle - up;
  const small = { size: 7, align: 'centre' } as const;
  let [lastNumber, lastBead] = [-Infinity, -Infinity];
  const shown = row.marks.filter(
    (mark): mark is Extract<StripMark, { kind: 'unit' | 'bead' }> =>
      (mark.kind === 'unit' || mark.kind === 'bead') && within(tile, mark.at),
  );
  shown.forEach((mark) => {
    const x = left + mark.at;
    if (mark.kind === 'bead') {
      if (mark.at - lastBead < CIRCLES_APART) return;
      lastBead = mark.at;
      document.drawn((pdf) =>
        pdf
          .lineWidth(0.15)
          .circle(x, top - 5.2, 1.9)
          .stroke('#000000'),
      );
      document.letters(String(mark.number), x, top - 6.45, small);
      return;
    }
    const fifth = mark.number % 5 === 0 || mark.last;
    document.drawn((pdf) =>
      pdf
        .lineWidth(fifth ? 0.25 : 0.12)
        .moveTo(x, top - 0.5)
        .lineTo(x, top - (fifth ? 3 : 1.8))
        .stroke('#000000'),
    );
    if (fifth && mark.at - lastNumber >= NUMBERS_APART) {
      document.letters(String(mark.number), x, top - 6, small);
      lastNumber = mark.at;
    }
    if (mark.side !== null) {
      const y = mark.side === 'left' ? middle + down + 1.2 : top - 0.2;
      document.drawn((pdf) =>
        pdf.circle(left + (mark.from + mark.at) / 2, y, 0.55).fill('#000000'),
      );
    }
  });
}

/** The rule below the work, from where its parts begin, and where each of them and the closure begin. */
function measuring(document: PaperDocument, row: Row, left: number, middle: number): void {
  const { tile, units, down, up } = row;
  const y = middle + down + 3;
  document.drawn((pdf) => {
    pdf
      .lineWidth(0.2)
      .moveTo(left + tile.from, y)
      .lineTo(left + tile.to, y)
      .stroke('#000000');
    for (const { at, rank } of rulerTicks(tile.from, tile.to, units.unit, 1)) {
      const long = rank === 'major' ? 3.4 : rank === 'middle' ? 2.3 : 1.4;
      pdf
        .lineWidth(rank === 'major' ? 0.25 : 0.12)
        .moveTo(left + at, y)
        .lineTo(left + at, y + long);
      pdf.stroke('#000000');
    }
  });
  for (const { at, label } of rulerTicks(tile.from, tile.to, units.unit, 1)) {
    if (label !== null) document.letters(label, left + at, y + 3.4, { size: 7, align: 'centre' });
  }
  const lines = y + 7;
  for (const mark of row.marks) {
    if (mark.kind !== 'part' && mark.kind !== 'closure') continue;
    if (!within(tile, mark.at)) continue;
    const x = left + mark.at;
    document.drawn((pdf) => {
      pdf.lineWidth(mark.kind === 'closure' ? 0.3 : 0.15);
      if (mark.kind === 'closure') pdf.dash(1.4, { space: 1 });
      pdf
        .moveTo(x, middle - up - 0.5)
        .lineTo(x, lines + 2.6)
        .stroke('#000000')
        .undash();
    });
    if (mark.kind !== 'part') continue;
    // Short parts leave no room for their words; their numbers stand in the list of parts.
    const room = Math.min(mark.to, tile.to) - mark.at - 1.6;
    const words = `${mark.number} ${mark.label} from ${speak(row, mark.at)}`;
    const small = { size: 7 } as const;
    const shown = document.wide(words, small) <= room ? words : String(mark.number);
    document.letters(shown, x + 0.8, lines, small);
  }
  const closure = row.marks.filter(({ kind, at }) => kind === 'closure' && within(tile, at));
  for (const { at } of closure) {
    document.letters('closure begins', left + at, lines + 2.9, {
      size: 7,
      align: at <= 0 ? 'left' : 'right',
    });
  }
}

/** Where rows are glued on each other. */
function joints(
  document: PaperDocument,
  { tile, up, down }: Row,
  tiles: readonly Tile[],
  index: number,
  middle: number,
): void {
  const [top, foot] = [middle - up - ABOVE, middle + down + BELOW];
  const line = (at: number, letter: number): void => {
    const x = PAPER_MARGIN + at - tile.from;
    document.drawn((pdf) =>
      pdf
        .lineWidth(0.25)
        .dash(3, { space: 1.2 })
        .moveTo(x, top)
        .lineTo(x, foot)
        .stroke('#000000')
        .undash(),
    );
    document.letters(String.fromCharCode(64 + letter), x + 1, top, { size: 9, weight: 'bold' });
  };
  if (index > 0) line(tile.from, index);
  const next = tiles[index + 1];
  if (next) line(next.from, index + 1);
}
