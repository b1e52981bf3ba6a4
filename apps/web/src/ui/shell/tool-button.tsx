import type { ComponentProps, ReactNode } from 'react';
import { Button } from './button';

interface Props extends Omit<ComponentProps<typeof Button>, 'children' | 'aria-label'> {
  /** What it does: read out, and shown when pointed at. */
  readonly label: string;
  /** The key that does the same. */
  readonly hotkey?: string;
  readonly children: ReactNode;
}

/** A tool without words on it. */
export function ToolButton({ label, hotkey, children, ...rest }: Props) {
  return (
    <Button
      variant="bare"
      size="icon"
      aria-label={label}
      title={hotkey ? `${label} (${hotkey})` : label}
      {...rest}
    >
      {children}
    </Button>
  );
}
