import { cordLength, join, type Saying } from '@coiled-strand/core';
import type { ThingKind } from './thing.js';

/**
 * So much of a thing: a length of cord, a number of anything else.
 * @example sayAmount('bead', 40) // '40'
 */
export const sayAmount = (kind: ThingKind, amount: number): Saying =>
  kind === 'cord' ? join([cordLength(amount)]) : String(Math.round(amount));
