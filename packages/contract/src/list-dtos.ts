import type { ListId } from '@coiled-strand/workshop';
import { BeadDto } from './bead.dto.js';
import { FittingDto } from './closure.dto.js';
import { CordDto } from './cord.dto.js';
import { PackDto } from './buying.dto.js';
import { WearerDto } from './piece.dto.js';

/** What the things on each list are checked by. */
export const LIST_DTOS = {
  wearers: WearerDto,
  cords: CordDto,
  beads: BeadDto,
  fittings: FittingDto,
  packs: PackDto,
} as const satisfies Readonly<Record<ListId, new () => object>>;
