declare global {
  interface Window {
    /** Tasks of a page that were longer than 50 ms, while they are watched, in ms. */
    longTasks: number[];
    /** From frame to frame, in ms. */
    frameTimes: number[];
  }
}
export {};
