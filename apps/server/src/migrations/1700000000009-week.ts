import type { MigrationInterface, QueryRunner } from 'typeorm';

const owned = `
  id uuid primary key default gen_random_uuid(),
  workshop_id uuid not null references workshop (id) on delete cascade,
  created_at timestamptz not null default now()`;

/** What a thing is called, whatever it is. */
const thingName = `coalesce(thing -> 'cord' ->> 'name', thing -> 'bead' ->> 'name', thing ->> 'name', '')`;

/**
 * The maker's week: lots and their ledger, cutting sessions, what is to be bought, customers and orders, kits, the
 * hours of the week and how prices are made. A ledger is only ever added to; what is left of a lot is kept beside
 * it by the same transaction, and is never below nothing.
 */
export class Week1700000000009 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      create table lot (${owned},
        thing json not null,
        thing_key text not null,
        form text not null,
        place text not null default '',
        dye_lot text,
        bought_on text,
        cents integer,
        size double precision not null,
        left_over double precision not null check (left_over >= 0),
        whole boolean not null,
        parent_id uuid references lot (id),
        tare double precision,
        grams double precision,
        useful double precision,
        kind text generated always as (thing ->> 'kind') stored,
        sort_name text generated always as (lower(left(${thingName}, 200))) stored,
        search text generated always as (lower(
          ${thingName} || ' ' ||
          coalesce(thing -> 'cord' -> 'colour' ->> 'name', thing -> 'bead' -> 'colour' ->> 'name', '')
          || ' ' || place || ' ' || coalesce(dye_lot, '') || ' ' || form)) stored
      )`);
    for (const order of ['sort_name, id', 'created_at desc, id desc', 'left_over, id']) {
      await runner.query(`create index on lot (workshop_id, ${order})`);
    }
    await runner.query('create index on lot (workshop_id, thing_key)');
    await runner.query('create index on lot (parent_id)');
    await runner.query(`
      create table customer (${owned},
        name text not null,
        contact text not null default '',
        forgotten_at timestamptz
      )`);
    await runner.query(`
      create table customer_order (${owned},
        customer_id uuid not null references customer (id),
        state text not null,
        promised_for text,
        price integer,
        paid integer not null default 0,
        note text not null default '',
        changed_at timestamptz not null default now(),
        closed boolean generated always as (state in ('handed-over', 'called-off')) stored,
        due text generated always as (coalesce(promised_for, '9999-12-31')) stored
      )`);
    await runner.query('create index on customer_order (workshop_id, closed, due, id)');
    await runner.query('create index on customer_order (workshop_id, created_at desc, id desc)');
    await runner.query('create index on customer_order (customer_id)');
    await runner.query(`
      create table order_line (${owned},
        order_id uuid not null references customer_order (id) on delete cascade,
        place integer not null,
        piece_id uuid references piece (id) on delete set null,
        what text not null,
        size text not null default '',
        colour text not null default '',
        number integer not null check (number > 0)
      )`);
    await runner.query('create index on order_line (order_id)');
    await runner.query('create index on order_line (piece_id)');
    await runner.query(`
      alter table make
        add column line_id uuid references order_line (id) on delete set null,
        add column forecast double precision`);
    await runner.query('create index on make (line_id) where line_id is not null');
    await runner.query(`
      create table cutting (${owned},
        name text not null,
        session json not null,
        closed_at timestamptz
      )`);
    await runner.query('create index on cutting (workshop_id, created_at desc, id desc)');
    await runner.query(`
      create table kit (${owned},
        piece_id uuid not null references piece (id) on delete cascade,
        kit json not null,
        packed integer not null default 0
      )`);
    await runner.query(`
      create table movement (${owned},
        lot_id uuid not null references lot (id) on delete cascade,
        amount double precision not null,
        reason text not null,
        note text not null default '',
        grams double precision,
        make_id uuid references make (id) on delete set null,
        strand integer,
        cutting_id uuid references cutting (id) on delete set null,
        cut_id text,
        kit_id uuid references kit (id) on delete set null,
        undoes uuid unique references movement (id),
        request text
      )`);
    await runner.query('create index on movement (lot_id, created_at desc, id desc)');
    await runner.query('create index on movement (cutting_id) where cutting_id is not null');
    await runner.query('create index on movement (make_id) where make_id is not null');
    await runner.query(
      'create unique index on movement (workshop_id, request) where request is not null',
    );
    await runner.query(`create table pack (${owned}, value json not null)`);
    await runner.query(`
      create table shopping (${owned},
        item json not null,
        ticked boolean not null default false,
        arrived integer not null default 0
      )`);
    await runner.query('alter table workshop add column week json, add column pricing json');
    await runner.query(`
      do $$ begin
        create index lot_words on lot using gin (search gin_trgm_ops);
      exception when undefined_object then
        raise notice 'pg_trgm is not to be had: words are found without an index';
      end $$`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table workshop drop column week, drop column pricing');
    await runner.query('alter table make drop column line_id, drop column forecast');
    for (const table of [
      'shopping',
      'pack',
      'movement',
      'kit',
      'cutting',
      'order_line',
      'customer_order',
      'customer',
      'lot',
    ]) {
      await runner.query(`drop table ${table}`);
    }
  }
}
