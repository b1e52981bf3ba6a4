import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What every row of a workshop has. */
const owned = `id uuid primary key default gen_random_uuid(),
    workshop_id uuid not null references workshop (id) on delete cascade,
    created_at timestamptz not null default now()`;

// What is searched and sorted by is written by the database itself, so that it is never stale.

/** A text in a JSON column. */
const said = (column: string, ...path: readonly string[]): string => {
  const keys = path.map((key) => `'${key}'`);
  return `coalesce(${[column, ...keys.slice(0, -1)].join(' -> ')} ->> ${keys.at(-1)!}, '')`;
};
/** Names of many things in a piece, one after the other. */
const names = (column: string, path: string): string =>
  `jsonb_path_query_array(${column}::jsonb, '$.${path}')::text`;
const pieceWords = (column: string): readonly string[] => [
  said(column, 'name'),
  said(column, 'wearer', 'name'),
  said(column, 'note'),
  names(column, 'strands[*].cord.name'),
  names(column, 'strands[*].cord.colour.name'),
  names(column, 'beads[*].name'),
];
const searchText = (words: readonly string[]): string => `lower(${words.join(` || ' ' || `)})`;
/** Short enough for an index, whatever is stored. */
const shortName = (name: string): string => `lower(left(${name}, 200))`;
const sortName = (column: string): string => shortName(said(column, 'name'));

const THING_NAME = `coalesce(thing -> 'cord' ->> 'name', thing -> 'bead' ->> 'name', thing ->> 'name', '')`;
const THING_COLOUR = `coalesce(thing -> 'cord' -> 'colour' ->> 'name', thing -> 'bead' -> 'colour' ->> 'name', '')`;

