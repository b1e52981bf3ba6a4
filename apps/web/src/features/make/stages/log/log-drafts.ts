import type { MakeLogDto } from '@coiled-strand/contract';
import { storeByMake } from '../../make/store-by-make';

/** Logs that are half filled in. */
export const useLogDrafts = storeByMake<MakeLogDto>('log-drafts');
