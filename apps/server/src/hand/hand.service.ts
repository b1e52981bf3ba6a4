import type { Evidence, HandView, SwatchDto, SwatchView } from '@coiled-strand/contract';
import {
  handOf,
  lessonsFrom,
  observeSwatch,
  partKind,
  type Observation,
  type PartBase,
} from '@coiled-strand/core';
import { Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { IsNull, Not, Repository } from 'typeorm';
import { invalid, notFound } from '../errors/app-error.js';
import { MakeRow } from '../rows/make.entity.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import { SwatchRow } from '../rows/swatch.entity.js';

/** The part that a swatch stands for. */
function partOf({ technique, form, tension, cord }: SwatchDto): PartBase {
  const part = partKind(technique).make({ id: 'swatch', bead: '', cord, runs: 4 });
  return Object.assign(part, { tension }, form === undefined ? {} : { form });
}

const observed = (swatch: SwatchDto): Observation[] =>
  observeSwatch({ ...swatch, part: partOf(swatch) });

const swatchView = ({ id, value, createdAt, setAside }: SwatchRow): SwatchView => ({
  id,
  swatch: value,
  at: createdAt.toISOString(),
  setAside,
});

/** What is learnt of the hand, from logged makes and swatches. */
@Injectable()
export class HandService {
  constructor(
    @InjectRepository(MakeRow) private readonly makes: Repository<MakeRow>,
    @InjectRepository(SwatchRow) private readonly swatches: Repository<SwatchRow>,
    private readonly workshop: CurrentWorkshop,
  ) {}

  /** Put together anew each time from what each make and swatch said: nothing can go stale. */
  async get(): Promise<HandView> {
    const evidence = [...(await this.fromMakes()), ...(await this.fromSwatches())].sort((a, b) =>
      a.source.at.localeCompare(b.source.at),
    );
    const lessons = lessonsFrom(evidence.filter(({ source }) => source.setAside === null));
    return {
      hand: handOf(lessons),
      lessons,
      setAside: evidence.filter(({ source }) => source.setAside !== null),
    };
  }

  async listSwatches(): Promise<SwatchView[]> {
    const rows = await this.swatches.find({
      where: { workshopId: await this.workshop.id() },
      order: { createdAt: 'DESC' },
    });
    return rows.map(swatchView);
  }

  /** @throws AppError 422 where the swatch says nothing of the hand, as when no cord was used */
  async addSwatch(value: SwatchDto): Promise<SwatchView> {
    const form = partKind(value.technique).fields.find((field) => field.key === 'form');
    const forms = form?.type === 'choice' ? form.choices.map((choice) => choice.id) : [];
    if (value.form !== undefined && !forms.includes(value.form)) {
      throw invalid(
        [{ path: 'form', message: `must be one of ${forms.join(', ') || 'none'}` }],
        'The swatch',
      );
    }
    try {
      observed(value);
    } catch (error) {
      throw invalid([{ path: 'after', message: (error as Error).message }], 'The swatch');
    }
    const row = this.swatches.create({
      workshopId: await this.workshop.id(),
      value,
      setAside: null,
    });
    return swatchView(await this.swatches.save(row));
  }

  async setSwatchAside(id: string, reason: string | null): Promise<void> {
    const { affected } = await this.swatches.update(
      { id, workshopId: await this.workshop.id() },
      { setAside: reason },
    );
    if (!affected) throw notFound('swatch');
  }

  async removeSwatch(id: string): Promise<void> {
    const { affected } = await this.swatches.delete({ id, workshopId: await this.workshop.id() });
    if (!affected) throw notFound('swatch');
  }

  private async fromMakes(): Promise<Evidence[]> {
    const rows = await this.makes.find({
      where: {
        workshopId: await this.workshop.id(),
        loggedAt: Not(IsNull()),
        abandonedAt: IsNull(),
      },
      order: { loggedAt: 'ASC' },
    });
    return rows.flatMap((row) =>
      (row.outcome?.observations ?? []).map((observation) => ({
        ...observation,
        source: {
          from: 'make' as const,
          id: row.id,
          label: `${row.piece.name}, make ${row.number}`,
          at: row.loggedAt!.toISOString(),
          setAside: row.setAside,
        },
      })),
    );
  }

  private async fromSwatches(): Promise<Evidence[]> {
    const rows = await this.swatches.find({
      where: { workshopId: await this.workshop.id() },
      order: { createdAt: 'ASC' },
    });
    return rows.flatMap((row) =>
      observed(row.value).map((observation) => ({
        ...observation,
        source: {
          from: 'swatch' as const,
          id: row.id,
          label: `Swatch in ${row.value.cord.name}`,
          at: row.createdAt.toISOString(),
          setAside: row.setAside,
        },
      })),
    );
  }
}
