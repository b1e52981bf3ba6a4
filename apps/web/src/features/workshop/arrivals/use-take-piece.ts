import type { FileFault } from '@coiled-strand/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ApiError } from '../../../data/api/client';
import { useImportPiece } from '../../../data/api/queries';

/** Puts the file of a piece into the workshop and opens it; what the server says against it is told. */
export function useTakePiece() {
  const importPiece = useImportPiece();
  const navigate = useNavigate();
  const [faults, setFaults] = useState<readonly FileFault[]>([]);
  const take = async (file: object): Promise<boolean> => {
    try {
      const view = await importPiece.mutateAsync(file);
      await navigate(`/pieces/${view.id}/fit`);
      return true;
    } catch (error) {
      const named = error instanceof ApiError ? error.body.faults : undefined;
      setFaults(named ?? [{ path: '', message: (error as Error).message }]);
      return false;
    }
  };
  return { take, faults, setFaults, isPending: importPiece.isPending } as const;
}
