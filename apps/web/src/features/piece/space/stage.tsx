import type { SpaceScene } from '@coiled-strand/core';
import { useEffect, useRef } from 'react';
import { useSize } from '../bench/use-size';
import { paintOn, type Painting } from './painting';
import type { Look } from './view-store';

interface Props {
  readonly scene: SpaceScene;
  readonly look: Look;
  /** What is kept in sight, where that is not all of it: width and height. */
  readonly frame?: readonly [number, number];
  /** Whether the next picture comes at once: none of them is drawn finely. */
  readonly passing?: boolean;
}

/** Sharper than this nobody sees, and it costs four times as much. */
const MAX_DOTS = 2;

/** How many dots of the screen a CSS pixel has, as they are drawn. */
export const dotsOfScreen = (): number => Math.min(MAX_DOTS, Math.max(1, window.devicePixelRatio));

/** Things in space. Drawn anew only when something changes, and away from the page where the browser can. */
export function Stage(props: Props) {
  const painting = useRef<Painting | null>(null);
  const [frame, { width, height }] = useSize<HTMLDivElement>();
  useEffect(() => {
    // A canvas is given away once and for all: whoever draws has one of its own.
    const canvas = document.createElement('canvas');
    canvas.ariaHidden = 'true';
    Object.assign(canvas.style, { display: 'block', width: '100%', height: '100%' });
    frame.current!.append(canvas);
    painting.current = paintOn(canvas);
    return () => {
      painting.current?.close();
      painting.current = null;
      canvas.remove();
    };
  }, [frame]);
  useEffect(() => {
    if (width === 0 || height === 0) return;
    painting.current?.show({ ...props, width, height, dots: dotsOfScreen() });
  });
  return <div ref={frame} style={{ width: '100%', height: '100%' }} />;
}
