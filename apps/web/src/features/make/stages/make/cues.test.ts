import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { useDevice } from '../../../../data/device/device-store';
import { giveCue } from './cues';
import { sayDuration } from '../../make/duration';

const tones: number[] = [];
const shaken = jest.fn<(pattern: number[]) => boolean>(() => true);

class FakeNode {
  readonly gain = { linearRampToValueAtTime: () => undefined };
  constructor(_context: unknown, options: { frequency?: number }) {
    if (options.frequency) tones.push(options.frequency);
  }
  connect(next: unknown): unknown {
    return next;
  }
  start(): void {
    // Heard by nobody.
  }
  stop(): void {
    // Heard by nobody.
  }
}
class FakeAudio {
  readonly currentTime = 0;
  readonly destination = {};
  resume = (): Promise<void> => Promise.resolve();
}

beforeEach(() => {
  Object.assign(globalThis, {
    AudioContext: FakeAudio,
    OscillatorNode: FakeNode,
    GainNode: FakeNode,
  });
  Object.assign(navigator, { vibrate: shaken });
  tones.length = 0;
  shaken.mockClear();
});
afterEach(() => {
  useDevice.setState({ sound: false, vibration: false });
});

describe('cues for ears and hands', () => {
  it('are silent until they are asked for', () => {
    giveCue({ side: 'left', stepDone: false });
    expect(tones).toEqual([]);
    expect(shaken).not.toHaveBeenCalled();
  });
  it('tell the sides apart, and a step that is done from a unit', () => {
    useDevice.setState({ sound: true, vibration: true });
    giveCue({ side: 'left', stepDone: false });
    giveCue({ side: 'right', stepDone: false });
    giveCue({ side: null, stepDone: false });
    giveCue({ side: null, stepDone: true });
    expect(tones).toHaveLength(5);
    expect(new Set(tones.slice(0, 3)).size).toBe(3);
    const patterns = shaken.mock.calls.map(([pattern]) => pattern.join());
    expect(new Set([patterns[0], patterns[1], patterns[3]]).size).toBe(3);
  });
});

describe('durations', () => {
  it.each([
    [20, '1 minute'],
    [2400, '40 minutes'],
    [6000, '1.75 hours'],
    [7200, '2 hours'],
  ])('%d s are said as %s', (seconds, said) => expect(sayDuration(seconds)).toBe(said));
});
