import {
  callAt,
  closureKind,
  drawBench,
  firstSideFor,
  makeSteps,
  PAPER_MARGIN,
  partKind,
  sideAt,
  speak,
  speakLength,
  stepPicture,
  tellTerm,
  tyingsShown,
  type MovePicture,
  type TyingShown,
  type Piece,
  type Plan,
  type Side,
  type SpokenUnits,
  type Step,
} from '@coiled-strand/core';
import { sayWait } from '../../make/make/duration';
import { sayPiece, writeCuts, writeNeeds } from './cut-list';
import { cutsOf } from './cuts';
import { PaperDocument, type Printed } from './document';
import type { PaperFonts } from './fonts';
import { drawLayers, drawShapes } from './ink';
import type { PaperChoice } from './strip';

export interface BookletChoice extends PaperChoice {
  /** For somebody else to make: without the name of a wearer and the maker's own notes. */
  readonly kit: boolean;
}

/** Size of the picture of a step, and of the words beside it, in mm. */
const PICTURE = { width: 62, height: 48 } as const;
const GUTTER = 6;
/** Size of the letters in which every very unit is called out, in points: there may be hundreds. */
const CALL = 7.8;
/** Highest that the picture of the whole piece may be, in mm. */
const WHOLE = 60;

/** Everything that a maker needs on the bench: what to have ready, what to cut, every step with its picture. */
export async function bookletPdf(
  piece: Piece,
  plan: Plan,
  choice: BookletChoice,
  fonts: PaperFonts,
): Promise<Printed> {
  const { paper, units, hand, kit } = choice;
  const steps = makeSteps(piece, plan, { hand });
  const document = new PaperDocument({
    title: `${piece.name}: how it is made`,
    paper,
    fonts,
    foot: `${piece.name}, told for ${hand === 'left' ? 'left' : 'right'}-handed makers`,
  });
  document.text('H1', piece.name);
  document.text('P', sayPiece(piece, plan, units, !kit));
  document.text('P', `${closureKind(piece.closure.type).entry.label}.`);
  if (!kit && piece.note !== undefined && piece.note.trim() !== '') document.text('P', piece.note);
  document.y += 4;
  drawWhole(document, piece, plan, hand);
  writeNeeds(document, plan, units);
  document.y += 3;
  document.room(30);
  document.text('H2', 'To cut');
  document.y += 1;
  writeCuts(document, plan, units, false);
  writeList(document, 'Take care', cautionsIn(steps));
  writeList(document, 'What to know', adviceIn(plan, units));
  document.page();
  document.text('H2', 'How it is made');
  document.y += 2;
  /** Steps by what they tie: it is shown once. */
  const shown = new Map<string, number>();
  steps.forEach((step, i) =>
    writeStep(document, { piece, plan, units, hand, step, number: i + 1, shown }),
  );
  writeMeasures(document, piece, plan, units);
  return document.end();
}

/** The whole piece, as wide as the page: not at true size where it is longer. */
function drawWhole(document: PaperDocument, piece: Piece, plan: Plan, hand: Side): void {
  const { bounds, layers } = drawBench(piece, plan, {
    tails: false,
    firstSide: firstSideFor(hand),
  });
  const scale = Math.min(1, document.inner / bounds.width, WHOLE / bounds.height);
  document.room(bounds.height * scale);
  document.figure(
    `${piece.name}, all of it: ${piece.parts.map(({ kind }) => partKind(kind).entry.label.toLowerCase()).join(', ')}`,
    (pdf) => {
      // As it lies on the table, start on the left: what is above on the bench is below here.
      pdf.scale(scale, -scale).translate(-bounds.x, -bounds.y - bounds.height);
      drawLayers(pdf, layers, scale);
    },
    PAPER_MARGIN + (document.inner - bounds.width * scale) / 2,
    document.y,
  );
  document.y += bounds.height * scale + 5;
}

/** A heading with a list under it; nothing where there is nothing to list. */
function writeList(document: PaperDocument, title: string, lines: readonly string[]): void {
  if (lines.length === 0) return;
  document.y += 3;
  document.room(20);
  document.text('H2', title);
  document.y += 1;
  for (const line of lines) {
    document.text('LI', `• ${line}`);
    document.y += 1;
  }
}

/** All cautions of the work, each once. */
const cautionsIn = (steps: readonly Step[]): string[] => [
  ...new Set(steps.flatMap(({ cautions }) => cautions.map(({ text }) => text))),
];

/** What the plan has to say of this piece, as on the screen. */
const adviceIn = ({ advice }: Plan, units: SpokenUnits): string[] =>
  advice.map(({ message, remedy }) => `${speak(message, units)} ${speak(remedy, units)}`);

