import type { FileFault } from '@coiled-strand/core';
import { plainToInstance, type ClassConstructor } from 'class-transformer';
import { getMetadataStorage, validateSync, type ValidatorOptions } from 'class-validator';
import { MAX_FAULTS, unstorable } from './plain.js';
import { nestedIn, type Nested } from './rules.js';

type Class = ClassConstructor<object>;

const VALIDATION: ValidatorOptions = {
  forbidUnknownValues: true,
  // The rules of an object itself. What it holds is asked object by object, so that it ends with enough faults.
  groups: ['own'],
  always: true,
  validationError: { target: false, value: false },
};

/** Longest name or message that is repeated of what was sent. */
const MAX_WORDS = 300;
const cut = (text: string): string =>
  text.length > MAX_WORDS ? `${text.slice(0, MAX_WORDS)}…` : text;
const faultAt = (path: string, message: string): FileFault => ({
  path: cut(path),
  message: cut(message),
});

/** Rules on how large or how long a value is, and how it is written: they mean little for a value of the wrong kind. */
const RANGES: ReadonlySet<string> = new Set([
  'min',
  'max',
  'maxLength',
  'matches',
  'arrayMinSize',
  'arrayMaxSize',
  'arrayUnique',
]);

/** One message per value: that it is of the wrong kind says more than that it is out of range. */
function worst(constraints: Readonly<Record<string, string>> = {}): string | undefined {
  const rules = Object.keys(constraints);
  const rule = rules.find((name) => !RANGES.has(name)) ?? rules[0];
  return rule === undefined ? undefined : constraints[rule];
}

/** What is known of a property before its value is looked at: how many items it may hold, and of which class. */
interface Shape {
  readonly maxItems: number;
  readonly nested: Nested | undefined;
}

const SHAPES = new WeakMap<Class, ReadonlyMap<string, Shape>>();

function shapesOf(type: Class): ReadonlyMap<string, Shape> {
  const known = SHAPES.get(type);
  if (known) return known;
  const rules = getMetadataStorage().getTargetValidationMetadatas(type, '', false, false);
  const shapes = new Map<string, Shape>();
  for (const { propertyName, name, constraints } of rules) {
    const before = shapes.get(propertyName) ?? {
      maxItems: Infinity,
      nested: nestedIn(type.prototype as object, propertyName),
    };
    const maxItems = name === 'arrayMaxSize' ? Number(constraints[0]) : Infinity;
    shapes.set(propertyName, { ...before, maxItems: Math.min(before.maxItems, maxItems) });
  }
  SHAPES.set(type, shapes);
  return shapes;
}

/** The class of what a property holds: one, or the one that the value names; undefined where it names none. */
function classIn({ type, choice }: Nested, value: object): Class | undefined {
  if (!choice) return type();
  const name = (value as Record<string, unknown>)[choice.property];
  return choice.subTypes.find((one) => one.name === name)?.value;
}

/** What the rules say of the property by which an object was to name its class. */
function* unnamedFaults(
  { type, choice }: Nested,
  value: object,
  path: string,
): Generator<FileFault> {
  const { property } = choice!;
  const named = { [property]: (value as Record<string, unknown>)[property] };
  for (const fault of build(type(), named)) {
    if (fault.path === property) yield faultAt(`${path}.${property}`, fault.message);
  }
}

const isObject = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const below = (path: string, key: string): string => (path === '' ? key : `${path}.${key}`);

/**
 * Lists that are longer than the rules of a class allow. They are found before anything is built of the data, and
 * nothing in them is looked at.
 */
function* lengthFaults(type: Class, plain: object, path = ''): Generator<FileFault> {
  const shapes = shapesOf(type);
  for (const [key, value] of Object.entries(plain) as [string, unknown][]) {
    const shape = shapes.get(key);
    if (!shape) continue;
    const { maxItems, nested } = shape;
    const at = below(path, key);
    if (Array.isArray(value) && value.length > maxItems) {
      yield faultAt(at, `${key} must contain no more than ${maxItems} elements`);
    } else if (nested) {
      const items: readonly unknown[] = Array.isArray(value) ? value : [value];
      for (const [i, item] of items.entries()) {
        const held = isObject(item) && classIn(nested, item);
        if (!held) continue;
        yield* lengthFaults(held, item, Array.isArray(value) ? `${at}[${i}]` : at);
      }
    }
  }
}

