import type { MigrationInterface, QueryRunner } from 'typeorm';

const owned = `
  id uuid primary key default gen_random_uuid(),
  workshop_id uuid not null references workshop (id) on delete cascade,
  created_at timestamptz not null default now()`;

/** What a page may show, and hears of when it changes. */
const TOLD = [
  'wearer',
  'cord',
  'bead',
  'fitting',
  'pack',
  'piece',
  'make',
  'photo',
  'swatch',
  'lesson',
  'lot',
  'movement',
  'cutting',
  'shopping',
  'kit',
  'customer',
  'customer_order',
  'order_line',
  'member',
  'link',
  'backup',
];

/**
 * People: accounts, who is in which workshop, sessions, links, the trail; what is heard of changes as they happen;
 * thumbnails; and when copies are made. A workshop from before gets its maker as owner, who has no password yet.
 */
export class People1700000000010 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      create table person (
        id uuid primary key default gen_random_uuid(),
        name text not null,
        sign_in text not null,
        password_hash text,
        created_at timestamptz not null default now()
      )`);
    await runner.query('create unique index on person (lower(sign_in))');
    await runner.query(`
      create table member (${owned},
        person_id uuid not null references person (id) on delete cascade,
        role text not null check (role in ('viewer', 'maker', 'owner')),
        unique (workshop_id, person_id)
      )`);
    await runner.query('create index on member (person_id)');
    await runner.query(`
      create table session (
        id uuid primary key default gen_random_uuid(),
        token_hash bytea not null unique,
        person_id uuid not null references person (id) on delete cascade,
        workshop_id uuid references workshop (id) on delete set null,
        agent text not null,
        address text not null,
        seen_at timestamptz not null default now(),
        created_at timestamptz not null default now()
      )`);
    await runner.query('create index on session (person_id)');
    await runner.query(`
      create table link (${owned},
        kind text not null,
        token_hash bytea not null unique,
        role text,
        person_id uuid references person (id) on delete cascade,
        who text not null default '',
        made_by uuid references person (id) on delete set null,
        until timestamptz not null
      )`);
    await runner.query(`
      create table trail (${owned},
        person_id uuid references person (id) on delete set null,
        did text not null,
        subject uuid,
        more text
      )`);
    await runner.query('create index on trail (workshop_id, created_at desc, id desc)');
    // What is counted to slow down guessing; nothing is lost when it is lost.
    await runner.query(`
      create unlogged table throttle (
        key text primary key,
        points integer not null default 0,
        expire bigint
      )`);
    await runner.query(`
      create unlogged table instrument (
        name text primary key,
        view json not null
      )`);
    await runner.query(`
      create table backup (${owned},
        file text not null,
        bytes bigint not null,
        machine text not null
      )`);
    await runner.query('alter table workshop add backup json');
    await runner.query('alter table photo add thumb bytea');
    await this.tell(runner);
    await this.giveOwners(runner);
  }

  /** Each change of a workshop's things says of what kind it is, to whoever listens. */
  private async tell(runner: QueryRunner): Promise<void> {
    await runner.query(`
      create function tell_changes() returns trigger language plpgsql as $$
      declare
        one uuid;
      begin
        for one in select distinct workshop_id from touched loop
          perform pg_notify('coiled_strand', json_build_object('workshop', one, 'changed', tg_table_name)::text);
        end loop;
        return null;
      end $$`);
    for (const table of TOLD) {
      for (const [event, rows] of [
        ['insert', 'new'],
        ['update', 'new'],
        ['delete', 'old'],
      ]) {
        await runner.query(`
          create trigger tell_${event} after ${event} on ${table}
          referencing ${rows} table as touched for each statement execute function tell_changes()`);
      }
    }
    await runner.query(`
      create function tell_workshop() returns trigger language plpgsql as $$
      begin
        perform pg_notify('coiled_strand', json_build_object('workshop', new.id, 'changed', 'workshop')::text);
        return null;
      end $$`);
    await runner.query(`
      create trigger tell_update after update on workshop
      for each row execute function tell_workshop()`);
    await runner.query(`
      create function tell_person() returns trigger language plpgsql as $$
      begin
        perform pg_notify('coiled_strand', json_build_object('person', old.person_id)::text);
        return null;
      end $$`);
    // Ended, or at work in another workshop: whoever listens under it looks again.
    await runner.query(`
      create trigger tell_delete after delete on session
      for each row execute function tell_person()`);
    await runner.query(`
      create trigger tell_update after update of workshop_id on session
      for each row when (old.workshop_id is distinct from new.workshop_id)
      execute function tell_person()`);
  }

  private async giveOwners(runner: QueryRunner): Promise<void> {
    await runner.query(`
      with numbered as (
        select id, coalesce(nullif(maker, ''), 'Owner') as name,
          row_number() over (order by created_at, id) as number
        from workshop
      ), made as (
        insert into person (name, sign_in)
        select name, case when number = 1 then 'owner' else 'owner-' || number end from numbered
        returning id, sign_in
      )
      insert into member (workshop_id, person_id, role)
      select numbered.id, made.id, 'owner'
      from numbered
      join made on made.sign_in = case when number = 1 then 'owner' else 'owner-' || number end`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of TOLD) {
      for (const event of ['insert', 'update', 'delete']) {
        await runner.query(`drop trigger tell_${event} on ${table}`);
      }
    }
    await runner.query('drop trigger tell_update on workshop');
    await runner.query('drop table backup, instrument, throttle, trail, link, session, member');
    await runner.query('drop table person');
    await runner.query('drop function tell_changes(), tell_workshop(), tell_person()');
    await runner.query('alter table workshop drop backup');
    await runner.query('alter table photo drop thumb');
  }
}
