import { beforeAll, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { followChanges } from './live';
import { keys, queryClient } from './queries';

let hear: ((event: { data: string }) => void) | undefined;
class Line {
  onerror = null;
  addEventListener(name: string, listener: typeof hear): void {
    if (name === 'message') hear = listener;
  }
}
const says = (workshop: string, ...changed: string[]): void =>
  hear?.({ data: JSON.stringify({ workshop, changed }) });

describe('what is changed elsewhere', () => {
  const invalidated: unknown[] = [];
  beforeAll(() => {
    Object.assign(window, { EventSource: Line });
    followChanges();
    jest.spyOn(queryClient, 'invalidateQueries').mockImplementation((filters) => {
      invalidated.push(filters?.queryKey ?? 'everything');
      return Promise.resolve();
    });
    says('w');
  });
  beforeEach(() => {
    jest.useFakeTimers();
    invalidated.length = 0;
  });

  it('is looked at again where it is shown, several changes together', () => {
    says('w', 'lot');
    says('w', 'movement', 'kit');
    jest.advanceTimersByTime(199);
    expect(invalidated).toEqual([]);
    jest.advanceTimersByTime(1);
    expect(invalidated).toEqual([keys.lots, keys.cuttings, keys.kits]);
  });
  it('is everything after a gap, and when the line was opened anew', () => {
    for (const say of [() => says('w', 'all'), () => says('w')]) {
      invalidated.length = 0;
      say();
      jest.advanceTimersByTime(200);
      expect(invalidated).toEqual(['everything']);
    }
  });
});
