import type { CustomerView, ForgottenWearerView, MentionView } from '@coiled-strand/contract';
import type { Plan, Wearer } from '@coiled-strand/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In, type EntityManager } from 'typeorm';
import { notFound } from '../errors/app-error.js';
import { currentUser } from '../identity/identity.js';
import { WearerItem } from '../rows/list.entities.js';
import { MakeRow } from '../rows/make.entity.js';
import { VersionRow } from '../rows/version.entity.js';
import { PieceRow } from '../rows/piece.entity.js';
import { CustomerRow, OrderLineRow, OrderRow } from '../rows/week.entities.js';
import { writeAuditEntry } from '../trail/audit-entry.js';

/** What stays of a wearer: girths, without which a cut list would rest on nothing, and whether it was a child. */
const nameless = ({ allergy: _allergy, origin: _origin, ...rest }: Wearer): Wearer => ({
  ...rest,
  name: 'Forgotten',
});

/** What a plan says of a body besides its girths. */
const ABOUT_HEALTH = 'wearer.allergy';
const withoutHealth = (plan: Plan): Plan => ({
  ...plan,
  advice: plan.advice.filter(({ code }) => code !== ABOUT_HEALTH),
});

/** What is kept of people whom things are made for: handed out to be given to them, or forgotten. */
@Injectable()
export class PrivacyService {
  constructor(private readonly dataSource: DataSource) {}

  customers(): Promise<CustomerView[]> {
    return this.dataSource.query<CustomerView[]>(
      `select c.id, c.name, count(o.id)::int as orders
       from customer c left join customer_order o on o.customer_id = c.id
       where c.workshop_id = $1 and c.forgotten_at is null
       group by c.id order by lower(c.name), c.id`,
      [currentUser().workshopId],
    );
  }

  /** Everything that is kept of a customer. */
  customer(id: string): Promise<object> {
    const { workshopId } = currentUser();
    return this.dataSource.transaction(async (manager) => {
      const row = await manager.findOneBy(CustomerRow, { id, workshopId });
      if (!row) throw notFound('customer');
      const orders = await manager.find(OrderRow, {
        where: { customerId: id, workshopId },
        order: { createdAt: 'ASC', id: 'ASC' },
      });
      const lines = await manager.find(OrderLineRow, {
        where: { orderId: In(orders.map((order) => order.id)) },
        order: { place: 'ASC' },
      });
      await writeAuditEntry(manager, 'customer.exported', { subject: id });
      return {
        customer: { name: row.name, contact: row.contact, since: row.createdAt },
        orders: orders.map((order) => ({
          state: order.state,
          askedAt: order.createdAt,
          changedAt: order.changedAt,
          promisedFor: order.promisedFor,
          priceInCents: order.price,
          paidInCents: order.paid,
          note: order.note,
          lines: lines
            .filter(({ orderId }) => orderId === order.id)
            .map(({ what, size, colour, number }) => ({ what, size, colour, number })),
        })),
      };
    });
  }

  /** Name, contact and what was noted with their orders go; figures stay. */
  async forgetCustomer(id: string): Promise<void> {
    const { workshopId } = currentUser();
    await this.dataSource.transaction(async (manager) => {
      const { affected } = await manager.update(
        CustomerRow,
        { id, workshopId },
        { name: '', contact: '', forgottenAt: new Date() },
      );
      if (!affected) throw notFound('customer');
      await manager.update(OrderRow, { customerId: id, workshopId }, { note: '' });
      await forgetAnswers(manager, workshopId);
      await writeAuditEntry(manager, 'customer.forgotten', { subject: id });
    });
  }

  /** Everything that is kept of a wearer: what refers to them by their id. */
  wearer(id: string): Promise<object> {
    return this.dataSource.transaction(async (manager) => {
      const { value } = await this.listed(manager, id);
      const { pieces, makes } = await worn(manager, id);
      const versions = await versionsFor(manager, id);
      await writeAuditEntry(manager, 'wearer.exported', { subject: id });
      return {
        wearer: value,
        pieces: pieces.map(({ spec, createdAt }) => ({
          name: spec.name,
          wearer: spec.wearer,
          note: spec.note,
          since: createdAt,
        })),
        versions: versions.map(({ spec, changedAt }) => ({
          name: spec.name,
          wearer: spec.wearer,
          note: spec.note,
          since: changedAt,
        })),
        makes: makes.map(({ piece, number, record, createdAt, loggedAt }) => ({
          name: piece.name,
          number,
          wearer: piece.wearer,
          ...(record ? { owner: record.owner, worn: record.worn, note: record.note } : {}),
          begun: createdAt,
          logged: loggedAt,
        })),
      };
    });
  }

