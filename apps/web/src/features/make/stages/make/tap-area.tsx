import { Box } from '@chakra-ui/react';
import type { MouseEvent, ReactNode } from 'react';
import { isBare, useLongPress } from './use-long-press';

interface Props {
  readonly onTap: () => void;
  readonly onLongPress: () => void;
  readonly children: ReactNode;
}

/** A tap anywhere that is no control of its own goes on; a long press counts. */
export function TapArea({ onTap, onLongPress, children }: Props) {
  const press = useLongPress(onLongPress);
  return (
    <Box
      onClick={(event: MouseEvent) => {
        if (!press.wasLong() && isBare(event)) onTap();
      }}
      onPointerDown={press.onPointerDown}
      onPointerMove={press.onPointerMove}
      onPointerUp={press.onPointerUp}
      onPointerCancel={press.onPointerCancel}
      onContextMenu={(event: MouseEvent) => event.preventDefault()}
      cursor="pointer"
      userSelect="none"
      style={{ touchAction: 'manipulation' }}
      data-testid="tap-area"
    >
      {children}
    </Box>
  );
}
