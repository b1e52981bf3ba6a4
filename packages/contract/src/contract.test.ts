import { describe, expect, it } from '@jest/globals';
import {
  CLOSURE_KINDS,
  EXAMPLE_CORD,
  EXAMPLE_PIECE,
  PART_KINDS,
  TEMPLATES,
  toPieceFile,
  type Closure,
  type Part,
} from '@coiled-strand/core';
import { MakeLogDto, PieceFileDto, ProgressDto, SettingsDto, validateAs } from './index.js';

const piece = EXAMPLE_PIECE;
type Json = Record<string, unknown>;
const edited = (change: (file: { piece: Json }) => void): unknown => {
  const file = JSON.parse(JSON.stringify(toPieceFile(piece))) as { piece: Json };
  change(file);
  return file;
};
const paths = (plain: unknown): string[] => {
  const result = validateAs(PieceFileDto, plain);
  return result.ok ? [] : result.faults.map((fault) => fault.path);
};

describe('piece file', () => {
  it('accepts what the core exports, unchanged', () => {
    const result = validateAs(
      PieceFileDto,
      edited(() => undefined),
    );
    expect(result.ok).toBe(true);
    if (result.ok) expect(JSON.parse(JSON.stringify(result.value))).toEqual(toPieceFile(piece));
  });

  it.each<[string, (p: Json) => void]>([
    ['piece.name', (p) => (p['name'] = '')],
    ['piece.wearer.wrist', (p) => ((p['wearer'] as Json)['wrist'] = '18 cm')],
    ['piece.wearer', (p) => (p['wearer'] = null)],
    ['piece.wearer', (p) => delete p['wearer']],
    ['piece.parts[0].tension', (p) => ((p['parts'] as Json[])[0]!['tension'] = 'tight')],
    ['piece.parts[0].form', (p) => ((p['parts'] as Json[])[0]!['form'] = 'round')],
    ['piece.parts[0].kind', (p) => ((p['parts'] as Json[])[0]!['kind'] = 'weaving')],
    ['piece.parts[0].colour', (p) => ((p['parts'] as Json[])[0]!['colour'] = 'red')],
    ['piece.parts', (p) => (p['parts'] = [p['parts'], p['parts']].flat(2))],
    ['piece.strands', (p) => (p['strands'] = [])],
    ['piece.strands[0].legs', (p) => ((p['strands'] as Json[])[0]!['legs'] = ['weft'])],
    ['piece.wear.turns', (p) => ((p['wear'] as Json)['turns'] = 1.5)],
    ['piece.closure.type', (p) => ((p['closure'] as Json)['type'] = 'velcro')],
    ['piece.closure', (p) => (p['closure'] = null)],
    [
      'piece.strands[0].cord.colour.hex',
      (p) => {
        (p['strands'] as { cord: { colour: Json } }[])[0]!.cord.colour['hex'] = 'red';
      },
    ],
    [
      'piece.strands[0].cord.diameter',
      (p) => {
        (p['strands'] as { cord: Json }[])[0]!.cord['diameter'] = -4;
      },
    ],
    ['piece.strands', (p) => (p['strands'] = 'paracord')],
    [
      'piece.closure.slot',
      (p) => {
        (p['closure'] as Json)['slot'] = null;
      },
    ],
    ['piece.weight', (p) => (p['weight'] = 12)],
    ['piece.cutting.confidence', (p) => ((p['cutting'] as Json)['confidence'] = 1)],
  ])('names the fault at %s', (path, change) => {
    expect(paths(edited((file) => change(file.piece)))).toContain(path);
  });

  it('names every fault at once', () => {
    const bad = edited((file) => {
      file.piece['name'] = 7;
      file.piece['ends'] = 'burn';
    });
    expect(paths(bad)).toEqual(expect.arrayContaining(['piece.name', 'piece.ends']));
  });

  it('takes a length of null as “what the fit asks for”, and no other empty value', () => {
    const part = (length: unknown): unknown =>
      edited((file) => ((file.piece['parts'] as Json[])[0]!['length'] = length));
    expect(paths(part(null))).toEqual([]);
    expect(paths(part(undefined))).toContain('piece.parts[0].length');
    expect(paths(part(''))).toContain('piece.parts[0].length');
  });

  it.each([null, 'text', [], 7])('refuses %j as a file', (plain) => {
    expect(validateAs(PieceFileDto, plain).ok).toBe(false);
  });
});

