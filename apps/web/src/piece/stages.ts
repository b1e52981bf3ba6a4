/** The stages in the maker's order of work; the last part of the address. */
export const STAGES = [
  { id: 'fit', label: 'Fit', key: 'f' },
  { id: 'layout', label: 'Lay out', key: 'l' },
  { id: 'cut', label: 'Cut', key: 'c' },
  { id: 'make', label: 'Make', key: 'm' },
  { id: 'finish', label: 'Finish', key: 'e' },
  { id: 'log', label: 'Log', key: 'g' },
] as const;
export type StageId = (typeof STAGES)[number]['id'];
