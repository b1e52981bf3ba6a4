import { isImperial, MM_PER_UNIT, type LengthUnit } from '../../base/measure/units.js';

export interface Tick {
  /** Distance from the ruler's nought in mm. */
  readonly at: number;
  readonly rank: 'major' | 'middle' | 'minor';
  readonly label: string | null;
}

/**
 * Ticks of a rule: centimetres with halves and millimetres, or inches with halves, quarters and
 * eighths. Ticks that would stand closer than the smallest gap are left out, finest first.
 *
 * @param from,to stretch of the rule in mm
 * @param unit only its family counts: metric rules are numbered in cm, imperial ones in inches
 * @param smallestGap in mm of the piece
 */
export function rulerTicks(
  from: number,
  to: number,
  unit: LengthUnit,
  smallestGap: number,
): Tick[] {
  const imperial = isImperial(unit);
  const major = imperial ? MM_PER_UNIT.in : MM_PER_UNIT.cm;
  const division = [imperial ? 8 : 10, imperial ? 4 : 2, imperial ? 2 : 1, 1].find(
    (n) => major / n >= smallestGap,
  );
  const parts = division ?? 1;
  // Where even whole units crowd, only every second, fifth, tenth is numbered.
  const every = [1, 2, 5, 10, 20, 50, 100].find((n) => major * n >= smallestGap * 7) ?? 100;
  const ticks: Tick[] = [];
  for (let i = Math.ceil((from / major) * parts - 1e-9); i <= (to / major) * parts + 1e-9; i++) {
    const whole = i % parts === 0;
    const half = (i * 2) % parts === 0;
    const value = i / parts;
    ticks.push({
      at: value * major,
      rank: whole ? 'major' : half ? 'middle' : 'minor',
      label: whole && value % every === 0 ? String(value) : null,
    });
  }
  return ticks;
}