/** Each after what it refers to. Lengths are in mm, money in cents. */
const TABLES = [
  `create unlogged table instrument (
    name text primary key,
    view json not null
  )`,
  `create table person (
    id uuid primary key default gen_random_uuid(),
    name text not null,
    sign_in text not null,
    password_hash text,
    created_at timestamptz not null default now()
  )`,
  `create unlogged table throttle (
    key text primary key,
    points integer not null default 0,
    expire bigint
  )`,
  `create table workshop (
    id uuid primary key default gen_random_uuid(),
    name text not null,
    maker text not null,
    settings json not null,
    created_at timestamptz not null default now(),
    week json,
    pricing json,
    backup json
  )`,
  `create table backup (
    ${owned},
    file text not null,
    bytes bigint not null,
    machine text not null
  )`,
  `create table bead (
    ${owned},
    value json not null
  )`,
  `create table cord (
    ${owned},
    value json not null
  )`,
  `create table customer (
    ${owned},
    name text not null,
    contact text not null default '',
    forgotten_at timestamptz
  )`,
  `create table customer_order (
    ${owned},
    customer_id uuid not null references customer (id),
    state text not null,
    promised_for text,
    price integer,
    paid integer not null default 0,
    note text not null default '',
    changed_at timestamptz not null default now(),
    closed boolean generated always as (state in ('handed-over', 'called-off')) stored,
    due text generated always as (coalesce(promised_for, '9999-12-31')) stored
  )`,
  `create table cutting (
    ${owned},
    name text not null,
    session json not null,
    closed_at timestamptz
  )`,
  `create table evidence (
    ${owned},
    technique text not null,
    cord_kind text not null,
    measure text not null,
    source text not null,
    source_id uuid not null,
    at timestamptz not null,
    label text not null,
    set_aside text,
    observation json not null
  )`,
  `create table fitting (
    ${owned},
    value json not null
  )`,
  `create table knot (
    ${owned},
    version integer not null default 1,
    value json not null
  )`,
  `create table lesson (
    ${owned},
    technique text not null,
    cord_kind text not null,
    measure text not null,
    learnt json not null,
    unique (workshop_id, technique, cord_kind, measure)
  )`,
  `create table link (
    ${owned},
    kind text not null,
    token_hash bytea not null unique,
    role text,
    person_id uuid references person (id) on delete cascade,
    who text not null default '',
    made_by uuid references person (id) on delete set null,
    until timestamptz not null
  )`,
  `create table lot (
    ${owned},
    thing json not null,
    thing_key text not null,
    form text not null,
    place text not null default '',
    dye_lot text,
    bought_on text,
    cents integer,
    size double precision not null,
    left_over double precision not null,
    whole boolean not null,
    parent_id uuid references lot (id),
    tare double precision,
    grams double precision,
    useful double precision,
    kind text generated always as (thing ->> 'kind') stored,
    sort_name text generated always as (${shortName(THING_NAME)}) stored,
    search text generated always as (${searchText([THING_NAME, THING_COLOUR, 'place', `coalesce(dye_lot, '')`, 'form'])}) stored,
    check (left_over >= 0)
  )`,
  `create table member (
    ${owned},
    person_id uuid not null references person (id) on delete cascade,
    role text not null,
    check (role in ('viewer', 'maker', 'owner')),
    unique (workshop_id, person_id)
  )`,
  `create table pack (
    ${owned},
    value json not null
  )`,
  `create table piece (
    ${owned},
    version integer not null default 1,
    spec json not null,
    updated_at timestamptz not null default now(),
    archived_at timestamptz,
    changed_by text,
    sort_name text generated always as (${sortName('spec')}) stored,
    search text generated always as (${searchText(pieceWords('spec'))}) stored,
    tags text[] default '{}' not null
  )`,
  `create table piece_version (
    ${owned},
    piece_id uuid not null references piece (id) on delete cascade,
    version integer not null,
    changed_at timestamptz not null,
    spec json not null,
    name text,
    unique (piece_id, version)
  )`,
  `create table session (
    id uuid primary key default gen_random_uuid(),
    token_hash bytea not null unique,
    person_id uuid not null references person (id) on delete cascade,
    workshop_id uuid references workshop (id) on delete set null,
    agent text not null,
    address text not null,
    seen_at timestamptz not null default now(),
    created_at timestamptz not null default now()
  )`,
  `create table shopping (
    ${owned},
    item json not null,
    ticked boolean not null default false,
    arrived integer not null default 0
  )`,
  `create table swatch (
    ${owned},
    value json not null,
    set_aside text
  )`,
  `create table trail (
    ${owned},
    person_id uuid references person (id) on delete set null,
    did text not null,
    subject uuid,
    more text
  )`,
  `create table wearer (
    ${owned},
    value json not null
  )`,
  `create table kit (
    ${owned},
    piece_id uuid not null references piece (id) on delete cascade,
    kit json not null,
    packed integer not null default 0
  )`,
  `create table order_line (
    ${owned},
    order_id uuid not null references customer_order (id) on delete cascade,
    place integer not null,
    piece_id uuid references piece (id) on delete set null,
    what text not null,
    size text not null default '',
    colour text not null default '',
    number integer not null,
    check (number > 0)
  )`,
  `create table make (
    ${owned},
    piece_id uuid not null references piece (id) on delete cascade,
    piece json not null,
    plan json not null,
    record json,
    logged_at timestamptz,
    abandoned_at timestamptz,
    hand json not null default '[]',
    number integer not null default 1,
    done_at timestamptz not null default 'epoch',
    seconds json not null default '{}',
    timers json not null default '{}',
    outcome json,
    set_aside text,
    steps json not null,
    first_side text not null,
    at json not null,
    reached json not null,
    done_by text,
    heard json not null default '{}',
    sort_name text generated always as (${sortName('piece')}) stored,
    search text generated always as (${searchText([...pieceWords('piece'), said('record', 'owner'), said('record', 'note')])}) stored,
    techniques jsonb generated always as (jsonb_path_query_array(piece::jsonb, '$.parts[*].kind')) stored,
    line_id uuid references order_line (id) on delete set null,
    forecast double precision,
    measured json
  )`,
  `create table movement (
    ${owned},
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
  )`,
  `create table photo (
    ${owned},
    make_id uuid not null references make (id) on delete cascade,
    type text not null,
    size integer not null,
    bytes bytea not null,
    thumb bytea
  )`,
];

