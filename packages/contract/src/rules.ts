import { IsNumber, IsString, Length, Matches, Max, MaxLength, Min } from 'class-validator';

/** Several rules as one, for what comes again and again. */
const all =
  (...rules: readonly PropertyDecorator[]): PropertyDecorator =>
  (target, key) =>
    rules.forEach((rule) => rule(target, key));

/** A number within its range; one message for whatever is wrong. */
export const Within = (least: number, most: number, message: string): PropertyDecorator =>
  all(IsNumber({}, { message }), Min(least, { message }), Max(most, { message }));
export const Percent = (): PropertyDecorator => Within(0, 100, 'write a per cent from 0 to 100');
export const PH = (): PropertyDecorator => Within(0, 14, 'write a pH from 0 to 14');
/** Text of at most so many letters. */
export const Text = (most: number, message: string): PropertyDecorator =>
  all(IsString({ message }), MaxLength(most, { message: `${message}, of at most ${most} letters` }));
/** A name a person gives. */
export const Name = (most: number): PropertyDecorator =>
  all(
    IsString({ message: 'write a name' }),
    Length(1, most, { message: `write a name of 1 to ${most} letters` }),
  );
export const Day = (): PropertyDecorator =>
  Matches(/^\d{4}-\d{2}-\d{2}$/, { message: 'write a day such as "2026-11-23"' });
