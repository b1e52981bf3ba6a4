import { applyDecorators } from '@nestjs/common';
import { ApiBody, ApiExtension, ApiQuery } from '@nestjs/swagger';
import { getMetadataStorage } from 'class-validator';

/** Documents a body by the DTO's own validation rules, see document.ts. */
export const bodyOf = (dto: abstract new () => object): MethodDecorator =>
  applyDecorators(
    ApiBody({ schema: { $ref: `#/components/schemas/${dto.name}` } }),
    ApiExtension('x-body', dto.name),
  );

/** Documents what a list may be asked for, by the names in the DTO. */
export function queryOf(dto: abstract new () => object): MethodDecorator {
  const rules = getMetadataStorage().getTargetValidationMetadatas(dto, '', false, false);
  const names = [...new Set(rules.map(({ propertyName }) => propertyName))];
  return applyDecorators(...names.map((name) => ApiQuery({ name, required: false, type: String })));
}
