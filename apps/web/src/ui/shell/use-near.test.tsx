import { afterEach, expect, test } from '@jest/globals';
import { act, render, screen } from '@testing-library/react';
import { useNear } from './use-near';

function Far() {
  const [ref, near] = useNear<HTMLDivElement>();
  return <div ref={ref}>{near ? 'drawn' : 'waits'}</div>;
}

/** A browser that says what is seen when it is told to. */
function pretend() {
  let tell: (seen: boolean) => void = () => undefined;
  const watched = new Set<Element>();
  class Observer {
    constructor(heard: (entries: readonly { isIntersecting: boolean }[]) => void) {
      tell = (isIntersecting) => heard([{ isIntersecting }]);
    }
    observe = (element: Element) => watched.add(element);
    disconnect = () => watched.clear();
  }
  Object.assign(window, { IntersectionObserver: Observer });
  return { watched, tell: (seen: boolean) => act(() => tell(seen)) };
}

afterEach(() => void Reflect.deleteProperty(window, 'IntersectionObserver'));

test('what lies far down waits until it is near, and stays from then on', () => {
  const { watched, tell } = pretend();
  render(<Far />);
  expect(watched.size).toBe(1);
  tell(false);
  expect(screen.getByText('waits')).toBeTruthy();
  tell(true);
  expect(screen.getByText('drawn')).toBeTruthy();
  expect(watched.size).toBe(0);
});

test('where a browser cannot say what is seen, nothing waits', () => {
  render(<Far />);
  expect(screen.getByText('drawn')).toBeTruthy();
});
