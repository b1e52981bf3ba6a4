import { lessonsFrom, type HandKey, type Observation } from '@coiled-strand/core';
import { In, IsNull, type EntityManager } from 'typeorm';
import { EvidenceRow, LessonRow } from '../rows/learnt.entities.js';

/** So many of the last measurements of a lesson are told one by one. */
export const TOLD = 40;

/** Something that was measured: a logged make, or a swatch. */
export type Measured = Pick<
  EvidenceRow,
  'workshopId' | 'source' | 'sourceId' | 'at' | 'label' | 'setAside'
>;

const keyOf = ({ technique, cordKind, measure }: HandKey): HandKey => ({
  technique,
  cordKind,
  measure,
});
/** What was measured as it is written down. */
export const evidenceOf = (
  measured: Measured,
  observations: readonly Observation[],
): (Measured & HandKey & Pick<EvidenceRow, 'observation'>)[] =>
  observations.map((observation) => ({ ...measured, ...keyOf(observation), observation }));

const different = (keys: readonly HandKey[]): HandKey[] => [
  ...new Map(keys.map((key) => [JSON.stringify(keyOf(key)), keyOf(key)])).values(),
];

/** Whoever else changes what is known of this workshop's hand waits, so that nobody learns from half of it. */
const alone = (manager: EntityManager, workshopId: string): Promise<unknown> =>
  manager.query('select pg_advisory_xact_lock(hashtextextended($1, 0))', [workshopId]);

/** Learns these anew from all the evidence of them. */
export async function learnAgain(
  manager: EntityManager,
  workshopId: string,
  keys: readonly HandKey[],
): Promise<void> {
  for (const key of keys) {
    const rows = await manager.find(EvidenceRow, {
      where: { workshopId, ...key, setAside: IsNull() },
      select: { id: true, at: true, observation: true },
      order: { at: 'ASC', id: 'ASC' },
    });
    const [lesson] = lessonsFrom(rows.map(({ id, observation }) => ({ ...observation, id })));
    if (!lesson) {
      await manager.delete(LessonRow, { workshopId, ...key });
      continue;
    }
    const { before, after, trend, observations } = lesson;
    const surprise = Object.fromEntries(
      observations.slice(-TOLD).map((one) => [one.id, one.surprise]),
    );
    const learnt = { before, after, trend, since: rows[0]!.at.toISOString(), surprise };
    await manager.upsert(LessonRow, { workshopId, ...key, learnt }, [
      'workshopId',
      'technique',
      'cordKind',
      'measure',
    ]);
  }
}

/** Puts what a make or a swatch says of the hand in place of what it said before, and learns from it. */
export async function takeIn(
  manager: EntityManager,
  measured: Measured,
  observations: readonly Observation[],
): Promise<void> {
  const { workshopId, sourceId } = measured;
  await alone(manager, workshopId);
  const before = await manager.find(EvidenceRow, {
    where: { workshopId, sourceId },
    select: { id: true, technique: true, cordKind: true, measure: true },
  });
  await manager.delete(EvidenceRow, { id: In(before.map(({ id }) => id)) });
  await manager.insert(EvidenceRow, evidenceOf(measured, observations));
  await learnAgain(manager, workshopId, different([...before, ...observations]));
}

/** What a swatch that is discarded said is said no more. */
export const forget = (
  manager: EntityManager,
  workshopId: string,
  sourceId: string,
): Promise<void> =>
  takeIn(
    manager,
    { workshopId, sourceId, source: 'swatch', at: new Date(0), label: '', setAside: null },
    [],
  );

/** All that is kept for, whether or not anything was learnt of it. */
export async function keysOf(manager: EntityManager, workshopId: string): Promise<HandKey[]> {
  const rows = await manager
    .createQueryBuilder(EvidenceRow, 'e')
    .select(['e.technique as technique', 'e.cord_kind as "cordKind"', 'e.measure as measure'])
    .where('e.workshop_id = :workshopId', { workshopId })
    .distinct()
    .getRawMany<HandKey>();
  return rows;
}
