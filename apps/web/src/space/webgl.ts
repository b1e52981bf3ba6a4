const answers = new Map<boolean, boolean>();

function asked(fast: boolean): boolean {
  try {
    const canvas = document.createElement('canvas');
    return canvas.getContext('webgl2', { failIfMajorPerformanceCaveat: fast }) !== null;
  } catch {
    return false;
  }
}

/** @param fast only where it costs little: with a graphics card */
function draws(fast: boolean): boolean {
  const known = answers.get(fast);
  if (known !== undefined) return known;
  const answer = asked(fast);
  answers.set(fast, answer);
  return answer;
}

/** Whether this browser can draw in space. */
export const drawsInSpace = (): boolean => draws(false);
/** Whether it can with a graphics card. */
export const drawsFast = (): boolean => draws(true);
