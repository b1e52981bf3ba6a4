import { Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import { DataSource, IsNull, type EntityManager } from 'typeorm';
import { Queue } from '../queue/queue.service.js';
import { PhotoRow } from '../rows/photo.entity.js';
import { smallPicture } from './pictures.js';

export const THUMB_TYPE = 'image/webp';
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
    const thumb = await smallPicture(photo.bytes);
    if (!thumb) throw new Error(`photo ${id} cannot be made small`);
    await manager.update(PhotoRow, { id }, { thumb });
  }
}
