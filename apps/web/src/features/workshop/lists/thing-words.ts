import type { FittingDto } from '@coiled-strand/contract';
import {
  closureKind,
  CORD_KIND_FACTS,
  type Bead,
  type Cord,
  type Wearer,
} from '@coiled-strand/core';
import type { CopiedListId } from '@coiled-strand/workshop';
import type { Units } from '../../../ui/settings/use-units';

/** A thing of a list in a line of words. */
export function sayThing(list: CopiedListId, thing: object, units: Units): string {
  switch (list) {
    case 'wearers': {
      const { wrist, ankle, neck, child } = thing as Wearer;
      return [
        `wrist ${units.size(wrist)}`,
        ...(ankle === undefined ? [] : [`ankle ${units.size(ankle)}`]),
        ...(neck === undefined ? [] : [`neck ${units.size(neck)}`]),
        ...(child ? ['a child'] : []),
      ].join(', ');
    }
    case 'cords': {
      const { diameter, kind, colour } = thing as Cord;
      return `${diameter} mm ${CORD_KIND_FACTS[kind].label}, ${colour.name}`;
    }
    case 'beads': {
      const { shape, length, height, hole, colour } = thing as Bead;
      const size = length === height ? `${length} mm` : `${length} × ${height} mm`;
      return `${shape}, ${size}, hole ${hole} mm, ${colour.name}`;
    }
    case 'fittings':
      return closureKind((thing as FittingDto).closure.type).entry.label;
  }
}

/** Its colour; undefined where it has none of its own. */
export function colourOf(list: CopiedListId, thing: object): string | undefined {
  if (list === 'cords' || list === 'beads') return (thing as Cord | Bead).colour.hex;
  if (list === 'wearers') return undefined;
  const { closure } = thing as FittingDto;
  return 'colour' in closure ? closure.colour : undefined;
}
