import { Grid, Text } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import type { UseFormRegisterReturn } from 'react-hook-form';
import { TextRow } from '../../../ui/fields/text-row';
import { Button } from '../../../ui/shell/button';
import { Modal } from '../../../ui/shell/modal';

interface Props {
  readonly title: string;
  readonly action: string;
  /** The change that keeps it. */
  readonly saving: { readonly isPending: boolean; readonly error: Error | null };
  /** The row for its name. */
  readonly name: UseFormRegisterReturn;
  readonly nameHint: string;
  readonly nameless: boolean;
  readonly onSubmit: () => Promise<void>;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A thing of the maker's own, entered by its measures and kept in its drawer. */
export function EntryDialog(props: Props) {
  const { title, action, saving, name, nameHint, nameless, onSubmit, onClose, children } = props;
  return (
    <Modal
      open
      onClose={onClose}
      title={title}
      footer={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button variant="solid" onClick={() => void onSubmit()} disabled={saving.isPending}>
            {action}
          </Button>
        </>
      }
    >
      <Grid templateColumns="1fr 1fr" gap="4">
        <TextRow
          label="Name"
          wide
          placeholder={nameHint}
          error={nameless ? 'Give it a name.' : undefined}
          {...name}
        />
        {children}
      </Grid>
      {saving.error && (
        <Text color="danger" role="alert" mt="3">
          Not saved: {saving.error.message}
        </Text>
      )}
    </Modal>
  );
}
