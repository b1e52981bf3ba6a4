import { PageQueryDto, type PageView, type TrailView } from '@coiled-strand/contract';
import { Controller, Get, Query } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { DataSource } from 'typeorm';
import { Roles } from '../identity/roles.js';
import { currentUser } from '../identity/identity.js';
import { queryOf } from '../openapi/body-of.js';
import { pageOf } from '../rows/page-of.js';
import { TrailRow } from '../rows/people.entities.js';

/** What each line was done to, as it is called now: names of people are in one place, and go from there. */
const NAMES = `
  select t.id, coalesce(
    (select w.value ->> 'name' from wearer w where w.id = t.subject),
    (select x.value ->> 'name' from cord x where x.id = t.subject),
    (select x.value ->> 'name' from bead x where x.id = t.subject),
    (select x.value ->> 'name' from fitting x where x.id = t.subject),
    (select x.value ->> 'name' from knot x where x.id = t.subject),
    (select coalesce(x.thing -> 'cord' ->> 'name', x.thing -> 'bead' ->> 'name', x.thing ->> 'name')
     from lot x where x.id = t.subject),
    (select c.name from customer_order o join customer c on c.id = o.customer_id where o.id = t.subject),
    (select c.name from customer c where c.id = t.subject),
    (select x.name from cutting x where x.id = t.subject),
    (select p.spec ->> 'name' from kit k join piece p on p.id = k.piece_id where k.id = t.subject),
    (select p.name from person p where p.id = t.subject)
  ) as what
  from trail t where t.id = any($1::uuid[])`;

@ApiTags('trail')
@Controller('trail')
export class TrailController {
  constructor(private readonly dataSource: DataSource) {}

  @Roles('owner')
  @Get()
  @ApiOperation({ summary: 'Who did what to orders, stash and accounts; the last first' })
  @queryOf(PageQueryDto)
  async list(@Query() { limit, after }: PageQueryDto): Promise<PageView<TrailView>> {
    const query = this.dataSource
      .createQueryBuilder(TrailRow, 'line')
      .where('line.workshop_id = :workshopId', { workshopId: currentUser().workshopId });
    const { rows, ...rest } = await pageOf(
      query,
      { by: 'createdAt', descending: true },
      { limit, after },
    );
    const named = await this.dataSource.query<{ id: string; what: string | null }[]>(NAMES, [
      rows.map(({ id }) => id),
    ]);
    const people = await this.dataSource.query<{ id: string; name: string }[]>(
      'select id, name from person where id = any($1::uuid[])',
      [rows.flatMap(({ personId }) => personId ?? [])],
    );
    return {
      ...rest,
      items: rows.map(({ id, createdAt, personId, did, subject, more }) => ({
        id,
        at: createdAt.toISOString(),
        who: people.find((person) => person.id === personId)?.name ?? null,
        did,
        what: named.find((one) => one.id === id)?.what || null,
        subject,
        more,
      })),
    };
  }
}
