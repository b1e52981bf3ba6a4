import type { ShoppingItemView } from '@coiled-strand/contract';
import { speak, type SpokenUnits } from '@coiled-strand/core';
import { sayAmount, thingName } from '@coiled-strand/workshop';
import { stringify } from 'csv-stringify/sync';

/**
 * The list as a table for a spreadsheet. What a spreadsheet would take for a formula is kept from that by an
 * apostrophe in front.
 */
export function shoppingCsv(
  items: readonly ShoppingItemView[],
  units: SpokenUnits & { readonly currency?: string },
): string {
  const money = (cents: number | null): string => (cents === null ? '' : (cents / 100).toFixed(2));
  const currency = units.currency ? ` (${units.currency})` : '';
  return stringify(
    items.map(({ item, ticked, arrived }) => {
      const count = item.count - arrived;
      return {
        what: thingName(item.thing),
        sold: item.label,
        size: speak(sayAmount(item.thing.kind, item.size), units),
        count: String(count),
        each: money(item.cents),
        together: money(item.cents === null ? null : item.cents * count),
        ticked: ticked ? 'yes' : '',
        note: item.note ?? '',
      };
    }),
    {
      header: true,
      bom: true,
      record_delimiter: 'windows',
      escape_formulas: true,
      columns: [
        { key: 'what', header: 'What' },
        { key: 'sold', header: 'Sold as' },
        { key: 'size', header: 'In one' },
        { key: 'count', header: 'How many' },
        { key: 'each', header: `Price of one${currency}` },
        { key: 'together', header: `Together${currency}` },
        { key: 'ticked', header: 'Got it' },
        { key: 'note', header: 'For' },
      ],
    },
  );
}
