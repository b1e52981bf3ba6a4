import type { PartKind } from '../../base/kind/part-kind.js';
import { alternatingBeads } from './alternating-beads/index.js';
import { beadedPlait } from './beaded-plait/index.js';
import { beads } from './beads/index.js';
import { chainCord } from './chain-cord/index.js';
import { endKnot } from './end-knot/index.js';
import { floss } from './floss/index.js';
import { focal } from './focal/index.js';
import { hitchSpiral } from './hitch-spiral/index.js';
import { loop } from './loop/index.js';
import { ownKnot } from './own-knot/index.js';
import { petalPlait } from './petal-plait/index.js';
import { plain } from './plain/index.js';
import { plait } from './plait/index.js';
import { squareKnotSinnet } from './square-knot-sinnet/index.js';
import { stone } from './stone/index.js';
import { stopperKnot } from './stopper-knot/index.js';
import { stopperRing } from './stopper-ring/index.js';
import { tail } from './tail/index.js';
import { twoCordKnot } from './two-cord-knot/index.js';
import { whipping } from './whipping/index.js';

/** Every kind of part there is. A new one is a folder beside this file and a line here. */
const KINDS = [
  squareKnotSinnet,
  floss,
  hitchSpiral,
  plait,
  petalPlait,
  twoCordKnot,
  stopperKnot,
  endKnot,
  ownKnot,
  beads,
  alternatingBeads,
  beadedPlait,
  chainCord,
  focal,
  stone,
  stopperRing,
  plain,
  loop,
  whipping,
  tail,
] as const;

/** Any part of a piece. */
export type Part = ReturnType<(typeof KINDS)[number]['make']>;

// What every kind takes is its own part; the registry gives each what it has made itself.
export const PART_KINDS = KINDS as readonly unknown[] as readonly PartKind[];

const BY_ID = new Map(PART_KINDS.map((kind) => [kind.entry.id, kind]));

/** @throws RangeError for an id that no kind of part has */
export function partKind(id: string): PartKind {
  const kind = BY_ID.get(id);
  if (!kind) throw new RangeError(`there is no kind of part “${id}”`);
  return kind;
}
