import { Text } from '@chakra-ui/react';
import { usePiece } from '../piece/piece-store';
import { usePlan } from '../piece/use-plan';
import { Modal } from '../../../ui/shell/modal';
import { PaperDialog, type Sheet } from './paper-dialog';

interface Props {
  readonly first?: Sheet;
  readonly onClose: () => void;
}

/** The open piece on paper, as it is planned now. */
export function OnPaper({ first, onClose }: Props) {
  const id = usePiece((state) => state.id);
  const { piece, plan } = usePlan();
  if (id === null || !plan.ok || plan.unmakeable) {
    return (
      <Modal open onClose={onClose} title={`${piece.name} on paper`}>
        <Text>It cannot be made like this yet. Fix what Lay out lists first.</Text>
      </Modal>
    );
  }
  return <PaperDialog {...{ id, piece, plan, onClose }} {...(first && { first })} />;
}
