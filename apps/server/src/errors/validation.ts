import { faultsOf, VALIDATION } from '@coiled-strand/contract';
import { ValidationPipe, type Type } from '@nestjs/common';
import { invalid } from './app-error.js';

/**
 * Every body is checked against its DTO at the edge; faults are named by path.
 *
 * @param expectedType the DTO, where the type of the parameter does not tell it
 */
export const validationPipe = (expectedType?: Type<object>): ValidationPipe =>
  new ValidationPipe({
    ...VALIDATION,
    transform: true,
    ...(expectedType ? { expectedType } : {}),
    exceptionFactory: (errors) => invalid(faultsOf(errors), 'What was sent'),
  });
