import { describe, expect, it } from '@jest/globals';
import { screen } from '@testing-library/react';
import type { ReadyBy } from '@coiled-strand/workshop';
import { renderIn } from '../../../testing';
import { PromiseText } from './promise-text';

const ready = (more: Partial<ReadyBy> = {}): ReadyBy => ({
  half: Date.UTC(2026, 11, 7, 10),
  eighty: Date.UTC(2026, 11, 8, 10),
  ninetyFive: Date.UTC(2026, 11, 10, 23, 30),
  pace: { mean: 0, sd: 0.35, rests: 0 },
  ...more,
});
const say = (promise: ReadyBy): string => {
  renderIn({}, <PromiseText promise={promise} zone="Europe/Oslo" />);
  return screen.getByTestId('promise').textContent;
};

describe('a promise in words', () => {
  it('names both days by the clock of the workshop, with how often each is kept', () => {
    const words = say(ready());
    expect(words).toMatch(/8 Dec.* is kept 80 times in 100/);
    // Half past midnight there is the day after.
    expect(words).toMatch(/11 Dec.* 95 times in 100/);
  });
  it('says that times are assumed until a make is logged', () => {
    expect(say(ready())).toContain('By assumed times, with a wide margin.');
  });
  it.each([
    [1, 'By what hands are like and the times of your last make,'],
    [7, 'By what hands are like and the times of your last 7 makes,'],
  ])('says that it goes by %i makes', (rests, words) => {
    expect(say(ready({ pace: { mean: 0.1, sd: 0.2, rests } }))).toContain(words);
  });
  it('says so where the weeks that are planned do not reach', () => {
    expect(say(ready({ ninetyFive: Infinity }))).toMatch(/more than \d+ weeks away 95 times/);
  });
});
