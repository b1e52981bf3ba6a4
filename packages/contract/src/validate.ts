import type { FileFault } from '@coiled-strand/core';
import { unstorable } from './plain.js';
import { plainToInstance, type ClassConstructor } from 'class-transformer';
import { validateSync, type ValidationError, type ValidatorOptions } from 'class-validator';

/** Unknown fields are faults too: a misspelt name must not be dropped in silence. */
export const VALIDATION: ValidatorOptions = {
  whitelist: true,
  forbidNonWhitelisted: true,
  forbidUnknownValues: true,
};

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

/**
 * Flattens nested validation errors into faults by path: `piece.parts[0].tension`.
 */
export function faultsOf(errors: readonly ValidationError[], parent = ''): FileFault[] {
  return errors.flatMap((error) => {
    const step = /^\d+$/.test(error.property) ? `[${error.property}]` : `.${error.property}`;
    const path = `${parent}${step}`.replace(/^\./, '');
    const own = worst(error.constraints);
    return [
      ...(own === undefined ? [] : [{ path, message: own }]),
      ...faultsOf(error.children ?? [], path),
    ];
  });
}

/**
 * Checks plain data against a DTO class, the same way the server's edge does.
 *
 * @returns the instance, or the faults by path
 */
export function validateAs<T extends object>(
  type: ClassConstructor<T>,
  plain: unknown,
): { readonly ok: true; readonly value: T } | { readonly ok: false; readonly faults: FileFault[] } {
  if (typeof plain !== 'object' || plain === null || Array.isArray(plain)) {
    return { ok: false, faults: [{ path: '', message: 'This must be an object.' }] };
  }
  // What turns plain data into classes cannot bear everything that JSON can say.
  const unfit = unstorable(plain);
  if (unfit.length > 0) return { ok: false, faults: unfit };
  const value = plainToInstance(type, plain);
  const faults = faultsOf(validateSync(value, VALIDATION));
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value };
}
