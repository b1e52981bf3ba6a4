import type { Board } from '../base/own-knot.js';

const PRIME = 0x100000001b3n;
const BASIS = 0xcbf29ce484222325n;

/** The UTF-8 of a text, byte by byte; the core knows no encoder of a browser's or of Node's. */
function* utf8(text: string): Generator<number, void> {
  for (const [one] of encodeURIComponent(text).matchAll(/%..|[^]/g)) {
    yield one.length > 1 ? parseInt(one.slice(1), 16) : one.charCodeAt(0);
  }
}

/**
 * FNV-1a of 64 bits over the UTF-8 of a text, as 16 hexadecimal digits. Tells contents apart; it keeps nobody out.
 * Fowler, Noll and Vo, also RFC 9923, from memory.
 *
 * @example fnv1a('a') // 'af63dc4c8601ec8c'
 */
export function fnv1a(text: string): string {
  let hash = BASIS;
  for (const byte of utf8(text)) {
    hash = BigInt.asUintN(64, (hash ^ BigInt(byte)) * PRIME);
  }
  return hash.toString(16).padStart(16, '0');
}

/** Places that differ by less are the same, in cord diameters. */
const FINE = 1000;

/** What a board is known by: all that decides how it is drawn tight, and nothing else. */
export function fingerprint({ cords, turned, cores = [], beads = [] }: Board): string {
  const fine = (value: number): number => Math.round(value * FINE) || 0;
  return fnv1a(
    JSON.stringify([
      cords.map((cord) => cord.map(([x, y]) => [fine(x), fine(y)])),
      [...turned].sort(),
      [...cores].sort((a, b) => a - b),
      beads.map(({ cord, along, size }) => [cord, fine(along), fine(size)]),
    ]),
  );
}
