import { Box, Text } from '@chakra-ui/react';
import { useState, type ReactNode } from 'react';
import { ApiError } from '../../data/api/client';
import { AsksBeforeLeaving } from './asks-before-leaving';
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

/**
 * Asks for what is needed to do one thing. Once something was typed, closing it by the way asks first; Cancel is said
 * on purpose.
 */
export function AskDialog(props: Props) {
  const { title, description, size, action, doing, ready = true, onDo, onClose } = props;
  const error = doing.find((one) => one.error !== null)?.error;
  const busy = doing.some(({ isPending }) => isPending);
  const [typed, setTyped] = useState(false);
  const [closing, setClosing] = useState(false);
  /** From the press of the button on, unless it went wrong: what follows from it is meant. */
  const [acting, setActing] = useState(false);
  // What goes wrong is told by the change itself, below.
  const act = async (): Promise<void> => {
    setActing(true);
    try {
      await onDo();
    } catch {
      setActing(false);
    }
  };
  return (
    <Modal
      open
      onClose={typed ? () => setClosing(true) : onClose}
      title={title}
      {...(description === undefined ? {} : { description })}
      {...(size === undefined ? {} : { size })}
      footer={
        closing ? (
          <>
            <Text mr="auto" alignSelf="center" w={{ base: 'full', sm: 'auto' }} role="alert">
              Throw away what you typed?
            </Text>
            <Button onClick={onClose}>Throw it away</Button>
            <Button variant="solid" autoFocus onClick={() => setClosing(false)}>
              Go on typing
            </Button>
          </>
        ) : (
          <>
            {props.other ?? <Button onClick={onClose}>Cancel</Button>}
            <Button variant="solid" disabled={!ready || busy} onClick={() => void act()}>
              {action}
            </Button>
          </>
        )
      }
    >
      {typed && !acting && <AsksBeforeLeaving />}
      <Box onInput={() => setTyped(true)}>{props.children}</Box>
      {error && (
        <Text color="danger" role="alert" mt="3">
          {error.message} {error instanceof ApiError && error.body.remedy}
        </Text>
      )}
    </Modal>
  );
}
