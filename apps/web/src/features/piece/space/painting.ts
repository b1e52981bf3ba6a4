import { transfer, wrap, type Remote } from 'comlink';
import type { Painter } from './picture-worker';
import workerUrl from './picture-worker?worker&url';
import type { Shown } from './picture';
import { drawsApart } from './webgl';

/** Where a picture in space is drawn: what is shown in it, and how it is ended. */
export interface Painting {
  show(shown: Shown): void;
  close(): void;
}

/** A worker that paints, and how to end it. */
export function painter(): { readonly remote: Remote<Painter>; readonly end: () => void } {
  const worker = new Worker(workerUrl, { type: 'module' });
  return { remote: wrap<Painter>(worker), end: () => worker.terminate() };
}

/** In a worker; a scene goes there once, however often it is turned. */
function paintApart(canvas: HTMLCanvasElement): Painting {
  const { remote, end } = painter();
  const offscreen = canvas.transferControlToOffscreen();
  void remote.open(transfer(offscreen, [offscreen]));
  let sent: Shown['scene'] | null = null;
  return {
    show(shown) {
      const scene = shown.scene === sent ? null : shown.scene;
      sent = shown.scene;
      void remote.show({ ...shown, scene });
    },
    close: end,
  };
}

/** On the page itself, for browsers that cannot draw elsewhere. */
function paintHere(canvas: HTMLCanvasElement): Painting {
  let closed = false;
  let latest: Shown | null = null;
  let picture: Painting | null = null;
  void import('./picture').then(({ openPicture }) => {
    if (closed) return;
    picture = openPicture(canvas);
    if (latest) picture.show(latest);
  });
  return {
    show(shown) {
      latest = shown;
      picture?.show(shown);
    },
    close() {
      closed = true;
      picture?.close();
    },
  };
}

/** Begins to draw on a canvas that nothing was drawn on yet. */
export const paintOn = (canvas: HTMLCanvasElement): Painting =>
  drawsApart() ? paintApart(canvas) : paintHere(canvas);
