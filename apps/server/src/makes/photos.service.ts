import { PHOTO_LIMITS, type PhotoView } from '@coiled-strand/contract';
import { HttpStatus, Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { DataSource, Repository } from 'typeorm';
import { AppError, notFound } from '../errors/app-error.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import { cleanPicture } from './clean-picture.js';
import { MakesService } from './makes.service.js';
import { MakeRow } from '../rows/make.entity.js';
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
  ) {}

  /** @throws AppError 415 for what is no whole picture of these types, 409 when the make has enough */
  async add(makeId: string, bytes: unknown): Promise<PhotoView> {
    const { workshopId } = await this.makes.row(makeId);
    const picture = Buffer.isBuffer(bytes) ? await cleanPicture(bytes) : null;
    if (!picture) {
      throw new AppError(
        HttpStatus.UNSUPPORTED_MEDIA_TYPE,
        'photo.type',
        'This is no JPEG, PNG or WebP picture, or a broken one.',
        'Choose a photo as your camera stores it, or save the picture as one of these.',
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
      return photos.save(photos.create({ workshopId, makeId, size, ...picture }));
    });
    return { id, type, size };
  }

  async get(id: string): Promise<PhotoRow> {
    const photo = await this.photos.findOne({
      where: { id, workshopId: await this.workshop.id() },
      select: { id: true, type: true, bytes: true },
    });
    if (!photo) throw notFound('photo');
    return photo;
  }

  async remove(id: string): Promise<void> {
    const { affected } = await this.photos.delete({ id, workshopId: await this.workshop.id() });
    if (!affected) throw notFound('photo');
  }
}
