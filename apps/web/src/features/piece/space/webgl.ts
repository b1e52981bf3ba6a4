/** Whether WebGL 2 is given; each asking costs some milliseconds, so an answer is kept. */
const given = (canvas: HTMLCanvasElement | OffscreenCanvas, fast: boolean): boolean => {
  try {
    return canvas.getContext('webgl2', { failIfMajorPerformanceCaveat: fast }) !== null;
  } catch {
    return false;
  }
};

/** @param asked what is asked once */
function memoized(asked: () => boolean): () => boolean {
  let answer: boolean | undefined;
  return () => (answer ??= asked());
}

/** Whether this browser draws in space away from the page, so that the page never waits for a picture. */
export const drawsApart = memoized(
  () =>
    typeof OffscreenCanvas === 'function' &&
    'transferControlToOffscreen' in HTMLCanvasElement.prototype &&
    given(new OffscreenCanvas(1, 1), false),
);

/** Whether this browser can draw in space. */
export const drawsInSpace = memoized(
  () => drawsApart() || given(document.createElement('canvas'), false),
);

/** Whether it can with a graphics card; may be asked in a worker. */
export const drawsFast = memoized(() =>
  given(
    typeof document === 'undefined' ? new OffscreenCanvas(1, 1) : document.createElement('canvas'),
    true,
  ),
);
