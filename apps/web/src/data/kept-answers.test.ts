import { KEPT_ANSWER_HEADER, KEPT_BECAUSE_HEADER, SERVER_TIME_HEADER } from '@idle-kettle/contract';
import { answerOf, refusalAnswer } from '../testing/answers.js';
import { isKept, networkOrKept } from './kept-answers.js';

const request = new Request('http://127.0.0.1:4780/api/kitchens');

/** The browser's cache, as far as it is used. */
class FakeCache {
  private readonly kept = new Map<string, Response>();
  put(url: string, answer: Response): Promise<void> {
    this.kept.delete(url);
    this.kept.set(url, answer);
    return Promise.resolve();
  }
  match(url: string): Promise<Response | undefined> {
    return Promise.resolve(this.kept.get(url)?.clone());
  }
  keys(): Promise<Request[]> {
    return Promise.resolve([...this.kept.keys()].map((url) => new Request(url)));
  }
  delete({ url }: Request): Promise<boolean> {
    return Promise.resolve(this.kept.delete(url));
  }
}
let cache: FakeCache;
beforeEach(() => {
  cache = new FakeCache();
});
const answered = (ask: () => Promise<Response>): Promise<Response> =>
  networkOrKept(request, ask, cache as unknown as Cache);
const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 5));

test('an answer goes through as it is, and is kept', async () => {
  const first = await answered(() => Promise.resolve(answerOf(['home'])));
  expect(first.headers.has(KEPT_ANSWER_HEADER)).toBe(false);
  await settled();
  expect(await cache.match(request.url)).toBeDefined();
});

test.each([
  ['the network is away', () => Promise.reject(new TypeError('failed')), 'no-answer'],
  ['the database is away', () => Promise.resolve(refusalAnswer('database-away')), 'database'],
  ['a login page answers', () => Promise.resolve(new Response('<form>')), 'stranger'],
  ['a proxy answers', () => Promise.resolve(new Response('', { status: 404 })), 'stranger'],
  ['nobody answers in time', () => new Promise<Response>(() => undefined), 'no-answer'],
])('while %s the last answer is shown, with its age', async (_, ask, because) => {
  const kept = answerOf(['home']);
  await answered(() => Promise.resolve(kept.clone()));
  await settled();
  const answer = await answered(ask);
  expect(await answer.json()).toEqual(['home']);
  expect(answer.headers.get(KEPT_ANSWER_HEADER)).toBe(kept.headers.get(SERVER_TIME_HEADER));
  expect(answer.headers.get(KEPT_BECAUSE_HEADER)).toBe(because);
  // It must not pass for the server's clock.
  expect(answer.headers.has(SERVER_TIME_HEADER)).toBe(false);
});

test('where nothing is kept, what came is handed on; a refusal is no reason to show old things', async () => {
  await expect(answered(() => Promise.reject(new TypeError('failed')))).rejects.toThrow('failed');
  expect((await answered(() => Promise.resolve(refusalAnswer('database-away')))).status).toBe(503);
  await answered(() => Promise.resolve(answerOf(['home'])));
  await settled();
  expect((await answered(() => Promise.resolve(refusalAnswer('removed')))).status).toBe(410);
});

test.each([
  ['/api/batches', true],
  ['/api/batches?limit=100', true],
  ['/api/lessons', true],
  ['/api/prepared-weights', true],
  ['/api/shelf/overview?today=2026-11-25', true],
  ['/api/batches/7/events?since=12', false],
  ['/api/shelf?limit=40&after=9', false],
  ['/api/batches?search=plum', false],
  ['/api/live', false],
  ['/api/household', false],
  ['/assets/index.js', false],
])('%s is kept: %s', (path, kept) =>
  expect(isKept({ method: 'GET', url: `http://127.0.0.1:4780${path}` })).toBe(kept),
);

test('what was asked for yesterday is what is known today', async () => {
  const shelf = (day: string) =>
    new Request(`http://127.0.0.1:4780/api/shelf/overview?today=${day}`);
  const ask = (day: string, answer: () => Promise<Response>) =>
    networkOrKept(shelf(day), answer, cache as unknown as Cache);
  await ask('2026-11-24', () => Promise.resolve(answerOf({ jars: 12 })));
  await settled();
  const known = await ask('2026-11-25', () => Promise.reject(new TypeError('failed')));
  expect(await known.json()).toEqual({ jars: 12 });
});
