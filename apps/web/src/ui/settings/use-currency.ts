import { useWorkshop } from '../../data/api/queries';

export const USUAL_CURRENCY = '€';

/** What prices are in, in this workshop. */
export const useCurrency = (): string => useWorkshop().data?.settings.currency ?? USUAL_CURRENCY;
