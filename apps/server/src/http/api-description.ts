import type { INestApplication } from '@nestjs/common';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import { requestSchemas } from '@usual-drag/contract/dto';

/** The OpenAPI page at /api/docs, with the schemas of the DTO classes. */
export function describeApi(app: INestApplication): void {
  const config = new DocumentBuilder().setTitle('Usual Drag').setVersion('1').build();
  SwaggerModule.setup('api/docs', app, () => {
    const document = SwaggerModule.createDocument(app, config);
    document.components = {
      ...document.components,
      schemas: requestSchemas(),
    };
    return document;
  });
}
