/** Numbers from 0 to 1 that follow from a seed: mulberry32, public domain. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

export const pick = <T>(list: readonly T[], random: () => number): T =>
  list[Math.floor(random() * list.length)]!;

const nested = (depth: number): unknown => {
  let value: unknown = 1;
  for (let i = 0; i < depth; i++) value = i % 2 === 0 ? [value] : { a: value };
  return value;
};

/** What no field is meant to hold, or hardly. */
const NASTY: readonly (() => unknown)[] = [
  () => null,
  () => [],
  () => [[]],
  () => [null],
  () => ({}),
  () => ({ constructor: 1, __proto__: null, toString: 'x' }),
  () => '',
  () => ' ',
  () => '\u0000',
  () => 'a\u0000b',
  () => '\ud800',
  () => '%00',
  () => 'constructor',
  () => '__proto__',
  () => 'x'.repeat(100_000),
  () => 0,
  () => -0,
  () => -1,
  () => 0.1,
  () => 1e-300,
  () => 1e308,
  () => 2 ** 53,
  () => Number.MAX_VALUE,
  () => true,
  () => false,
  () => '12',
  () => '1e999',
  () => '2026-13-45T99:99:99Z',
  () => '+275760-09-13T00:00:00.001Z',
  () => nested(40),
  () => nested(2_000),
  () => Array.from({ length: 2_000 }, () => ({})),
];

/** A value that has no business anywhere. */
export const nasty = (random: () => number): unknown => pick(NASTY, random)();

type Path = readonly (string | number)[];

function pathsIn(value: unknown, at: Path = [], found: Path[] = []): Path[] {
  found.push(at);
  if (Array.isArray(value)) value.forEach((one, i) => pathsIn(one, [...at, i], found));
  else if (typeof value === 'object' && value !== null) {
    for (const [key, one] of Object.entries(value)) pathsIn(one, [...at, key], found);
  }
  return found;
}

function changed(value: unknown, path: Path, change: (old: unknown) => unknown): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return change(value);
  if (Array.isArray(value)) {
    return value.map((one, i) => (i === key ? changed(one, rest, change) : (one as unknown)));
  }
  const object = value as Record<string, unknown>;
  return { ...object, [key]: changed(object[key], rest, change) };
}

/** Something else of the same kind, as a careless program would send it. */
function alike(old: unknown, random: () => number): unknown {
  if (typeof old === 'number') {
    return old * pick([0, -1, 0.001, 10, 1_000, 1e9], random) + pick([0, 0.5], random);
  }
  if (typeof old === 'string') return pick([`${old}\u0000`, old.repeat(200), `${old}x`], random);
  if (typeof old === 'boolean') return !old;
  if (Array.isArray(old)) {
    const list = old as unknown[];
    return pick([[...list, ...list], list.slice(1), [list], [...list].reverse()], random);
  }
  return old;
}

/** A value with one thing in it changed: replaced, left out, put in, or of the wrong size. */
export function mutated(value: unknown, random: () => number): unknown {
  const path = pick(pathsIn(value), random);
  const way = random();
  if (way < 0.55) return changed(value, path, () => nasty(random));
  if (way < 0.8) return changed(value, path, (old) => alike(old, random));
  return changed(value, path, (old) => {
    if (typeof old !== 'object' || old === null || Array.isArray(old)) return undefined;
    const entries = Object.entries(old as Record<string, unknown>);
    if (way > 0.9) return { ...old, [pick(['x', 'kind', 'id', '__proto__'], random)]: 1 };
    const gone = Math.floor(random() * entries.length);
    return Object.fromEntries(entries.filter((_, i) => i !== gone));
  });
}
