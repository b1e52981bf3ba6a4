import { describe, expect, it } from '@jest/globals';
import { deep } from '../../../scripts/lib/deep.mjs';
import {
  CLOSURE_KINDS,
  EXAMPLE_CORD,
  EXAMPLE_PIECE,
  PART_KINDS,
  TEMPLATES,
  toPieceFile,
  type Closure,
  type Part,
  type Piece,
} from '@coiled-strand/core';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { IsEmail } from 'class-validator';
import fc from 'fast-check';
import { jsonSchemaOf, PieceFileDto, pieceFileSchema, validateAs } from './index.js';

// A general validator, which knows nothing of this program: https://json-schema.org/draft/2020-12
const ajv = new Ajv2020({ strict: true });
const schema = pieceFileSchema();
const bySchema = ajv.compile(schema);
const byRules = (plain: unknown): boolean => validateAs(PieceFileDto, plain).ok;

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };
type Way = readonly (string | number)[];
type Holder = Record<string | number, Json>;
const plain = (piece: Piece): Json => JSON.parse(JSON.stringify(toPieceFile(piece))) as Json;

const { wearer, cutting } = EXAMPLE_PIECE;
const start = { id: 'x', bead: 'round-6', cord: EXAMPLE_CORD, runs: 2 };
const everyPart = PART_KINDS.map((kind, i) => ({ ...kind.make(start), id: `p${i}` }));
const everyClosure = CLOSURE_KINDS.map((kind) => kind.make(EXAMPLE_CORD) as Closure);
const PIECES: readonly Piece[] = [
  ...TEMPLATES.map((one) => one.make({ name: 'x', wearer, cutting })),
  { ...EXAMPLE_PIECE, parts: everyPart as unknown as Part[] },
  ...everyClosure.map((closure) => ({ ...EXAMPLE_PIECE, closure })),
];

/** The ways to every value in a value. */
function waysIn(value: Json, way: Way = []): Way[] {
  if (typeof value !== 'object' || value === null) return [way];
  const steps: Way = Array.isArray(value) ? [...value.keys()] : Object.keys(value);
  return [way, ...steps.flatMap((step) => waysIn((value as Holder)[step]!, [...way, step]))];
}

type Change = (holder: Holder, key: string | number) => void;

const VALUES: readonly Json[] = [
  ...[null, true, 0, -1, 0.5, 3, 1e9, '', 'x', 'ab-1', 'core', '#AABBCC', 'red'],
  ...['x'.repeat(81), '\u{1f9f5}'.repeat(80)],
  ...[[], [[]], ['core'], [0, 0], Array.from({ length: 401 }, () => 0), {}, { id: 'y' }],
];
/** What may befall a value: to be another, to be gone, to hold what it should not. */
const CHANGES: readonly Change[] = [
  ...VALUES.map(
    (value): Change =>
      (holder, key) =>
        (holder[key] = value),
  ),
  (holder, key) => {
    if (!Array.isArray(holder)) delete holder[key];
  },
  (holder, key) => {
    const own = holder[key];
    if (typeof own === 'object' && own !== null) (own as Holder)['glitter'] = 3;
  },
];

function changed(value: Json, way: Way, change: Change): Json {
  const root: Holder = { it: structuredClone(value) };
  const steps = ['it', ...way];
  const holder = steps.slice(0, -1).reduce((at, step) => at[step] as unknown as Holder, root);
  change(holder, steps.at(-1)!);
  return JSON.parse(JSON.stringify(root['it'] ?? null)) as Json;
}

/** Whether two things of a list in a piece share an id, which a schema cannot tell. */
function idsTwice(file: Json): boolean {
  const piece = (file as { piece?: Record<string, Json> } | null)?.piece;
  return ['beads', 'knots', 'parts'].some((key) => {
    const list = piece?.[key];
    if (!Array.isArray(list)) return false;
    const ids = list.map((one) => (one as { id?: Json } | null)?.id);
    return new Set(ids).size < ids.length;
  });
}

describe('the schema of the piece file', () => {
  it('is good by the schema of schemas', () => {
    expect(ajv.validateSchema(schema)).toBe(true);
  });

  it('takes every template, every kind of part and every closure as the program writes them', () => {
    for (const piece of PIECES) {
      const file = plain(piece);
      expect(byRules(file)).toBe(true);
      bySchema(file);
      expect(bySchema.errors ?? []).toEqual([]);
    }
  });

  it('says of whatever befalls a file what the rules say', () => {
    const told = { good: 0, bad: 0 };
    const files = PIECES.map(plain).map((file) => ({ file, ways: waysIn(file) }));
    const cases = fc
      .constantFrom(...files)
      .chain(({ file, ways }) =>
        fc.tuple(fc.constant(file), fc.constantFrom(...ways), fc.constantFrom(...CHANGES)),
      );
    const alike = fc.property(cases, ([file, way, change]) => {
      const other = changed(file, way, change);
      const good = byRules(other);
      told[good ? 'good' : 'bad']++;
      return bySchema(other) === good || (!good && idsTwice(other));
    });
    fc.assert(alike, { numRuns: deep(2000, 500) });
    expect(told.good).toBeGreaterThan(deep(100, 20));
    expect(told.bad).toBeGreaterThan(deep(500, 120));
  });

  it('is not made where a rule has no words in a schema', () => {
    class StrangeDto {
      @IsEmail()
      post!: string;
    }
    expect(() => jsonSchemaOf(StrangeDto)).toThrow('isEmail of post');
  });
});
