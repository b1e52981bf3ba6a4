import { useRef, type PointerEvent, type SyntheticEvent } from 'react';

/** How long in ms a finger rests before it means more than a tap, and how far it may slip in pixels. */
const LONG = 550;
const SLIP = 10;

/**
 * Whether an event fell on the bare surface: on no control of its own, and not in a dialog that only
 * the tree of components puts inside.
 */
export const isBare = ({ target, currentTarget }: SyntheticEvent): boolean =>
  currentTarget.contains(target as Node) && !(target as Element).closest('button, a, input');

interface LongPress {
  readonly onPointerDown: (event: PointerEvent) => void;
  readonly onPointerMove: (event: PointerEvent) => void;
  readonly onPointerUp: () => void;
  readonly onPointerCancel: () => void;
  /** Whether the tap that ends now was a long press: asked once, it answers once. */
  readonly wasLong: () => boolean;
}

/** Tells a long press from a tap. */
export function useLongPress(onLong: () => void): LongPress {
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const from = useRef<readonly [number, number]>([0, 0]);
  const long = useRef(false);
  const stop = (): void => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = null;
  };
  return {
    onPointerDown: (event) => {
      long.current = false;
      if (!isBare(event)) return;
      from.current = [event.clientX, event.clientY];
      stop();
      timer.current = setTimeout(() => {
        long.current = true;
        onLong();
      }, LONG);
    },
    onPointerMove: (event) => {
      const [x, y] = from.current;
      if (Math.hypot(event.clientX - x, event.clientY - y) > SLIP) stop();
    },
    onPointerUp: stop,
    onPointerCancel: stop,
    wasLong: () => {
      const was = long.current;
      long.current = false;
      return was;
    },
  };
}
