import { PAPER_MARGIN, PAPERS, type PaperSize } from '@coiled-strand/core';
import PDFDocument from 'pdfkit';
import { fontRuns, type FontRun, type PaperFonts, type Weight } from './fonts';

/** Points in a millimetre. */
const PT = 72 / 25.4;
/**
 * Numbers as high as capitals: they are compared, not read along. Where there is none nothing is asked for, since the
 * library then shapes every word once.
 */
const featuresOf = (
  text: string,
  running: boolean,
): { features?: PDFKit.Mixins.OpenTypeFeatures[] } =>
  !running && /\d/u.test(text) ? { features: ['lnum'] } : {};
/** Height of a line of text, in sizes of its letters. */
const LINE = 1.28;

export interface TextStyle {
  /** Size of the letters in points. */
  readonly size?: number;
  readonly weight?: Weight;
  readonly colour?: string;
  readonly align?: 'left' | 'right' | 'centre';
  /** Numbers that are read along with the words, not as high as capitals: quick where there are thousands of lines. */
  readonly running?: boolean;
}

/** What a stretch of a document is for who hears it: headings, paragraphs, entries of a list. */
export type Role = 'H1' | 'H2' | 'H3' | 'P' | 'LI';

const SIZES: Readonly<Record<Role, number>> = { H1: 22, H2: 14, H3: 11.5, P: 10, LI: 10 };

interface Setting {
  readonly title: string;
  readonly paper: PaperSize;
  readonly landscape?: boolean;
  readonly fonts: PaperFonts;
  /** Said at the foot of every page, beside its number. */
  readonly foot: string;
}

/** A file for paper, and the letters in it that are printed as a question mark. */
export interface Printed {
  readonly file: Uint8Array<ArrayBuffer>;
  readonly lost: readonly string[];
}

/**
 * A document for paper, in mm from the upper left corner: text is set in the shipped font, everything drawn is vectors,
 * and what each stretch is, is told for whoever has it read out.
 */
export class PaperDocument {
  readonly width: number;
  readonly height: number;
  /** Where the next text comes, in mm from the top. */
  y: number = PAPER_MARGIN;
  private readonly pdf: PDFKit.PDFDocument;
  private readonly root: PDFKit.PDFStructureElement;
  private readonly chunks: Uint8Array[] = [];
  private readonly done: Promise<void>;
  private readonly widths = new Map<string, number>();
  private readonly lost = new Set<string>();
  private pages = 0;

  constructor(private readonly setting: Setting) {
    const { width, height } = PAPERS[setting.paper];
    [this.width, this.height] = setting.landscape ? [height, width] : [width, height];
    this.pdf = new PDFDocument({
      size: [this.width * PT, this.height * PT],
      margin: 0,
      autoFirstPage: false,
      // None of the fonts that are never embedded.
      font: null as unknown as string,
      pdfVersion: '1.7',
      tagged: true,
      displayTitle: true,
      lang: 'en',
      info: { Title: setting.title, Creator: 'Coiled Strand' },
    });
    for (const name of ['regular', 'bold', 'regularMore', 'boldMore'] as const) {
      this.pdf.registerFont(name, setting.fonts[name]);
    }
    this.pdf.on('data', (chunk: Uint8Array) => this.chunks.push(chunk));
    this.done = new Promise((resolve) => this.pdf.on('end', () => resolve()));
    this.root = this.pdf.struct('Document');
    this.pdf.addStructure(this.root);
    this.page();
  }

  /** Width between the margins. */
  get inner(): number {
    return this.width - 2 * PAPER_MARGIN;
  }

  /** Lowest place that something may reach down to: the foot lies below it. */
  get bottom(): number {
    return this.height - PAPER_MARGIN - 5;
  }

  /** Begins another page. */
  page(): void {
    this.pdf.addPage();
    this.pages += 1;
    this.y = PAPER_MARGIN;
    const { foot } = this.setting;
    this.apart(() => {
      const style = { size: 8, colour: '#444' } as const;
      const y = this.height - PAPER_MARGIN - 3;
      this.letters(foot, PAPER_MARGIN, y, style);
      this.letters(String(this.pages), this.width - PAPER_MARGIN, y, { ...style, align: 'right' });
    });
  }

  /** Makes sure that so many mm are left on the page: what belongs together stays on one. */
  room(high: number): void {
    if (this.y + high > this.bottom && this.y > PAPER_MARGIN) this.page();
  }

  /** Something that nobody needs to hear: lines, page numbers. */
  apart(draw: () => void): void {
    this.pdf.markContent('Artifact', { type: 'Layout' });
    draw();
    this.pdf.endMarkedContent();
  }

  /** Text between two places across the page, from where the last one ended; it goes on as long as it is. */
  text(role: Role, text: string, style: TextStyle & { x?: number; width?: number } = {}): void {
    const { x = PAPER_MARGIN, width = this.width - PAPER_MARGIN - x } = style;
    const own = { size: SIZES[role], weight: weightOf(role), ...style };
    const lines = this.broken(text, width, own);
    const step = lineOf(own);
    this.room(Math.min(lines.length, 3) * step);
    // A paragraph longer than what is left of the page goes on on the next one.
    for (let i = 0; i < lines.length;) {
      const fit = Math.max(1, Math.floor((this.bottom - this.y) / step + 1e-6));
      const here = lines.slice(i, i + fit);
      this.tagged(role, () => {
        for (const line of here) {
          this.letters(line, placeOf(own.align, x, width), this.y, own);
          this.y += step;
        }
      });
      i += here.length;
      if (i < lines.length) this.page();
    }
  }

