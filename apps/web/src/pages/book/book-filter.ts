import type { MakeView } from '@coiled-strand/contract';
import { partKind } from '@coiled-strand/core';

export type BookState = 'all' | 'logged' | 'under-way';
export const STATES: readonly { value: BookState; label: string }[] = [
  { value: 'all', label: 'All' },
  { value: 'logged', label: 'Finished' },
  { value: 'under-way', label: 'Under way' },
];

export interface BookFilter {
  readonly text: string;
  readonly state: BookState;
  /** Kind of part, or nothing for any. */
  readonly technique: string;
}

const textOf = ({ piece, record }: MakeView): string =>
  [piece.name, piece.note, piece.wearer.name, record?.owner, record?.note]
    .filter(Boolean)
    .join(' ')
    .toLocaleLowerCase();

/** Whether a make is what is looked for: every word somewhere in it. */
export function found(make: MakeView, { text, state, technique }: BookFilter): boolean {
  if (state !== 'all' && (make.loggedAt !== null) !== (state === 'logged')) return false;
  if (technique && !make.piece.parts.some((part) => part.kind === technique)) return false;
  const all = textOf(make);
  return text
    .toLocaleLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
}

/** What the makes of the book are made of. */
export const techniquesOf = (
  makes: readonly MakeView[],
): { readonly value: string; readonly label: string }[] =>
  [...new Set(makes.flatMap(({ piece }) => piece.parts.map((part) => part.kind)))]
    .map((kind) => ({ value: kind, label: partKind(kind).entry.label }))
    .sort((a, b) => a.label.localeCompare(b.label));
