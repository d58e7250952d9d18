import { ArgumentsHost, Catch, HttpException, Logger, type ExceptionFilter } from '@nestjs/common';
import type { Request, Response } from 'express';
import { ConnectionError, ConnectionAcquireTimeoutError, DatabaseError } from 'sequelize';
import { LARGEST_PHOTO_MB, type FieldProblem, type ProblemBody } from '@idle-kettle/contract';

/** An error with everything a person needs to mend it. */
export class ProblemException extends HttpException {
  constructor(
    status: number,
    readonly detail: string,
    extra: { errors?: readonly FieldProblem[]; current?: unknown } = {},
  ) {
    super({ detail, ...extra }, status);
  }
}

export const notFound = (what: string): ProblemException =>
  new ProblemException(404, `there is no such ${what}`);

const TITLES: Readonly<Record<number, string>> = {
  400: 'Not understood',
  401: 'Not known here',
  403: 'Not allowed from here',
  404: 'Not found',
  409: 'Changed in the meantime',
  413: 'Too large',
  415: 'Not what is asked for',
  421: 'Not addressed to this kitchen',
  429: 'Too much at once',
  503: 'The database is away',
};

/**
 * PostgreSQL classes 08 (connection) and 57 (shutting down, starting up): the database is away, not
 * the request wrong.
 */
const databaseAway = (error: unknown): boolean => {
  if (error instanceof ConnectionError || error instanceof ConnectionAcquireTimeoutError)
    return true;
  if (!(error instanceof DatabaseError)) return false;
  const { code } = error.original as { code?: string };
  return (
    (code !== undefined && /^(08|57P)|^ECONN|^EPIPE/.test(code)) ||
    /Connection terminated|not queryable/.test(error.message)
  );
};

/** The largest message taken; a formula of 200 lines or 500 events fit several times over. */
export const BODY_LIMIT_KB = 512;

/** What the framework itself refuses, in words of ours. */
const frameworkDetail = (status: number, url: string): string | undefined =>
  ({
    400: 'the message is not JSON; check its quotes and commas',
    404: 'there is nothing at this address',
    413: /\/photos\//.test(url)
      ? `a photo has at most ${LARGEST_PHOTO_MB} MB`
      : `the message is larger than ${BODY_LIMIT_KB} kB; send less at once`,
  })[status];

/** Answers every error as problem+json (RFC 9457). */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly logger = new Logger('http');

  catch(error: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const request = http.getRequest<Request>();
    const response = http.getResponse<Response>();
    if (response.headersSent) {
      response.end();
      return;
    }
    const known = error instanceof HttpException ? error : undefined;
    const status: number = known ? known.getStatus() : databaseAway(error) ? 503 : 500;
    const body = known?.getResponse();
    const { detail, errors, current } = (typeof body === 'object' ? body : {}) as {
      detail?: string;
      errors?: FieldProblem[];
      current?: unknown;
    };
    if (!known && status === 500)
      this.logger.error(error instanceof Error ? (error.stack ?? error.message) : String(error));
    if (status === 503) response.setHeader('Retry-After', '2');
    if (status === 429) response.setHeader('Retry-After', '1');
    const problem: ProblemBody = {
      type: 'about:blank',
      title: TITLES[status] ?? (status >= 500 ? 'Our mistake' : 'Refused'),
      status,
      detail:
        detail ??
        (known
          ? (frameworkDetail(status, request.originalUrl) ?? known.message)
          : status === 503
            ? 'the database does not answer; nothing was stored, try again in a moment'
            : 'something went wrong on the server; it has been logged'),
      instance: request.originalUrl,
      ...(errors && { errors }),
      ...(current !== undefined && { current }),
    };
    response.status(status).type('application/problem+json').send(JSON.stringify(problem));
  }
}
