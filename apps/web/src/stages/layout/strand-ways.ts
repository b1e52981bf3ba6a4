import type { Strand } from '@coiled-strand/core';

/** Ways a strand runs through a piece, as they are chosen. */
export const STRAND_WAYS = [
  { id: 'core', label: 'Core, single', legs: ['core'], laidIn: false },
  { id: 'core-folded', label: 'Core, folded at the start', legs: ['core', 'core'], laidIn: false },
  {
    id: 'working',
    label: 'Working cord, folded and laid in',
    legs: ['working', 'working'],
    laidIn: true,
  },
  {
    id: 'working-start',
    label: 'Working cord, folded at the start',
    legs: ['working', 'working'],
    laidIn: false,
  },
  {
    id: 'core-working',
    label: 'Half core, half working',
    legs: ['core', 'working'],
    laidIn: false,
  },
  { id: 'carried', label: 'Carried beside the core', legs: ['carried'], laidIn: false },
  { id: 'plaited', label: 'Crosses the others, single', legs: ['plaited'], laidIn: false },
  {
    id: 'plaited-folded',
    label: 'Crosses the others, folded at the start',
    legs: ['plaited', 'plaited'],
    laidIn: false,
  },
  {
    id: 'out-and-back',
    label: 'Folded, out as core and back working',
    legs: ['turned', 'turned'],
    laidIn: false,
  },
  {
    id: 'out-and-back-single',
    label: 'Single, out as core and back working',
    legs: ['turned'],
    laidIn: false,
  },
] as const satisfies readonly (Pick<Strand, 'legs' | 'laidIn'> & { id: string; label: string })[];

/** How a strand runs; undefined for a way that is not offered. */
export const wayOf = (strand: Strand): (typeof STRAND_WAYS)[number] | undefined =>
  STRAND_WAYS.find(
    ({ legs, laidIn }) => legs.join() === strand.legs.join() && laidIn === strand.laidIn,
  );