/** As many different calls by turns are told as such; others one after the other. */
const BY_TURNS = 4;

/**
 * What each very unit is: by turns where few come again and again, else one after the other, those that are alike
 * together.
 *
 * @returns lines, numbered as the units are counted; none where all are alike
 */
function sayCalls(step: Step, units: SpokenUnits): readonly string[] {
  const calls = Array.from({ length: step.units }, (_, unit) => {
    const call = callAt(step, unit);
    return call === null ? '' : speak(call, units);
  });
  const turns = calls.findIndex(
    (_, period) => period > 0 && calls.every((call, i) => call === calls[i % period]),
  );
  if (turns === 1 || calls.every((call) => call === '')) return [];
  if (turns > 1 && turns <= BY_TURNS) {
    return [`By turns: ${calls.slice(0, turns).join('; then ')}.`];
  }
  const from = step.from ?? 0;
  const runs: { readonly first: number; last: number; readonly call: string }[] = [];
  calls.forEach((call, unit) => {
    const run = runs.at(-1);
    if (run?.call === call) run.last = unit;
    else runs.push({ first: unit, last: unit, call });
  });
  return runs.map(({ first, last, call }) => {
    const number = from + first + 1;
    return `${first === last ? number : `${number} to ${from + last + 1}`}. ${call}`;
  });
}

interface Told {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly units: SpokenUnits;
  readonly hand: Side;
  readonly step: Step;
  readonly number: number;
  /** The step in which each knot was shown move by move. */
  readonly shown: Map<string, number>;
}

/** How often a step is done, and on which sides. */
function sayUnits(step: Step): string {
  const { units, unitName, sides } = step;
  if (units <= 1) return '';
  const times = unitName === undefined ? `${units} times` : `${units} × ${unitName}`;
  if (!sides || sides.length === 0) return times;
  const first = sideAt(step, 0);
  const by = sides.length === 1 ? `always from the ${first}` : `the first from the ${first}`;
  return `${times}, ${by}`;
}

interface Size {
  readonly width: number;
  readonly height: number;
}

/** A drawing in a rectangle of the page, as large as it fits. */
function pictureAt(
  document: PaperDocument,
  alt: string,
  { frame, shapes }: Pick<MovePicture, 'frame' | 'shapes'>,
  { width, height }: Size,
  x: number,
  y: number,
): void {
  document.figure(
    alt,
    (pdf) => {
      pdf.rect(0, 0, width, height).clip();
      const scale = Math.min(width / frame.width, height / frame.height);
      pdf.translate((width - frame.width * scale) / 2, (height - frame.height * scale) / 2);
      pdf.scale(scale).translate(-frame.x, -frame.y);
      drawShapes(pdf, shapes, 'moves', scale);
    },
    x,
    y,
  );
}

/** Pictures of moves in a row of a page, and how high each is. */
const IN_A_ROW = 4;
const MOVE_HIGH = 32;
/** What the sentences of a row take at most, about, in mm. */
const HEAD_HIGH = 20;
const MOVE_TEXT = { size: 8.4 } as const;

/** A knot move by move: what lies there, a picture with a sentence for each move, and how it is drawn up. */
function writeMoves(document: PaperDocument, { name, ground, moves, drawUp }: TyingShown): void {
  const width = (document.inner - (IN_A_ROW - 1) * GUTTER) / IN_A_ROW;
  const heading = `${name}. ${ground.join(' ')}`;
  // What lies there is not left alone at the foot of a page.
  document.room(MOVE_HIGH + HEAD_HIGH + document.heightOf('P', heading, document.inner, MOVE_TEXT));
  document.text('P', heading, MOVE_TEXT);
  document.y += 1;
  for (let first = 0; first < moves.length; first += IN_A_ROW) {
    const row = moves.slice(first, first + IN_A_ROW);
    const told = row.map(({ text }, i) => `${first + i + 1}. ${text}`);
    const high = Math.max(...told.map((text) => document.heightOf('P', text, width, MOVE_TEXT)));
    document.room(MOVE_HIGH + 1 + high + 3);
    const top = document.y;
    row.forEach((move, i) => {
      const x = PAPER_MARGIN + i * (width + GUTTER);
      pictureAt(document, move.text, move, { width, height: MOVE_HIGH }, x, top);
      document.y = top + MOVE_HIGH + 1;
      document.text('P', told[i]!, { ...MOVE_TEXT, x, width });
    });
    document.y = top + MOVE_HIGH + 1 + high + 3;
  }
  for (const text of drawUp) document.text('P', text, MOVE_TEXT);
  document.y += 3;
}

