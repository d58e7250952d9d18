import { massOf, type Form, type Ingredient } from '../produce/index.js';
import {
  readAmount,
  trust,
  type Amount,
  type Decimal,
  type OtherAmount,
  type WritingHabit,
} from '../quantity/index.js';
import type { RemarkAmount } from './name.js';

/** What a line is measured in, and what else it says of how much it is. */
export interface StatedAmounts {
  readonly amount: Amount;
  /** The first amount as it was written. */
  readonly written: string;
  /** The same amount in other measures, beside the first one. */
  readonly others: readonly OtherAmount[];
  /** Amounts in the remarks. */
  readonly remarks: readonly RemarkAmount[];
  readonly ingredient: Ingredient;
  readonly form: Form;
  readonly habit: Decimal | WritingHabit;
}

export type SettledAmount =
  | {
      readonly ok: true;
      readonly amount: Amount;
      /** Amounts that say the same again, as written. */
      readonly alsoStated: readonly string[];
    }
  /** The amount that cannot be meant beside the first one, as written. */
  | { readonly ok: false; readonly written: string };

/**
 * How far two amounts of one line may be apart, as a factor. Between units of one kind it is the
 * rounding of recipes, and a British pint beside an American one; between a weight and a cup or a
 * count, how differently fruit is cut and grown. Common practice, no source.
 */
const MOST_APART = { sameKind: 1.3, otherKind: 1.8, counted: 2.3, asBought: 2.3 } as const;

/**
 * One amount from all that a line says of it: a total beside a count, more or less of it, and the
 * same again in other measures, which are compared.
 */
export function settledAmount(stated: StatedAmounts): SettledAmount {
  const amount = withPieces(stated);
  if (!amount) return { ok: false, written: stated.written };
  const changed = withMoreAndLess(amount, stated);
  if (!changed.ok) return changed;
  const again = [
    ...stated.others.map((other) => ({ ...other, is: 'same' as const })),
    ...stated.remarks.flatMap(({ written, is, form }) => {
      const reading = readAmount(written, stated.habit);
      return reading.ok && is !== 'more' && is !== 'less'
        ? [{ amount: reading.amount, written: reading.written, is, ...(form && { form }) }]
        : [];
    }),
  ];
  const odd = again.find((other) => !agrees(amount, other, stated));
  if (odd) return { ok: false, written: odd.written };
  const better = again.find((other) => isBetter(other, changed.amount));
  return {
    ok: true,
    amount: better ? ofAll(better, changed.amount) : changed.amount,
    alsoStated: stated.others.map(({ written }) => written),
  };
}

const isBetter = ({ amount, is }: Again, first: Amount): boolean =>
  is !== 'as-bought' && trust(amount) > trust(first);
const ofAll = ({ amount, is }: Again, first: Amount): Amount =>
  is === 'each' ? { ...amount, value: amount.value * first.value } : amount;

/** So much nearer to what a piece weighs one meaning must be than the other, as a factor. A guess. */
const CLEARLY_NEARER = 1.35;

/**
 * "6 (2 lb) peaches": by what one peach weighs, the brackets say the weight of one or of all.
 *
 * @returns undefined where either may be meant
 */
function withPieces({ amount, ingredient }: StatedAmounts): Amount | undefined {
  const { pieces, ...one } = amount;
  const each = ingredient.gramsEach?.mid;
  if (pieces === undefined || each === undefined) return one;
  const written_g = (gramsOf(one, ingredient, ingredient.usualForm) ?? NaN) / pieces;
  const asOne = Math.abs(Math.log(written_g / each));
  const asAll = Math.abs(Math.log(written_g / (each * pieces)));
  if (Math.abs(asOne - asAll) < Math.log(CLEARLY_NEARER)) return undefined;
  return asAll < asOne ? { ...one, value: one.value / pieces } : one;
}

function gramsOf(amount: Amount, ingredient: Ingredient, form: Form): number | undefined {
  const mass = massOf(amount, ingredient, form);
  return mass.ok ? mass.mass_kg.mid * 1000 : undefined;
}

function withMoreAndLess(
  amount: Amount,
  { remarks, habit }: StatedAmounts,
): { ok: true; amount: Amount } | { ok: false; written: string } {
  let sum = amount;
  for (const { written, is } of remarks) {
    if (is !== 'more' && is !== 'less') continue;
    const reading = readAmount(written, habit);
    if (!reading.ok || reading.amount.unit.kind !== amount.unit.kind) return { ok: false, written };
    const more = (reading.amount.value * reading.amount.unit.si) / amount.unit.si;
    const value = sum.value + (is === 'more' ? more : -more);
    if (value <= 0) return { ok: false, written };
    sum = { ...sum, value };
  }
  return { ok: true, amount: sum };
}

type Again = OtherAmount & Pick<RemarkAmount, 'is' | 'form'>;

/** Whether a second amount may be the same as the first; what no figure is known for may. */
function agrees(first: Amount, again: Again, { ingredient, form }: StatedAmounts): boolean {
  const one = gramsOf(first, ingredient, form);
  const other = gramsOf(again.amount, ingredient, again.form ?? form);
  if (one === undefined || other === undefined) return true;
  const all = again.is === 'each' ? other * first.value : other;
  const isOtherForm = again.form !== undefined && again.form !== form;
  const most = isOtherForm ? MOST_APART.asBought : mostApart(first, again);
  return Math.max(one / all, all / one) <= most;
}

function mostApart({ unit }: Amount, { amount, is }: Again): number {
  if (is === 'as-bought') return MOST_APART.asBought;
  if (unit.kind === amount.unit.kind) return MOST_APART.sameKind;
  const isMeasured = [unit.kind, amount.unit.kind].every(
    (kind) => kind === 'mass' || kind === 'volume',
  );
  return isMeasured ? MOST_APART.otherKind : MOST_APART.counted;
}
