import type {
  BackupPlanDto,
  Deed,
  PreferencesDto,
  SettingsDto,
  WorkshopView,
} from '@coiled-strand/contract';
import { Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { Repository, type EntityManager } from 'typeorm';
import { notFound } from '../errors/app-error.js';
import { refuseStale } from '../http/etag.js';
import { workshopView } from './workshop-view.js';
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

  /**
   * What a person prefers becomes theirs, all else the workshop’s.
   *
   * @param seen If-Match of the change
   * @throws AppError 412 where it was changed since, 428 where nothing says what was seen
   */
  async changeSettings(wanted: SettingsDto, seen: string | undefined): Promise<Workshop> {
    const { workshopId: id } = currentUser();
    await this.workshops.manager.transaction(async (manager) => {
      const { settings } = await this.unchanged(manager, 'settings', seen);
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

  /** The same for its week and its prices. */
  async changePart<P extends 'week' | 'pricing'>(
    part: P,
    value: Workshop[P],
    seen: string | undefined,
    did?: Deed,
  ): Promise<Workshop> {
    const { workshopId: id } = currentUser();
    await this.workshops.manager.transaction(async (manager) => {
      await this.unchanged(manager, part, seen);
      await manager.update(Workshop, { id }, { [part]: value });
      if (did) await writeAuditEntry(manager, did);
    });
    return this.get();
  }

  /** The row, which nobody else changes meanwhile, as long as a part of it is as it was seen. */
  private async unchanged(
    manager: EntityManager,
    part: keyof WorkshopView['etags'],
    seen: string | undefined,
  ): Promise<Workshop> {
    const row = await manager.findOneOrFail(Workshop, {
      where: { id: currentUser().workshopId },
      lock: { mode: 'pessimistic_write' },
    });
    const stored = workshopView(row);
    refuseStale(seen, stored.etags[part], stored);
    return row;
  }

  /** When copies of it are made. */
  async planBackups(backup: BackupPlanDto): Promise<Workshop> {
    const { workshopId: id } = currentUser();
    await this.workshops.manager.transaction(async (manager) => {
      await manager.update(Workshop, { id }, { backup });
      await writeAuditEntry(manager, 'workshop.backup');
    });
    return this.get();
  }
}
