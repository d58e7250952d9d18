import { convertAmount } from '@idle-kettle/core';
import { numberIn } from '../ui/number-in.js';

/** An amount in another unit, as it was asked for in a search. */
interface TypedConversion {
  /** The amount and its food, without the unit asked for. */
  readonly amount: string;
  readonly answer: string;
}

/** "8 cups blueberries in g": what is converted, and into which unit. */
const ASKED = /^(.*\S)\s+(?:in|to|into)\s+(.+)$/i;
const BEGINS_WITH_A_NUMBER = /^(?:about\s+)?[\d½¼¾⅓⅔⅛]/i;

/**
 * What an amount of a food is in another unit, grams unless one is asked for.
 *
 * @returns undefined where it is no amount of a known food
 */
export function typedConversion(typed: string): TypedConversion | undefined {
  const text = typed.trim();
  if (!BEGINS_WITH_A_NUMBER.test(text)) return undefined;
  const [, amount = text, unit = 'g'] = ASKED.exec(text) ?? [];
  const read = convertAmount(amount, unit);
  if (!read.ok) return undefined;
  const { value, unit: known, ingredient } = read.conversion;
  const name = known.kind === 'piece' ? ingredient.name[1] : known.name[1];
  return { amount, answer: `${amount} is about ${numberIn(value.mid, known)} ${name}` };
}
