import {
  DEVICE_TIME_HEADER,
  KEPT_ANSWER_HEADER,
  KEPT_BECAUSE_HEADER,
  problemCode,
  serverTimeOf,
  timeIn,
  type ProblemBody,
  type ProblemCode,
} from '@idle-kettle/contract';
import { APART_MS, deviceNow, isClockMeasured, noteServerTime, timeOfRequest } from './clock.js';
import { asJson } from './json.js';
import { noteAnswer, noteKeptAnswer, noteNoAnswer, type AwayReason } from './reachability.js';

/** The server said no, and why. */
export class ApiProblem extends Error {
  constructor(
    readonly problem: Pick<ProblemBody, 'title' | 'status' | 'detail' | 'errors' | 'current'>,
    readonly code: ProblemCode,
  ) {
    super(problem.detail);
  }
  get status(): number {
    return this.problem.status;
  }
}

const AWAY_WORDS: Readonly<Record<AwayReason, string>> = {
  'no-answer': 'the server does not answer',
  stranger: 'something else answers in place of the server',
  database: 'the server cannot reach its database',
  'no-space': 'the disk of the server is full',
};

/** No answer of ours, or one that means "try again": what was to be sent is still here. */
export class ServerAway extends Error {
  constructor(
    readonly why: AwayReason,
    /** What whoever answered in its place said. */
    readonly status?: number,
  ) {
    super(AWAY_WORDS[why]);
  }
}

const PATIENCE_MS = 8000;
/** What is answered at once where anything is. */
const HEALTH = '/health';

/** Problems that are none of what was sent: the same may be taken later. */
const LATER: Readonly<Partial<Record<ProblemCode, AwayReason>>> = {
  'database-away': 'database',
  'no-space': 'no-space',
  'too-many': 'no-answer',
  // A page whose server moved on is answered by neither of them; reloading it mends that.
  'foreign-page': 'stranger',
  'wrong-host': 'stranger',
};

const away = (why: AwayReason, status?: number): ServerAway => {
  noteNoAnswer(why);
  return new ServerAway(why, status);
};

/** Takes note of whose answer it is and how old. @throws ServerAway where it is none of ours */
function recognize({ headers, status }: Response, askedAt: number): void {
  const keptAt = timeIn(headers, KEPT_ANSWER_HEADER);
  if (keptAt !== undefined) {
    noteKeptAnswer((headers.get(KEPT_BECAUSE_HEADER) ?? 'no-answer') as AwayReason, keptAt);
    return;
  }
  const serverTime = serverTimeOf(headers);
  if (serverTime === undefined) throw away('stranger', status);
  if (noteServerTime(serverTime, askedAt, deviceNow())) askAgainForTheTime();
  noteAnswer(serverTime);
}

let asksAgain = false;
/** A server whose clock seems another is asked once more for its time. */
function askAgainForTheTime(): void {
  if (asksAgain) return;
  asksAgain = true;
  setTimeout(() => {
    asksAgain = false;
    void get(HEALTH).catch(() => undefined);
  }, ASK_AGAIN_MS);
}
const ASK_AGAIN_MS = 1.2 * APART_MS;

/**
 * Compares the clock of this device with the server's, as far as it was not compared; a clock that
 * is set meanwhile is compared again, a few times at most.
 * @throws ServerAway as `request` does
 */
export async function compareClocks(): Promise<void> {
  for (let i = 0; i < MOST_COMPARISONS && !isClockMeasured(); i++) {
    if (i > 0) await new Promise((resolve) => setTimeout(resolve, ASK_AGAIN_MS));
    await get(HEALTH);
  }
}
const MOST_COMPARISONS = 4;

async function ask(
  method: string,
  path: string,
  body: unknown,
  headers: Readonly<Record<string, string>>,
  patience_ms: number,
): Promise<Response> {
  try {
    return await fetch(`/api${path}`, {
      method,
      headers: {
        [DEVICE_TIME_HEADER]: String(Math.round(timeOfRequest())),
        ...headers,
        ...(body !== undefined && {
          'Content-Type': body instanceof Blob ? body.type : 'application/json',
        }),
      },
      ...(body !== undefined && { body: body instanceof Blob ? body : asJson(body) }),
      signal: AbortSignal.timeout(patience_ms),
    });
  } catch (error) {
    if ((error as Error).name !== 'TimeoutError' || path === HEALTH) throw away('no-answer');
    // One answer that is long in coming is no server that is away: that is asked.
    void get(HEALTH).catch(() => undefined);
    throw new ServerAway('no-answer');
  }
}

/**
 * One request to the API. What is no answer of ours (a login page, a proxy, another program at the
 * same address) is no answer at all, whatever it says.
 *
 * @param body a file goes as it is, anything else as JSON
 * @throws ServerAway when there was no answer or the same may be taken later, ApiProblem when the
 * server refused
 */
export async function request<T>(
  method: 'GET' | 'PUT' | 'POST' | 'PATCH' | 'DELETE',
  path: string,
  body?: unknown,
  headers: Readonly<Record<string, string>> = {},
  patience_ms = PATIENCE_MS,
): Promise<T> {
  const askedAt = deviceNow();
  const response = await ask(method, path, body, headers, patience_ms);
  recognize(response, askedAt);
  if (response.status === 204) return undefined as T;
  let answer: unknown;
  try {
    answer = await response.json();
  } catch {
    // Cut off in the middle, or by somebody in between.
    throw away('no-answer', response.status);
  }
  if (response.ok) return answer as T;
  const problem = answer as ProblemBody;
  const code = problemCode(problem.type);
  if (code === undefined) throw away('stranger', response.status);
  const later = LATER[code];
  if (later !== undefined) throw away(later, response.status);
  throw new ApiProblem(problem, code);
}

export const get = <T>(path: string): Promise<T> => request<T>('GET', path);
