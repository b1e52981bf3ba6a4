import { describe, expect, it } from '@jest/globals';
import { centsFrom, sayMoney } from '../../../ui/fields/money';
import { sayDaysLeft, sayMinutes, sayMoment, sayWhen } from './times';

const TODAY = { year: 2026, month: 11, day: 26 };
const day = (n: number) => ({ ...TODAY, day: n });

describe('times', () => {
  it('are said as a maker says them', () => {
    expect([25, 26, 27, 29].map((n) => sayWhen(day(n), TODAY))).toEqual([
      'yesterday',
      'today',
      'tomorrow',
      'Sunday',
    ]);
    expect(sayWhen({ year: 2026, month: 12, day: 19 }, TODAY)).toBe('Sat 19 December');
    expect([0, 1, 5, -1, -3].map(sayDaysLeft)).toEqual([
      'today',
      'tomorrow',
      'in 5 days',
      '1 day late',
      '3 days late',
    ]);
    expect([0.2, 47, 60, 80].map(sayMinutes)).toEqual(['1 min', '47 min', '1 h', '1 h 20 min']);
  });
  it('go by the clock of the workshop', () => {
    const at = Date.UTC(2026, 10, 26, 23, 30);
    expect(sayMoment(at, 'UTC', at)).toBe('today, 23:30');
    expect(sayMoment(at, 'Asia/Tokyo', at - 86_400_000)).toBe('tomorrow, 08:30');
  });
});

describe('money', () => {
  it('is whole cents, read and written', () => {
    expect(['12', '12.5', '12,50', ' 0.05 '].map(centsFrom)).toEqual([1200, 1250, 1250, 5]);
    expect(['', '-1', '1.234', '1e3', '12 €', '1,000.00'].map(centsFrom)).toEqual(
      Array.from({ length: 6 }, () => null),
    );
    expect([5, 123456, -250].map((cents) => sayMoney(cents, '€'))).toEqual([
      '0.05 €',
      '1234.56 €',
      '−2.50 €',
    ]);
  });
});
