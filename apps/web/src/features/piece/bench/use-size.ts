import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

/** The size of an element in CSS pixels, kept up to date. */
export function useSize<T extends Element>(): readonly [
  RefObject<T | null>,
  { readonly width: number; readonly height: number },
] {
  const ref = useRef<T>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const read = (): void => {
      const { width, height } = element.getBoundingClientRect();
      setSize((old) => (old.width === width && old.height === height ? old : { width, height }));
    };
    read();
    const observer = new ResizeObserver(read);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, size];
}
