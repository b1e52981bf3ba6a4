import type { INestApplication } from '@nestjs/common';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';

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

/** The API at /api/docs. Schemas come from the same rules that check the bodies: one source. */
export function serveOpenApi(app: INestApplication): void {
  const document = SwaggerModule.createDocument(
    app,
    new DocumentBuilder()
      .setTitle('Coiled Strand')
      .setDescription(
        'Plans knotted pieces. All lengths are millimetres. Every error has the shape Error.',
      )
      .setVersion('1')
      .build(),
  );
  const schemas = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage,
    refPointerPrefix: '#/components/schemas/',
  });
  document.components = {
    ...document.components,
    schemas: { ...document.components?.schemas, ...schemas, Error: ERROR_SCHEMA } as never,
  };
  SwaggerModule.setup('api/docs', app, document, { jsonDocumentUrl: 'api/openapi.json' });
}
