import { Sheet } from 'lucide-react';
import { FileButton } from '../../../ui/shell/file-button';
import { bring } from './arrival-store';

/** Things for the lists out of a table that lies on this machine. */
export const TableFileButton = () => (
  <FileButton
    accept=".csv,text/csv,.txt,text/plain"
    testId="table-file"
    onFile={(file) => void bring(file)}
  >
    <Sheet size={18} /> From a table
  </FileButton>
);
