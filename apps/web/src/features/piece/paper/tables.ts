import { speak, type Plan, type SpokenUnits } from '@coiled-strand/core';
import type { Table } from '../../../ui/shell/csv';
import { cutsOf } from './cuts';

/** What is cut, a row each. */
export const cutTable = (plan: Plan): Table => ({
  head: ['number', 'for', 'cord', 'colour', 'cut mm', 'fold at mm'],
  rows: cutsOf(plan)
    .filter(({ given }) => !given)
    .map(({ number, role, name, colour, mm, fold }) => [number, role, name, colour, mm, fold]),
});

/** What has to lie ready besides, a row each. */
export const needsTable = ({ counters }: Plan, units: SpokenUnits): Table => ({
  head: ['what', 'number', 'in hand'],
  rows: [
    ...counters.beads.map(({ name, count, inHand }) => [name, count, inHand]),
    ...counters.needs.map(({ label, count }) => [speak(label, units), count, null]),
  ],
});
