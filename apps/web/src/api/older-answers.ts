import type { MakeView, PageView, PieceView } from '@coiled-strand/contract';
import type { InfiniteData, QueryKey } from '@tanstack/react-query';
import { keys } from './queries';

// An answer that was kept in this browser may be of a server that did not know yet what this program asks for.

const piece = (view: PieceView): PieceView => ({ ...{ tags: [] }, ...view });
const make = (view: MakeView): MakeView => ({ ...{ measured: null }, ...view });

const pages = ({
  pages: all,
  ...rest
}: InfiniteData<PageView<PieceView>>): InfiniteData<PageView<PieceView>> => ({
  ...rest,
  pages: all.map((page) => ({ ...page, items: page.items.map(piece) })),
});

/** What was kept under a key, as the server would tell it now. */
export function broughtUp(key: QueryKey, data: unknown): unknown {
  const [what, , more] = key;
  if (what === keys.pieces[0]) {
    return Array.isArray(data)
      ? (data as readonly PieceView[]).map(piece)
      : pages(data as InfiniteData<PageView<PieceView>>);
  }
  if (what !== 'piece') return data;
  if (more === undefined) return piece(data as PieceView);
  return more === 'makes' ? (data as readonly MakeView[]).map(make) : data;
}