const INDEXES = [
  `index on bead (workshop_id, created_at)`,
  `index on cord (workshop_id, created_at)`,
  `index on customer_order (customer_id)`,
  `index on customer_order (workshop_id, closed, due, id)`,
  `index on customer_order (workshop_id, created_at desc, id desc)`,
  `index on cutting (workshop_id, created_at desc, id desc)`,
  `index on evidence (source_id)`,
  `index on evidence (workshop_id, at desc) where set_aside is not null`,
  `index on evidence (workshop_id, technique, cord_kind, measure, at, id)`,
  `index on fitting (workshop_id, created_at)`,
  `index on knot (workshop_id, created_at, id)`,
  `index on lot (parent_id)`,
  `index on lot (workshop_id, created_at desc, id desc)`,
  `index on lot (workshop_id, left_over, id)`,
  `index on lot (workshop_id, sort_name, id)`,
  `index on lot (workshop_id, thing_key)`,
  `index on make (line_id) where line_id is not null`,
  `index on make (piece_id, created_at)`,
  `index on make (piece_id, created_at desc) where (abandoned_at is null) and (logged_at is null)`,
  `index on make using gin (techniques jsonb_path_ops)`,
  `index on make (workshop_id, created_at desc, id desc) where abandoned_at is null`,
  `index on make (workshop_id, created_at)`,
  `index on make (workshop_id, logged_at desc, id desc) where (abandoned_at is null) and (logged_at is not null)`,
  `index on make (workshop_id, sort_name, id) where abandoned_at is null`,
  `index on member (person_id)`,
  `index on movement (cutting_id) where cutting_id is not null`,
  `index on movement (lot_id, created_at desc, id desc)`,
  `index on movement (make_id) where make_id is not null`,
  `unique index on movement (workshop_id, request) where request is not null`,
  `index on order_line (order_id)`,
  `index on order_line (piece_id)`,
  `unique index on person (lower(sign_in))`,
  `index on photo (make_id, created_at)`,
  `index on photo (workshop_id, created_at, id)`,
  `index on piece using gin (tags)`,
  `index on piece_version (workshop_id, created_at, id)`,
  `index on piece (workshop_id, created_at, id) where archived_at is null`,
  `index on piece (workshop_id, created_at)`,
  `index on piece (workshop_id, sort_name, id) where archived_at is null`,
  `index on piece (workshop_id, updated_at desc, id desc) where archived_at is null`,
  `index on session (person_id)`,
  `index on swatch (workshop_id, created_at)`,
  `index on trail (workshop_id, created_at desc, id desc)`,
  `index on wearer (workshop_id, created_at)`,
];

/** Words inside a text are found by threes of letters, where PostgreSQL's own extension for that may be used. */
const WORDS = `
  do $$ begin
    create extension if not exists pg_trgm;
    create index piece_words on piece using gin (search gin_trgm_ops);
    create index make_words on make using gin (search gin_trgm_ops);
    create index lot_words on lot using gin (search gin_trgm_ops);
  exception when insufficient_privilege or undefined_file or feature_not_supported then
    raise notice 'without pg_trgm';
  end $$`;

/** Every server hears of changes, so that every window shows them. */
const FUNCTIONS = [
  `create function tell_changes() returns trigger language plpgsql as $$
      declare
        one uuid;
      begin
        for one in select distinct workshop_id from touched loop
          perform pg_notify('coiled_strand', json_build_object('workshop', one, 'changed', tg_table_name)::text);
        end loop;
        return null;
      end $$`,
  `create function tell_person() returns trigger language plpgsql as $$
      begin
        perform pg_notify('coiled_strand', json_build_object('person', old.person_id)::text);
        return null;
      end $$`,
  `create function tell_workshop() returns trigger language plpgsql as $$
      begin
        perform pg_notify('coiled_strand', json_build_object('workshop', new.id, 'changed', 'workshop')::text);
        return null;
      end $$`,
];
const TOLD = [
  'backup',
  'bead',
  'cord',
  'customer',
  'customer_order',
  'cutting',
  'fitting',
  'kit',
  'knot',
  'lesson',
  'link',
  'lot',
  'make',
  'member',
  'movement',
  'order_line',
  'pack',
  'photo',
  'piece',
  'piece_version',
  'shopping',
  'swatch',
  'wearer',
];
const TRIGGERS = [
  ...TOLD.flatMap((table) =>
    [
      ['insert', 'new'],
      ['update', 'new'],
      ['delete', 'old'],
    ].map(
      ([event, rows]) => `create trigger tell_${event} after ${event} on ${table}
        referencing ${rows} table as touched for each statement execute function tell_changes()`,
    ),
  ),
  'create trigger tell_delete after delete on session for each row execute function tell_person()',
  `create trigger tell_update after update of workshop_id on session for each row
     when (old.workshop_id is distinct from new.workshop_id) execute function tell_person()`,
  'create trigger tell_update after update on workshop for each row execute function tell_workshop()',
];

/** The tables of version 1.0.0. */
export class Base1800000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    const indexes = INDEXES.map((index) => index.replace(/^(unique )?index/, 'create $1index'));
    for (const sql of [...TABLES, ...indexes, WORDS, ...FUNCTIONS, ...TRIGGERS]) {
      await runner.query(sql);
    }
  }

  async down(): Promise<void> {
    await Promise.reject(new Error('There is nothing before the first tables.'));
  }
}
