import type { NextFunction, Request, Response } from 'express';
import { SERVER_TIME_HEADER } from '@idle-kettle/contract';
import type { Clock } from '../clock/clock.js';

/**
 * What every answer of the API carries: that it is ours and what time it is here, and that nobody
 * on the way keeps it. An address that may be kept says so itself.
 */
export const answerHeaders =
  (clock: Clock) =>
  (request: Request, response: Response, next: NextFunction): void => {
    // Not `path`, which is worked out anew each time it is looked at.
    if (request.url.startsWith('/api')) {
      response.setHeader(SERVER_TIME_HEADER, String(clock.now().getTime()));
      response.setHeader('Cache-Control', 'no-store');
    }
    next();
  };