  /**
   * The wearer goes from the list, and the name from what was made for them and what they have, frozen plans
   * included. What bears their name but not their id may be somebody else's: it is shown, as notes are, not changed.
   */
  forgetWearer(id: string): Promise<ForgottenWearerView> {
    return this.dataSource.transaction(async (manager) => {
      const { value } = await this.listed(manager, id);
      const { pieces, makes } = await worn(manager, id);
      for (const { id: pieceId, spec, version } of pieces) {
        await manager.update(
          PieceRow,
          { id: pieceId },
          { spec: { ...spec, wearer: nameless(spec.wearer) }, version: version + 1 },
        );
      }
      for (const { id: versionId, spec } of await versionsFor(manager, id)) {
        await manager.update(
          VersionRow,
          { id: versionId },
          { spec: { ...spec, wearer: nameless(spec.wearer) } },
        );
      }
      for (const { id: makeId, piece, plan, record } of makes) {
        const theirs = piece.wearer.origin === id;
        await manager.update(
          MakeRow,
          { id: makeId },
          {
            ...(theirs
              ? { piece: { ...piece, wearer: nameless(piece.wearer) }, plan: withoutHealth(plan) }
              : {}),
            ...(record?.ownerId === id
              ? { record: { ...record, owner: '', ownerId: undefined } }
              : {}),
          },
        );
      }
      await manager.delete(WearerItem, { id });
      await forgetAnswers(manager, currentUser().workshopId);
      await writeAuditEntry(manager, 'wearer.forgotten', { subject: id });
      return {
        pieces: pieces.length,
        makes: makes.length,
        mentions: await mentionsOf(manager, value.name),
      };
    });
  }

  private async listed(manager: EntityManager, id: string): Promise<WearerItem> {
    const { workshopId } = currentUser();
    const item = await manager.findOneBy(WearerItem, { id, workshopId });
    if (!item) throw notFound('wearer');
    return item;
  }
}

/** What was answered of late may speak of them; whoever asks once more is told that it was done. */
const forgetAnswers = (manager: EntityManager, workshopId: string): Promise<unknown> =>
  manager.query(
    'update request set answered = false, answer = null, etag = null where workshop_id = $1',
    [workshopId],
  );

/** Words of the maker's own, where they stand: notes, and names of cutting sessions, pieces and people. */
const MENTIONS = `
  select distinct on (words.in, name, id) * from (
    select 'piece' as in, id, spec ->> 'name' as name,
      concat_ws(' ', spec ->> 'name', spec ->> 'note', spec -> 'wearer' ->> 'name') as text
    from piece where workshop_id = $1
    union all
    select 'piece', piece_version.piece_id, now.spec ->> 'name',
      concat_ws(' ', piece_version.name, piece_version.spec ->> 'name', piece_version.spec ->> 'note',
        piece_version.spec -> 'wearer' ->> 'name')
    from piece_version join piece now on now.id = piece_version.piece_id
    where piece_version.workshop_id = $1
    union all
    select 'make', id, piece ->> 'name', concat_ws(' ', piece ->> 'note', piece -> 'wearer' ->> 'name',
      record ->> 'owner', record ->> 'note', set_aside)
    from make where workshop_id = $1
    union all
    select 'cutting', id, name, concat_ws(' ', name, session ->> 'note') from cutting where workshop_id = $1
    union all
    select 'order', id, '', note from customer_order where workshop_id = $1
  ) words
  where exists (select from unnest($2::text[]) part where strpos(lower(text), part) > 0)
  order by 1, 3, 2`;

/** Shorter words than this stand in too much else. */
const TELLING = 3;

/** Where a name, or a part of it, is still spoken of in words that the maker wrote. */
function mentionsOf(manager: EntityManager, name: string): Promise<MentionView[]> {
  const parts = name
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter((part) => part.length >= TELLING);
  return manager.query<MentionView[]>(MENTIONS, [currentUser().workshopId, parts]);
}

/** Pieces for a wearer, as they were before. */
const versionsFor = (manager: EntityManager, wearer: string): Promise<VersionRow[]> =>
  manager
    .createQueryBuilder(VersionRow, 'kept')
    .where('kept.workshop_id = :workshopId', { workshopId: currentUser().workshopId })
    .andWhere(`kept.spec -> 'wearer' ->> 'origin' = :wearer`, { wearer })
    .orderBy('kept.id')
    .setLock('pessimistic_write')
    .getMany();

/** Pieces for a wearer, and makes for or of them, with their plans. */
async function worn(
  manager: EntityManager,
  wearer: string,
): Promise<{ readonly pieces: PieceRow[]; readonly makes: MakeRow[] }> {
  const { workshopId } = currentUser();
  const pieces = await manager
    .createQueryBuilder(PieceRow, 'piece')
    .where('piece.workshop_id = :workshopId', { workshopId })
    .andWhere(`piece.spec -> 'wearer' ->> 'origin' = :wearer`, { wearer })
    .orderBy('piece.id')
    .setLock('pessimistic_write')
    .getMany();
  const makes = await manager
    .createQueryBuilder(MakeRow, 'make')
    .addSelect('make.plan')
    .where('make.workshop_id = :workshopId', { workshopId })
    .andWhere(
      `(make.piece -> 'wearer' ->> 'origin' = :wearer or make.record ->> 'ownerId' = :wearer)`,
      { wearer },
    )
    .orderBy('make.id')
    .setLock('pessimistic_write')
    .getMany();
  return { pieces, makes };
}