/** A step: its picture beside what is done. */
function writeStep(
  document: PaperDocument,
  { piece, plan, units, hand, step, number, shown }: Told,
): void {
  const picture = stepPicture(piece, plan, step, 0, firstSideFor(hand));
  const x = PAPER_MARGIN + (picture ? PICTURE.width + GUTTER : 0);
  const width = document.width - PAPER_MARGIN - x;
  const title = `${number}. ${speak(step.title, units)}`;
  const often = sayUnits(step);
  const told: readonly string[] = [
    speak(step.text, units),
    ...(step.terms ?? []).map(tellTerm),
    ...(step.mistakes ?? []).map((text) => `Often goes wrong: ${text}`),
    ...step.cautions.map(({ text }) => `Take care: ${text}`),
    ...(step.wait ? [sayWait(step.wait)] : []),
    ...(step.ends
      ? [
          `Stays: ${step.ends.stays.map((end) => speak(end, units)).join('; ') || 'nothing'}.`,
          `Goes: ${step.ends.goes.map((end) => speak(end, units)).join('; ') || 'nothing'}.`,
        ]
      : []),
  ].filter((text) => text !== '');
  const high =
    document.heightOf('H3', title, width) +
    (often === '' ? 0 : document.heightOf('P', often, width)) +
    told.reduce((sum, text) => sum + document.heightOf('P', text, width) + 1, 0);
  document.room(Math.max(high, picture ? PICTURE.height : 0) + 3);
  document.rule();
  document.y += 2;
  const top = document.y;
  if (picture)
    pictureAt(document, `Picture of step ${number}`, picture, PICTURE, PAPER_MARGIN, top);
  document.text('H3', title, { x, width });
  if (often !== '') document.text('P', often, { x, width, weight: 'bold' });
  for (const text of told) {
    document.text('P', text, { x, width });
    document.y += 1;
  }
  document.y = Math.max(document.y, picture ? top + PICTURE.height : 0) + 3;
  for (const tying of tyingsShown(piece, step)) {
    const before = shown.get(tying.name);
    if (before !== undefined) {
      document.text('P', `${tying.name}: move by move in step ${before}.`, MOVE_TEXT);
      continue;
    }
    shown.set(tying.name, number);
    writeMoves(document, tying);
  }
  for (const call of sayCalls(step, units))
    document.text('LI', call, { size: CALL, running: true });
  document.y += 1;
}

/** Lines to fill in by hand: what was cut, what it came to, what is left. */
function writeMeasures(
  document: PaperDocument,
  piece: Piece,
  plan: Plan,
  units: SpokenUnits,
): void {
  document.page();
  document.text('H2', 'What it came to');
  document.text(
    'P',
    'Write down what you measure, and enter it in the log: the next cut list goes by your own hand.',
  );
  document.y += 4;
  const cord = (mm: number): string => speakLength(mm, 'cord', units);
  for (const { number, name, mm, given } of cutsOf(plan)) {
    if (given) continue;
    fillIn(document, `${number === null ? '' : `${number}. `}${name}`, [
      `cut (planned ${cord(mm)})`,
      'left over',
    ]);
  }
  const size = speakLength(plan.fit.length, 'laid', units);
  fillIn(document, 'The work', [`length (planned ${size})`, 'closes on']);
  for (const [i, part] of plan.parts.entries()) {
    if (part.layout.units <= 1) continue;
    const { label } = partKind(piece.parts[i]!.kind).entry;
    fillIn(document, label, [`tied (planned ${part.layout.units})`, 'length']);
  }
  fillIn(document, 'Time', ['begun', 'finished']);
}

/** Something to measure, with lines to write on. */
function fillIn(document: PaperDocument, what: string, values: readonly [string, string]): void {
  const high = 15;
  document.room(high);
  const { y } = document;
  const third = document.inner / 3;
  document.at(
    'P',
    document.shortened(what, third - 4, { size: 10, weight: 'bold' }),
    PAPER_MARGIN,
    y + 3,
    { weight: 'bold' },
  );
  values.forEach((value, i) => {
    const x = PAPER_MARGIN + (i + 1) * third;
    document.apart(() =>
      document.drawn((pdf) =>
        pdf
          .lineWidth(0.2)
          .moveTo(x, y + 8)
          .lineTo(x + third - 6, y + 8)
          .stroke('#000000'),
      ),
    );
    document.at('P', document.shortened(value, third - 6, { size: 8 }), x, y + 8.6, { size: 8 });
  });
  document.y += high;
}
