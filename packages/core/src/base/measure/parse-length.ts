import { isImperial, MM_PER_UNIT, type LengthUnit } from './units.js';

/** Why a spoken length could not be read, and what the maker may have meant. */
export interface LengthError {
  readonly code: 'empty' | 'unreadable' | 'ambiguous' | 'negative' | 'mixed-units';
  readonly message: string;
  /** Texts that parse; the first is the likeliest. Empty when nothing can be guessed. */
  readonly suggestions: readonly string[];
}

export type ParsedLength =
  | { readonly ok: true; readonly mm: number; readonly unit: LengthUnit }
  | { readonly ok: false; readonly error: LengthError };

const UNIT_WORDS: readonly (readonly [RegExp, LengthUnit])[] = [
  [/^(?:mm|millimet(?:er|re)s?)\b\.?/, 'mm'],
  [/^(?:cm|centimet(?:er|re)s?)\b\.?/, 'cm'],
  [/^(?:m|met(?:er|re)s?)(?![a-z])\.?/, 'm'],
  [/^(?:in|inch|inches)(?![a-z])\.?/, 'in'],
  [/^(?:''|"|″|”|“)/, 'in'],
  [/^(?:ft|foot|feet)(?![a-z])\.?/, 'ft'],
  [/^(?:'|′|’|‘)/, 'ft'],
  [/^(?:yd|yds|yard|yards)(?![a-z])\.?/, 'yd'],
];

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

interface NumberToken {
  readonly value: number;
  readonly fraction: { readonly denominator: number } | null;
  readonly decimal: boolean;
  readonly text: string;
}
interface Term {
  readonly number: NumberToken;
  readonly unit: LengthUnit | null;
}

class Unreadable extends Error {
  constructor(readonly detail: LengthError) {
    super(detail.message);
  }
}

const fail = (
  code: LengthError['code'],
  message: string,
  suggestions: readonly string[] = [],
): never => {
  throw new Unreadable({ code, message, suggestions });
};

/** Reads one number from the front of the text: `7`, `7.5`, `7,5`, `7 5/8`, `7-5/8`, `5/8`. */
function readNumber(text: string): readonly [NumberToken, string] {
  const mixed = /^(\d+)(?:\s+|-)(\d+)\/(\d+)/.exec(text);
  if (mixed) {
    const [all, whole, top, bottom] = mixed as unknown as [string, string, string, string];
    return [fractionToken(Number(whole), Number(top), Number(bottom), all), text.slice(all.length)];
  }
  const simple = /^(\d+)\/(\d+)/.exec(text);
  if (simple) {
    const [all, top, bottom] = simple as unknown as [string, string, string];
    return [fractionToken(0, Number(top), Number(bottom), all), text.slice(all.length)];
  }
  const decimal = /^(?:\d[\d.,]*|[.,]\d+)/.exec(text);
  if (!decimal) {
    return fail(
      'unreadable',
      `“${text.trim()}” is not a length. Write a number and a unit, as in 17 cm or 7 5/8 in.`,
    );
  }
  const raw = decimal[0];
  const rest = text.slice(raw.length);
  const separators = raw.replace(/\d/g, '');
  if (separators.length > 1) {
    fail(
      'ambiguous',
      `“${raw}” has more than one decimal mark. Write it without separators between thousands.`,
      [raw.replace(/[.,](?=.*[.,])/g, ''), raw.replace(/[.,]/g, '')],
    );
  }
  if (separators === ',' && /^\d{1,3},\d{3}$/.test(raw)) {
    fail('ambiguous', `“${raw}” may be a decimal or a number of thousands.`, [
      raw.replace(',', '.'),
      raw.replace(',', ''),
    ]);
  }
  if (/[.,]$/.test(raw)) {
    fail('unreadable', `“${raw}” ends in a decimal mark.`, [raw.slice(0, -1)]);
  }
  return [
    {
      value: Number(raw.replace(',', '.')),
      fraction: null,
      decimal: separators !== '',
      text: raw,
    },
    rest,
  ];
}

function fractionToken(whole: number, top: number, bottom: number, text: string): NumberToken {
  if (bottom === 0) fail('unreadable', `“${text}” divides by zero.`);
  return {
    value: whole + top / bottom,
    fraction: { denominator: bottom },
    decimal: false,
    text,
  };
}

function readUnit(text: string): readonly [LengthUnit | null, string] {
  for (const [pattern, unit] of UNIT_WORDS) {
    const hit = pattern.exec(text);
    if (hit) return [unit, text.slice(hit[0].length)];
  }
  const word = /^[a-z]+/i.exec(text);
  if (word) {
    fail('unreadable', `“${word[0]}” is not a unit known here. Use mm, cm, m, in, ft or yd.`);
  }
  return [null, text];
}

function readTerms(text: string): Term[] {
  const terms: Term[] = [];
  let rest = text;
  while (rest.trim() !== '') {
    rest = rest.trimStart().replace(/^(?:,|and)\s+(?=\d)/, '');
    const [number, afterNumber] = readNumber(rest);
    // "6-inch" is how many people write it; the dash is no minus sign.
    const [unit, afterUnit] = readUnit(afterNumber.replace(/^\s*-?\s*(?=\D)/, ''));
    terms.push({ number, unit });
    rest = afterUnit;
  }
  return terms;
}

/** The unit a second, smaller number stands in when it follows the first: 2'6 means 6 inches. */
const NEXT_SMALLER: Partial<Record<LengthUnit, LengthUnit>> = { ft: 'in', m: 'cm', yd: 'ft' };

function bareUnit(number: NumberToken, fallback: LengthUnit | undefined): LengthUnit {
  const bottom = number.fraction?.denominator;
  if (bottom !== undefined && (fallback === undefined || !isImperial(fallback))) {
    // Halves, quarters, eighths... without a unit are how inches are spoken; nobody reads thirds off
    // an inch rule, so those stay a question.
    const rule = (bottom & (bottom - 1)) === 0 && bottom <= 64;
    if (rule) return 'in';
    fail('ambiguous', `“${number.text}” has no unit.`, [
      `${number.text} in`,
      `${number.text} ${fallback ?? 'cm'}`,
    ]);
  }
  if (fallback !== undefined) return fallback;
  return fail('ambiguous', `“${number.text}” has no unit.`, [
    `${number.text} cm`,
    `${number.text} in`,
    `${number.text} mm`,
  ]);
}

function resolve(terms: readonly Term[], fallback: LengthUnit | undefined): ParsedLength {
  const [first, second, third] = terms as readonly [Term, Term?, Term?];
  if (third) {
    fail('unreadable', 'A length has at most two parts, as in 2 ft 6 in.');
  }
  if (!second) {
    const unit = first.unit ?? bareUnit(first.number, fallback);
    return { ok: true, mm: first.number.value * MM_PER_UNIT[unit], unit };
  }
  const a = first.number;
  const b = second.number;
  if (first.unit === null) {
    return fail('ambiguous', `“${a.text} ${b.text}” may be two lengths or one.`, [
      `${a.text}.${b.text.replace(/\D/g, '')} ${second.unit ?? fallback ?? 'cm'}`,
      `${a.text} ft ${b.text} in`,
    ]);
  }
  const smaller = NEXT_SMALLER[first.unit];
  const unit = second.unit ?? smaller;
  if (smaller === undefined || unit !== smaller) {
    return fail(
      'mixed-units',
      `${first.unit} and ${second.unit ?? 'a bare number'} do not go together in one length.`,
      [`${a.text} ${first.unit}`],
    );
  }
  // "1 m 5" is spoken for 1.05 m by some and 1.5 m by others.
  if (first.unit === 'm' && second.unit === null && b.value < 10) {
    return fail('ambiguous', `“${a.text} m ${b.text}” may be read two ways.`, [
      `${a.text} m ${b.text} cm`,
      `${a.text}.${b.text} m`,
    ]);
  }
  // Whole by definition; rounding only removes what dividing millimetres adds.
  const perFirst = Math.round(MM_PER_UNIT[first.unit] / MM_PER_UNIT[smaller]);
  if (b.value >= perFirst || a.decimal) {
    const total = a.value * perFirst + b.value;
    return fail(
      'ambiguous',
      a.decimal
        ? `“${a.text} ${first.unit}” is already a fraction of its unit, so the second number is unclear.`
        : `There are only ${perFirst} ${smaller} in 1 ${first.unit}, so ${b.text} ${smaller} is unclear.`,
      [
        `${Math.floor(total / perFirst)} ${first.unit} ${Number((total % perFirst).toFixed(3))} ${smaller}`,
      ],
    );
  }
  return {
    ok: true,
    mm: a.value * MM_PER_UNIT[first.unit] + b.value * MM_PER_UNIT[smaller],
    unit: first.unit,
  };
}

/**
 * Reads a length as people say it and returns millimetres.
 *
 * Accepts decimals with point or comma, fractions (`7 5/8`, `7-5/8`, `7⅝`), the units mm, cm, m, in
 * (`"`), ft (`'`) and yd, and a unit with the next smaller one (`2'6`, `2 ft 6 1/2 in`, `1 m 20 cm`).
 * A number without a unit takes `fallback`; a bare half, quarter, eighth... in a metric field is read
 * as inches. Whatever can be read two ways is an error with a suggestion for each.
 *
 * @param text what was typed
 * @param fallback unit of the field, for numbers without one; none makes a bare number ambiguous
 * @returns length >= 0 in mm with the (larger) unit it was said in, or the error
 *
 * @example parseLength('7 5/8 in') // { ok: true, mm: 193.675, unit: 'in' }
 * @example parseLength("2'6")      // { ok: true, mm: 762, unit: 'ft' }
 */
export function parseLength(text: string, fallback?: LengthUnit): ParsedLength {
  try {
    const clean = text
      .toLowerCase()
      .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (c) => ` ${VULGAR[c] ?? ''} `)
      .replace(/⁄/g, '/')
      .replace(/\s*\/\s*/g, '/')
      .replace(/\s+/g, ' ')
      .trim();
    if (clean === '') fail('empty', 'Enter a length, as in 17 cm or 6 3/4 in.');
    if (/^[-−–]/.test(clean)) {
      fail('negative', 'A length cannot be negative.', [clean.replace(/^[-−–]\s*/, '')]);
    }
    return resolve(readTerms(clean), fallback);
  } catch (error) {
    if (error instanceof Unreadable) return { ok: false, error: error.detail };
    throw error;
  }
}
