import { useSearchParams } from 'react-router';

/** What a list is asked for, as it stands in the address: the way back leads to the same list. */
export function useAsked(): {
  readonly asked: (name: string) => string;
  readonly ask: (name: string, value: string) => void;
} {
  const [search, setSearch] = useSearchParams();
  return {
    asked: (name) => search.get(name) ?? '',
    ask: (name, value) =>
      setSearch(
        (old) => {
          const next = new URLSearchParams(old);
          if (value === '') next.delete(name);
          else next.set(name, value);
          return next;
        },
        // At once: the next key that is pressed, or button, finds the address as the last one left it.
        { replace: true, flushSync: true },
      ),
  };
}
