import type {
  Evidence,
  HandView,
  LessonView,
  MadeCords,
  SwatchDto,
  SwatchView,
} from '@coiled-strand/contract';
import {
  handOf,
  MEASURES,
  partKind,
  type Hand,
  type HandKey,
  type Outcome,
} from '@coiled-strand/core';
import { Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { DataSource, Repository } from 'typeorm';
import { invalid, notFound } from '../errors/app-error.js';
import { EvidenceRow, LessonRow } from '../rows/learnt.entities.js';
import { MakeRow } from '../rows/make.entity.js';
import { SwatchRow } from '../rows/swatch.entity.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import { forget, takeIn } from './keep-hand.js';
import { observed, swatchMeasured } from './measured.js';

/** So many of what does not count are told, and so many makes are drawn. */
const ASIDE = 100;
const DRAWN = 200;

const swatchView = ({ id, value, createdAt, setAside }: SwatchRow): SwatchView => ({
  id,
  swatch: value,
  at: createdAt.toISOString(),
  setAside,
});

type Told = Omit<EvidenceRow, 'workshopId' | 'createdAt'>;
const LAST = `
  select id, technique, cord_kind as "cordKind", measure, source, source_id as "sourceId", at, label,
    set_aside as "setAside", observation
  from evidence where id = any($1::uuid[]) order by at, id`;

const evidenceView = (row: Told): Evidence => ({
  ...row.observation,
  source: {
    from: row.source,
    id: row.sourceId,
    label: row.label,
    at: row.at.toISOString(),
    setAside: row.setAside,
  },
});

/** What it is sorted by: when it began, and what it is of. */
const orderOf = ({ technique, cordKind, measure, learnt }: LessonRow): string =>
  [learnt.since, technique, cordKind, MEASURES.indexOf(measure)].join(' ');

const same = (a: HandKey, b: HandKey): boolean =>
  a.technique === b.technique && a.cordKind === b.cordKind && a.measure === b.measure;

/** What is learnt of the hand, from logged makes and swatches; kept up as they come. */
@Injectable()
export class HandService {
  constructor(
    @InjectRepository(LessonRow) private readonly lessons: Repository<LessonRow>,
    @InjectRepository(EvidenceRow) private readonly evidence: Repository<EvidenceRow>,
    @InjectRepository(SwatchRow) private readonly swatches: Repository<SwatchRow>,
    @InjectRepository(MakeRow) private readonly makes: Repository<MakeRow>,
    private readonly dataSource: DataSource,
    private readonly workshop: CurrentWorkshop,
  ) {}

  /** What a plan needs of it. */
  async current(): Promise<Hand> {
    return handOf((await this.rows()).map((row) => ({ ...row, after: row.learnt.after })));
  }

  async get(): Promise<HandView> {
    const lessons = await this.rows();
    const told = await this.lastOf(lessons.flatMap(({ learnt }) => Object.keys(learnt.surprise)));
    const aside = await this.evidence
      .createQueryBuilder('e')
      .where('e.workshop_id = :id and e.set_aside is not null', { id: await this.workshop.id() })
      .orderBy('e.at', 'DESC')
      .limit(ASIDE)
      .getMany();
    const views = lessons.map((lesson): LessonView => {
      const { technique, cordKind, measure, learnt } = lesson;
      const { surprise, ...rest } = learnt;
      const observations = told
        .filter((row) => same(row, lesson))
        .map((row) => ({ ...evidenceView(row), surprise: surprise[row.id] ?? 0 }));
      return { technique, cordKind, measure, ...rest, observations };
    });
    return { hand: handOf(views), lessons: views, setAside: aside.map(evidenceView) };
  }

  /** Cord that the last makes were predicted to take, and took. */
  async made(): Promise<MadeCords[]> {
    const rows = await this.makes
      .createQueryBuilder('make')
      .select(['make.number as number', 'make.outcome as outcome'])
      .addSelect(`make.piece ->> 'name'`, 'name')
      .where('make.workshop_id = :id', { id: await this.workshop.id() })
      .andWhere('make.abandoned_at is null and make.set_aside is null')
      .andWhere('make.logged_at is not null')
      .orderBy('make.logged_at', 'DESC')
      .limit(DRAWN)
      .getRawMany<{ number: number; name: string; outcome: Outcome | null }>();
    return rows.flatMap(({ number, name, outcome }) =>
      outcome
        ? [
            {
              number,
              name,
              techniques: [...new Set(outcome.observations.map(({ technique }) => technique))],
              cords: outcome.cords.map(({ label, predicted, actual }) => ({
                label,
                predicted,
                actual,
              })),
            },
          ]
        : [],
    );
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
    if ((partKind(value.technique).entry.needsKnot === true) !== (value.knot !== undefined)) {
      const message = 'must be the knot that was tied, and only where it is one of your own';
      throw invalid([{ path: 'knot', message }], 'The swatch');
    }
    try {
      observed(value);
    } catch (error) {
      throw invalid([{ path: 'after', message: (error as Error).message }], 'The swatch');
    }
    const workshopId = await this.workshop.id();
    return this.dataSource.transaction(async (manager) => {
      const row = await manager.save(
        manager.create(SwatchRow, { workshopId, value, setAside: null }),
      );
      await takeIn(manager, swatchMeasured(row), observed(value));
      return swatchView(row);
    });
  }

  async setSwatchAside(id: string, reason: string | null): Promise<void> {
    const where = { id, workshopId: await this.workshop.id() };
    await this.dataSource.transaction(async (manager) => {
      const row = await manager.findOne(SwatchRow, { where, lock: { mode: 'pessimistic_write' } });
      if (!row) throw notFound('swatch');
      const aside = await manager.save(SwatchRow, { ...row, setAside: reason });
      await takeIn(manager, swatchMeasured(aside), observed(aside.value));
    });
  }

  async removeSwatch(id: string): Promise<void> {
    const workshopId = await this.workshop.id();
    await this.dataSource.transaction(async (manager) => {
      const { affected } = await manager.delete(SwatchRow, { id, workshopId });
      if (!affected) throw notFound('swatch');
      await forget(manager, workshopId, id);
    });
  }

  /** In the order in which something was first measured of them. */
  private async rows(): Promise<LessonRow[]> {
    const rows = await this.lessons.findBy({ workshopId: await this.workshop.id() });
    return rows.sort((a, b) => orderOf(a).localeCompare(orderOf(b)));
  }

  /** As plain rows: there are hundreds. */
  private lastOf(ids: readonly string[]): Promise<Told[]> {
    return this.evidence.query<Told[]>(LAST, [ids]);
  }
}
