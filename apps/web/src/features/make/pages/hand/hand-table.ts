import type { KnotView, LessonView } from '@coiled-strand/contract';
import type { Table } from '../../../../ui/shell/csv';
import { nameOf } from '../../hand/words';

/** What was learnt of a hand, a row each: factors over the model, and by how much they may be off. */
export const handTable = (lessons: readonly LessonView[], knots: readonly KnotView[]): Table => ({
  head: ['technique', 'what', 'factor', 'spread', 'rests on', 'before', 'since'],
  rows: lessons.map(({ before, after, since, observations, ...key }) => {
    const { technique, measure } = nameOf(
      key,
      knots.map(({ id, value }) => ({ origin: id, name: value.name })),
    );
    return [
      technique,
      measure,
      after.factor,
      after.spread,
      observations.length,
      before.factor,
      since,
    ];
  }),
});
