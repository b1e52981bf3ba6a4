import type { Field } from '../base/kind/field.js';
import { CORD_KIND_FACTS, type Cord } from '../base/material/cord.js';
import { countNames, countOf } from '../base/measure/plural.js';
import { laid, listed, say, size, type Saying } from '../base/measure/saying.js';
import type { Piece } from './piece.js';

type Values = Readonly<Record<string, unknown>>;

/** A cord by what it is: its own name may say the same, or nothing of it. */
export const cordWords = ({ kind, diameter, colour }: Cord): Saying =>
  say`${CORD_KIND_FACTS[kind].label} ${size(diameter)}, ${colour.name}`;

const named = (list: readonly { readonly id: string; readonly name: string }[], id: unknown) =>
  list.find((one) => one.id === id)?.name ?? String(id);

/**
 * What a field of a part or of a closure holds, in words.
 *
 * @param values of the part or closure
 * @param piece whose beads and knots it speaks of
 * @returns null where it holds nothing
 */
export function fieldWords(field: Field, values: Values, piece: Piece): Saying | null {
  const value = values[field.key];
  if (value === null || value === undefined) {
    if (field.type === 'choice') return field.choices[0]?.label ?? null;
    return ('open' in field ? field.open : undefined) ?? null;
  }
  switch (field.type) {
    case 'length':
      return say`${(field.small ? size : laid)(value as number)}`;
    case 'count':
      return say`${value as number}`;
    case 'choice':
      return field.choices.find(({ id }) => id === value)?.label ?? (value as string);
    case 'text':
    case 'colour':
      return value as string;
    case 'bead':
      return named(piece.beads, value);
    case 'beads': {
      const row = value as readonly string[];
      return `${countOf(row.length, 'bead')}: ${countNames(row.map((id) => named(piece.beads, id)))}`;
    }
    case 'knot':
      return named(piece.knots ?? [], value);
    case 'cord':
      return cordWords(value as Cord);
    case 'runs':
    case 'places':
      return listed((value as readonly number[]).map((run) => String(run + 1)));
    case 'weave':
      return countOf((value as readonly unknown[]).length, 'row');
  }
}
