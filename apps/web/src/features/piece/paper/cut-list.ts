import {
  inSentence,
  PAPER_MARGIN,
  speak,
  speakLength,
  type Piece,
  type Plan,
  type SpokenUnits,
} from '@coiled-strand/core';
import { cutsOf, sayFold } from './cuts';
import { PaperDocument, type Printed } from './document';
import type { PaperFonts } from './fonts';
import type { PaperChoice } from './strip';

/** Side of a box to tick, in mm. */
const BOX = 6;
/** Where text beside such a box begins, in mm. */
const BESIDE = PAPER_MARGIN + BOX + 4;

/** A box to tick. */
export function tickBox(document: PaperDocument, y: number): void {
  document.apart(() =>
    document.drawn((pdf) => pdf.lineWidth(0.3).rect(PAPER_MARGIN, y, BOX, BOX).stroke('#000000')),
  );
}

/** What is cut, with a box to tick and the sum behind each length. */
export function writeCuts(
  document: PaperDocument,
  plan: Plan,
  units: SpokenUnits,
  reasons: boolean,
): void {
  const cord = (mm: number): string => speakLength(mm, 'cord', units);
  for (const cut of cutsOf(plan)) {
    const sum = cut.reasons
      .map(({ label, mm }) => `${speak(inSentence(label), units)} ${cord(mm)}`)
      .join(' + ');
    const width = document.width - PAPER_MARGIN - BESIDE;
    const high = 12 + (reasons ? document.heightOf('P', sum, width, { size: 9 }) : 0);
    document.room(high);
    tickBox(document, document.y + 0.5);
    const top = document.y;
    const number = cut.number === null ? '' : `${cut.number}. `;
    document.text('H3', `${number}${cut.name}, ${cut.colour}`.replace(/, $/u, ''), {
      x: BESIDE,
      width: width - 46,
    });
    const after = document.y;
    document.at('P', cord(cut.mm), document.width - PAPER_MARGIN, top - 0.6, {
      size: 16,
      weight: 'bold',
      align: 'right',
    });
    document.at('P', sayFold(cut, units), document.width - PAPER_MARGIN, top + 6.2, {
      size: 9,
      align: 'right',
    });
    document.y = after;
    document.text('P', cut.role, { x: BESIDE, width: width - 46, size: 9 });
    document.y = Math.max(document.y, top + 11);
    if (reasons && sum !== '') document.text('P', `${sum}, rounded up`, { x: BESIDE, size: 9 });
    document.y += 3;
  }
}

/** Beads and findings to have ready. */
export function writeNeeds(document: PaperDocument, plan: Plan, units: SpokenUnits): void {
  const { beads, needs } = plan.counters;
  if (beads.length + needs.length === 0) return;
  document.room(16);
  document.text('H2', 'To have ready');
  document.y += 1;
  const rows = [
    ...beads.map(({ count, name }) => `${count} × ${name}`),
    ...needs.map(({ count, label }) => `${count} × ${speak(label, units)}`),
  ];
  for (const row of rows) {
    document.room(BOX + 1.5);
    tickBox(document, document.y);
    document.y += 0.8;
    document.text('LI', row, { x: BESIDE });
    document.y += 2.2;
  }
}

/** The list of all cords with a box to tick and the sum behind each length. */
export async function cutListPdf(
  piece: Piece,
  plan: Plan,
  { paper, units }: PaperChoice,
  fonts: PaperFonts,
): Promise<Printed> {
  const title = `${piece.name}: cut list`;
  const document = new PaperDocument({ title, paper, fonts, foot: title });
  document.text('H1', title);
  document.text('P', sayPiece(piece, plan, units));
  document.y += 4;
  writeCuts(document, plan, units, true);
  document.rule();
  document.y += 2;
  document.text('P', `Altogether ${speakLength(plan.totals.cut, 'cord', units)}.`, {
    weight: 'bold',
  });
  document.y += 4;
  writeNeeds(document, plan, units);
  return document.end();
}

/** For whom it is, how long the work is, and what it closes on. */
export function sayPiece(piece: Piece, plan: Plan, units: SpokenUnits, named = true): string {
  const size = (mm: number): string => speakLength(mm, 'laid', units);
  const { girth, length, circumference } = plan.fit;
  return [
    named ? `${piece.wearer.name}${girth > 0 ? `, ${piece.wear.site} ${size(girth)}` : ''}. ` : '',
    `${size(length)} of work`,
    circumference > 0 ? `, closes on ${size(circumference)}` : '',
    '.',
  ].join('');
}