  /** How high a text will be. */
  heightOf(role: Role, text: string, width: number, style: TextStyle = {}): number {
    const own = { size: SIZES[role], weight: weightOf(role), ...style };
    return this.broken(text, width, own).length * lineOf(own);
  }

  /** One line of text at a place, told as it is drawn. */
  at(role: Role, text: string, x: number, y: number, style: TextStyle = {}): void {
    const own = { size: SIZES[role], weight: weightOf(role), ...style };
    this.tagged(role, () => this.letters(text, x, y, own));
  }

  /** A line of letters that is part of a drawing. */
  letters(text: string, x: number, y: number, style: TextStyle = {}): void {
    const {
      size = 10,
      weight = 'regular',
      colour = '#000',
      align = 'left',
      running = false,
    } = style;
    let at = x * PT;
    if (align !== 'left') at -= (this.wide(text, style) * PT) / (align === 'right' ? 1 : 2);
    this.pdf.fillColor(colour);
    for (const run of fontRuns(text, weight)) {
      for (const letter of run.lost) this.lost.add(letter);
      this.pdf
        .font(run.font)
        .fontSize(size)
        .text(run.text, at, y * PT, { lineBreak: false, ...featuresOf(run.text, running) });
      at += this.wideOf(run, running) * size;
    }
  }

  /** How wide a line of letters is, in mm. */
  wide(text: string, { size = 10, weight = 'regular', running = false }: TextStyle): number {
    let sum = 0;
    for (const run of fontRuns(text, weight)) sum += this.wideOf(run, running);
    return (sum * size) / PT;
  }

  /** How wide letters of one font are at a size of one point, in points. */
  private wideOf({ font, text }: FontRun, running: boolean): number {
    const key = `${font} ${running} ${text}`;
    let wide = this.widths.get(key);
    if (wide === undefined) {
      wide = this.pdf.font(font).fontSize(100).widthOfString(text, featuresOf(text, running)) / 100;
      this.widths.set(key, wide);
    }
    return wide;
  }

  /** A text with as much of it as goes there, ended by three dots where that is not all. */
  shortened(text: string, width: number, style: TextStyle): string {
    if (this.wide(text, style) <= width) return text;
    let shown = text;
    while (shown.length > 1 && this.wide(`${shown}…`, style) > width) shown = shown.slice(0, -1);
    return `${shown.trimEnd()}…`;
  }

  /** A drawing, told by words; drawn in mm from its upper left corner. */
  figure(alt: string, draw: (pdf: PDFKit.PDFDocument) => void, x = 0, y = 0): void {
    this.tagged('Figure', () => this.drawn(draw, x, y), { alt });
  }

  /** Draws in mm from a place. */
  drawn(draw: (pdf: PDFKit.PDFDocument) => void, x = 0, y = 0): void {
    this.pdf.save();
    this.pdf.transform(PT, 0, 0, PT, x * PT, y * PT);
    draw(this.pdf);
    this.pdf.restore();
  }

  /** A line across. */
  rule(y: number = this.y, thick = 0.2): void {
    this.apart(() =>
      this.drawn((pdf) =>
        pdf
          .lineWidth(thick)
          .moveTo(PAPER_MARGIN, y)
          .lineTo(this.width - PAPER_MARGIN, y)
          .stroke('#000'),
      ),
    );
  }

  /** The file, and what it could not say. */
  async end(): Promise<Printed> {
    this.root.end();
    this.pdf.end();
    await this.done;
    const all = new Uint8Array(this.chunks.reduce((sum, { length }) => sum + length, 0));
    let at = 0;
    for (const chunk of this.chunks) {
      all.set(chunk, at);
      at += chunk.length;
    }
    return { file: all, lost: [...this.lost] };
  }

  /** Draws something and says what it is. */
  private tagged(role: Role | 'Figure', draw: () => void, more: { alt?: string } = {}): void {
    this.root.add(this.pdf.struct(role, more, [draw]));
  }

  /** Lines of a text that are no wider than there is room; a word that is longer is broken. */
  private broken(text: string, width: number, style: TextStyle): string[] {
    const space = this.wide(' ', style);
    return text.split('\n').flatMap((paragraph) => {
      const lines: string[] = [];
      let [line, wide] = ['', 0];
      for (const word of paragraph.split(/\s+/u).flatMap((one) => this.parted(one, width, style))) {
        if (word === '') continue;
        const more = this.wide(word, style);
        if (line === '') [line, wide] = [word, more];
        else if (wide + space + more <= width) {
          line += ` ${word}`;
          wide += space + more;
        } else {
          lines.push(line);
          [line, wide] = [word, more];
        }
      }
      return [...lines, line];
    });
  }

  /** A word in pieces that are no wider than there is room. */
  private parted(word: string, width: number, style: TextStyle): string[] {
    const parts: string[] = [];
    let rest = word;
    while (rest.length > 1 && this.wide(rest, style) > width) {
      let fits = rest.length - 1;
      while (fits > 1 && this.wide(rest.slice(0, fits), style) > width) fits -= 1;
      parts.push(rest.slice(0, fits));
      rest = rest.slice(fits);
    }
    return [...parts, rest];
  }
}

const weightOf = (role: Role): Weight => (role.startsWith('H') ? 'bold' : 'regular');
const lineOf = ({ size = 10 }: TextStyle): number => (size * LINE) / PT;

const placeOf = (align: TextStyle['align'], x: number, width: number): number =>
  align === 'right' ? x + width : align === 'centre' ? x + width / 2 : x;
