import type { Point } from '../../base/kind/primitive.js';

// Hundredths of a millimetre are finer than any screen or printer here, and keep the paths short.
export const two = (value: number): string => String(Math.round(value * 100) / 100);

/** Whether a point is so near to the one before that both are drawn as one. */
const isNear = (x: number, y: number, lastX: number, lastY: number, step: number): boolean =>
  Math.abs(x - lastX) < step && Math.abs(y - lastY) < step;

/**
 * The points of a line in mm that can be told apart; its first and last always stay.
 *
 * @param step points nearer than this to the one before, in mm, are left out
 */
export function pointsSeen(line: readonly Point[], step: number): readonly Point[] {
  if (step <= 0) return line;
  const seen: Point[] = [];
  const end = line.length - 1;
  let lastX = 0;
  let lastY = 0;
  for (let i = 0; i <= end; i++) {
    const point = line[i]!;
    const [x, y] = point;
    if (i > 0 && i < end && isNear(x, y, lastX, lastY, step)) continue;
    lastX = x;
    lastY = y;
    seen.push(point);
  }
  return seen;
}

const codeOf = (letter: string): number => letter.charCodeAt(0);
const [MOVE, LINE, CLOSE] = [codeOf('M'), codeOf('L'), codeOf('Z')];
const [SPACE, MINUS, DOT, NOUGHT] = [codeOf(' '), codeOf('-'), codeOf('.'), codeOf('0')];

/** Bytes that a letter and a number take at most. */
const MAX_BYTES = 32;
/** So many characters are made a string at once: they go through the stack. */
const CHUNK = 8192;
/** From here on hundredths are no whole numbers any more that can be counted. */
const COUNTABLE = 2 ** 31;

/**
 * Where path data is written, byte by byte. A line is drawn anew with every move of a hand, and put
 * together with `+=` it would be a rope of many thousand short strings each time.
 */
let sheet = new Uint8Array(1 << 14);

/** Writes a text at a place of the sheet. @returns the place behind it */
function writeText(text: string, from: number): number {
  for (let i = 0; i < text.length; i++) sheet[from + i] = text.charCodeAt(i);
  return from + text.length;
}

/**
 * Writes a number of hundredths as `two` does. It is given rounded already: small whole numbers are handed
 * over as they are, others each in a box of their own.
 *
 * @returns the place behind it
 */
function writeNumber(rounded: number, from: number): number {
  if (!(Math.abs(rounded) < COUNTABLE)) return writeText(String(rounded / 100), from);
  let hundredths = rounded;
  let at = from;
  if (hundredths < 0) {
    sheet[at++] = MINUS;
    hundredths = -hundredths;
  }
  let whole = (hundredths / 100) | 0;
  const fraction = (hundredths - 100 * whole) | 0;
  let digits = 1;
  for (let next = 10; next <= whole; next *= 10) digits++;
  for (let i = at + digits - 1; i >= at; i--) {
    const tens = (whole / 10) | 0;
    sheet[i] = NOUGHT + whole - 10 * tens;
    whole = tens;
  }
  at += digits;
  if (fraction === 0) return at;
  sheet[at++] = DOT;
  const tenths = (fraction / 10) | 0;
  sheet[at++] = NOUGHT + tenths;
  if (fraction !== 10 * tenths) sheet[at++] = NOUGHT + fraction - 10 * tenths;
  return at;
}

/** What is written on the sheet up to a place. */
function written(to: number): string {
  let text = '';
  for (let from = 0; from < to; from += CHUNK) {
    text += Reflect.apply(
      String.fromCharCode,
      null,
      sheet.subarray(from, Math.min(to, from + CHUNK)),
    );
  }
  return text;
}

/** Makes sure that there is room behind a place of the sheet. */
function makeRoom(at: number): void {
  if (at + 2 * MAX_BYTES <= sheet.length) return;
  const larger = new Uint8Array(2 * sheet.length);
  larger.set(sheet);
  sheet = larger;
}

/**
 * Path data for lines in mm; closed outlines end in Z.
 *
 * @param step points nearer than this to the one before are left out: see `pointsSeen`
 * @example svgPath([[[0, 0], [12.345, -1]]]) // 'M0 0L12.35 -1'
 */
export function svgPath(lines: readonly (readonly Point[])[], closed = false, step = 0): string {
  let at = 0;
  for (const line of lines) {
    const end = line.length - 1;
    let lastX = 0;
    let lastY = 0;
    for (let i = 0; i <= end; i++) {
      const point = line[i]!;
      const x = point[0];
      const y = point[1];
      if (i > 0 && i < end && isNear(x, y, lastX, lastY, step)) continue;
      lastX = x;
      lastY = y;
      makeRoom(at);
      sheet[at++] = i === 0 ? MOVE : LINE;
      at = writeNumber(Math.round(x * 100), at);
      sheet[at++] = SPACE;
      at = writeNumber(Math.round(y * 100), at);
    }
    makeRoom(at);
    if (closed) sheet[at++] = CLOSE;
  }
  return written(at);
}
