import { fileNameOf } from '@coiled-strand/core';
import { Sheet } from 'lucide-react';
import { Button } from './button';
import { saveCsv, type Table } from './csv';
import { useSaving } from './use-saving';

interface Props {
  /** What the file is called. */
  readonly name: string;
  /** The whole table, also what of a list is not shown yet. */
  readonly table: () => Promise<Table> | Table;
}

/** Saves a table as CSV, for other programs. */
export function SaveTableButton({ name, table }: Props) {
  const saving = useSaving(async () => {
    const file = fileNameOf(name, 'csv');
    saveCsv(file, await table());
    return file;
  });
  return (
    <Button onClick={() => saving.mutate()} disabled={saving.isPending}>
      <Sheet size={18} /> {saving.isPending ? 'Fetching all of it …' : 'Save as CSV'}
    </Button>
  );
}
