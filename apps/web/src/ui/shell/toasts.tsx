import { createToaster, Portal, Toast, Toaster as ChakraToaster } from '@chakra-ui/react';

export const toasts = createToaster({ placement: 'bottom', duration: 7000 });

/** Short word on what just happened, with the way back. */
export function Toaster() {
  return (
    <Portal>
      <ChakraToaster toaster={toasts} insetInline="4">
        {(toast) => (
          <Toast.Root>
            <Toast.Title>{toast.title}</Toast.Title>
            {toast.action && <Toast.ActionTrigger>{toast.action.label}</Toast.ActionTrigger>}
          </Toast.Root>
        )}
      </ChakraToaster>
    </Portal>
  );
}
