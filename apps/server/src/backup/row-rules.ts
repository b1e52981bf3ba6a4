import {
  AccountDto,
  BackupPlanDto,
  CuttingSessionDto,
  DEEDS,
  DrawnKnotDto,
  HalfWayDto,
  KitDto,
  LIST_DTOS,
  MakeLogDto,
  NewWorkshopDto,
  OrderDto,
  OrderStateDto,
  PieceDto,
  PreferencesDto,
  PricingDto,
  SetAsideDto,
  SettingsDto,
  ShoppingItemDto,
  StepPlaceDto,
  SwatchDto,
  TagsDto,
  TakeInDto,
  validateAs,
  VersionNameDto,
  WeekDto,
} from '@coiled-strand/contract';
import { CORD_KINDS, type FileFault } from '@coiled-strand/core';
import { LIST_IDS, LISTS, MOVEMENT_REASONS, thingKey, type Thing } from '@coiled-strand/workshop';
import type { Row } from './format.js';
import { shapeFaults, type Shape } from './shape.js';
import type { Table } from './tables.js';

type Faults = readonly FileFault[];
type Rule = (row: Row) => Faults;

/** By the rules of a request. @param at where the faults are told, before their own path */
function asSent(dto: new () => object, value: unknown, at = ''): Faults {
  if (typeof value !== 'object' || value === null) {
    return [{ path: at, message: 'must be an object' }];
  }
  const result = validateAs(dto, value);
  if (result.ok) return [];
  return result.faults.map(({ path, message }) => ({
    path: [at, path].filter(Boolean).join('.'),
    message,
  }));
}
const orNull = (dto: new () => object, value: unknown, at: string): Faults =>
  value === null || value === undefined ? [] : asSent(dto, value, at);

const text = (row: Row, column: string, most: number): Faults => {
  const value = row[column];
  return typeof value === 'string' && value.length <= most
    ? []
    : [{ path: column, message: `must be a text of ${most} characters at most` }];
};
const count = (row: Row, column: string, least: number): Faults => {
  const value = row[column];
  return Number.isInteger(value) && (value as number) >= least
    ? []
    : [{ path: column, message: `must be a whole number from ${least} on` }];
};
const setAside = (row: Row): Faults =>
  row.set_aside === null
    ? []
    : asSent(SetAsideDto, { reason: row.set_aside }).map((fault) => ({
        ...fault,
        path: 'set_aside',
      }));

const HAND_KEY = { technique: 'text', cordKind: { oneOf: CORD_KINDS }, measure: 'text' } as const;
const OBSERVATION: Shape = {
  with: { ...HAND_KEY, ratio: 'number', spread: 'number', error: { maybe: 'number' } },
};
const COMPARED: Shape = { with: { label: 'text', predicted: 'number', actual: 'number' } };
const SECONDS: Shape = { with: { prepare: 'number', tie: 'number', finish: 'number' } };
const BELIEF: Shape = { with: { factor: 'number' } };

/** What is frozen with a make: it was worked out, and no request can say it. */
const FROZEN: Readonly<Record<string, Shape>> = {
  plan: {
    with: {
      fit: { with: { length: 'number' } },
      parts: { list: { with: { id: 'text' } } },
      closure: { with: {} },
      strands: { list: { with: { cut: 'number', kept: 'number' } } },
      auxiliary: { list: { with: {} } },
      totals: { with: {} },
      counters: { with: {} },
      rules: { list: { with: {} } },
      advice: { list: { with: { code: 'text' } } },
    },
  },
  steps: { list: { with: { id: 'text', units: 'number' } } },
  hand: { list: { with: { ...HAND_KEY, factor: 'number' } } },
  reached: {
    with: { done: 'number', total: 'number', finishFrom: 'number', parts: { named: 'number' } },
  },
  seconds: { named: SECONDS },
  timers: { named: { maybe: 'text' } },
  heard: { named: 'number' },
  outcome: {
    maybe: {
      with: { cords: { list: COMPARED }, length: COMPARED, observations: { list: OBSERVATION } },
    },
  },
  first_side: { oneOf: ['left', 'right'] },
};

/** Some line that is in order, for what of an order stands beside its lines. */
const SOME_LINE = { pieceId: null, what: 'x', size: '', colour: '', number: 1 };
const SOME_ORDER = {
  ...{ customer: 'x', contact: '', lines: [SOME_LINE], promisedFor: null, price: null, paid: 0 },
};
const order = (change: object): Faults => asSent(OrderDto, { ...SOME_ORDER, ...change });

/** What of a lot may be left out, where it is nothing. */
const noted = (row: Row, names: Readonly<Record<string, string>>): object =>
  Object.fromEntries(
    Object.entries(names).flatMap(([name, column]) =>
      row[column] === null || row[column] === undefined ? [] : [[name, row[column]]],
    ),
  );

