import { faultsOf, VALIDATION } from '@coiled-strand/contract';
import { ValidationPipe } from '@nestjs/common';
import { invalid } from './app-error.js';

/** Every body is checked against its DTO at the edge; faults are named by path. */
export const validationPipe = (): ValidationPipe =>
  new ValidationPipe({
    ...VALIDATION,
    transform: true,
    exceptionFactory: (errors) => invalid(faultsOf(errors), 'What was sent'),
  });
