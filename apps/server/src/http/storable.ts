import { Injectable, type PipeTransform } from '@nestjs/common';
import type { FieldProblem } from '@idle-kettle/contract';
import { ProblemException } from './problem.filter.js';

/** A formula, the deepest thing there is, is six deep within its events within its file. */
export const DEEPEST = 24;

/** Keys that would be taken for the object's own making. */
const FORBIDDEN_KEYS: ReadonlySet<string> = new Set(['__proto__', 'constructor', 'prototype']);

/** Read by whole characters, a surrogate that is met is one without its other half. */
const HALF_CHARACTER = /\p{Surrogate}/u;

interface Place {
  readonly value: unknown;
  readonly path: string;
  readonly depth: number;
}

/** What is wrong with a text the database cannot hold; undefined where nothing is. */
function textProblem(text: string): string | undefined {
  if (text.includes('\0')) return 'leave out the character NUL';
  return HALF_CHARACTER.test(text) ? 'leave out half a character (a lone surrogate)' : undefined;
}

const step = (path: string, key: string, isList: boolean): string => {
  if (isList) return `${path}[${key}]`;
  return path === '' ? key : `${path}.${key}`;
};

/**
 * The first thing in a message that cannot be stored, whatever its shape: text that is no text,
 * a nesting nobody needs, a key that is a trick. Does not recurse, so that depth costs nothing.
 */
export function notStorable(message: unknown): FieldProblem | undefined {
  const places: Place[] = [{ value: message, path: '', depth: 0 }];
  for (let place = places.pop(); place; place = places.pop()) {
    const { value, path, depth } = place;
    if (typeof value === 'string') {
      const problem = textProblem(value);
      if (problem !== undefined) return { path, message: problem };
    }
    if (typeof value !== 'object' || value === null || Buffer.isBuffer(value)) continue;
    if (depth === DEEPEST) return { path, message: `nest at most ${DEEPEST} deep` };
    const isList = Array.isArray(value);
    for (const [key, part] of Object.entries(value)) {
      const at = step(path, key, isList);
      if (FORBIDDEN_KEYS.has(key) || textProblem(key) !== undefined)
        return { path: at.replaceAll('\0', ''), message: 'is not known here; leave it out' };
      places.push({ value: part, path: at, depth: depth + 1 });
    }
  }
  return undefined;
}

/** Refuses a message that cannot be stored before anything is made of it. */
@Injectable()
export class StorablePipe implements PipeTransform<unknown> {
  transform(message: unknown): unknown {
    const problem = notStorable(message);
    if (problem)
      throw new ProblemException('not-understood', 'the message cannot be stored as it is', {
        errors: [problem],
      });
    return message;
  }
}
