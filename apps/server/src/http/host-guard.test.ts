import type { NextFunction, Request, Response } from 'express';
import { hostGuard, type Callers } from './host-guard.js';

interface Asked {
  readonly host: string;
  readonly origin?: string;
  readonly from?: string;
  readonly method?: string;
}

/** The status a request is answered with; 200 where it goes on. */
function answer(
  { host, origin, from = '127.0.0.1', method = 'PUT' }: Asked,
  more: Partial<Callers>,
) {
  let status = 0;
  const guard = hostGuard({ allowedHosts: [], allowedOrigins: [], commandKey: '', ...more });
  const response = {
    status: (code: number) => ((status = code), response),
    type: () => response,
    send: () => response,
  };
  guard(
    {
      method,
      url: '/api/batches',
      headers: { host, ...(origin !== undefined && { origin }) },
      socket: { remoteAddress: from },
    } as Request,
    response as unknown as Response,
    (() => (status = 200)) as NextFunction,
  );
  return status;
}

test('the port of an origin counts, also off loopback', () => {
  const lan = { allowedHosts: ['kitchen.lan'] };
  const host = 'kitchen.lan:4780';
  expect(answer({ host, origin: 'http://kitchen.lan:4780' }, lan)).toBe(200);
  expect(answer({ host, origin: 'http://kitchen.lan:8080' }, lan)).toBe(403);
  expect(answer({ host, origin: 'http://kitchen.lan' }, lan)).toBe(403);
});

test('an origin that is listed is one of ours: a proxy rewrites Host', () => {
  const behind = { allowedOrigins: ['https://jam.kitchen.lan'] };
  const host = '127.0.0.1:4780';
  expect(answer({ host, origin: 'https://jam.kitchen.lan' }, behind)).toBe(200);
  expect(answer({ host, origin: 'http://jam.kitchen.lan' }, behind)).toBe(403);
  expect(answer({ host, origin: 'https://jam.kitchen.lan:8443' }, behind)).toBe(403);
});

test.each([
  ['127.0.0.1', 200],
  ['::1', 200],
  ['::ffff:127.0.0.1', 200],
  ['192.168.1.30', 421],
  ['::ffff:192.168.1.30', 421],
  ['fd00::20', 421],
])('a name of loopback asked for from %s is answered with %i', (from, status) => {
  for (const host of ['127.0.0.1:4780', 'localhost', '[::1]:4780'])
    expect(answer({ host, from, method: 'GET' }, {})).toBe(status);
  // Unless it is listed, as where a box of its own hands the port on.
  expect(answer({ host: '127.0.0.1', from, method: 'GET' }, { allowedHosts: ['127.0.0.1'] })).toBe(
    200,
  );
});
