import { pluralOf, type Sized } from '@coiled-strand/core';
import type { Units } from '../../../ui/settings/use-units';

/** A line of the table: what is told, and of each size what it comes to; null where it does not apply. */
export interface Row {
  readonly what: string;
  readonly cells: readonly (string | null)[];
  /** The same in mm or pieces, for other programs. */
  readonly values: readonly (number | null)[];
}

type Planned = Extract<Sized['plan'], { ok: true }>;
type Value = (plan: Planned) => number | undefined;

/** Everything that is told of any of the sizes, each thing once, in the order in which a plan tells it. */
const labelled = <T>(all: readonly (readonly T[])[], label: (one: T) => string): string[] => [
  ...new Set(all.flatMap((list) => list.map(label))),
];

/** What plans side by side come to, line by line: one look tells what differs, and what does not. */
export function rowsOf(sized: readonly Pick<Sized, 'plan'>[], units: Units): readonly Row[] {
  const plans = sized.map(({ plan }) => (plan.ok ? plan : null));
  const planned = plans.filter((plan) => plan !== null);
  const row = (what: string, value: Value, say: (value: number) => string): Row => {
    const values = plans.map((plan) => (plan ? (value(plan) ?? null) : null));
    return { what, values, cells: values.map((one) => (one === null ? null : say(one))) };
  };
  const count = (value: number): string => String(value);
  const circumference = row('Inside, closed', ({ fit }) => fit.circumference, units.size);
  return [
    ...(planned.some(({ fit }) => fit.circumference > 0) ? [circumference] : []),
    row('Length of the work', ({ fit }) => fit.length, units.size),
    ...labelled(
      planned.map(({ totals }) => totals.counts),
      ({ unitName }) => unitName,
    ).map((name) =>
      row(
        pluralOf(name),
        ({ totals }) => totals.counts.find(({ unitName }) => unitName === name)?.count,
        count,
      ),
    ),
    ...labelled(
      planned.map(({ counters }) => counters.beads),
      ({ name }) => name,
    ).map((name) =>
      row(name, ({ counters }) => counters.beads.find((bead) => bead.name === name)?.count, count),
    ),
    ...labelled(
      planned.map(({ strands }) => strands),
      ({ number, cord }) => `${number} ${cord.colour.name}`,
    ).map((name) =>
      row(
        `Cord ${name}, cut`,
        ({ strands }) =>
          strands.find(({ number, cord }) => `${number} ${cord.colour.name}` === name)?.cut,
        units.cord,
      ),
    ),
    ...labelled(
      planned.map(({ auxiliary }) => auxiliary),
      ({ label }) => label,
    ).map((name) =>
      row(
        `${name}, cut`,
        ({ auxiliary }) => auxiliary.find(({ label }) => label === name)?.cut,
        units.cord,
      ),
    ),
    row('All cord', ({ totals }) => totals.cut, units.cord),
  ];
}
