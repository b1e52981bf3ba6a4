import { validateAs } from '@coiled-strand/contract';
import type { ArgumentMetadata, PipeTransform, Type } from '@nestjs/common';
import { invalid } from './app-error.js';

/** What no rules are written for: ids in a path, a request, a buffer. */
const PLAIN: ReadonlySet<unknown> = new Set([String, Number, Boolean, Array, Object, undefined]);

/** Checks bodies and queries against their DTO at the edge; faults are named by path. */
export class ValidationPipe implements PipeTransform {
  /** @param expected the DTO, where the type of the parameter does not tell it */
  constructor(private readonly expected?: Type<object>) {}

  /** @throws AppError 422 with the first faults */
  transform(value: unknown, { type, metatype }: ArgumentMetadata): unknown {
    const dto = this.expected ?? metatype;
    if ((type !== 'body' && type !== 'query') || PLAIN.has(dto)) return value;
    const result = validateAs(dto as Type<object>, value ?? {});
    if (!result.ok) throw invalid(result.faults, 'What was sent');
    return result.value;
  }
}
