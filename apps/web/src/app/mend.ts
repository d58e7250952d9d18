import type { OutboxItem } from '../data/store.js';

/*
 * What the server refused is mended where it says it is wrong: a value by its path, such as
 * `body.text` or `body.jars[0].size`.
 */

/** A value that can be typed. */
export type Typed = string | number;

const stepsOf = (path: string): string[] => path.split(/[.[\]]+/).filter((step) => step !== '');

const isParent = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null;

/** What is at a path; undefined where nothing is. */
export const valueAt = (of: unknown, path: string): unknown =>
  stepsOf(path).reduce<unknown>((value, step) => (isParent(value) ? value[step] : undefined), of);

/** A copy with another value at a path that is there. */
export function withValueAt<T>(of: T, path: string, value: Typed): T {
  const copy = structuredClone(of);
  const steps = stepsOf(path);
  const last = steps.pop();
  const parent = valueAt(copy, steps.join('.'));
  if (last !== undefined && isParent(parent)) parent[last] = value;
  return copy;
}

/** What was sent of an item: the event, or the jars. */
export const sentOf = (item: OutboxItem): unknown =>
  item.kind === 'event' ? item.event : item.body;

/** A value the server says is wrong, with its words. */
export interface FieldToMend {
  readonly path: string;
  readonly value: Typed;
  readonly message: string;
}

/** What of an item can be typed anew. */
export const fieldsToMend = (item: OutboxItem): FieldToMend[] =>
  (item.refused?.errors ?? []).flatMap(({ path, message }) => {
    const value = valueAt(sentOf(item), path);
    return typeof value === 'string' || typeof value === 'number' ? [{ path, value, message }] : [];
  });

/** The item with what was typed in place of what was wrong; a number stays one where it can. */
export function mended(item: OutboxItem, typed: ReadonlyMap<string, string>): OutboxItem {
  const key = item.kind === 'event' ? 'event' : 'body';
  return fieldsToMend(item).reduce((next, { path, value }) => {
    const text = typed.get(path) ?? String(value);
    const number = Number(text.trim().replace(',', '.'));
    const isNumber = typeof value === 'number' && text.trim() !== '' && Number.isFinite(number);
    return withValueAt(next, `${key}.${path}`, isNumber ? number : text);
  }, item);
}
