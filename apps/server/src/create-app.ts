import type { IncomingMessage } from 'node:http';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { raw, type RequestHandler } from 'express';
import { LARGEST_PHOTO_MB, PHOTO_TYPES } from '@idle-kettle/contract';
import helmet from 'helmet';
import { pinoHttp } from 'pino-http';
import { AppModule } from './app.module.js';
import { SystemClock, type Clock } from './clock/clock.js';
import { answerHeaders } from './http/answer-headers.js';
import { hostGuard } from './http/host-guard.js';
import { makePino, PinoLogger, requestInLog } from './http/logger.js';
import { serveOpenApi } from './http/openapi.js';
import { BODY_LIMIT_KB, ProblemFilter } from './http/problem.filter.js';
import { StorablePipe } from './http/storable.js';
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

/** A connection nobody uses is closed after so long, ms. */
const KEPT_OPEN_MS = 75_000;

/** Answers HEAD where GET would never end. */
const headOf =
  (type: string): RequestHandler =>
  (request, response, next) => {
    if (request.method === 'HEAD') response.type(type).end();
    else next();
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
  const pino = makePino(settings.logLevel, settings.logFile);
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
        serializers: { req: requestInLog },
        autoLogging: {
          ignore: ({ url }) => !url?.startsWith('/api') || url === '/api/health',
        },
      }) as RequestHandler,
    ),
  );
  app.use(answerHeaders(clock));
  app.use(hostGuard(settings));
  // A stream without an end has no head without one either.
  app.use('/api/live', headOf('text/event-stream'));
  app.use(
    notForInstruments(
      helmet({
        contentSecurityPolicy: {
          // Plain http on loopback: nothing to upgrade to.
          directives: {
            'upgrade-insecure-requests': null,
            'style-src': ["'self'"],
            'font-src': ["'self'"],
            'worker-src': ["'self'"],
            'img-src': ["'self'", 'data:', 'blob:'],
          },
        },
        strictTransportSecurity: false,
      }),
    ),
  );
  // A packed message may be a thousand times as large as it looks; none of ours is packed.
  const inflate = false;
  app.use(
    '/api/batches/:batchId/photos',
    raw({ type: [...PHOTO_TYPES], limit: `${LARGEST_PHOTO_MB}mb`, inflate }),
  );
  app.useBodyParser('json', {
    limit: `${BODY_LIMIT_KB}kb`,
    inflate,
    // A whole household is looked at while it comes; see `household-file/receive-file.ts`.
    type: (request: IncomingMessage) =>
      !/^\/api\/household\/?(\?|$)/.test(request.url ?? '') &&
      /^application\/json\b/i.test(request.headers['content-type'] ?? ''),
  });
  app.setGlobalPrefix('api');
  app.useGlobalPipes(new StorablePipe(), validationPipe());
  app.useGlobalFilters(new ProblemFilter());
  serveOpenApi(app);
  if (settings.webFolder !== undefined) serveWebApp(app, settings.webFolder);
  app.enableShutdownHooks();
  // Longer than the pause of a page or a probe between two questions: a connection that is closed in
  // the moment it is used again costs one of them an answer.
  app.getHttpServer().keepAliveTimeout = KEPT_OPEN_MS;
  return app;
}
