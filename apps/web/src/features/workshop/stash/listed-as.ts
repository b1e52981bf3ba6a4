import type { Stored } from '@coiled-strand/contract';
import { sameCopy, type Copy } from '@coiled-strand/core';

/** The thing on a list that a copy is of, as long as it says the same; else one that says the same. */
export function listedAs<T extends Copy>(
  list: readonly Stored<T>[],
  copy: Copy,
): Stored<T> | undefined {
  const alike = list.filter(({ value }) => sameCopy(value, copy));
  return alike.find(({ id }) => id === copy.origin) ?? alike[0];
}
