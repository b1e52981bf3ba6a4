import { workingEnd, type LastAction } from '../base/material/working-end.js';
import type { Cord } from '../base/material/cord.js';
import { partKind } from '../craft/part/registry.js';
import type { Piece } from './piece.js';
import { tiedSpan } from './runs.js';

/** What is done last with cords that end in the work: half knots over a core, or hitches. */
export function lastInWork({ parts }: Pick<Piece, 'parts'>): LastAction {
  const span = tiedSpan(parts);
  const last = span && partKind(parts[span[1]]!.kind).entry;
  return last?.ties === 'over-core' ? 'half-knot' : 'hitch';
}

/** What fingers need in mm of the end of a cord that ends in the work. */
export const endInWork = (piece: Pick<Piece, 'parts' | 'cutting'>, cord: Cord): number =>
  workingEnd(lastInWork(piece), cord, piece.cutting.practice);
