import { Text } from '@chakra-ui/react';
import { TableDialog } from '../lists/table-dialog';
import { Button } from '../../../ui/shell/button';
import { Modal } from '../../../ui/shell/modal';
import { settle } from './arrival-store';
import { BandArrival } from './band-arrival';
import { FileFaults } from './file-faults';
import { PictureArrival } from './picture-arrival';
import { PieceArrival } from './piece-arrival';
import type { Arrival } from './recognise';

/** Asks what is to become of something that came in. */
export function ArrivalDialog({ arrival }: { readonly arrival: Arrival }) {
  switch (arrival.kind) {
    case 'piece':
      return <PieceArrival name={arrival.name} file={arrival.file} />;
    case 'band':
      return <BandArrival text={arrival.text} />;
    case 'picture':
      return <PictureArrival file={arrival.file} />;
    case 'table':
      return <TableDialog name={arrival.name} sheet={arrival.sheet} onClose={settle} />;
    case 'bad-piece':
      return (
        <Refused name={arrival.name}>
          <FileFaults name={arrival.name} faults={arrival.faults} />
        </Refused>
      );
    case 'unknown':
      return (
        <Refused name={arrival.name}>
          <Text>{arrival.why}</Text>
        </Refused>
      );
  }
}

interface RefusedProps {
  readonly name: string;
  readonly children: React.ReactNode;
}

const Refused = ({ name, children }: RefusedProps) => (
  <Modal
    open
    onClose={settle}
    title="This cannot be taken in"
    description={name}
    footer={<Button onClick={settle}>Close</Button>}
  >
    {children}
  </Modal>
);
