import { timingSafeEqual } from 'node:crypto';
import type { IncomingHttpHeaders } from 'node:http';
import { isIPv4 } from 'node:net';
import type { NextFunction, Request, Response } from 'express';
import type { ProblemCode } from '@idle-kettle/contract';
import { problemBody } from './problem.filter.js';

/** Whom the server answers. */
export interface Callers {
  /** Names it answers to besides loopback's. */
  readonly allowedHosts: readonly string[];
  /** Origins of pages besides its own address: of a proxy that rewrites `Host`. */
  readonly allowedOrigins: readonly string[];
  /** What programs of the household's own machine show, in {@link KEY_HEADER}; none where empty. */
  readonly commandKey: string;
}

/** Where a program shows the key of the command line: it lies in a file for its owner. */
export const KEY_HEADER = 'x-kettle-key';

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** The name in a Host header, without its port. */
const nameOf = (host: string): string => host.toLowerCase().replace(/:\d+$/, '');

/** Whether a connection comes from this machine. */
function isFromHere(address: string | undefined): boolean {
  const plain = address?.replace(/^::ffff:/, '') ?? '';
  return isIPv4(plain) ? plain.startsWith('127.') : plain === '::1';
}

/**
 * The origin of the page that makes a request, where it is not one of ours: its name and port
 * count, for another program on this machine is somebody else.
 */
function foreignOrigin({ host = '', origin }: IncomingHttpHeaders, known: ReadonlySet<string>) {
  if (origin === undefined) return undefined;
  const from = URL.canParse(origin) ? new URL(origin).host.toLowerCase() : undefined;
  return from === host.toLowerCase() || known.has(origin.toLowerCase()) ? undefined : origin;
}

/** Where a browser says that a request comes from a page of ours, or from the person themself. */
const OWN_PAGES: readonly unknown[] = ['same-origin', 'none'];

function isKey(shown: unknown, key: string): boolean {
  if (key === '' || typeof shown !== 'string') return false;
  const [a, b] = [Buffer.from(shown), Buffer.from(key)];
  return a.length === b.length && timingSafeEqual(a, b);
}

/**
 * Whether a request shows that no page of somebody else's has made it. A browser says so by itself:
 * every change has its `Origin`, and on this machine and over HTTPS all else its `Sec-Fetch-Site`.
 * The origin itself has been compared by {@link hostGuard}.
 */
export const isProven = (headers: IncomingHttpHeaders, commandKey: string): boolean =>
  headers.origin !== undefined ||
  OWN_PAGES.includes(headers['sec-fetch-site']) ||
  isKey(headers[KEY_HEADER], commandKey);

/** Requests that change nothing. */
const ONLY_READS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);
/** An instrument proves itself by its token. */
const OF_INSTRUMENTS = '/api/readings';

/**
 * Answers only requests addressed to this machine by a name it knows, and the API only to its own
 * pages and to programs that are no browser.
 *
 * A page elsewhere can point a name of its own at 127.0.0.1 (DNS rebinding) and so read what the
 * browser may; its Host header still carries that name. And it can ask for what is heavy, or send a
 * form, without being able to read the answer; the browser says so in `Origin` or `Sec-Fetch-Site`.
 */
export function hostGuard({ allowedHosts, allowedOrigins, commandKey }: Callers) {
  const named = new Set(allowedHosts);
  const origins = new Set(allowedOrigins);
  /** Why a request is not answered; undefined where it is. */
  const refusal = ({ headers, method, url, socket }: Request): Refusal | undefined => {
    const host = nameOf(headers.host ?? '');
    if (!named.has(host) && !(LOOPBACK.has(host) && isFromHere(socket.remoteAddress)))
      return {
        code: 'wrong-host',
        detail: `this server does not answer to "${host}" from where you are; open http://127.0.0.1 on the machine itself, or list the name in KETTLE_ALLOWED_HOSTS`,
      };
    if (!url.startsWith('/api')) return undefined;
    const foreign =
      foreignOrigin(headers, origins) ??
      (headers.origin === undefined && isForeignSite(headers) ? 'elsewhere' : undefined);
    if (foreign !== undefined)
      return { code: 'foreign-page', detail: `a page of "${foreign}" may not use this kitchen` };
    const isFree = ONLY_READS.has(method) || url.startsWith(OF_INSTRUMENTS);
    return isFree || isProven(headers, commandKey) ? undefined : UNPROVEN;
  };
  return (request: Request, response: Response, next: NextFunction): void => {
    const refused = refusal(request);
    if (refused === undefined) {
      next();
      return;
    }
    const problem = problemBody(refused.code, refused.detail);
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}

interface Refusal {
  readonly code: ProblemCode;
  readonly detail: string;
}

export const UNPROVEN: Refusal = {
  code: 'foreign-page',
  detail:
    'the request does not say which page it comes from; a program sends the key of the command line (see docs/security.md)',
};

const isForeignSite = (headers: IncomingHttpHeaders): boolean => {
  const site = headers['sec-fetch-site'];
  return site !== undefined && !OWN_PAGES.includes(site);
};
