import type { Deed } from '@coiled-strand/contract';
import { Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { Repository } from 'typeorm';
import { notFound } from '../errors/app-error.js';
import { currentUser } from '../identity/identity.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { Workshop } from '../rows/workshop.entity.js';

/** The workshop that whoever asks works in. Every query asks here. */
@Injectable()
export class CurrentWorkshop {
  constructor(@InjectRepository(Workshop) private readonly workshops: Repository<Workshop>) {}

  /** @throws AppError 404 where it has gone in this moment */
  async get(): Promise<Workshop> {
    const workshop = await this.workshops.findOneBy({ id: await this.id() });
    if (!workshop) throw notFound('workshop');
    return workshop;
  }

  /** @throws AppError 401, 403 where nobody asks or one who is in no workshop */
  id(): Promise<string> {
    return new Promise((resolve) => resolve(currentUser().workshopId));
  }

  /** Only what is named is written: what another window changes at the same time stays. */
  async change(
    values: Partial<Pick<Workshop, 'settings' | 'week' | 'pricing' | 'backup'>>,
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
