import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { json, raw, type RequestHandler } from 'express';
import { LARGEST_HOUSEHOLD_MB, LARGEST_PHOTO_MB, PHOTO_TYPES } from '@idle-kettle/contract';
import helmet from 'helmet';
import { pinoHttp } from 'pino-http';
import { AppModule } from './app.module.js';
import { SystemClock, type Clock } from './clock/clock.js';
import { hostGuard } from './http/host-guard.js';
import { makePino, PinoLogger } from './http/logger.js';
import { serveOpenApi } from './http/openapi.js';
import { BODY_LIMIT_KB, ProblemFilter } from './http/problem.filter.js';
import { validationPipe } from './http/validation.js';
import { serveWebApp } from './http/web-app.js';
import type { Settings } from './settings.js';

/**
 * A probe speaks every second and a thousand of them may: what is there for browsers and for
 * reading along later is left out. Who sends what is in the log of the batch.
 */
const notForInstruments =
  (handle: RequestHandler): RequestHandler =>
  (request, response, next) => {
    if (request.url === '/api/readings') next();
    else handle(request, response, next);
  };

/**
 * The whole server, ready to listen. The schema must be up to date (see `migrate`).
 *
 * @param clock where it takes the time from
 */
export async function createApp(
  settings: Settings,
  clock: Clock = new SystemClock(),
): Promise<NestExpressApplication> {
  const pino = makePino(settings.logLevel);
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(settings, clock), {
    logger: new PinoLogger(pino),
    bodyParser: false,
    forceCloseConnections: true,
    abortOnError: false,
  });
  app.disable('x-powered-by');
  app.use(
    notForInstruments(
      pinoHttp({
        logger: pino,
        quietReqLogger: true,
        autoLogging: {
          ignore: ({ url }) => !url?.startsWith('/api') || url === '/api/health',
        },
      }) as RequestHandler,
    ),
  );
  app.use(hostGuard(settings.allowedHosts));
  app.use(
    notForInstruments(
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
    ),
  );
  // One message may be a whole household.
  app.use('/api/household', json({ limit: `${LARGEST_HOUSEHOLD_MB}mb` }));
  app.use(
    '/api/batches/:batchId/photos',
    raw({ type: [...PHOTO_TYPES], limit: `${LARGEST_PHOTO_MB}mb` }),
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
