import { useEffect, useRef, useState, type RefObject } from 'react';

/** How far below the window something is still made ready: a turn of the wheel does not find it empty. */
const AHEAD = '300px';

/**
 * Whether something was ever near what is seen. What lies further down a page is not worked out before.
 *
 * @returns the element's ref, and true from then on; at once where a browser cannot say
 */
export function useNear<E extends Element>(): readonly [RefObject<E | null>, boolean] {
  const ref = useRef<E>(null);
  const [near, setNear] = useState(() => !('IntersectionObserver' in window));
  useEffect(() => {
    if (near || !ref.current) return;
    const observer = new IntersectionObserver(
      (entries) => {
        if (entries.some(({ isIntersecting }) => isIntersecting)) setNear(true);
      },
      { rootMargin: AHEAD },
    );
    observer.observe(ref.current);
    return () => observer.disconnect();
  }, [near]);
  return [ref, near];
}
