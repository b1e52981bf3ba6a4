import { useLocation } from 'react-router';

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

/** The stage that the address names. */
export function useStageId(): StageId {
  const last = useLocation().pathname.split('/').at(-1);
  return STAGES.find((stage) => stage.id === last)?.id ?? 'fit';
}
