import type { ValidationError } from 'class-validator';

export interface FieldProblem {
  /** Where, as in `document.lines[2].amount`. */
  readonly path: string;
  readonly message: string;
}

/** An error on the wire: RFC 9457 problem details, with every field problem named. */
export interface ProblemBody {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly instance?: string;
  readonly errors?: readonly FieldProblem[];
  /** What the server holds now, after a conflict. */
  readonly current?: unknown;
}

/** class-validator's tree of errors as one flat list of paths. */
export function flattenErrors(errors: readonly ValidationError[], parent = ''): FieldProblem[] {
  return errors.flatMap((error) => {
    const step = /^\d+$/.test(error.property)
      ? `[${error.property}]`
      : parent === ''
        ? error.property
        : `.${error.property}`;
    const path = `${parent}${step}`;
    const own = Object.entries(error.constraints ?? {}).map(([rule, message]) => ({
      path,
      message: rule === 'whitelistValidation' ? 'is not known here; leave it out' : message,
    }));
    return [...own.slice(0, 1), ...flattenErrors(error.children ?? [], path)];
  });
}
