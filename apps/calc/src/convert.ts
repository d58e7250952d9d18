import {
  findUnit,
  massOf,
  readAmount,
  readName,
  figures,
  unitById,
  type Unit,
} from '@idle-kettle/core';
import { CalcError, readArgs } from './args.js';
import type { Verb } from './verb.js';

/** How many `unit` of an ingredient weigh a kilogram; undefined where it cannot be measured so. */
function perKilogram(unit: Unit, one: ReturnType<typeof massOf>): number | undefined {
  if (unit.kind === 'mass') return 1 / unit.si;
  return one.ok ? 1 / one.mass_kg.mid : undefined;
}

export const convertVerb: Verb = {
  help: `./kettle calc convert "8 cups blueberry whole" --to "g"     an amount of an ingredient in another unit

  --to g     a unit of weight, volume, or "each"`,
  run(argv) {
    const { words, options } = readArgs(argv, ['to']);
    const text = words.join(' ');
    if (text === '' || options.to === undefined)
      throw new CalcError([
        'calc convert needs an amount and --to, such as: calc convert "8 cups blueberry whole" --to g',
      ]);
    const amount = readAmount(text);
    if (!amount.ok) throw new CalcError([amount.message]);
    const named = readName(amount.rest);
    if (!named.ok) throw new CalcError([named.message]);
    const unit = findUnit(options.to);
    if (!unit)
      throw new CalcError([
        `--to: unknown unit "${options.to}"; write one such as g, kg, lb, ml, cup, tbsp or each`,
      ]);
    const { ingredient, form } = named;
    const mass = massOf(amount.amount, ingredient, form);
    if (!mass.ok) throw new CalcError([mass.message]);
    const oneOf = (each: Unit): ReturnType<typeof massOf> =>
      massOf({ value: 1, unit: each, approximate: false, packed: false }, ingredient, form);
    const one = oneOf(unit);
    const cup = oneOf(unitById('cup'));
    const per = perKilogram(unit, one);
    if (per === undefined) throw new CalcError([one.ok ? 'it cannot be measured so' : one.message]);
    const doubtOfUnit =
      one.ok && unit.kind !== 'mass'
        ? (one.mass_kg.high - one.mass_kg.low) / 2 / one.mass_kg.mid
        : 0;
    const sameKind = unit.kind === amount.amount.unit.kind;
    const mid =
      sameKind && unit.kind === 'volume'
        ? (amount.amount.value * amount.amount.unit.si) / unit.si
        : mass.mass_kg.mid * per;
    const down = sameKind
      ? 0
      : Math.hypot((mass.mass_kg.mid - mass.mass_kg.low) / mass.mass_kg.mid, doubtOfUnit);
    const up = sameKind
      ? 0
      : Math.hypot((mass.mass_kg.high - mass.mass_kg.mid) / mass.mass_kg.mid, doubtOfUnit);
    return {
      out: {
        ingredient: ingredient.id,
        form,
        unit: unit.id,
        value: { low: mid * (1 - down), mid, high: mid * (1 + up) },
        text: `${figures(mid, 3)} ${unit.kind === 'piece' ? 'each' : unit.name[1]}`,
        cup_g: cup.ok ? cup.mass_kg.mid * 1000 : null,
      },
    };
  },
};
