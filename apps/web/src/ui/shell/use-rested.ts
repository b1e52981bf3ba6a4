import { useEffect, useState } from 'react';

/** A value once it has not changed for a moment: what is typed is looked for when the hand rests. */
export function useRested<T>(value: T, ms = 250): T {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setRested(value), ms);
    return () => clearTimeout(timer);
  }, [value, ms]);
  return rested;
}
