import type { Role } from '@coiled-strand/contract';
import { applyDecorators, SetMetadata } from '@nestjs/common';
import { ApiExtension } from '@nestjs/swagger';

/**
 * `unasked`: nobody looks who it is, not even in the database; `anyone`: also who is not signed in; `person`: whoever
 * is, in a workshop or in none; else the least role.
 */
export type Rule = 'unasked' | 'anyone' | 'person' | Role;

export const RULE = 'rule';

/** Who may use a route. Every route says so: one that does not is not served. */
export const Roles = (rule: Rule): MethodDecorator =>
  applyDecorators(SetMetadata(RULE, rule), ApiExtension('x-for', rule));