/** Whether a library may turn a value into one of a class; what has no rules of its own inside stays as it is. */
const isFlat = (value: unknown): boolean =>
  Array.isArray(value)
    ? value.every((item) => typeof item !== 'object')
    : typeof value !== 'object' || value === null;

/**
 * Builds an instance of a class and asks its rules, then those of all that it holds, object by object from the
 * outside in: whoever stops reading the faults stops the building. Unknown fields are faults too: a misspelt name must
 * not be dropped in silence.
 *
 * @returns the instance, whole where there was no fault
 */
function* build(type: Class, plain: object, path = ''): Generator<FileFault, object> {
  const shapes = shapesOf(type);
  const entries: [string, unknown][] = [];
  for (const [key, value] of Object.entries(plain) as [string, unknown][]) {
    if (shapes.has(key)) entries.push([key, value]);
    else yield faultAt(below(path, key), `property ${key} should not exist`);
  }
  const flat = entries.filter(([, value]) => isFlat(value));
  const values = plainToInstance(type, Object.fromEntries(flat));
  // In the order in which it came.
  const fields: Record<string, unknown> = { ...Object.fromEntries(entries), ...values };
  const instance = Object.assign(Object.create(type.prototype as object) as object, fields);
  for (const { property, constraints } of validateSync(instance, VALIDATION)) {
    const message = worst(constraints);
    if (message !== undefined) yield faultAt(below(path, property), message);
  }
  for (const [key, { nested }] of shapes) {
    const value = nested && fields[key];
    if (!nested || typeof value !== 'object' || value === null) continue;
    const at = below(path, key);
    const built = Array.isArray(value)
      ? yield* buildAll(nested, value, at)
      : yield* buildHeld(nested, value, at);
    Object.assign(instance, { [key]: built });
  }
  return instance;
}

function* buildAll(
  nested: Nested,
  items: readonly unknown[],
  path: string,
): Generator<FileFault, unknown[]> {
  const built: unknown[] = [];
  for (const [i, item] of items.entries()) {
    built.push(isObject(item) ? yield* buildHeld(nested, item, `${path}[${i}]`) : item);
  }
  return built;
}

function* buildHeld(nested: Nested, value: object, path: string): Generator<FileFault, object> {
  const type = classIn(nested, value);
  if (type) return yield* build(type, value, path);
  yield* unnamedFaults(nested, value, path);
  return value;
}

/** The first of the faults, and what was built where there is none. */
function firstOf<T>(faults: Generator<FileFault, T>): {
  faults: FileFault[];
  built: T | undefined;
} {
  const first: FileFault[] = [];
  for (;;) {
    const next = faults.next();
    if (next.done) return { faults: first, built: next.value };
    first.push(next.value);
    if (first.length === MAX_FAULTS) return { faults: first, built: undefined };
  }
}

/**
 * Checks plain data against a DTO class, the same way the server's edge does. What is refused is refused early: by
 * its size, then by its lists, then by its rules, and with the first {@link MAX_FAULTS} faults at most.
 *
 * @returns the instance, or the faults by path (`piece.parts[0].tension`)
 */
export function validateAs<T extends object>(
  type: ClassConstructor<T>,
  plain: unknown,
): { readonly ok: true; readonly value: T } | { readonly ok: false; readonly faults: FileFault[] } {
  if (!isObject(plain)) {
    return { ok: false, faults: [{ path: '', message: 'This must be an object.' }] };
  }
  // What turns plain data into classes cannot bear everything that JSON can say.
  for (const faults of [unstorable(plain), firstOf(lengthFaults(type, plain)).faults]) {
    if (faults.length > 0) return { ok: false, faults };
  }
  const { faults, built } = firstOf(build(type, plain));
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value: built as T };
}
