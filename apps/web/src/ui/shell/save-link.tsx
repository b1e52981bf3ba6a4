import type { ReactNode } from 'react';
import { fetchFile } from '../../data/api/client';
import { Button } from './button';
import { saveFile } from './save-file';
import { useSaving } from './use-saving';

interface Props {
  /** Below /api. */
  readonly path: string;
  /** What the file is called, where the server does not say. */
  readonly name?: string;
  readonly label?: string;
  readonly children: ReactNode;
}

/**
 * Saves a file of the server's. A fault is told, and not saved in its place; what may be as large as a whole workshop
 * is left to the browser instead.
 */
export function SaveLink({ path, name, label, children }: Props) {
  const saving = useSaving(async () => {
    const file = await fetchFile(path);
    const called = name ?? file.name;
    saveFile(called, file.blob.type, file.blob);
    return called;
  });
  return (
    <Button asChild>
      <a
        href={`/api${path}`}
        {...(label === undefined ? {} : { 'aria-label': label })}
        onClick={(event) => {
          event.preventDefault();
          if (!saving.isPending) saving.mutate();
        }}
      >
        {children}
      </a>
    </Button>
  );
}
