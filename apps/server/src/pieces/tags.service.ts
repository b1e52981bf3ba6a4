import type { TagView } from '@coiled-strand/contract';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { notFound } from '../errors/app-error.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';

// Tags are no part of a piece: they neither change its version nor go with its file.

/** Words of the maker's own by which pieces are sorted. */
@Injectable()
export class TagsService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly workshop: CurrentWorkshop,
  ) {}

  /** Those of pieces that lie on the bench, in the order of the alphabet. */
  async list(): Promise<TagView[]> {
    return this.dataSource.query<TagView[]>(
      `select tag, count(*)::int as pieces from piece, unnest(tags) tag
       where workshop_id = $1 and archived_at is null
       group by tag order by lower(tag), tag`,
      [await this.workshop.id()],
    );
  }

  async put(pieceId: string, tags: readonly string[]): Promise<void> {
    const [, changed] = await this.dataSource.query<[unknown, number]>(
      'update piece set tags = $3 where id = $1 and workshop_id = $2',
      [pieceId, await this.workshop.id(), tags],
    );
    if (changed === 0) throw notFound('piece');
  }

  /** @param to null takes it off every piece; a tag that a piece has already is there once */
  async rename(from: string, to: string | null): Promise<void> {
    await this.dataSource.query(
      `update piece set tags = (
         select coalesce(array_agg(tag order by place), '{}') from (
           select case when tag = $2 then $3 else tag end as tag, min(place) as place
           from unnest(tags) with ordinality as had(tag, place)
           where tag <> $2 or $3::text is not null
           group by 1
         ) kept)
       where workshop_id = $1 and tags @> array[$2::text]`,
      [await this.workshop.id(), from, to],
    );
  }
}
