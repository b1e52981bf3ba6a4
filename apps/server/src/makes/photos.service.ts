import {
  PHOTO_LIMITS,
  type MadePhotoView,
  type PageView,
  type PhotosQueryDto,
  type PhotoView,
} from '@coiled-strand/contract';
import { HttpStatus, Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { DataSource, In, Repository } from 'typeorm';
import { AppError, notFound } from '../errors/app-error.js';
import { Queue } from '../queue/queue.service.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import { cleanPicture } from './pictures.js';
import { MakesService } from './makes.service.js';
import { MakeRow } from '../rows/make.entity.js';
import { pageOf, withWords, type Order } from '../rows/page-of.js';
import { PieceRow } from '../rows/piece.entity.js';
import { PhotoRow } from '../rows/photo.entity.js';

const enough = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'photo.count',
    `A make keeps up to ${PHOTO_LIMITS.count} photos.`,
    'Take one of them away first.',
  );

/** Pictures of makes, kept in the database. */
@Injectable()
export class PhotosService {
  constructor(
    @InjectRepository(PhotoRow) private readonly photos: Repository<PhotoRow>,
    private readonly makes: MakesService,
    private readonly workshop: CurrentWorkshop,
    private readonly dataSource: DataSource,
    private readonly queue: Queue,
  ) {}

  /** @throws AppError 415 for what is no whole picture of these types, 409 when the make has enough */
  async add(makeId: string, bytes: unknown): Promise<PhotoView> {
    const { workshopId } = await this.makes.row(makeId);
    const picture = Buffer.isBuffer(bytes) ? await cleanPicture(bytes) : null;
    if (!picture) {
      throw new AppError(
        HttpStatus.UNSUPPORTED_MEDIA_TYPE,
        'photo.type',
        'This is no JPEG, PNG or WebP picture, or a broken one, or one of too many pixels.',
        'Choose a photo as your camera stores it, or save the picture as one of these, with 24 million pixels at most.',
      );
    }
    const { id, type, size } = await this.dataSource.transaction(async (manager) => {
      // Others that arrive at once wait here, so that together they are no more than the make keeps.
      await manager.findOneOrFail(MakeRow, {
        where: { id: makeId },
        select: { id: true },
        lock: { mode: 'pessimistic_write' },
      });
      const photos = manager.getRepository(PhotoRow);
      if ((await photos.countBy({ makeId })) >= PHOTO_LIMITS.count) throw enough();
      const size = picture.bytes.length;
      const photo = await photos.save(
        photos.create({ workshopId, makeId, size, thumb: null, ...picture }),
      );
      await this.queue.send(manager, 'thumbnail', { photo: photo.id });
      return photo;
    });
    return { id, type, size };
  }

  async page({ sort = 'newest', q, ...page }: PhotosQueryDto): Promise<PageView<MadePhotoView>> {
    const workshopId = await this.workshop.id();
    const query = this.photos
      .createQueryBuilder('photo')
      .innerJoin(MakeRow, 'make', 'make.id = photo.make_id and make.abandoned_at is null')
      .where('photo.workshop_id = :workshopId', { workshopId });
    const order: Order = { by: 'createdAt', ...(sort === 'newest' ? { descending: true } : {}) };
    const { rows, ...rest } = await pageOf(withWords(query, 'make', q), order, page);
    const makes = await this.dataSource
      .createQueryBuilder(MakeRow, 'make')
      .innerJoin(PieceRow, 'piece', 'piece.id = make.piece_id')
      .select(['make.id as id', 'make.piece_id as "pieceId"', 'make.number as number'])
      .addSelect(`make.piece ->> 'name'`, 'name')
      .addSelect('make.logged_at', 'loggedAt')
      .addSelect('piece.archived_at is not null', 'putAway')
      .where({ id: In(rows.map(({ makeId }) => makeId)) })
      .getRawMany<Omit<MadePhotoView['make'], 'loggedAt'> & { loggedAt: Date | null }>();
    const byId = new Map(makes.map((make) => [make.id, make]));
    return {
      ...rest,
      items: rows.map(({ id, type, size, createdAt, makeId }) => {
        const make = byId.get(makeId)!;
        const loggedAt = make.loggedAt?.toISOString() ?? null;
        return { id, type, size, at: createdAt.toISOString(), make: { ...make, loggedAt } };
      }),
    };
  }

  async get(id: string): Promise<PhotoRow> {
    const photo = await this.photos.findOne({
      where: { id, workshopId: await this.workshop.id() },
      select: { id: true, type: true, bytes: true },
    });
    if (!photo) throw notFound('photo');
    return photo;
  }

  /** The picture made small; null where the job has not come to it yet. */
  async thumb(id: string): Promise<Buffer | null> {
    const photo = await this.photos.findOne({
      where: { id, workshopId: await this.workshop.id() },
      select: { id: true, thumb: true },
    });
    if (!photo) throw notFound('photo');
    return photo.thumb;
  }

  async remove(id: string): Promise<void> {
    const { affected } = await this.photos.delete({ id, workshopId: await this.workshop.id() });
    if (!affected) throw notFound('photo');
  }
}
