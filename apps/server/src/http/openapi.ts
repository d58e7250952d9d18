import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';
import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js';

/** Serves the OpenAPI description at /api/docs, its schemas taken from the contract's own rules. */
export function serveOpenApi(app: NestExpressApplication): void {
  const document = SwaggerModule.createDocument(
    app,
    new DocumentBuilder()
      .setTitle('Idle Kettle')
      .setDescription(
        'Kitchens, formulas, batches with their event log, and the shelf of one household. Errors are problem+json (RFC 9457).',
      )
      .setVersion('1')
      .addBearerAuth({ type: 'http', scheme: 'bearer', description: 'The token of an instrument.' })
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
  SwaggerModule.setup('api/docs', app, document, { jsonDocumentUrl: 'api/docs.json' });
}
