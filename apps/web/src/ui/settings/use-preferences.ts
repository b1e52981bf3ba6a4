import type { PreferencesDto } from '@coiled-strand/contract';
import { useWorkshop } from '../../data/api/queries';

/** Until it is known what somebody prefers. */
const USUAL: PreferencesDto = { unit: 'cm', cordUnit: 'cm', hand: 'right' };

/** What whoever is signed in prefers: units, and the hand that leads. */
export const usePreferences = (): PreferencesDto => useWorkshop().data?.settings ?? USUAL;
