/** Words that pieces are called by: what is looked for finds some of many. */
const WORDS = [
  'amber',
  'birch',
  'cedar',
  'delta',
  'ember',
  'fjord',
  'grove',
  'heath',
  'inlet',
  'juniper',
];

/**
 * Fills a database that holds the demo with many more pieces and makes like those in it.
 *
 * @param client of `pg`, connected
 */
export async function fillWith(client, { pieces, makes }) {
  await client.query(
    `insert into piece (workshop_id, version, spec, created_at, updated_at)
     select p.workshop_id, 1,
       jsonb_set(p.spec::jsonb, '{name}', to_jsonb(format('%s %s %s',
         ($2::text[])[1 + g % 10], ($2::text[])[1 + (g / 10) % 10], g)))::json,
       now() - (g || ' minutes')::interval, now() - (g || ' minutes')::interval
     from generate_series(1, $1) g
     join (select *, row_number() over (order by created_at) n, count(*) over () of from piece) p
       on p.n = 1 + g % p.of`,
    [pieces, WORDS],
  );
  await client.query(
    `insert into make (workshop_id, piece_id, piece, plan, steps, hand, number, first_side, at, reached,
       done_at, seconds, timers, record, outcome, logged_at, created_at)
     select m.workshop_id, p.id, jsonb_set(m.piece::jsonb, '{name}', p.spec::jsonb -> 'name')::json, m.plan, m.steps, m.hand, 1 + g / 5000, m.first_side, m.at,
       m.reached, m.done_at, m.seconds, m.timers, m.record, m.outcome,
       now() - (g || ' minutes')::interval, now() - (g || ' minutes')::interval
     from generate_series(1, $1) g
     join (select *, row_number() over (order by created_at) n, count(*) over () of
       from make where logged_at is not null) m on m.n = 1 + g % m.of
     join (select *, row_number() over (order by id) n, count(*) over () of from piece) p
       on p.n = 1 + g % p.of`,
    [makes],
  );
  await client.query('vacuum analyze');
}

/**
 * Fills the stash of a database that holds the demo with many more lots, and their ledgers with many movements that
 * come to nothing.
 *
 * @param client of `pg`, connected
 */
export async function fillStash(client, { lots, movements }) {
  await client.query(
    `insert into lot (workshop_id, thing, thing_key, form, place, dye_lot, bought_on, cents, size, left_over, whole,
       created_at)
     select l.workshop_id, jsonb_set(l.thing::jsonb, '{cord,name}',
         to_jsonb(format('%s %s', ($2::text[])[1 + g % 10], g)))::json,
       format('many %s', g), l.form, ($3::text[])[1 + g % 3], null, l.bought_on, l.cents, l.size, l.size, true,
       now() - (g || ' minutes')::interval
     from generate_series(1, $1) g
     join (select *, row_number() over (order by id) n, count(*) over () of
       from lot where thing ->> 'kind' = 'cord') l on l.n = 1 + g % l.of`,
    [lots, WORDS, ['shelf', 'drawer', 'tin']],
  );
  await client.query(
    `insert into movement (workshop_id, lot_id, amount, reason, created_at)
     select l.workshop_id, l.id, case when g <= $2 then l.size when g % 2 = 0 then -1 else 1 end,
       case when g <= $2 then 'bought' else 'used' end, now() - (g || ' seconds')::interval
     from generate_series(1, $1) g
     join (select *, row_number() over (order by id) n, count(*) over () of
       from lot where thing_key like 'many %') l on l.n = 1 + g % l.of`,
    [movements, lots],
  );
  await client.query('vacuum analyze');
}
