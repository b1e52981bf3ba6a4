import { describe, expect, it } from '@jest/globals';
import { keyName } from './use-hotkeys';

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
