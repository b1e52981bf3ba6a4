import type { Deed, PreferencesDto, SettingsDto } from '@coiled-strand/contract';
import { Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { Repository } from 'typeorm';
import { notFound } from '../errors/app-error.js';
import { currentUser } from '../identity/identity.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { PersonRow } from '../rows/people.entities.js';
import { Workshop } from '../rows/workshop.entity.js';

/** Nothing else of what is sent along. */
const preferencesIn = ({ unit, cordUnit, hand }: PreferencesDto): PreferencesDto => {
  return { unit, cordUnit, hand };
};

/** The workshop that whoever asks works in. Every query asks here. */
@Injectable()
export class CurrentWorkshop {
  constructor(@InjectRepository(Workshop) private readonly workshops: Repository<Workshop>) {}

  /** As whoever asks prefers it. @throws AppError 404 where it has gone in this moment */
  async get(): Promise<Workshop> {
    const { workshopId, personId } = currentUser();
    // One question: there are few connections, and everybody asks.
    const { entities, raw } = await this.workshops
      .createQueryBuilder('workshop')
      .leftJoin(PersonRow, 'person', 'person.id = :personId', { personId })
      .addSelect('person.preferences', 'preferences')
      .where('workshop.id = :workshopId', { workshopId })
      .getRawAndEntities<{ preferences: PreferencesDto | null }>();
    const [workshop] = entities;
    if (!workshop) throw notFound('workshop');
    return { ...workshop, settings: { ...workshop.settings, ...raw[0]?.preferences } };
  }

  /** What a person prefers becomes theirs, all else the workshop’s. */
  async changeSettings(wanted: SettingsDto): Promise<Workshop> {
    const { workshopId: id } = currentUser();
    await this.workshops.manager.transaction(async (manager) => {
      const { settings } = await manager.findOneByOrFail(Workshop, { id });
      await this.prefer(wanted, manager);
      const kept = { ...wanted, ...preferencesIn(settings) };
      await manager.update(Workshop, { id }, { settings: kept });
    });
    return this.get();
  }

  /** Keeps what whoever asks prefers. */
  async prefer(wanted: PreferencesDto, manager = this.workshops.manager): Promise<void> {
    const { personId } = currentUser();
    await manager.update(PersonRow, { id: personId }, { preferences: preferencesIn(wanted) });
  }

  /** @throws AppError 401, 403 where nobody asks or one who is in no workshop */
  id(): Promise<string> {
    return new Promise((resolve) => resolve(currentUser().workshopId));
  }

  /** Only what is named is written: what another window changes at the same time stays. */
  async change(
    values: Partial<Pick<Workshop, 'week' | 'pricing' | 'backup'>>,
    did?: Deed,
  ): Promise<Workshop> {
    const id = await this.id();
    await this.workshops.manager.transaction(async (manager) => {
      await manager.update(Workshop, { id }, values);
      if (did) await writeAuditEntry(manager, did);
    });
    return this.get();
  }
}
