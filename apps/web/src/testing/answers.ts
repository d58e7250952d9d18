import { deviceNow } from '../data/clock.js';
import {
  PROBLEMS,
  problemType,
  SERVER_TIME_HEADER,
  type ProblemBody,
  type ProblemCode,
} from '@idle-kettle/contract';

/** An answer of the server, as the app knows it for one. */
export const answerOf = (body: unknown, status = 200): Response =>
  new Response(JSON.stringify(body), {
    status,
    headers: { 'Content-Type': 'application/json', [SERVER_TIME_HEADER]: String(deviceNow()) },
  });

/** A refusal of the server. */
export const refusalAnswer = (code: ProblemCode, more: Partial<ProblemBody> = {}): Response =>
  answerOf(
    { type: problemType(code), ...PROBLEMS[code], detail: code, ...more },
    PROBLEMS[code].status,
  );
