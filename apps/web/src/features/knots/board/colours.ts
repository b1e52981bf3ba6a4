/** Colours in which the cords of a board are told apart, beside their numbers. */
const COLOURS = ['#5b6b78', '#b9647c', '#b98a3c', '#5a8a6a'] as const;

export const colourOf = (cord: number): string => COLOURS[cord % COLOURS.length]!;
/** Where a bead lies in a knot. */
export const BEAD_COLOUR = '#8d5b3f';

/** 'cord 1', 'core 2': what a cord of a board is called. */
export const nameOfCord = (cord: number, cores: readonly number[] = []): string =>
  `${cores.includes(cord) ? 'core' : 'cord'} ${cord + 1}`;
