import type { MakeLogDto } from '@coiled-strand/contract';
import { keptByMake } from '../../make/kept-by-make';

/** Logs that are half filled in. */
export const useLogDrafts = keptByMake<MakeLogDto>('log-drafts');
