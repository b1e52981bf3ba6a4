import { afterAll, beforeAll, describe, expect, it, jest } from '@jest/globals';
import { listenToStream, restartStream, whenRefused } from './stream';

/** A line to a server, in the hands of the test. */
class Line {
  static readonly all: Line[] = [];
  static readonly CLOSED = 2;
  readyState = 1;
  onerror: (() => void) | null = null;
  private readonly hears = new Map<string, (event: { data: string }) => void>();
  constructor(readonly path: string) {
    Line.all.push(this);
  }
  addEventListener(name: string, hear: (event: { data: string }) => void): void {
    this.hears.set(name, hear);
  }
  says(name: string, data: string): void {
    this.hears.get(name)?.({ data });
  }
  refuse(): void {
    this.readyState = Line.CLOSED;
    this.onerror?.();
  }
  close(): void {
    this.readyState = Line.CLOSED;
  }
}
const open = (): Line[] => Line.all.filter(({ readyState }) => readyState !== Line.CLOSED);

function look(state: DocumentVisibilityState): void {
  Object.defineProperty(document, 'visibilityState', { value: state, configurable: true });
  document.dispatchEvent(new Event('visibilitychange'));
}

describe('the line to the server', () => {
  beforeAll(() => {
    Object.assign(globalThis, { EventSource: Line });
    jest.useFakeTimers();
  });
  afterAll(() => {
    Reflect.deleteProperty(globalThis, 'EventSource');
    jest.useRealTimers();
  });
  const heard: string[] = [];

  it('is one for all that is heard', () => {
    listenToStream('message', (data) => heard.push(`change ${data}`));
    expect(open()).toHaveLength(1);
    // The line begins with how instruments stand; who listens for that comes later.
    open()[0]!.says('reading', '1');
    listenToStream('reading', (data) => heard.push(`reading ${data}`));
    expect(open()).toHaveLength(1);
    open()[0]!.says('message', '2');
    expect(heard).toEqual(['reading 1', 'change 2']);
  });
  it('is given up by a window that nobody sees, and taken again', () => {
    look('hidden');
    expect(open()).toEqual([]);
    look('visible');
    expect(open()).toHaveLength(1);
    open()[0]!.says('message', '3');
    expect(heard.at(-1)).toBe('change 3');
  });
  it('that is refused is said to be, and opened again after a while', () => {
    const refused = jest.fn();
    whenRefused(refused);
    open()[0]!.refuse();
    expect(refused).toHaveBeenCalledTimes(1);
    expect(open()).toEqual([]);
    jest.advanceTimersByTime(3_000);
    expect(open()).toHaveLength(1);
  });
  it('is another one for whoever signs in', () => {
    const before = open()[0]!;
    restartStream();
    expect(open()).toHaveLength(1);
    expect(open()[0]).not.toBe(before);
  });
});
