import type { ClassConstructor } from 'class-transformer';
import { IsListOf } from './rules.js';

/** So many things are put on a list at once. */
export const MAX_AT_ONCE = 1000;

/** A DTO for several things of a DTO, as `{ items: [...] }`. */
export function severalOf<T extends object>(
  Dto: ClassConstructor<T>,
): ClassConstructor<{ readonly items: readonly T[] }> {
  const name = `${Dto.name.replace(/Dto$/, '')}sDto`;
  const Several = { [name]: class {} }[name]!;
  IsListOf(() => Dto, 1, MAX_AT_ONCE)(Several.prototype as object, 'items');
  return Several as ClassConstructor<{ readonly items: readonly T[] }>;
}
