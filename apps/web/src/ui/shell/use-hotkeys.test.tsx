import { afterAll, afterEach, beforeAll, describe, expect, it } from '@jest/globals';
import { startTransition } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { keyName, useHotkeys } from './use-hotkeys';

const press = (init: KeyboardEventInit): string => keyName(new KeyboardEvent('keydown', init));

describe('keyName', () => {
  it.each([
    [{ key: 'z', ctrlKey: true }, 'Ctrl+z'],
    [{ key: 'Z', ctrlKey: true, shiftKey: true }, 'Ctrl+Shift+z'],
    [{ key: 'z', metaKey: true }, 'Ctrl+z'],
    [{ key: ' ' }, 'Space'],
    [{ key: '?', shiftKey: true }, '?'],
    [{ key: '+', shiftKey: true }, '+'],
    [{ key: 'F' }, 'f'],
    [{ key: 'Backspace' }, 'Backspace'],
  ])('%j is %s', (init, name) => {
    expect(press(init)).toBe(name);
  });
});

function Counter({ onForward }: { readonly onForward: () => void }) {
  useHotkeys({ Space: onForward });
  return <p>4</p>;
}

describe('keys of a page', () => {
  const react = globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean };
  // As in a browser: nothing waits for what React put off.
  beforeAll(() => void (react.IS_REACT_ACT_ENVIRONMENT = false));
  afterAll(() => void (react.IS_REACT_ACT_ENVIRONMENT = true));
  let root: Root | undefined;
  afterEach(() => {
    root?.unmount();
    document.body.replaceChildren();
  });

  it('are heard in the very moment in which the page is seen', async () => {
    const place = document.body.appendChild(document.createElement('div'));
    root = createRoot(place);
    let forward = 0;
    const seen = new Promise<void>((resolve) => {
      new MutationObserver(() => {
        place
          .querySelector('p')
          ?.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', bubbles: true }));
        resolve();
      }).observe(place, { childList: true });
    });
    startTransition(() => root!.render(<Counter onForward={() => (forward += 1)} />));
    await seen;
    expect(forward).toBe(1);
  });
});
