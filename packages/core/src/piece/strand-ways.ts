import type { LegRole } from '../base/kind/run.js';
import type { Strand } from './piece.js';

interface StrandWay extends Pick<Strand, 'legs' | 'laidIn'> {
  readonly id: string;
  readonly label: string;
}
const way = (id: string, label: string, ...legs: LegRole[]): StrandWay => ({
  id,
  label,
  legs,
  laidIn: false,
});

/** Ways a strand runs through a piece, as they are chosen. */
export const STRAND_WAYS: readonly StrandWay[] = [
  way('core', 'Core, single', 'core'),
  way('core-folded', 'Core, folded at the start', 'core', 'core'),
  { ...way('working', 'Working cord, folded and laid in', 'working', 'working'), laidIn: true },
  way('working-start', 'Working cord, folded at the start', 'working', 'working'),
  way('core-working', 'Half core, half working', 'core', 'working'),
  way('carried', 'Carried beside the core', 'carried'),
  way('plaited', 'Crosses the others, single', 'plaited'),
  way('plaited-folded', 'Crosses the others, folded at the start', 'plaited', 'plaited'),
  way('out-and-back', 'Folded, out as core and back working', 'turned', 'turned'),
  way('out-and-back-single', 'Single, out as core and back working', 'turned'),
];

/** How a strand runs; undefined for a way that is not offered. */
export const strandWay = (strand: Strand): StrandWay | undefined =>
  STRAND_WAYS.find(
    ({ legs, laidIn }) => legs.join() === strand.legs.join() && laidIn === strand.laidIn,
  );
