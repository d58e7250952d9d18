import type { NextFunction, Request, Response } from 'express';
import type { ProblemCode } from '@idle-kettle/contract';
import { problemBody } from './problem.filter.js';

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** The name in a Host header, without its port. */
const nameOf = (host: string): string => host.toLowerCase().replace(/:\d+$/, '');

/**
 * Answers only requests addressed to this machine by a name it knows, and changes only from its own
 * pages.
 *
 * A page elsewhere can point a name of its own at 127.0.0.1 (DNS rebinding) and so read what the
 * browser may; its Host header still carries that name.
 */
export function hostGuard(allowedHosts: readonly string[]) {
  const known = new Set([...LOOPBACK, ...allowedHosts]);
  return (request: Request, response: Response, next: NextFunction): void => {
    const host = nameOf(request.headers.host ?? '');
    const origin = request.headers.origin;
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
    if (origin !== undefined && request.method !== 'GET' && request.method !== 'HEAD') {
      const from = URL.canParse(origin) ? nameOf(new URL(origin).host) : 'null';
      if (!known.has(from)) {
        refuse('foreign-page', `a page of "${from}" may not change this kitchen`);
        return;
      }
    }
    next();
  };
}
