import { ArgumentsHost, Catch, HttpException, Logger, type ExceptionFilter } from '@nestjs/common';
import type { Request, Response } from 'express';
import { BaseError, ConnectionError, ConnectionAcquireTimeoutError } from 'sequelize';
import {
  LARGEST_PHOTO_MB,
  problemCode,
  PROBLEMS,
  problemType,
  type ProblemBody,
  type ProblemCode,
} from '@idle-kettle/contract';

/** A refusal of one kind, with everything a person needs to mend it. */
export class ProblemException extends HttpException {
  constructor(
    readonly code: ProblemCode,
    readonly detail: string,
    readonly extra: Pick<ProblemBody, 'errors' | 'current'> = {},
  ) {
    super({ detail, ...extra }, PROBLEMS[code].status);
  }
}

export const notFound = (what: string): ProblemException =>
  new ProblemException('not-found', `there is no such ${what}`);

/** A problem as it is on the wire. */
export function problemBody(
  code: ProblemCode,
  detail: string,
  extra: Partial<ProblemBody> = {},
): ProblemBody {
  return { type: problemType(code), ...PROBLEMS[code], detail, ...extra };
}

const DATABASE_AWAY = problemBody(
  'database-away',
  'the database does not answer; nothing was stored, try again in a moment',
);
/**
 * What an error of the database means, by its SQLSTATE (PostgreSQL, appendix A); the first that
 * fits.
 */
const DATABASE_PROBLEMS: readonly { readonly code: RegExp; readonly problem: ProblemBody }[] = [
  {
    // 53100 disk full.
    code: /^53100$/,
    problem: problemBody(
      'no-space',
      'the disk of the server is full; nothing was stored. Make room there; what you entered is saved on this device',
    ),
  },
  {
    // 08 connection, 57 ended or too slow, 53 out of something, 40 lost a race: later it may work.
    code: /^(08|53|57|40)|^ECONN|^EPIPE|^ETIMEDOUT/,
    problem: DATABASE_AWAY,
  },
  {
    // 22 a value that is none, 54 too large.
    code: /^(22|54)/,
    problem: problemBody('not-understood', 'a value of the message cannot be stored'),
  },
  {
    // 23 something that must be there is not, or is there already.
    code: /^23/,
    problem: problemBody(
      'not-now',
      'it does not fit to what is stored; it may have been changed or deleted meanwhile',
    ),
  },
];

/** What an error of the database means to the one who asked; undefined for any other error. */
function databaseProblem(error: unknown): ProblemBody | undefined {
  if (error instanceof ConnectionError || error instanceof ConnectionAcquireTimeoutError)
    return DATABASE_AWAY;
  if (!(error instanceof BaseError)) return undefined;
  if (/Connection terminated|not queryable/.test(error.message)) return DATABASE_AWAY;
  const { code } = (error as { original?: { code?: string } }).original ?? {};
  return code === undefined
    ? undefined
    : DATABASE_PROBLEMS.find((each) => each.code.test(code))?.problem;
}

/** The largest message taken; a formula of 200 lines or 500 events fit several times over. */
export const BODY_LIMIT_KB = 512;

/** What the framework itself refuses, by its status. */
const CODE_OF_STATUS: Readonly<Record<number, ProblemCode>> = {
  400: 'not-understood',
  429: 'too-many',
  404: 'not-found',
  413: 'too-large',
  415: 'wrong-media',
};

/** The same, in words of ours. */
function frameworkDetail(code: ProblemCode, url: string): string | undefined {
  switch (code) {
    case 'not-understood':
      return 'the message is not JSON; check its quotes and commas';
    case 'not-found':
      return 'there is nothing at this address';
    case 'too-large':
      return url.includes('/photos/')
        ? `a photo has at most ${LARGEST_PHOTO_MB} MB`
        : `the message is larger than ${BODY_LIMIT_KB} kB; send less at once`;
    default:
      return undefined;
  }
}

/** Seconds after which trying again may help. */
const RETRY_AFTER_S: Readonly<Partial<Record<ProblemCode, number>>> = {
  'database-away': 2,
  'too-many': 1,
};

/** Answers every error as problem+json (RFC 9457). */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly logger = new Logger('http');

  catch(error: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const request = http.getRequest<Request>();
    const response = http.getResponse<Response>();
    if (response.headersSent) {
      // A clean end would pass for the whole answer.
      response.destroy();
      return;
    }
    const instance = request.originalUrl;
    const problem: ProblemBody = { ...this.problemOf(error, instance), instance };
    const code = problemCode(problem.type);
    const retryAfter_s = code && RETRY_AFTER_S[code];
    if (retryAfter_s !== undefined) response.setHeader('Retry-After', String(retryAfter_s));
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  }

  private problemOf(error: unknown, url: string): ProblemBody {
    if (error instanceof ProblemException)
      return problemBody(error.code, error.detail, error.extra);
    if (error instanceof HttpException) {
      const code = CODE_OF_STATUS[error.getStatus()] ?? 'not-understood';
      return problemBody(code, frameworkDetail(code, url) ?? error.message);
    }
    const problem = databaseProblem(error);
    if (problem?.type === problemType('not-now') || problem?.type === problemType('not-understood'))
      this.logger.warn(error instanceof Error ? error.message : String(error));
    if (problem) return problem;
    this.logger.error(error instanceof Error ? (error.stack ?? error.message) : String(error));
    return problemBody('our-mistake', 'something went wrong on the server; it has been logged');
  }
}
