import { Text } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { ApiError } from '../../data/api/client';
import { Button } from './button';
import { Modal } from './modal';

interface Props {
  readonly title: string;
  readonly description?: string;
  readonly size?: 'md' | 'wide';
  /** What is done when all is said. */
  readonly action: string;
  /** The changes that do it: while one is under way nothing else is begun; what went wrong is said. */
  readonly doing: readonly { readonly isPending: boolean; readonly error: Error | null }[];
  /** Whether enough is said; yes when left out. */
  readonly ready?: boolean;
  readonly onDo: () => Promise<void> | void;
  readonly onClose: () => void;
  /** Another way out, beside the two. */
  readonly other?: ReactNode;
  readonly children?: ReactNode;
}

/** Asks for what is needed to do one thing. */
export function AskDialog(props: Props) {
  const { title, description, size, action, doing, ready = true, onDo, onClose } = props;
  const error = doing.find((one) => one.error !== null)?.error;
  const busy = doing.some(({ isPending }) => isPending);
  // What goes wrong is told by the change itself, below.
  const act = async (): Promise<void> => {
    try {
      await onDo();
    } catch {
      return;
    }
  };
  return (
    <Modal
      open
      onClose={onClose}
      title={title}
      {...(description === undefined ? {} : { description })}
      {...(size === undefined ? {} : { size })}
      footer={
        <>
          {props.other ?? <Button onClick={onClose}>Cancel</Button>}
          <Button variant="solid" disabled={!ready || busy} onClick={() => void act()}>
            {action}
          </Button>
        </>
      }
    >
      {props.children}
      {error && (
        <Text color="danger" role="alert" mt="3">
          {error.message} {error instanceof ApiError && error.body.remedy}
        </Text>
      )}
    </Modal>
  );
}
