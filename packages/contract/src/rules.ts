// The decorators of every message record types with it, in the browser too.
import 'reflect-metadata';
import {
  ArrayMaxSize,
  ArrayUnique,
  IsArray,
  IsInt,
  IsNumber,
  IsObject,
  IsString,
  Length,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { Type } from 'class-transformer';
import { ALTITUDE_RANGE_M, VALUE_LIMITS, type ValueName } from '@idle-kettle/core';

/** Several rules as one, for what comes again and again. */
export const all =
  (...rules: readonly PropertyDecorator[]): PropertyDecorator =>
  (target, key) =>
    rules.forEach((rule) => rule(target, key));

/** May be left out; null is something else than left out, and is refused. */
export const IfPresent = (): PropertyDecorator =>
  ValidateIf((_: object, value: unknown) => value !== undefined);

/** An object with rules of its own; one that is missing, or is something else, is refused. */
export const PartOf = (of: () => new () => object, message: string): PropertyDecorator =>
  all(IsObject({ message }), ValidateNested(), Type(of));

/** Objects with rules of their own in a list; a list within the list is refused. */
export const EachAnObject = (): PropertyDecorator =>
  all(IsObject({ each: true, message: 'write each as an object' }), ValidateNested({ each: true }));

/** A number within its range; one message for whatever is wrong. */
export const Within = (least: number, most: number, message: string): PropertyDecorator =>
  all(IsNumber({}, { message }), Min(least, { message }), Max(most, { message }));
/** A whole number within its range. */
export const Count = (least: number, most: number, message: string): PropertyDecorator =>
  all(IsInt({ message }), Min(least, { message }), Max(most, { message }));
/** Metres above the sea, as stated. */
export const Altitude = (): PropertyDecorator =>
  Within(
    ALTITUDE_RANGE_M.least,
    ALTITUDE_RANGE_M.most,
    `write an altitude in metres, from ${ALTITUDE_RANGE_M.least} to ${ALTITUDE_RANGE_M.most}`,
  );
/** Numbers of jars of one size: 1 and up, each once. */
export const JarNumbers = (): PropertyDecorator => {
  const message = 'write the numbers of the jars, 1 to 1000, each once';
  return all(
    IsArray({ message }),
    ArrayUnique({ message }),
    ArrayMaxSize(1000, { message }),
    IsInt({ each: true, message }),
    Min(1, { each: true, message }),
    Max(1000, { each: true, message }),
  );
};
const POT_VALUE_WORDS: Readonly<Record<ValueName, string>> = {
  temperature_C: 'write a temperature in °C, -100 to 1000',
  mass_kg: 'write the weight of what is in the pan, 0.01 to 200 kg',
  percent: 'write soluble solids as the refractometer shows them, 0 to 95 %',
};

/** A value in the pot, within what is taken. */
export const PotValue = (name: ValueName): PropertyDecorator =>
  Within(VALUE_LIMITS[name][0], VALUE_LIMITS[name][1], POT_VALUE_WORDS[name]);

/** Text of at most so many letters. */
export const Text = (most: number, message: string): PropertyDecorator =>
  all(
    IsString({ message }),
    MaxLength(most, { message: `${message}, of at most ${most} letters` }),
  );
/** A name a person gives. */
export const Name = (most: number): PropertyDecorator =>
  all(
    IsString({ message: 'write a name' }),
    Length(1, most, { message: `write a name of 1 to ${most} letters` }),
  );
