import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { act, fireEvent, screen } from '@testing-library/react';
import { BENCH_FRAME, renderIn } from '../../../testing';
import { LengthHandle } from './length-handle';
import { useBenchView } from './view-store';

/** What was planned and what was carried out, in order. */
const said: string[] = [];
/** Under what it was carried out. */
const keys: (string | undefined)[] = [];
const handle = (): HTMLElement => screen.getByRole('slider', { name: 'Length of a band' });
/** A finger: in the document that tests draw in there are no pointers. */
const finger = (x: number) => {
  const touch = { identifier: 1, target: handle(), clientX: x, clientY: 100 };
  return { touches: [touch], targetTouches: [touch], changedTouches: [touch] };
};
const press = (x: number): void => {
  fireEvent.touchStart(handle(), finger(x));
};
const move = (x: number): void => {
  fireEvent.touchMove(handle(), finger(x));
};
const letGo = (x: number): void => {
  fireEvent.touchEnd(handle(), { ...finger(x), touches: [], targetTouches: [] });
};
const rest = (): void => act(() => jest.runAllTimers());
const isHeld = (): boolean => useBenchView.getState().held !== null;

beforeEach(() => {
  jest.useFakeTimers();
  said.length = 0;
  keys.length = 0;
  useBenchView.setState({ held: null, framing: { mode: 'whole' } });
  useBenchView.getState().setFrame({ scale: 4, x: 0, width: 900, folded: null, folds: false });
});
afterEach(() => void jest.useRealTimers());

const show = () =>
  renderIn(
    {},
    <svg>
      <LengthHandle
        frame={BENCH_FRAME}
        label="Length of a band"
        start={0}
        length={150.3}
        min={1}
        max={2000}
        prepare={(mm) => {
          said.push(`plan ${mm}`);
          return (key) => {
            keys.push(key);
            said.push(`do ${mm} ${key ? 'a drag' : 'alone'} ${isHeld() ? 'held' : 'free'}`);
          };
        }}
        prepareRest={() => void said.push(`try ${isHeld() ? 'held' : 'free'}`)}
      />
    </svg>,
  );

describe('the end of a part', () => {
  it('changes nothing when it is only taken hold of', () => {
    show();
    press(600);
    letGo(600);
    rest();
    expect(said.filter((line) => !line.startsWith('try'))).toEqual([]);
    expect(isHeld()).toBe(false);
  });
  it('is planned and shown while it is dragged, under one key, and comes to where it is let go', () => {
    show();
    press(600);
    move(620);
    rest();
    expect(said).toEqual(['plan 155', 'do 155 a drag held']);
    for (const x of [624, 628, 632]) move(x);
    rest();
    expect(said.slice(2)).toEqual(['plan 158', 'do 158 a drag held']);
    said.length = 0;
    move(640);
    letGo(640);
    // At once: what comes next, as a key, finds it done.
    expect(said).toEqual(['plan 160', 'do 160 a drag held']);
    expect(isHeld()).toBe(true);
    rest();
    expect(said.at(-1)).toBe('try held');
    expect(isHeld()).toBe(false);
  });
  it('is another step of undo with every drag, also where it was drawn anew in between', () => {
    for (const x of [620, 640]) {
      const { unmount } = show();
      press(600);
      move(x);
      rest();
      move(x + 4);
      letGo(x + 4);
      rest();
      unmount();
    }
    expect(keys).toHaveLength(4);
    expect(new Set(keys).size).toBe(2);
    expect(keys[0]).toBe(keys[1]);
  });
  it('stays where it was let go when it is taken away in the middle of a drag', () => {
    const { unmount } = show();
    press(600);
    move(620);
    unmount();
    expect(said).toEqual(['plan 155', 'do 155 a drag held']);
    rest();
    expect(isHeld()).toBe(false);
  });
  it('is moved by keys, each a step of its own', () => {
    show();
    fireEvent.keyDown(handle(), { key: 'ArrowRight' });
    fireEvent.keyDown(handle(), { key: 'ArrowLeft', shiftKey: true });
    fireEvent.keyDown(handle(), { key: 'Home' });
    expect(said.filter((line) => !line.startsWith('plan'))).toEqual([
      'do 151 alone free',
      'do 140 alone free',
      'do null alone free',
    ]);
  });
});
