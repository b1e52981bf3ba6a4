import { applyDecorators } from '@nestjs/common';
import { ApiBody, ApiExtension } from '@nestjs/swagger';

/** Documents a body by the DTO's own validation rules, see document.ts. */
export const bodyOf = (dto: abstract new () => object): MethodDecorator =>
  applyDecorators(
    ApiBody({ schema: { $ref: `#/components/schemas/${dto.name}` } }),
    ApiExtension('x-body', dto.name),
  );
