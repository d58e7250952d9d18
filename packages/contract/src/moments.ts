import { registerDecorator, type ValidationOptions } from 'class-validator';

/*
 * The two ways a time is written on the wire. Both are stricter than ISO 8601: no week dates, no
 * days of the year, no 30th of February, no moment without its offset from UTC.
 */

const DAY = /^(\d{4})-(\d{2})-(\d{2})$/;
const MOMENT =
  /^(\d{4}-\d{2}-\d{2})T([01]\d|2[0-3]):[0-5]\d(:[0-5]\d(\.\d{1,9})?)?(Z|[+-]([01]\d|2[0-3]):[0-5]\d)$/;

/** Years that are taken; nothing here is older, and a slip of the pen is no year 20026. */
const YEARS = { least: 1900, most: 2999 } as const;

/** Whether a text is a day of the calendar, as 2026-11-23. */
export function isDay(text: unknown): text is string {
  const [, year, month, day] = (typeof text === 'string' && DAY.exec(text)) || [];
  if (year === undefined) return false;
  const date = new Date(Date.UTC(Number(year), Number(month) - 1, Number(day)));
  return (
    Number(year) >= YEARS.least &&
    Number(year) <= YEARS.most &&
    date.getUTCMonth() === Number(month) - 1 &&
    date.getUTCDate() === Number(day)
  );
}

/** Whether a text is a moment: a day, a time of it and the offset from UTC. */
export function isMoment(text: unknown): text is string {
  const [, day] = (typeof text === 'string' && MOMENT.exec(text)) || [];
  return day !== undefined && isDay(day) && !Number.isNaN(Date.parse(text as string));
}

const rule =
  (name: string, holds: (text: unknown) => boolean, right: string) =>
  (message = `write ${right}`, options: ValidationOptions = {}): PropertyDecorator =>
  (target, key) => {
    registerDecorator({
      name,
      target: target.constructor,
      propertyName: String(key),
      options: { ...options, message },
      validator: { validate: holds },
    });
  };

/** A day of the calendar. @param message what would be right, where that needs more words */
export const Day = rule('isDay', isDay, 'a day such as "2026-11-23"');
/** A moment. @param message what would be right, where that needs more words */
export const Moment = rule('isMoment', isMoment, 'a time such as "2026-09-12T18:00:00.000Z"');
