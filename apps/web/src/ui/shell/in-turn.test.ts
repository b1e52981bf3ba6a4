import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { inTurn } from './in-turn';

beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

const told = () => {
  const said: string[] = [];
  const turns = inTurn(
    (n: number) => {
      said.push(`first ${n}`);
      return n * 10;
    },
    (n) => {
      said.push(`then ${n}`);
      return n + 1;
    },
    (n) => void said.push(`last ${n}`),
  );
  const next = (): readonly string[] => {
    said.length = 0;
    jest.runOnlyPendingTimers();
    return [...said];
  };
  return { said, turns, next };
};

describe('things done in turn', () => {
  it('are done each in a task of its own, with what the one before came to', () => {
    const { said, turns, next } = told();
    turns.take(1);
    expect(said).toEqual([]);
    expect(next()).toEqual(['first 1']);
    expect(next()).toEqual(['then 10']);
    expect(next()).toEqual(['last 11']);
    expect(next()).toEqual([]);
  });
  it('leave out what came too fast, but not the last, nor what was begun', () => {
    const { turns, next } = told();
    turns.take(1);
    turns.take(2);
    expect(next()).toEqual(['first 2']);
    turns.take(3);
    turns.take(4);
    expect([...next(), ...next()]).toEqual(['then 20', 'last 21']);
    expect([...next(), ...next(), ...next()]).toEqual(['first 4', 'then 40', 'last 41']);
  });
  it('are finished at once when asked, and then no more', () => {
    const { said, turns, next } = told();
    turns.take(1);
    next();
    said.length = 0;
    turns.finish();
    expect(said).toEqual(['then 10', 'last 11']);
    turns.take(2);
    next();
    turns.take(3);
    said.length = 0;
    turns.finish();
    expect(said).toEqual(['first 3', 'then 30', 'last 31']);
    turns.finish();
    expect(next()).toEqual([]);
  });
  it('go on with the next value when one fails', () => {
    const done: number[] = [];
    const turns = inTurn(
      (n: number) => n,
      (n) => {
        if (n === 1) throw new Error('no');
        return n;
      },
      (n) => void done.push(n),
    );
    turns.take(1);
    jest.runOnlyPendingTimers();
    expect(() => jest.runOnlyPendingTimers()).toThrow('no');
    turns.take(2);
    jest.runAllTimers();
    expect(done).toEqual([2]);
  });
});
