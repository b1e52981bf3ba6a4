import { PHOTO_LIMITS, PHOTO_TYPES, type PhotoType, type PhotoView } from '@coiled-strand/contract';
import { HttpStatus, Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { Repository } from 'typeorm';
import { AppError, notFound } from '../errors/app-error.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import { MakesService } from './makes.service.js';
import { PhotoRow } from '../rows/photo.entity.js';

/** How files of each type begin; what a browser says of a file is not taken for it. */
const MAGIC: Readonly<Record<PhotoType, (bytes: Buffer) => boolean>> = {
  'image/jpeg': (bytes) => bytes.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff])),
  'image/png': (bytes) => bytes.subarray(0, 8).equals(Buffer.from('\x89PNG\r\n\x1a\n', 'latin1')),
  'image/webp': (bytes) =>
    bytes.toString('latin1', 0, 4) === 'RIFF' && bytes.toString('latin1', 8, 12) === 'WEBP',
};

/** Pictures of makes, kept in the database. */
@Injectable()
export class PhotosService {
  constructor(
    @InjectRepository(PhotoRow) private readonly photos: Repository<PhotoRow>,
    private readonly makes: MakesService,
    private readonly workshop: CurrentWorkshop,
  ) {}

  /** @throws AppError 415 for what is no picture of these types, 409 when the make has enough */
  async add(makeId: string, bytes: unknown): Promise<PhotoView> {
    const make = await this.makes.row(makeId);
    const type = Buffer.isBuffer(bytes) && PHOTO_TYPES.find((one) => MAGIC[one](bytes));
    if (!type) {
      throw new AppError(
        HttpStatus.UNSUPPORTED_MEDIA_TYPE,
        'photo.type',
        'This is no JPEG, PNG or WebP picture.',
        'Choose a photo as your camera stores it, or save the picture as one of these.',
      );
    }
    if ((await this.photos.countBy({ makeId })) >= PHOTO_LIMITS.count) {
      throw new AppError(
        HttpStatus.CONFLICT,
        'photo.count',
        `A make keeps up to ${PHOTO_LIMITS.count} photos.`,
        'Take one of them away first.',
      );
    }
    const { id } = await this.photos.save(
      this.photos.create({
        workshopId: make.workshopId,
        makeId,
        type,
        size: bytes.length,
        bytes: bytes,
      }),
    );
    return { id, type, size: bytes.length };
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
