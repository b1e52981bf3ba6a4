import { Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import sharp from 'sharp';
import { DataSource, IsNull, type EntityManager } from 'typeorm';
import { Queue } from '../queue/queue.service.js';
import { PhotoRow } from '../rows/photo.entity.js';

export const THUMB_TYPE = 'image/webp';
/** Longest side in px: twice what a page shows, for fine screens. */
const SIDE = 360;

/** A picture made small. */
const smaller = (bytes: Buffer): Promise<Buffer> =>
  sharp(bytes)
    .resize(SIDE, SIDE, { fit: 'inside', withoutEnlargement: true })
    .webp({ quality: 78 })
    .toBuffer();

/** Asks for the thumbnails of pictures that have none. */
export async function wantThumbs(manager: EntityManager, queue: Queue): Promise<void> {
  const photos = await manager.find(PhotoRow, { where: { thumb: IsNull() }, select: { id: true } });
  for (const { id } of photos) await queue.send(manager, 'thumbnail', { photo: id });
}

/** Makes pictures small, one after the other, when there is time. */
@Injectable()
export class Thumbnails implements OnApplicationBootstrap {
  constructor(
    private readonly queue: Queue,
    private readonly dataSource: DataSource,
  ) {}

  async onApplicationBootstrap(): Promise<void> {
    await this.queue.work('thumbnail', ({ photo }) => this.make(photo));
    // Pictures from before there were any.
    await wantThumbs(this.dataSource.manager, this.queue);
  }

  private async make(id: string): Promise<void> {
    const { manager } = this.dataSource;
    const photo = await manager.findOne(PhotoRow, {
      where: { id, thumb: IsNull() },
      select: { id: true, bytes: true },
    });
    // It was taken away meanwhile, or another server was quicker.
    if (!photo) return;
    await manager.update(PhotoRow, { id }, { thumb: await smaller(photo.bytes) });
  }
}
