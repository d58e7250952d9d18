import {
  KEPT_ANSWER_HEADER,
  KEPT_BECAUSE_HEADER,
  SERVER_TIME_HEADER,
  serverTimeOf,
} from '@idle-kettle/contract';
import type { AwayReason } from './reachability.js';

/*
 * What the screens show while the server, or its database, is away: the last answer to each
 * question. It says of itself how old it is, and why the server was not asked.
 */

/** The cache of answers; pages put the log of a batch there too, which they read in parts. */
export const KEPT_ANSWERS = 'last-known';
/** Answers kept; the one that was asked for longest ago goes first. */
const MOST = 300;
/** A server that takes longer than this is shown from what is known, ms. */
const PATIENCE_MS = 3000;

/** What of the API no screen shows, or what is only a part of an answer. */
const NOT_KEPT_PATH = /^\/api\/(live|health|docs|household|photos)/;
const NOT_KEPT_PART = /[?&](since|after|search)=/;

export const isKept = ({ method, url }: Pick<Request, 'method' | 'url'>): boolean => {
  const { pathname, search } = new URL(url);
  return (
    method === 'GET' &&
    pathname.startsWith('/api/') &&
    !NOT_KEPT_PATH.test(pathname) &&
    !NOT_KEPT_PART.test(search)
  );
};

/** Statuses of a server whose database is away, or of somebody before it who does not reach it. */
const AWAY: readonly number[] = [502, 503, 504];

/** Why an answer is not to be shown; undefined where it is. */
function whyAway(answer: Response): AwayReason | undefined {
  if (serverTimeOf(answer.headers) === undefined) return 'stranger';
  return AWAY.includes(answer.status) ? 'database' : undefined;
}

/** Tomorrow the answer of today is still the last one: the day asked from is no part of a question. */
function keyOf({ url }: Request): string {
  const key = new URL(url);
  key.searchParams.delete('today');
  return key.href;
}

async function keep(cache: Cache, request: Request, answer: Response): Promise<void> {
  await cache.put(keyOf(request), answer);
  const keys = await cache.keys();
  await Promise.all(keys.slice(0, Math.max(keys.length - MOST, 0)).map((key) => cache.delete(key)));
}

/** An earlier answer, marked as one. */
async function marked(kept: Response, because: AwayReason): Promise<Response> {
  const headers = new Headers(kept.headers);
  headers.set(KEPT_ANSWER_HEADER, String(serverTimeOf(kept.headers) ?? 0));
  headers.set(KEPT_BECAUSE_HEADER, because);
  headers.delete(SERVER_TIME_HEADER);
  return new Response(await kept.blob(), { status: kept.status, headers });
}

const after = (ms: number): Promise<undefined> =>
  new Promise((resolve) => setTimeout(() => resolve(undefined), ms));

/**
 * Answers from the network, or from what is kept where the network has no answer of ours in time.
 *
 * @throws what `fetch` throws where nothing is kept
 */
export async function networkOrKept(
  request: Request,
  ask: (request: Request) => Promise<Response>,
  cache: Cache,
): Promise<Response> {
  const asked = ask(request).then((answer) => {
    if (answer.ok && whyAway(answer) === undefined)
      void keep(cache, request, answer.clone()).catch(() => undefined);
    return answer;
  });
  const inTime = await Promise.race([asked.catch((error: unknown) => error), after(PATIENCE_MS)]);
  const answer = inTime instanceof Response ? inTime : undefined;
  const because = answer === undefined ? 'no-answer' : whyAway(answer);
  if (answer && because === undefined) return answer;
  const kept = await cache.match(keyOf(request), { ignoreVary: true });
  return kept ? marked(kept, because ?? 'no-answer') : asked;
}
