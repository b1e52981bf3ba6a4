import type { PartKind } from '../kind/part-kind.js';
import { alternatingBeads, type AlternatingPart } from './alternating-beads/index.js';
import { beadedPlait, type BeadedPlaitPart } from './beaded-plait/index.js';
import { beads, type BeadsPart } from './beads/index.js';
import { chainCord, type ChainPart } from './chain-cord/index.js';
import { endKnot, type EndKnotPart } from './end-knot/index.js';
import { floss, type FlossPart } from './floss/index.js';
import { focal, type FocalPart } from './focal/index.js';
import { hitchSpiral, type HitchSpiralPart } from './hitch-spiral/index.js';
import { loop, type LoopPart } from './loop/index.js';
import { petalPlait, type PetalPlaitPart } from './petal-plait/index.js';
import { plain, type PlainPart } from './plain/index.js';
import { plait, type PlaitPart } from './plait/index.js';
import { squareKnotSinnet, type SinnetPart } from './square-knot-sinnet/index.js';
import { stone, type StonePart } from './stone/index.js';
import { stopperKnot, type StopperPart } from './stopper-knot/index.js';
import { stopperRing, type StopperRingPart } from './stopper-ring/index.js';
import { tail, type TailPart } from './tail/index.js';
import { twoCordKnot, type TwoCordPart } from './two-cord-knot/index.js';
import { whipping, type WhippingPart } from './whipping/index.js';

/** Any part of a piece. */
export type Part =
  | SinnetPart
  | FlossPart
  | HitchSpiralPart
  | PlaitPart
  | PetalPlaitPart
  | BeadedPlaitPart
  | ChainPart
  | EndKnotPart
  | TwoCordPart
  | StopperPart
  | BeadsPart
  | AlternatingPart
  | FocalPart
  | StonePart
  | StopperRingPart
  | PlainPart
  | LoopPart
  | WhippingPart
  | TailPart;

/** Every kind of part there is. A new one is a folder beside this file and a line here. */
export const PART_KINDS: readonly PartKind[] = [
  squareKnotSinnet,
  floss,
  hitchSpiral,
  plait,
  petalPlait,
  twoCordKnot,
  stopperKnot,
  endKnot,
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
] as readonly PartKind[];

const BY_ID = new Map(PART_KINDS.map((kind) => [kind.entry.id, kind]));

/** @throws RangeError for an id that no kind of part has */
export function partKind(id: string): PartKind {
  const kind = BY_ID.get(id);
  if (!kind) throw new RangeError(`there is no kind of part “${id}”`);
  return kind;
}
