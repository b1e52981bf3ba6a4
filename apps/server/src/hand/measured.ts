import type { SwatchDto } from '@coiled-strand/contract';
import { observeSwatch, partKind, type Observation, type PartBase } from '@coiled-strand/core';
import type { MakeRow } from '../rows/make.entity.js';
import type { SwatchRow } from '../rows/swatch.entity.js';
import type { Measured } from './keep-hand.js';

/** The part that a swatch stands for. */
function partOf({ technique, form, tension, cord, knot }: SwatchDto): PartBase {
  const part = partKind(technique).make({
    id: 'swatch',
    bead: '',
    cord,
    runs: 4,
    ...(knot ? { knot: knot.id } : {}),
  });
  return Object.assign(part, { tension }, form === undefined ? {} : { form });
}

/** @throws RangeError where the swatch says nothing of the hand, as when no cord was used */
export const observed = (swatch: SwatchDto): Observation[] =>
  observeSwatch({ ...swatch, part: partOf(swatch) });

export const swatchMeasured = ({
  id,
  workshopId,
  value,
  createdAt,
  setAside,
}: SwatchRow): Measured => ({
  workshopId,
  source: 'swatch',
  sourceId: id,
  at: createdAt,
  label: `Swatch in ${value.cord.name}`,
  setAside,
});

/** @param row of a make that was logged */
export const makeMeasured = (
  row: Pick<MakeRow, 'id' | 'workshopId' | 'number' | 'loggedAt' | 'setAside'> & {
    readonly piece: { readonly name: string };
  },
): Measured => ({
  workshopId: row.workshopId,
  source: 'make',
  sourceId: row.id,
  at: row.loggedAt!,
  label: `${row.piece.name}, make ${row.number}`,
  setAside: row.setAside,
});
