import type { LinkDiagram } from './diagram.js';

/**
 * The planar diagram code of a link: for each crossing the four edges that meet there, counter-clockwise from the one
 * by which the lower strand comes in. Components without a crossing are not in it.
 *
 * @example planarCode({ crossings: [], components: 1, apart: 1 }) // []
 */
export const planarCode = ({ crossings }: LinkDiagram): (readonly number[])[] =>
  crossings.map(({ edges }) => edges);
