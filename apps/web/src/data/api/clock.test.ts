import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { serverNow, setClock } from './clock';

const NOW = Date.UTC(2026, 0, 1, 12);
const header = (ms: number): string => new Date(ms).toUTCString();

beforeEach(() => void jest.useFakeTimers({ now: NOW }));
afterEach(() => {
  setClock(header(NOW), NOW);
  jest.useRealTimers();
});

describe('the time by the server’s clock', () => {
  it('is this one’s until an answer tells of another', () => {
    expect(serverNow()).toBe(NOW);
    setClock(header(NOW + 3_600_000), NOW);
    expect(serverNow() - NOW).toBeGreaterThan(3_599_000);
    expect(serverNow() - NOW).toBeLessThan(3_601_000);
  });
  it('does not waver by what a whole second hides', () => {
    setClock(header(NOW + 900), NOW - 300);
    expect(serverNow()).toBe(NOW);
  });
  it('stays what it was where an answer does not tell it', () => {
    setClock(header(NOW - 60_000), NOW);
    const before = serverNow();
    setClock(null, NOW);
    setClock('soon', NOW);
    expect(serverNow()).toBe(before);
  });
});