describe('every kind of part and closure', () => {
  const start = { id: 'x', bead: 'round-6', cord: EXAMPLE_CORD, runs: 2 };
  it.each(PART_KINDS.map((kind) => [kind.entry.id, kind] as const))(
    'lets a new %s in as it is made, and nothing strange in it',
    (_, kind) => {
      const file = (more: object) =>
        toPieceFile({ ...piece, parts: [{ ...kind.make(start), ...more } as unknown as Part] });
      expect(paths(JSON.parse(JSON.stringify(file({}))))).toEqual([]);
      expect(paths(JSON.parse(JSON.stringify(file({ glitter: 3 }))))).toEqual([
        'piece.parts[0].glitter',
      ]);
    },
  );
  it.each(CLOSURE_KINDS.map((kind) => [kind.entry.type, kind] as const))(
    'lets a new %s in, and names a value that is missing',
    (_, kind) => {
      const closure = kind.make(EXAMPLE_CORD) as Closure;
      expect(paths(JSON.parse(JSON.stringify(toPieceFile({ ...piece, closure }))))).toEqual([]);
      const key = kind.fields[0]!.key;
      const lacking = Object.fromEntries(Object.entries(closure).filter(([name]) => name !== key));
      const file = { ...toPieceFile(piece), piece: { ...piece, closure: lacking } };
      expect(paths(file)).toEqual([`piece.closure.${key}`]);
    },
  );
  it.each(TEMPLATES.map((template) => [template.id, template] as const))(
    'takes the template %s back as it went out',
    (_, template) => {
      const { wearer, cutting } = piece;
      const file = toPieceFile(template.make({ name: 'x', wearer, cutting }));
      const result = validateAs(PieceFileDto, JSON.parse(JSON.stringify(file)));
      expect(result.ok ? [] : result.faults).toEqual([]);
      if (result.ok) expect(JSON.parse(JSON.stringify(result.value))).toEqual(file);
    },
  );
  it('names a fault inside a cord that belongs to a closure', () => {
    const slider = CLOSURE_KINDS.find((kind) => kind.entry.type === 'coiled-slider')!;
    const closure = slider.make({ ...EXAMPLE_CORD, diameter: -1 }) as Closure;
    expect(paths(JSON.parse(JSON.stringify(toPieceFile({ ...piece, closure }))))).toEqual([
      'piece.closure.cord.diameter',
    ]);
  });
});

describe('other bodies', () => {
  it('keeps progress whole and not negative', () => {
    expect(validateAs(ProgressDto, { at: { step: 'tie-band', unit: 12 } }).ok).toBe(true);
    expect(validateAs(ProgressDto, { at: { step: 'tie-band', unit: -1 } }).ok).toBe(false);
    expect(validateAs(ProgressDto, { at: { step: 'tie-band', unit: 1.5 } }).ok).toBe(false);
  });
  it('names the cord whose leftover is wrong', () => {
    const log = { cords: [{ cut: 2900, leftover: -3 }], length: 205, minutes: 40 };
    const result = validateAs(MakeLogDto, log);
    expect(result.ok ? [] : result.faults.map((f) => f.path)).toEqual(['cords[0].leftover']);
  });
  it('takes no list for an object, in lists and beside them', () => {
    for (const bad of [[], [[]], 7, 'x']) {
      const parts = edited((file) => (file.piece['parts'] as unknown[]).push(bad));
      const beads = edited((file) => (file.piece['beads'] = [bad]));
      const strands = edited((file) => (file.piece['strands'] = [bad]));
      expect(paths(parts)[0]).toMatch(/^piece\.parts/);
      expect(paths(beads)[0]).toMatch(/^piece\.beads/);
      expect(paths(strands)[0]).toMatch(/^piece\.strands/);
      expect(validateAs(ProgressDto, { seconds: bad }).ok).toBe(false);
      expect(validateAs(ProgressDto, { timers: [bad] }).ok).toBe(false);
      expect(validateAs(ProgressDto, { at: bad }).ok).toBe(false);
    }
  });
  it('knows only its own units and hands', () => {
    const settings = {
      unit: 'cm',
      cordUnit: 'ft',
      step: 25.4,
      confidence: 0.95,
      practice: 'practised',
      ends: { melts: 'singe', burns: 'glue', leather: 'glue' },
      hand: 'right',
    };
    expect(validateAs(SettingsDto, settings).ok).toBe(true);
    expect(validateAs(SettingsDto, { ...settings, unit: 'cubit' }).ok).toBe(false);
    const burnt = { ...settings, ends: { ...settings.ends, leather: 'singe' } };
    const result = validateAs(SettingsDto, burnt);
    expect(result.ok ? [] : result.faults.map((f) => f.path)).toEqual(['ends.leather']);
  });
});
