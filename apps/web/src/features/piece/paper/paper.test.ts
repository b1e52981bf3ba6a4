/** @jest-environment node */
import { afterAll, describe, expect, it } from '@jest/globals';
import { deep } from '../../../../../../scripts/lib/deep.mjs';
import { EXAMPLE_PIECE, planPiece, TEMPLATES, type Piece, type Plan } from '@coiled-strand/core';
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { fileURLToPath } from 'node:url';
import { fontRuns, type PaperFonts } from './fonts';
import { printed, type PaperOrder } from './order';
import { savedMessage } from './saved-message';
import { unpackedFont } from './unpacked';

const { resolve } = createRequire(import.meta.url);
const file = (name: string): Promise<ArrayBuffer> =>
  unpackedFont(
    Uint8Array.from(readFileSync(resolve(`@fontsource/rosario/files/rosario-${name}-normal.woff`)))
      .buffer,
  );
const FONTS: PaperFonts = {
  regular: await file('latin-400'),
  bold: await file('latin-600'),
  regularMore: await file('latin-ext-400'),
  boldMore: await file('latin-ext-600'),
};
const CHOICE = {
  paper: 'a4',
  units: { unit: 'cm', cordUnit: 'cm' },
  hand: 'right',
} as const;

function planned(piece: Piece): Plan {
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error('it was not planned');
  return plan;
}
const template = (id: string): Piece =>
  TEMPLATES.find((one) => one.id === id)!.make({
    name: 'Zażółć',
    wearer: { name: 'Ola', wrist: 165, hand: 205, neck: 360, ankle: 220, head: 560 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  });
const PLAN = planned(EXAMPLE_PIECE);

interface Word {
  readonly text: string;
  /** In mm from the lower left corner. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
}
/** What a general-purpose reader finds in a file; lengths in mm. */
interface Read {
  readonly title: string;
  readonly tagged: boolean;
  readonly pages: readonly {
    readonly width: number;
    readonly height: number;
    readonly words: readonly Word[];
    readonly paths: readonly (readonly [x0: number, y0: number, x1: number, y1: number])[];
    readonly roles: readonly string[];
  }[];
}
const READER = fileURLToPath(
  new URL('../../../../../../scripts/lib/read-pdf.mjs', import.meta.url),
);
const folder = mkdtempSync(join(tmpdir(), 'coiled-strand-pdf-'));
const reader = spawn(process.execPath, [READER], { stdio: ['pipe', 'pipe', 'inherit'] });
const answers = createInterface({ input: reader.stdout })[Symbol.asyncIterator]();
afterAll(() => {
  reader.stdin.end();
  rmSync(folder, { recursive: true });
});

let files = 0;
async function read(file: Uint8Array): Promise<Read> {
  const path = join(folder, `${files++}.pdf`);
  writeFileSync(path, file);
  reader.stdin.write(`${path}\n`);
  const { value } = (await answers.next()) as { value: string };
  const answer = JSON.parse(value) as Read | { readonly error: string };
  if ('error' in answer) throw new Error(answer.error);
  return answer;
}
const printedAndRead = async (order: PaperOrder): Promise<Read> =>
  await read((await printed(order, FONTS)).file);
const allWords = ({ pages }: Read): string =>
  pages.flatMap(({ words }) => words.map(({ text }) => text)).join(' ');
const near = (a: number, b: number, off = 0.02): boolean => Math.abs(a - b) < off;
const sized = ({ pages: [page] }: Read, width: number, height: number): number =>
  page!.paths.filter(([x0, y0, x1, y1]) => near(x1 - x0, width) && near(y1 - y0, height)).length;

describe('a strip', () => {
  const strip = { what: 'strip', piece: EXAMPLE_PIECE, plan: PLAN, choice: CHOICE } as const;
  it('lies on a sheet of the size that was asked for', async () => {
    const sizes = { a4: [297, 210], letter: [279.4, 215.9] } as const;
    for (const paper of ['a4', 'letter'] as const) {
      const { pages } = await printedAndRead({ ...strip, choice: { ...CHOICE, paper } });
      expect(pages[0]!.width).toBeCloseTo(sizes[paper][0], 2);
      expect(pages[0]!.height).toBeCloseTo(sizes[paper][1], 2);
    }
  });
  it('has a square of 50 mm, and the work and its rule as long as they are', async () => {
    const file = await printedAndRead(strip);
    expect(sized(file, 50, 50)).toBe(1);
    const [{ words, paths }] = file.pages as [Read['pages'][number]];
    // Numbers of the rule stand centred below their lines.
    const zero = words.find(({ text, y }) => text === '0' && y > 20)!;
    const at = (label: string): number => {
      const { x, width } = words.find(({ text, y }) => text === label && near(y, zero.y, 0.3))!;
      return x + width / 2;
    };
    expect(at('20') - at('0')).toBeCloseTo(200, 0);
    expect(at('10') - at('0')).toBeCloseTo(100, 0);
    // Lines stand where the closure begins: at nought and at the length of the work.
    const upright = paths.filter(([x0, , x1]) => near(x0, x1)).map(([x]) => x - at('0'));
    expect(upright.some((x) => near(x, 0, 0.2))).toBe(true);
    expect(upright.some((x) => near(x, PLAN.fit.length, 0.2))).toBe(true);
    // And one where every half knot ends.
    const { length, units } = PLAN.parts[0]!.layout;
    for (let unit = 1; unit <= units; unit++) {
      expect(upright.some((x) => near(x, (unit * length) / units, 0.2))).toBe(true);
    }
  });
  it('counts to the last half knot, says what it is, and what each stretch is', async () => {
    const file = await printedAndRead(strip);
    const { units } = PLAN.parts[0]!.layout;
    expect(file.pages[0]!.words.some(({ text }) => text === String(units))).toBe(true);
    expect(file.title).toBe('Example: strip at true size');
    expect(file.tagged).toBe(true);
    expect(file.pages[0]!.roles).toEqual(expect.arrayContaining(['Document', 'H1', 'P', 'Figure']));
  });
  it('comes in rows that overlap where it is longer than a sheet', async () => {
    const piece = template('lariat');
    const file = await printedAndRead({ ...strip, piece, plan: planned(piece) });
    expect(file.pages.length).toBeGreaterThan(1);
    const all = file.pages.flatMap(({ words }) => words.map(({ text }) => text));
    for (const letter of ['A', 'B', 'C']) {
      expect(all.filter((word) => word === letter)).toHaveLength(2);
    }
  });
});

describe('a booklet', () => {
  const order = (piece: Piece, kit: boolean): PaperOrder => ({
    what: 'booklet',
    piece,
    plan: planned(piece),
    choice: { ...CHOICE, kit },
  });
  it('tells every step, what to cut, and the cautions, and leaves lines to write on', async () => {
    const all = allWords(await printedAndRead(order(EXAMPLE_PIECE, false)));
    for (const words of ['To cut', 'To have ready', 'Take care', 'Tie square knots', 'left over']) {
      expect(all).toContain(words);
    }
  });
  it('calls out every knot of a band, and what comes by turns as that', async () => {
    const band = template('floss-stripe');
    const all = allWords(await printedAndRead(order(band, true)));
    const { units } = planned(band).parts.find(({ kind }) => kind === 'knotted-floss')!.layout;
    expect(all).toMatch(/ 1\. Row 1: strand/u);
    expect(all).toContain(` ${units}. Row`);
    const beads = allWords(await printedAndRead(order(template('alternating-band'), true)));
    expect(beads).toContain('By turns: Moonstone');
  });
  it('says the waits and what the plan warns of, as the screen does', async () => {
    const all = allWords(await printedAndRead(order(template('focal-cord'), false)));
    expect(all).toContain('Then wait 24 hours while the glue cures. Do not wear it');
    expect(all).toContain('What to know');
    expect(all).toContain('the button just passes, since a loop loosens. Try the button');
  });
  it('for a kit names no wearer and none of the maker’s own notes', async () => {
    const piece = { ...EXAMPLE_PIECE, note: 'Her birthday is in May' };
    const mine = allWords(await printedAndRead(order(piece, false)));
    const kit = allWords(await printedAndRead(order(piece, true)));
    expect(mine).toContain('birthday');
    expect(mine).toContain(piece.wearer.name);
    expect(kit).not.toContain('birthday');
    expect(kit).not.toContain(piece.wearer.name);
  });
  it('is told for the left hand and in inches where that is asked for', async () => {
    const asked = order(EXAMPLE_PIECE, false);
    const all = allWords(
      await printedAndRead({
        ...asked,
        choice: { ...CHOICE, units: { unit: 'in', cordUnit: 'ft' }, hand: 'left', kit: false },
      } as PaperOrder),
    );
    expect(all).toContain('told for left-handed makers');
    expect(all).toMatch(/ft \d/u);
    expect(all).not.toContain(' cm');
  });
  it('embeds the letters that it uses, and none besides; what no file has is not lost', async () => {
    const { file, lost } = await printed(
      order({ ...EXAMPLE_PIECE, name: 'Zażółć gęślą' }, false),
      FONTS,
    );
    expect(lost).toEqual([]);
    expect(allWords(await read(file))).toMatch(/Za\s*ż\s*ó\s*ł\s*ć/u);
    // The mark of a subset: six letters and a plus.
    const names =
      Buffer.from(file)
        .toString('latin1')
        .match(/\/FontName \/\S+/gu) ?? [];
    expect(names.length).toBeGreaterThan(1);
    for (const name of names) expect(name).toMatch(/\/[A-Z]{6}\+Rosario/u);
    expect(file.length).toBeLessThan(400_000);
    expect(fontRuns('a漢b', 'regular').map((run) => run.text)).toEqual(['a?b']);
  });
  it('says which letters it has no shape for, each once', async () => {
    const made = await printed(order({ ...EXAMPLE_PIECE, name: 'Жемчуг 漢漢' }, false), FONTS);
    expect(made.lost.toSorted()).toEqual([...'Жемчуг漢'].toSorted());
    expect(allWords(await read(made.file))).toContain('?????? ??');
    expect(savedMessage('x.pdf', made.lost)).toMatch(/^x\.pdf is saved\. .*Ж.*漢/u);
    expect(savedMessage('x.pdf', [])).toBe('x.pdf is saved.');
  });
});

describe('labels', () => {
  it('go round every cord that is cut, with its length', async () => {
    const piece = template('floss-chevron');
    const plan = planned(piece);
    const all = allWords(
      await printedAndRead({ what: 'cord-labels', piece, plan, choice: CHOICE }),
    );
    for (const { number } of plan.strands) expect(all).toContain(`${number} `);
    expect(all).toContain('fold at');
  });
  it('have a code each, go on on further sheets, and shorten what does not fit', async () => {
    const tags = Array.from({ length: 30 }, (_, i) => ({
      title: `Cord ${i} with a name that is much too long for the label`,
      lines: ['12 m left'],
      url: `http://bench.example:4173/stash/${i}`,
    }));
    const document = await printedAndRead({
      what: 'tags',
      title: 'Stash',
      tags,
      size: 'small',
      paper: 'letter',
    });
    expect(document.pages).toHaveLength(2);
    const all = allWords(document);
    expect(all).toContain('Cord 29');
    expect(all).toContain('…');
    expect(sized(document, 61, 36)).toBe(18);
    const long = await printedAndRead({
      what: 'tags',
      title: 'Pack',
      tags: [{ ...tags[0]!, lines: Array.from({ length: 20 }, (_, i) => `line ${i}`) }],
      size: 'large',
      paper: 'a4',
    });
    expect(allWords(long)).toContain('and 10 more');
  });
});

const PAPERS: readonly ('strip' | 'cut-list' | 'cord-labels')[] = [
  'strip',
  'cut-list',
  'cord-labels',
];
/** Whose steps fill few pages, of each kind of work one. */
const BOOKLETS: readonly string[] = [
  'buckle-band',
  'focal-cord',
  'chain-necklace',
  'wrapped-stone',
];

describe('every template', () => {
  it.each(TEMPLATES.map(({ id }) => [id]))('%s goes on paper in all ways', async (id) => {
    const piece = template(id);
    const plan = planned(piece);
    for (const what of deep(PAPERS, [
      PAPERS[TEMPLATES.findIndex((one) => one.id === id) % PAPERS.length]!,
    ])) {
      const document = await printedAndRead({ what, piece, plan, choice: CHOICE });
      for (const { words, width, height } of document.pages) {
        expect(words.length).toBeGreaterThan(0);
        const outside = words.filter(
          (word) =>
            !(word.x > 4 && word.x + word.width < width - 4 && word.y > 4 && word.y < height - 4),
        );
        expect(outside).toEqual([]);
      }
    }
    if (!deep(true, BOOKLETS.includes(id))) return;
    const book = await printedAndRead(order(piece, plan));
    expect(book.pages.length).toBeGreaterThan(1);
  });
  const order = (piece: Piece, plan: Plan): PaperOrder => ({
    what: 'booklet',
    piece,
    plan,
    choice: { ...CHOICE, kit: true },
  });
});
