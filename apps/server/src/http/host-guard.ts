import type { IncomingHttpHeaders } from 'node:http';
import type { NextFunction, Request, Response } from 'express';
import type { ProblemCode } from '@idle-kettle/contract';
import { problemBody } from './problem.filter.js';

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** The name in a Host header, without its port. */
const nameOf = (host: string): string => host.toLowerCase().replace(/:\d+$/, '');

/** Where a browser says a request comes from; absent for a program that is no browser. */
const OWN_PAGES: readonly unknown[] = [undefined, 'same-origin', 'none'];

/**
 * The origin of the page that makes a request, where it is not one of ours. The port counts: another
 * program on this machine is somebody else.
 */
function foreignPage(
  headers: IncomingHttpHeaders,
  allowedHosts: ReadonlySet<string>,
): string | undefined {
  const { host = '', origin } = headers;
  if (origin !== undefined) {
    const from = URL.canParse(origin) ? new URL(origin).host.toLowerCase() : origin;
    return from === host.toLowerCase() || allowedHosts.has(nameOf(from)) ? undefined : from;
  }
  return OWN_PAGES.includes(headers['sec-fetch-site']) ? undefined : 'elsewhere';
}

/**
 * Answers only requests addressed to this machine by a name it knows, and the API only to its own
 * pages and to programs that are no browser.
 *
 * A page elsewhere can point a name of its own at 127.0.0.1 (DNS rebinding) and so read what the
 * browser may; its Host header still carries that name. And it can ask for what is heavy without
 * being able to read the answer; the browser says so in `Sec-Fetch-Site`.
 */
export function hostGuard(allowed: readonly string[]) {
  const allowedHosts = new Set(allowed);
  const known = new Set([...LOOPBACK, ...allowedHosts]);
  return (request: Request, response: Response, next: NextFunction): void => {
    const host = nameOf(request.headers.host ?? '');
    const refuse = (code: ProblemCode, detail: string): void => {
      const problem = problemBody(code, detail);
      response
        .status(problem.status)
        .type('application/problem+json')
        .send(JSON.stringify(problem));
    };
    if (!known.has(host)) {
      refuse(
        'wrong-host',
        `this server does not answer to "${host}"; open http://127.0.0.1, or list the name in KETTLE_ALLOWED_HOSTS`,
      );
      return;
    }
    const foreign = request.url.startsWith('/api')
      ? foreignPage(request.headers, allowedHosts)
      : undefined;
    if (foreign !== undefined) {
      refuse('foreign-page', `a page of "${foreign}" may not use this kitchen`);
      return;
    }
    next();
  };
}
