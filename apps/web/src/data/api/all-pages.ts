import type { PageView } from '@coiled-strand/contract';
import { call } from './client';

/** As many as the server gives at once. */
const PAGE_SIZE = 100;

/** All of a list that the server gives in pages. */
export async function allPages<T>(
  path: string,
  asked: Readonly<Record<string, string | undefined>> = {},
): Promise<T[]> {
  const all: T[] = [];
  let after: string | null = '';
  while (after !== null) {
    const search = new URLSearchParams({ limit: String(PAGE_SIZE) });
    for (const [name, value] of Object.entries(asked)) {
      if (value !== undefined && value !== '') search.set(name, value);
    }
    if (after !== '') search.set('after', after);
    const page: PageView<T> = await call<PageView<T>>(`${path}?${search.toString()}`);
    all.push(...page.items);
    after = page.next;
  }
  return all;
}
