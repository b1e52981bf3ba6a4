import { Dialog, Portal } from '@chakra-ui/react';
import { Button } from './button';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  readonly description?: string;
  readonly size?: 'md' | 'wide';
  readonly children: ReactNode;
  readonly footer?: ReactNode;
  /** False when a choice must be made. */
  readonly dismissible?: boolean;
}

export function Modal({
  open,
  onClose,
  title,
  description,
  size = 'md',
  children,
  footer,
  dismissible = true,
}: Props) {
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(details) => !details.open && onClose()}
      closeOnEscape={dismissible}
      closeOnInteractOutside={dismissible}
      lazyMount
      unmountOnExit
    >
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content maxW={size === 'wide' ? '760px' : '560px'}>
            <Dialog.Title>{title}</Dialog.Title>
            {description && <Dialog.Description>{description}</Dialog.Description>}
            {dismissible && (
              <Dialog.CloseTrigger asChild>
                <Button variant="bare" size="icon" aria-label="Close">
                  <X size={18} />
                </Button>
              </Dialog.CloseTrigger>
            )}
            <Dialog.Body>{children}</Dialog.Body>
            {footer && <Dialog.Footer>{footer}</Dialog.Footer>}
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
