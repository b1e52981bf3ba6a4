import { schemaName } from '@coiled-strand/contract';
import { applyDecorators } from '@nestjs/common';
import { ApiBody, ApiExtension, ApiHeader, ApiQuery } from '@nestjs/swagger';
import { getMetadataStorage } from 'class-validator';

/** Where the document has its schemas. */
export const SCHEMAS = '#/components/schemas/';

/** What any route takes as its body. */
export const BODIES = new Set<new () => object>();

/** Documents a body by the DTO's own validation rules, see document.ts. */
export function bodyOf(dto: new () => object): MethodDecorator {
  BODIES.add(dto);
  return applyDecorators(
    ApiBody({ schema: { $ref: `${SCHEMAS}${schemaName(dto)}` } }),
    ApiExtension('x-body', dto.name),
  );
}

/** Documents that a change says what it was made on. */
export const IfMatch = (): MethodDecorator =>
  ApiHeader({
    name: 'If-Match',
    required: true,
    description: 'The etag last seen, in quotes; 412 with what is stored when it changed meanwhile',
  });

/** Documents what a list may be asked for, by the names in the DTO. */
export function queryOf(dto: abstract new () => object): MethodDecorator {
  const rules = getMetadataStorage().getTargetValidationMetadatas(dto, '', false, false);
  const names = [...new Set(rules.map(({ propertyName }) => propertyName))];
  return applyDecorators(...names.map((name) => ApiQuery({ name, required: false, type: String })));
}
