import { Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { Repository } from 'typeorm';
import { notFound } from '../errors/app-error.js';
import { Workshop } from '../rows/workshop.entity.js';

/**
 * The workshop a request works in. There is one until there are accounts; every query asks here, so
 * that accounts will change this file and no other.
 */
@Injectable()
export class CurrentWorkshop {
  constructor(@InjectRepository(Workshop) private readonly workshops: Repository<Workshop>) {}

  private known: string | null = null;

  async get(): Promise<Workshop> {
    const [workshop] = await this.workshops.find({ order: { createdAt: 'ASC' }, take: 1 });
    if (!workshop) throw notFound('workshop');
    return workshop;
  }

  /** It is the same for as long as the server runs. */
  async id(): Promise<string> {
    return (this.known ??= (await this.get()).id);
  }

  /** Only what is named is written: what another window changes at the same time stays. */
  async change(
    values: Partial<Pick<Workshop, 'settings' | 'week' | 'pricing'>>,
  ): Promise<Workshop> {
    await this.workshops.update({ id: await this.id() }, values);
    return this.get();
  }
}
