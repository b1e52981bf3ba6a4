import { useLayoutEffect, useRef } from 'react';

const TYPING = 'input, textarea, select, [contenteditable=true]';

/** `Ctrl+z`, `Shift+?` is `?`, `Space`; letters as typed. Meta counts as Ctrl. */
export function keyName(event: KeyboardEvent): string {
  const key =
    event.key === ' ' ? 'Space' : event.key.length === 1 ? event.key.toLowerCase() : event.key;
  const control = event.ctrlKey || event.metaKey ? 'Ctrl+' : '';
  const shift = event.shiftKey && /^[a-z]$|^[A-Z][a-z]+/.test(key) ? 'Shift+' : '';
  return control + shift + key;
}

/**
 * Keys that work on the whole page, but not while something is typed or a dialog is open.
 * Keys with Ctrl work in fields too, unless the field has its own use for them.
 *
 * They are heard from the moment in which the page that they belong to is seen: a browser may put off effects that
 * come after it is drawn until the next frame, and a key pressed meanwhile would be lost.
 */
export function useHotkeys(keys: Readonly<Record<string, () => void>>): void {
  const latest = useRef(keys);
  useLayoutEffect(() => {
    latest.current = keys;
  });
  useLayoutEffect(() => {
    const press = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement;
      if (event.altKey || event.defaultPrevented) return;
      if (target.closest(TYPING) || document.querySelector('[role=dialog][data-state=open]'))
        return;
      const name = keyName(event);
      // A focused button keeps the keys that press it.
      if (
        (name === 'Space' || name === 'Enter') &&
        target.closest('button, a, [role=radio], [role=checkbox]')
      )
        return;
      const run = latest.current[name];
      if (!run) return;
      event.preventDefault();
      run();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
}
