import type { EntityManager } from 'typeorm';
import { BeadItem, CordItem, FittingItem } from '../rows/list.entities.js';
import { MemberRow, type PersonRow } from '../rows/people.entities.js';
import { Workshop } from '../rows/workshop.entity.js';
import { BEADS, CORDS, FITTINGS, SETTINGS } from './first-lists.js';

/** A workshop with nothing made in it yet, its lists of what there is to choose from, and one who owns it. */
export async function beginWorkshop(
  manager: EntityManager,
  name: string,
  owner: Pick<PersonRow, 'id' | 'name'>,
): Promise<Workshop> {
  const workshop = await manager.save(
    Workshop,
    manager.create(Workshop, { name, maker: owner.name, settings: SETTINGS }),
  );
  const { id: workshopId } = workshop;
  await manager.insert(MemberRow, { workshopId, personId: owner.id, role: 'owner' });
  const at = (i: number): Date => new Date(Date.now() + i);
  const rows = <T>(values: readonly T[]) =>
    values.map((value, i) => ({ workshopId, value, createdAt: at(i) }));
  await manager.insert(CordItem, rows(CORDS));
  await manager.insert(BeadItem, rows(BEADS));
  await manager.insert(FittingItem, rows(FITTINGS));
  return workshop;
}
