import { Grid, Text } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { Button } from '../shell/button';
import { Modal } from '../shell/modal';

interface Props {
  readonly title: string;
  readonly action: string;
  readonly pending: boolean;
  readonly error: Error | null;
  readonly onSubmit: () => void;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A thing of the maker's own, entered by its measures and kept in its drawer. */
export function EntryDialog(props: Props) {
  const { title, action, pending, error, onSubmit, onClose, children } = props;
  return (
    <Modal
      open
      onClose={onClose}
      title={title}
      footer={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button variant="solid" onClick={onSubmit} disabled={pending}>
            {action}
          </Button>
        </>
      }
    >
      <Grid templateColumns="1fr 1fr" gap="4">
        {children}
      </Grid>
      {error && (
        <Text color="danger" role="alert" mt="3">
          Not saved: {error.message}
        </Text>
      )}
    </Modal>
  );
}
