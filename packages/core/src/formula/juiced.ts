import {
  compositionOf,
  ingredientById,
  juiceOf,
  juiceVolume_ml,
  type Form,
  type JuiceMethod,
} from '../produce/index.js';
import { unitById, type Amount } from '../quantity/index.js';
import type { Range } from '../range/index.js';
import type { FormulaLine } from './document.js';
import type { PotLine } from './pot-line.js';

const millilitres = (value: number): Amount => ({
  value,
  unit: unitById('ml'),
  approximate: true,
  packed: false,
});

/** A range of which each end is so many times the middle of another. */
const scaled = ({ low, mid, high }: Range, share: Range): Range => {
  const middle = mid * share.mid;
  // Two doubts of their own: what it weighed, and what the cloth holds back.
  const less = Math.hypot(1 - low / mid, 1 - share.low / share.mid);
  const more = Math.hypot(high / mid - 1, share.high / share.mid - 1);
  return { low: middle * Math.max(1 - less, 0), mid: middle, high: middle * (1 + more) };
};

/**
 * The lines of a pan once fruit that gives its juice has been simmered and strained: the fruit as its
 * juice, and of the water what comes through the cloth with it.
 *
 * @param lines as written; returned as they are where no fruit gives juice
 */
export function juicedLines(lines: readonly PotLine[], method: JuiceMethod): readonly PotLine[] {
  const fruits = lines.filter(({ givesJuice }) => givesJuice);
  if (fruits.length === 0) return lines;
  const waters = lines.filter(({ ingredient }) => ingredient.id === 'water');
  const water_kg = waters.reduce((sum, { mass_kg }) => sum + mass_kg.mid, 0);
  const fruit_kg = fruits.reduce((sum, { mass_kg }) => sum + mass_kg.mid, 0);
  const { share, dissolvedShare, juice_kg } = juiceOf(fruits, water_kg, method);
  // Where there is water to boil off, the fruit's own part is what is dissolved of it.
  const ofFruit = water_kg > 0 ? Math.min(dissolvedShare, juice_kg.mid / fruit_kg) : share.mid;
  const ofWater = water_kg > 0 ? Math.max(juice_kg.mid - fruit_kg * ofFruit, 0) / water_kg : 0;
  const times = (of: number): Range => ({
    low: (share.low / share.mid) * of,
    mid: of,
    high: (share.high / share.mid) * of,
  });
  return lines.map((line): PotLine => {
    const { ingredient, ripeness, mass_kg } = line;
    if (waters.includes(line)) {
      const through = scaled(mass_kg, times(ofWater));
      return { ...line, mass_kg: through, amount: millilitres(through.mid * 1000) };
    }
    if (!line.givesJuice) return line;
    const juice = scaled(mass_kg, times(ofFruit));
    const composition = compositionOf(ingredient, 'juice', ripeness);
    return {
      ...line,
      form: 'juice',
      mass_kg: juice,
      fruit_kg: mass_kg,
      amount: millilitres(juiceVolume_ml(ingredient, juice.mid)),
      composition: line.composition === line.byTable ? composition : line.composition,
      byTable: composition,
    };
  });
}

/** Forms of fruit that a jelly is not strained from: juice already, or what flavours and stays in. */
const STAYS: ReadonlySet<Form> = new Set(['juice', 'zest', 'peel', 'dried', 'grated']);

/** The lines of a jelly as it is made: its fruit gives its juice, and does not go in itself. */
export const givingJuice = <L extends FormulaLine>(lines: readonly L[]): L[] =>
  lines.map((line) => {
    const ingredient = ingredientById(line.ingredient ?? '');
    const isStrained =
      ingredient?.category === 'fruit' && !STAYS.has(line.form ?? ingredient.usualForm);
    return isStrained && line.gives === undefined ? { ...line, gives: 'juice' as const } : line;
  });
