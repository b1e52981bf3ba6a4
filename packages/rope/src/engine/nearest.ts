const { max, min } = Math;

/**
 * Where two edges p + s u and q + t v come nearest, s and t from 0 to 1; r = p - q.
 * See Ericson, Real-Time Collision Detection (2005), 5.1.9, from memory.
 */
export function nearest(
  uu: number,
  uv: number,
  vv: number,
  ur: number,
  vr: number,
  out: Float64Array,
): void {
  const den = uu * vv - uv * uv;
  let s = den > 1e-9 * uu * vv ? min(1, max(0, (uv * vr - ur * vv) / den)) : 0.5;
  let t = (uv * s + vr) / vv;
  if (t < 0) {
    t = 0;
    s = min(1, max(0, -ur / uu));
  } else if (t > 1) {
    t = 1;
    s = min(1, max(0, (uv - ur) / uu));
  }
  out[0] = s;
  out[1] = t;
}
