/** What a measuring device says: a length in mm, or a weight in g. */
export interface Reading {
  readonly instrument: 'caliper' | 'scale';
  /** In mm or g; null where it is beyond what the device can measure. */
  readonly value: number | null;
  readonly unit: 'mm' | 'g';
  /** Whether it has come to rest: only then it is taken. */
  readonly stable: boolean;
  readonly batteryLow: boolean;
}

const CALIPER = /^C ([+-]\d{3}\.\d{2}) (mm|in) ([SM])( B)?$/;
const CALIPER_OVER = /^C ------ (mm|in) O( B)?$/;
const SCALE = /^([SM]) {1,8}([+-]\d{1,5}\.\d{1,2}) (g|oz)( B)?$/;
const SCALE_OVER = /^O {1,8}------ (g|oz)( B)?$/;

const MM = { mm: 1, in: 25.4 } as const;
/** The avoirdupois ounce in g: international yard and pound agreement, 1959. */
const G = { g: 1, oz: 28.349523125 } as const;

/**
 * A line of a measuring device as a reading: `C +012.34 mm S` of a caliper, `S  +31.20 g` of a scale; see
 * docs/instruments.md.
 *
 * @returns null for a line that is none: a device that is switched on says all kinds of things
 * @example parseReading('C +012.34 mm S')?.value // 12.34
 * @example parseReading('S  +1.00 oz')?.value // 28.349523
 * @example parseReading('hello') // null
 */
export function parseReading(line: string): Reading | null {
  const text = line.trimEnd();
  const caliper = CALIPER.exec(text);
  if (caliper) {
    const [, value, unit, state, battery] = caliper;
    return {
      instrument: 'caliper',
      value: Number(value) * MM[unit as 'mm' | 'in'],
      unit: 'mm',
      stable: state === 'S',
      batteryLow: battery !== undefined,
    };
  }
  const scale = SCALE.exec(text);
  if (scale) {
    const [, state, value, unit, battery] = scale;
    return {
      instrument: 'scale',
      value: Number(value) * G[unit as 'g' | 'oz'],
      unit: 'g',
      stable: state === 'S',
      batteryLow: battery !== undefined,
    };
  }
  const over = CALIPER_OVER.exec(text) ?? SCALE_OVER.exec(text);
  if (!over) return null;
  const caliperOver = text.startsWith('C');
  return {
    instrument: caliperOver ? 'caliper' : 'scale',
    value: null,
    unit: caliperOver ? 'mm' : 'g',
    stable: false,
    batteryLow: over[2] !== undefined,
  };
}
