import {
  PAPER_MARGIN,
  speakLength,
  type PaperSize,
  type Piece,
  type Plan,
} from '@coiled-strand/core';
import { create } from 'qrcode';
import { cutsOf, sayFold } from './cuts';
import { PaperDocument, type Printed } from './document';
import type { PaperFonts } from './fonts';
import type { PaperChoice } from './strip';

/** A label that goes round a cut cord: folded in the middle, its ends glued on each other. In mm. */
const WRAP = { width: 92, height: 13 } as const;
/** Labels with a code to open something on the phone, by how much they say. In mm. */
const TAGS = {
  small: { width: 61, height: 36, lines: 5 },
  large: { width: 92, height: 64, lines: 11 },
} as const;
/** Side of such a code, in mm: read by any phone from a hand away. */
const CODE = 24;

export type TagSize = keyof typeof TAGS;

/** What a label with a code says. */
export interface Tag {
  readonly title: string;
  readonly lines: readonly string[];
  /** What the phone opens. */
  readonly url: string;
}

/** Labels of one size on sheets, with lines to cut along. */
function lay(
  document: PaperDocument,
  count: number,
  { width, height }: { readonly width: number; readonly height: number },
  draw: (i: number, x: number, y: number) => void,
): void {
  const across = Math.max(1, Math.floor((document.inner + 1e-6) / width));
  for (let i = 0; i < count; i++) {
    const column = i % across;
    if (column === 0) {
      if (i > 0) document.y += height;
      document.room(height);
    }
    const [x, y] = [PAPER_MARGIN + column * width, document.y];
    document.apart(() =>
      document.drawn((pdf) =>
        pdf
          .lineWidth(0.15)
          .dash(1.5, { space: 1.5 })
          .rect(x, y, width, height)
          .stroke('#000000')
          .undash(),
      ),
    );
    draw(i, x, y);
  }
}

/** A label to wrap round each cord that is cut: number, colour, length, fold. */
export async function cordLabelsPdf(
  piece: Piece,
  plan: Plan,
  { paper, units }: PaperChoice,
  fonts: PaperFonts,
): Promise<Printed> {
  const title = `${piece.name}: labels for its cords`;
  const document = new PaperDocument({ title, paper, fonts, foot: title });
  document.text('H1', title, { size: 15 });
  document.text(
    'P',
    'Cut along the dashed lines, lay a label round its cord at the dotted line, and glue the halves on each other.',
  );
  document.y += 4;
  const cuts = cutsOf(plan).filter(({ given }) => !given);
  lay(document, cuts.length, WRAP, (i, x, y) => {
    const cut = cuts[i]!;
    const half = WRAP.width / 2;
    document.apart(() =>
      document.drawn((pdf) =>
        pdf
          .lineWidth(0.2)
          .dash(0.3, { space: 0.9 })
          .moveTo(x + half, y)
          .lineTo(x + half, y + WRAP.height)
          .stroke('#000000')
          .undash(),
      ),
    );
    const length = speakLength(cut.mm, 'cord', units);
    const number = cut.number === null ? '' : `${cut.number}  `;
    const line = (text: string, at: number, down: number, size: number, bold = false): void => {
      const style = { size, weight: bold ? 'bold' : 'regular' } as const;
      document.at('P', document.shortened(text, half - 5, style), at, y + down, style);
    };
    line(`${number}${length}`, x + 2.5, 1.6, 12, true);
    line(`${cut.colour}, ${sayFold(cut, units)}`.replace(/^, /u, ''), x + 2.5, 7.6, 8);
    line(`${piece.name}: ${cut.role}`, x + half + 2.5, 2.2, 8, true);
    line(cut.name, x + half + 2.5, 7.4, 8);
  });
  return document.end();
}

/** As many lines as there is room for; where there are more, the last says how many. */
const linesOf = ({ lines }: Tag, most: number): readonly string[] =>
  lines.length <= most
    ? lines
    : [...lines.slice(0, most - 1), `and ${lines.length - most + 1} more`];

/** Labels with a code that opens what they are of. */
export async function tagsPdf(
  title: string,
  tags: readonly Tag[],
  size: TagSize,
  paper: PaperSize,
  fonts: PaperFonts,
): Promise<Printed> {
  const document = new PaperDocument({ title, paper, fonts, foot: title });
  const own = TAGS[size];
  lay(document, tags.length, own, (i, x, y) => {
    const tag = tags[i]!;
    drawCode(document, tag, x + own.width - CODE - 2.5, y + (own.height - CODE) / 2);
    const width = own.width - CODE - 7;
    const bold = { size: 10, weight: 'bold' } as const;
    document.at('P', document.shortened(tag.title, width, bold), x + 3, y + 4, bold);
    linesOf(tag, own.lines).forEach((line, n) => {
      const style = { size: 8 } as const;
      document.at('P', document.shortened(line, width, style), x + 3, y + 9.5 + 4.2 * n, style);
    });
  });
  return document.end();
}

/** A code of squares: ISO/IEC 18004, with a quarter of it to spare where it gets dirty. */
function drawCode(document: PaperDocument, { title, url }: Tag, x: number, y: number): void {
  const { modules } = create(url, { errorCorrectionLevel: 'Q' });
  const each = CODE / modules.size;
  document.figure(
    `Code that opens ${title}`,
    (pdf) => {
      for (let row = 0; row < modules.size; row++) {
        for (let column = 0; column < modules.size; column++) {
          if (modules.get(row, column)) pdf.rect(column * each, row * each, each, each);
        }
      }
      pdf.fill('#000000');
    },
    x,
    y,
  );
}
