import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import helmet from 'helmet';
import { pinoHttp } from 'pino-http';
import { AppModule } from './app.module.js';
import { hostGuard } from './http/host-guard.js';
import { makePino, PinoLogger } from './http/logger.js';
import { serveOpenApi } from './http/openapi.js';
import { BODY_LIMIT_KB, ProblemFilter } from './http/problem.filter.js';
import { validationPipe } from './http/validation.js';
import { serveWebApp } from './http/web-app.js';
import type { Settings } from './settings.js';

/** The whole server, ready to listen. The schema must be up to date (see `migrate`). */
export async function createApp(settings: Settings): Promise<NestExpressApplication> {
  const pino = makePino(settings.logLevel);
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(settings), {
    logger: new PinoLogger(pino),
    bodyParser: false,
    forceCloseConnections: true,
    abortOnError: false,
  });
  app.disable('x-powered-by');
  app.use(
    pinoHttp({
      logger: pino,
      quietReqLogger: true,
      autoLogging: { ignore: (request) => !request.url?.startsWith('/api') || request.url === '/api/health' },
    }),
  );
  app.use(hostGuard(settings.allowedHosts));
  app.use(
    helmet({
      contentSecurityPolicy: {
        // Plain http on loopback: nothing to upgrade to.
        directives: {
          'upgrade-insecure-requests': null,
          'worker-src': ["'self'"],
          'img-src': ["'self'", 'data:', 'blob:'],
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.useBodyParser('json', { limit: `${BODY_LIMIT_KB}kb` });
  app.setGlobalPrefix('api');
  app.useGlobalPipes(validationPipe());
  app.useGlobalFilters(new ProblemFilter());
  serveOpenApi(app);
  if (settings.webFolder !== undefined) serveWebApp(app, settings.webFolder);
  app.enableShutdownHooks();
  return app;
}
