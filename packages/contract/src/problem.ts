import type { ValidationError } from 'class-validator';

export interface FieldProblem {
  /** Where, as in `document.lines[2].amount`. */
  readonly path: string;
  readonly message: string;
}

/**
 * Every kind of problem the API answers with: its HTTP status and its title. Clients branch on the
 * code, never on the words.
 */
export const PROBLEMS = {
  'not-understood': { status: 400, title: 'Not understood' },
  'unknown-sender': { status: 401, title: 'Not known here' },
  'foreign-page': { status: 403, title: 'Not allowed from here' },
  'not-found': { status: 404, title: 'Not found' },
  /** It was there, and was deleted on some device; a batch can be brought back. */
  removed: { status: 410, title: 'Deleted' },
  /** The document was changed since the revision that was sent; `current` is what is stored. */
  'revision-conflict': { status: 409, title: 'Changed in the meantime' },
  /** The id sent already belongs to something else. */
  'id-taken': { status: 409, title: 'Already something else' },
  /** What is asked for cannot be done to it as it is now. */
  'not-now': { status: 409, title: 'Not as things are' },
  'too-large': { status: 413, title: 'Too large' },
  'wrong-media': { status: 415, title: 'Not what is asked for' },
  'wrong-host': { status: 421, title: 'Not addressed to this kitchen' },
  'too-many': { status: 429, title: 'Too much at once' },
  'our-mistake': { status: 500, title: 'Our mistake' },
  'database-away': { status: 503, title: 'Database unavailable' },
  /** The disk of the server is full: nothing was stored. */
  'no-space': { status: 507, title: 'No space left' },
} as const satisfies Record<string, { readonly status: number; readonly title: string }>;
export type ProblemCode = keyof typeof PROBLEMS;

const TYPE_PREFIX = 'urn:idle-kettle:problem:';
/** The `type` of a problem on the wire, a URI as RFC 9457 asks for. */
export type ProblemType = `${typeof TYPE_PREFIX}${ProblemCode}`;
export const problemType = (code: ProblemCode): ProblemType => `${TYPE_PREFIX}${code}`;

/** The code of a problem; undefined where it is none of this API's. */
export function problemCode(type: unknown): ProblemCode | undefined {
  const code =
    typeof type === 'string' && type.startsWith(TYPE_PREFIX) ? type.slice(TYPE_PREFIX.length) : '';
  return Object.hasOwn(PROBLEMS, code) ? (code as ProblemCode) : undefined;
}

/** An error on the wire: RFC 9457 problem details, with every field problem named. */
export interface ProblemBody {
  readonly type: ProblemType;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly instance?: string;
  readonly errors?: readonly FieldProblem[];
  /** What the server holds now, after a conflict. */
  readonly current?: unknown;
}

/** A rule that has looked further in: its message is the JSON of the {@link FieldProblem}s found. */
export const RULE_OF_PARTS = 'isBodyOfItsType';

/** What one rule says of the field at a path. */
function problemsOf(rule: string, message: string, path: string): readonly FieldProblem[] {
  if (rule === RULE_OF_PARTS)
    return (JSON.parse(message) as readonly FieldProblem[]).map((part) => ({
      ...part,
      path: part.path === '' ? path : `${path}.${part.path}`,
    }));
  return [
    {
      path,
      message: rule === 'whitelistValidation' ? 'is not known here; leave it out' : message,
    },
  ];
}

/** class-validator's tree of errors as one flat list of paths. */
export function flattenErrors(errors: readonly ValidationError[], parent = ''): FieldProblem[] {
  return errors.flatMap((error) => {
    const name = parent === '' ? error.property : `.${error.property}`;
    const step = /^\d+$/.test(error.property) ? `[${error.property}]` : name;
    const path = `${parent}${step}`;
    const [first] = Object.entries(error.constraints ?? {});
    const own = first ? problemsOf(...first, path) : [];
    return [...own, ...flattenErrors(error.children ?? [], path)];
  });
}
