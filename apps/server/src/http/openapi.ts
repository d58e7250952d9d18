import { DocumentBuilder, SwaggerModule, type OpenAPIObject } from '@nestjs/swagger';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';
import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js';

/** Serves the OpenAPI description at /api/docs, its schemas taken from the contract's own rules. */
export function serveOpenApi(app: NestExpressApplication): void {
  // Made when somebody first asks for it: it takes longer than all the rest of starting.
  const description = (): OpenAPIObject => {
    const document = SwaggerModule.createDocument(
      app,
      new DocumentBuilder()
        .setTitle('Idle Kettle')
        .setDescription(
          'Kitchens, formulas, batches with their event log, and the shelf of one household. Errors are problem+json (RFC 9457).',
        )
        .setVersion('1')
        .addBearerAuth({
          type: 'http',
          scheme: 'bearer',
          description: 'The token of an instrument.',
        })
        .build(),
    );
    const schemas = validationMetadatasToSchemas({
      classTransformerMetadataStorage: defaultMetadataStorage as never,
      refPointerPrefix: '#/components/schemas/',
    });
    document.components = {
      ...document.components,
      schemas: { ...document.components?.schemas, ...schemas } as never,
    };
    return document;
  };
  SwaggerModule.setup('api/docs', app, description, { jsonDocumentUrl: 'api/docs.json' });
}
