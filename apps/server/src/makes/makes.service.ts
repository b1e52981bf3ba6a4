import type { MakeLogDto, MakeView } from '@coiled-strand/contract';
import { makeSteps, planPiece, totalActions, type FileFault } from '@coiled-strand/core';
import { HttpStatus, Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { IsNull, Repository } from 'typeorm';
import { AppError, invalid, notFound } from '../errors/app-error.js';
import { PieceRow } from '../pieces/piece.entity.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import { MakeRow } from './make.entity.js';
import { makeView } from './make-view.js';

@Injectable()
export class MakesService {
  constructor(
    @InjectRepository(MakeRow) private readonly makes: Repository<MakeRow>,
    @InjectRepository(PieceRow) private readonly pieces: Repository<PieceRow>,
    private readonly workshop: CurrentWorkshop,
  ) {}

  async ofPiece(pieceId: string): Promise<MakeView[]> {
    const rows = await this.makes.find({
      where: { pieceId, workshopId: await this.workshop.id(), abandonedAt: IsNull() },
      order: { createdAt: 'DESC' },
    });
    return rows.map(makeView);
  }

  async get(id: string): Promise<MakeView> {
    return makeView(await this.row(id));
  }

  /** Freezes the piece and its plan as they are now; a make under way is simply gone on with. */
  async begin(pieceId: string): Promise<MakeView> {
    const workshop = await this.workshop.get();
    const piece = await this.pieces.findOneBy({
      id: pieceId,
      workshopId: workshop.id,
      archivedAt: IsNull(),
    });
    if (!piece) throw notFound('piece');
    const open = (): Promise<MakeRow | null> =>
      this.makes.findOneBy({ pieceId, loggedAt: IsNull(), abandonedAt: IsNull() });
    const underWay = await open();
    if (underWay) return makeView(underWay);
    const plan = planPiece(piece.spec);
    if (!plan.ok) {
      const faults = plan.findings.map(({ path, message }): FileFault => ({ path, message }));
      throw invalid(faults, 'The piece');
    }
    const row = this.makes.create({
      workshopId: workshop.id,
      pieceId,
      piece: piece.spec,
      plan,
      done: 0,
      total: totalActions(makeSteps(piece.spec, plan, workshop.settings)),
      record: null,
      loggedAt: null,
      abandonedAt: null,
    });
    try {
      return makeView(await this.makes.save(row));
    } catch (error) {
      // Another window began it in the same moment: the database kept one, and both go on with it.
      const other = await open();
      if (other) return makeView(other);
      throw error;
    }
  }

  async setProgress(id: string, done: number): Promise<MakeView> {
    const row = await this.row(id);
    if (row.loggedAt) throw alreadyLogged();
    if (done > row.total) {
      throw invalid(
        [{ path: 'done', message: `this make has ${row.total} actions, not ${done}` }],
        'The progress',
      );
    }
    await this.makes.update({ id: row.id }, { done });
    return makeView({ ...row, done });
  }

  async log(id: string, record: MakeLogDto): Promise<MakeView> {
    const row = await this.row(id);
    const faults: FileFault[] = record.cords.flatMap((cord, i) =>
      cord.leftover > cord.cut
        ? [
            {
              path: `cords[${i}].leftover`,
              message: `more is left over (${cord.leftover} mm) than was cut (${cord.cut} mm)`,
            },
          ]
        : [],
    );
    if (record.cords.length !== row.plan.strands.length) {
      faults.push({
        path: 'cords',
        message: `this make has ${row.plan.strands.length} cords, not ${record.cords.length}`,
      });
    }
    if (faults.length > 0) throw invalid(faults, 'The log');
    const saved = await this.makes.save({ ...row, record, loggedAt: row.loggedAt ?? new Date() });
    return makeView(saved);
  }

  /** Gives a make under way up, or takes it up again. */
  async setAbandoned(id: string, abandoned: boolean): Promise<void> {
    const row = await this.makes.findOneBy({ id, workshopId: await this.workshop.id() });
    if (!row) throw notFound('make');
    if (row.loggedAt) throw alreadyLogged();
    if (!abandoned) {
      // What was begun in its place steps aside, so that one stays under way.
      await this.makes.update(
        { pieceId: row.pieceId, loggedAt: IsNull(), abandonedAt: IsNull() },
        { abandonedAt: new Date() },
      );
    }
    await this.makes.update({ id }, { abandonedAt: abandoned ? new Date() : null });
  }

  private async row(id: string): Promise<MakeRow> {
    const row = await this.makes.findOneBy({
      id,
      workshopId: await this.workshop.id(),
      abandonedAt: IsNull(),
    });
    if (!row) throw notFound('make');
    return row;
  }
}

const alreadyLogged = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'make.logged',
    'This make is finished and logged.',
    'Begin a new make of the piece.',
  );
