import { CROSSINGS, type Cord, type FlossPart } from '@coiled-strand/core';
import { useState, type KeyboardEvent } from 'react';
import { loomEdits, nextSign } from './loom-edits';
import type { Tool } from './loom-tools';
import { workerAt } from './loom-words';
import type { Band } from './use-band';
import { stepFrom, type KnotPlace } from './view';

/** What is in the hand at the loom, and what touches and keys do with it. */
export interface LoomHand {
  /** The knot that keys are on. */
  readonly cursor: KnotPlace;
  readonly tool: Tool;
  readonly setTool: (tool: Tool) => void;
  /** A colour to give to strands. */
  readonly brush: Cord | null;
  readonly setBrush: (cord: Cord | null) => void;
  /** The place of a strand that is looked at by itself. */
  readonly alone: number | null;
  /** A knot is touched: first of a stroke of the pointer, or one that it is drawn over. */
  readonly touch: (place: KnotPlace, first: boolean) => void;
  readonly head: (place: number) => void;
  readonly press: (event: KeyboardEvent) => void;
}

export function useLoom(part: FlossPart, { shown, sim, runs }: Band): LoomHand {
  const [at, setAt] = useState<KnotPlace>({ row: 0, knot: 0 });
  const [tool, setTool] = useState<Tool>('turn');
  const [stroke, setStroke] = useState<{ readonly key: string; readonly sign: string } | null>(
    null,
  );
  const [brush, setBrush] = useState<Cord | null>(null);
  const [chosen, setAlone] = useState<number | null>(null);
  const alone = chosen !== null && chosen < runs.length ? chosen : null;
  const cursor = stepFrom(shown.rows, at, {});

  const put = (place: KnotPlace, sign: string, mergeKey?: string): void =>
    loomEdits.sign(part.id, place, sign, mergeKey);
  const wanted = ({ row, knot }: KnotPlace): string =>
    tool === 'turn' || part.lay === 'leader'
      ? nextSign(part.lay, shown.rows[row]?.[knot] ?? '')
      : tool;
  const toggle = (place: number): void => setAlone(alone === place ? null : place);

  const touch = (place: KnotPlace, first: boolean): void => {
    const mine = first || !stroke ? { key: `loom-${Date.now()}`, sign: wanted(place) } : stroke;
    if (mine !== stroke) setStroke(mine);
    setAt(place);
    put(place, mine.sign, mine.key);
  };
  const head = (place: number): void => {
    if (brush) loomEdits.recolour(part.id, place, brush);
    else toggle(place);
  };
  const go = (by: { readonly along?: number; readonly across?: number }): void =>
    setAt(stepFrom(shown.rows, cursor, by));
  const keys: Readonly<Record<string, () => void>> = {
    ArrowRight: () => go({ along: 1 }),
    ArrowLeft: () => go({ along: -1 }),
    ArrowDown: () => go({ across: 1 }),
    ArrowUp: () => go({ across: -1 }),
    Home: () => go({ along: -Infinity }),
    End: () => go({ along: Infinity }),
    ' ': () => put(cursor, wanted(cursor)),
    Enter: () => put(cursor, wanted(cursor)),
    Insert: () => loomEdits.addRows(part.id, cursor.row),
    Delete: () => loomEdits.removeRows(part.id, cursor.row),
    Escape: () => {
      setAlone(null);
      setBrush(null);
    },
    ...(part.lay === 'crossing'
      ? Object.fromEntries(CROSSINGS.map((sign, i) => [String(i + 1), () => put(cursor, sign)]))
      : {}),
    // The strand that works in this knot, by itself.
    s: () => {
      const worker = workerAt(sim, shown, cursor);
      if (worker !== null) toggle(worker);
    },
    b: () => {
      const place = alone ?? workerAt(sim, shown, cursor);
      if (brush && place !== null) loomEdits.recolour(part.id, place, brush);
    },
  };
  const press = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const run = keys[event.key];
    if (!run) return;
    event.preventDefault();
    run();
  };
  return { cursor, tool, setTool, brush, setBrush, alone, touch, head, press };
}
