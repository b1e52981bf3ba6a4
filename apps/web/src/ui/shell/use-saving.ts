import { useMutation, type UseMutationResult } from '@tanstack/react-query';
import { saidOfFile } from './save-file';
import { toaster } from './toaster';

/** Saves something as a file, and says what became of it. @param save hands it to the browser, and tells its name */
export const useSaving = (save: () => Promise<string>): UseMutationResult<string, Error, void> =>
  useMutation({
    mutationFn: save,
    onSuccess: (file) => toaster.create({ title: saidOfFile(file) }),
    onError: (error) => toaster.create({ title: `It could not be saved: ${error.message}` }),
  });
