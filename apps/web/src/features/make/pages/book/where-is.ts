import type { MakeView } from '@coiled-strand/contract';
import { MAKE_PARAM } from '../../make/use-make';

/** The page of a make: its log, or where it is gone on with. */
export const whereIs = ({
  id,
  pieceId,
  loggedAt,
}: Pick<MakeView, 'id' | 'pieceId' | 'loggedAt'>): string =>
  loggedAt ? `/pieces/${pieceId}/log#make-${id}` : `/pieces/${pieceId}/make?${MAKE_PARAM}=${id}`;
