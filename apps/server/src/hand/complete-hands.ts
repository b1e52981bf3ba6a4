import type { EntityManager } from 'typeorm';
import { EvidenceRow } from '../rows/learnt.entities.js';
import { MakeRow } from '../rows/make.entity.js';
import { SwatchRow } from '../rows/swatch.entity.js';
import { Workshop } from '../rows/workshop.entity.js';
import { evidenceOf, keysOf, learnAgain } from './keep-hand.js';
import { makeMeasured, observed, swatchMeasured } from './measured.js';

/** Rows that are read and written at once. */
const BATCH = 1000;

/**
 * Makes what is known of each hand whole: what logged makes of older programs say is written down once, and all is
 * learnt anew, since this program may learn otherwise than the last one did.
 */
export async function completeHands(manager: EntityManager): Promise<void> {
  for (const { id } of await manager.find(Workshop, { select: { id: true } })) {
    if (!(await manager.existsBy(EvidenceRow, { workshopId: id }))) await writeDown(manager, id);
    await learnAgain(manager, id, await keysOf(manager, id));
  }
}

async function writeDown(manager: EntityManager, workshopId: string): Promise<void> {
  const swatches = await manager.findBy(SwatchRow, { workshopId });
  const rows = swatches.flatMap((row) => evidenceOf(swatchMeasured(row), observed(row.value)));
  for (let after = ''; ;) {
    const makes = await manager
      .createQueryBuilder(MakeRow, 'make')
      .select(['make.id', 'make.workshopId', 'make.number', 'make.loggedAt', 'make.setAside'])
      .addSelect('make.piece')
      .addSelect('make.outcome')
      .where('make.workshop_id = :workshopId and make.logged_at is not null', { workshopId })
      .andWhere('make.abandoned_at is null')
      .andWhere(after === '' ? 'true' : 'make.id > :after', { after })
      .orderBy('make.id')
      .limit(BATCH)
      .getMany();
    for (const make of makes) {
      rows.push(...evidenceOf(makeMeasured(make), make.outcome?.observations ?? []));
    }
    if (makes.length < BATCH) break;
    after = makes.at(-1)!.id;
  }
  for (let i = 0; i < rows.length; i += BATCH) {
    await manager.insert(EvidenceRow, rows.slice(i, i + BATCH));
  }
}