function lot(row: Row): Faults {
  const { thing, form, size, cents, whole, left_over: left } = row;
  const optional = {
    ...{ place: 'place', dyeLot: 'dye_lot', tare: 'tare', grams: 'grams' },
    ...{ useful: 'useful', boughtOn: 'bought_on' },
  };
  const faults = asSent(TakeInDto, {
    ...{ thing, form, size, cents, lots: 1 },
    ...noted(row, optional),
  });
  if (faults.length > 0) return faults;
  return [
    ...shapeFaults('boolean', whole, 'whole'),
    ...shapeFaults('number', left, 'left_over'),
    ...(row.thing_key === thingKey(thing as Thing)
      ? []
      : [{ path: 'thing_key', message: 'is not that of its thing' }]),
  ];
}

function make(row: Row): Faults {
  const frozen = Object.entries(FROZEN).flatMap(([column, shape]) =>
    shapeFaults(shape, row[column], column),
  );
  const steps = row.steps as readonly { readonly id: string }[];
  const at = row.at as { readonly step?: unknown } | null;
  const faults = [
    ...frozen,
    ...asSent(PieceDto, row.piece, 'piece'),
    ...asSent(StepPlaceDto, at, 'at'),
    ...orNull(MakeLogDto, row.record, 'record'),
    ...orNull(HalfWayDto, row.measured, 'measured'),
    ...setAside(row),
    ...count(row, 'number', 1),
  ];
  if (faults.length > 0) return faults;
  return steps.some(({ id }) => id === at?.step)
    ? []
    : [{ path: 'at.step', message: 'is none of its steps' }];
}

/** By which rules the rows of each table are taken in: those of the requests that write them. */
export const ROW_RULES: Readonly<Record<Table, Rule>> = {
  workshop: (row) => [
    ...asSent(NewWorkshopDto, { name: row.name }),
    ...text(row, 'maker', 200),
    ...asSent(SettingsDto, row.settings, 'settings'),
    ...orNull(WeekDto, row.week, 'week'),
    ...orNull(PricingDto, row.pricing, 'pricing'),
    ...orNull(BackupPlanDto, row.backup, 'backup'),
  ],
  person: (row) => [
    ...asSent(AccountDto, { name: row.name, signIn: row.sign_in }),
    ...orNull(PreferencesDto, row.preferences, 'preferences'),
    ...(row.password_hash === null ||
    /^\$argon2id\$[\w$=,+/-]{20,400}$/.test(row.password_hash as string)
      ? []
      : [{ path: 'password_hash', message: 'is none' }]),
  ],
  // The database knows the roles.
  member: () => [],
  ...(Object.fromEntries(
    LIST_IDS.map((id) => [
      LISTS[id].table,
      (row: Row) => asSent(LIST_DTOS[id], row.value, 'value'),
    ]),
  ) as Record<(typeof LISTS)[(typeof LIST_IDS)[number]]['table'], Rule>),
  knot: (row) => [...asSent(DrawnKnotDto, row.value, 'value'), ...count(row, 'version', 1)],
  piece: (row) => [
    ...asSent(PieceDto, row.spec, 'spec'),
    ...asSent(TagsDto, { tags: row.tags }),
    ...count(row, 'version', 1),
  ],
  piece_version: (row) => [
    ...asSent(PieceDto, row.spec, 'spec'),
    ...asSent(VersionNameDto, { name: row.name }),
    ...count(row, 'version', 1),
  ],
  customer: (row) =>
    order({
      // Of one who was forgotten there is no name.
      customer: row.forgotten_at !== null && row.name === '' ? 'x' : row.name,
      contact: row.contact,
    }),
  customer_order: (row) => [
    ...order({
      promisedFor: row.promised_for,
      price: row.price,
      paid: row.paid,
      note: row.note,
    }),
    ...asSent(OrderStateDto, { state: row.state }),
  ],
  order_line: (row) => {
    const { piece_id: pieceId, what, size, colour, number } = row;
    return [
      ...order({ lines: [{ pieceId, what, size, colour, number }] }),
      ...count(row, 'place', 0),
    ];
  },
  make,
  // Looked at with its bytes, where it is written anew.
  photo: () => [],
  swatch: (row) => [...asSent(SwatchDto, row.value, 'value'), ...setAside(row)],
  evidence: (row) => [
    ...shapeFaults({ oneOf: ['make', 'swatch'] }, row.source, 'source'),
    ...shapeFaults(OBSERVATION, row.observation, 'observation'),
    ...text(row, 'label', 400),
    ...setAside(row),
  ],
  lesson: (row) =>
    shapeFaults(
      {
        with: {
          before: BELIEF,
          after: BELIEF,
          since: 'text',
          surprise: { named: 'number' },
        },
      },
      row.learnt,
      'learnt',
    ),
  lot,
  cutting: (row) => [
    ...asSent(CuttingSessionDto, row.session, 'session'),
    ...text(row, 'name', 200),
  ],
  shopping: (row) => asSent(ShoppingItemDto, row.item, 'item'),
  kit: (row) => [...asSent(KitDto, row.kit, 'kit'), ...count(row, 'packed', 0)],
  movement: (row) => [
    ...shapeFaults({ oneOf: MOVEMENT_REASONS }, row.reason, 'reason'),
    ...shapeFaults('number', row.amount, 'amount'),
    ...text(row, 'note', 400),
  ],
  trail: (row) => [
    ...shapeFaults({ oneOf: DEEDS }, row.did, 'did'),
    ...shapeFaults({ maybe: 'text' }, row.more, 'more'),
  ],
};
