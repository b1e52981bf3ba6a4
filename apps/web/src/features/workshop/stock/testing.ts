import type { LotView } from '@coiled-strand/contract';
import { thingKey, type Thing } from '@coiled-strand/workshop';

/** A begun lot of a thing as the server answers with it. */
export const lotView = (
  thing: Thing,
  id: string,
  left: number,
  more: Partial<LotView> = {},
): LotView => ({
  ...{ id, thing, key: thingKey(thing), form: 'spool', place: id, dyeLot: null, boughtOn: null },
  ...{ cents: null, size: 30_000, left, whole: false, parent: null, tare: null, grams: null },
  ...{ useful: null, etag: id, at: '2026-01-01T00:00:00.000Z', ...more },
});
