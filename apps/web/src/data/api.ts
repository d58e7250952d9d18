import { problemCode, type ProblemBody, type ProblemCode } from '@idle-kettle/contract';

/** The server said no, and why. */
export class ApiProblem extends Error {
  constructor(
    readonly problem: Pick<ProblemBody, 'title' | 'status' | 'detail' | 'errors' | 'current'>,
    /** What kind of problem it is; undefined where something else than our server answered. */
    readonly code: ProblemCode | undefined,
  ) {
    super(problem.detail);
  }
  get status(): number {
    return this.problem.status;
  }
}

/** No answer, or one that means "try again": what was to be sent is still here. */
export class ServerAway extends Error {
  constructor(readonly why: 'no-answer' | 'database') {
    super(
      why === 'database' ? 'the server cannot reach its database' : 'the server does not answer',
    );
  }
}

const PATIENCE_MS = 8000;

/**
 * One request to the API.
 *
 * @param body a file goes as it is, anything else as JSON
 * @throws ServerAway when there was no answer or the database is away, ApiProblem when the server
 * refused
 */
export async function request<T>(
  method: 'GET' | 'PUT' | 'POST' | 'PATCH' | 'DELETE',
  path: string,
  body?: unknown,
  headers: Readonly<Record<string, string>> = {},
  patience_ms = PATIENCE_MS,
): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: {
        ...headers,
        ...(body !== undefined && {
          'Content-Type': body instanceof Blob ? body.type : 'application/json',
        }),
      },
      ...(body !== undefined && { body: body instanceof Blob ? body : JSON.stringify(body) }),
      signal: AbortSignal.timeout(patience_ms),
    });
  } catch {
    throw new ServerAway('no-answer');
  }
  if (response.status === 204) return undefined as T;
  const isJson = /json/.test(response.headers.get('Content-Type') ?? '');
  if (response.ok && isJson) return (await response.json()) as T;
  if ([502, 503, 504].includes(response.status))
    throw new ServerAway(response.status === 503 ? 'database' : 'no-answer');
  const problem = isJson ? ((await response.json()) as ProblemBody) : undefined;
  const { status } = response;
  throw new ApiProblem(
    problem ?? { title: 'Refused', status, detail: `the server answered ${status}` },
    problem && problemCode(problem.type),
  );
}

export const get = <T>(path: string): Promise<T> => request<T>('GET', path);
