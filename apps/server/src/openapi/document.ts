import { schemasOf, VERSION } from '@coiled-strand/contract';
import type { INestApplication } from '@nestjs/common';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import { BODIES, SCHEMAS } from './body-of.js';

const ERROR_SCHEMA = {
  type: 'object',
  required: ['error'],
  properties: {
    error: {
      type: 'object',
      required: ['code', 'message', 'remedy'],
      properties: {
        code: { type: 'string', example: 'invalid' },
        message: { type: 'string', description: 'What is wrong, in plain words' },
        remedy: { type: 'string', description: 'What to do about it' },
        faults: {
          type: 'array',
          items: {
            type: 'object',
            properties: { path: { type: 'string' }, message: { type: 'string' } },
          },
        },
        requestId: { type: 'string' },
      },
    },
  },
} as const;

/** What every change may have, see `idempotency`. */
const REQUEST_KEY = {
  name: 'Idempotency-Key',
  in: 'header',
  required: false,
  description:
    'A name of this request: sent once more within a day it is answered as before, and not carried out again',
  schema: { type: 'string', pattern: '^[\\w-]{8,64}$' },
} as const;

/** The API at /api/docs. Schemas come from the same rules that check the bodies: one source. */
export function serveOpenApi(app: INestApplication): void {
  const document = SwaggerModule.createDocument(
    app,
    new DocumentBuilder()
      .setTitle('Coiled Strand')
      .setDescription(
        'Plans knotted pieces. All lengths are millimetres. Every error has the shape Error.',
      )
      .setVersion(VERSION)
      // The first whose schemas are those of JSON Schema.
      .setOpenAPIVersion('3.1.0')
      .build(),
  );
  document.components = {
    ...document.components,
    schemas: {
      ...document.components?.schemas,
      ...schemasOf(BODIES, SCHEMAS),
      Error: ERROR_SCHEMA,
    } as never,
  };
  for (const path of Object.values(document.paths)) {
    for (const method of ['post', 'put', 'delete'] as const) {
      path[method]?.parameters?.push(REQUEST_KEY);
    }
  }
  SwaggerModule.setup('api/docs', app, document, { jsonDocumentUrl: 'api/openapi.json' });
}
