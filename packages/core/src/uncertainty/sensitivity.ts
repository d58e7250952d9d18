import type { Balance, Influence } from '../balance/index.js';
import type { PotFormula } from '../formula/index.js';

/** What to measure better, and what that would gain. */
export interface Matter {
  readonly code: string;
  /** "Weigh the damsons". */
  readonly text: string;
  /** By how much the range of the yield, the set or the pH would shrink, 0 to 1. */
  readonly narrows: number;
  readonly of: 'yield' | 'set' | 'pH';
}

/** Doubt left after weighing on a kitchen scale, share. */
const WEIGHED = 0.01;
/** Gains below this are not worth the trouble. */
const WORTH = 0.06;

/**
 * Which input matters most, from how each widens the ranges by itself: what a scale, boiling water
 * on the thermometer, a refractometer or a measured jar would gain.
 *
 * @returns the worthwhile ones, the greatest gain first
 */
export function whatMatters(formula: PotFormula, balance: Balance): Matter[] {
  const { influences } = balance;
  const matters: Matter[] = [];
  const gain = (
    of: (influence: Influence) => number,
    pick: (influence: Influence) => number,
  ): number => {
    const all = influences.reduce((sum, influence) => sum + of(influence) ** 2, 0);
    if (!(all > 0)) return 0;
    const left = influences.reduce(
      (sum, influence) => sum + (of(influence) * pick(influence)) ** 2,
      0,
    );
    return 1 - Math.sqrt(left / all);
  };
  const add = (
    code: string,
    text: string,
    of: Matter['of'],
    pick: (influence: Influence) => number,
  ): void => {
    const by = {
      yield: (i: Influence) => i.yieldShare,
      set: (i: Influence) => i.firmness,
      pH: (i: Influence) => i.pH,
    }[of];
    const narrows = gain(by, pick);
    if (narrows >= WORTH) matters.push({ code, text, narrows, of });
  };
  for (const line of formula.lines) {
    const { index, amount, mass_kg, label, ingredient } = line;
    const doubt = (mass_kg.high - mass_kg.low) / 2 / mass_kg.mid;
    if (amount.unit.kind !== 'mass' && doubt > WEIGHED)
      add(
        `weigh-${index}`,
        `Weigh the ${label}${ingredient.wastePercent && ingredient.usualForm !== 'whole' ? ' after preparing' : ''}`,
        'yield',
        (i) => (i.line === index && i.input === 'mass' ? WEIGHED / doubt : 1),
      );
    if (amount.unit.kind === 'mass' && line.form === 'as-bought')
      add(`weigh-${index}`, `Weigh the ${label} after preparing`, 'yield', (i) =>
        i.line === index && i.input === 'mass' ? Math.min(WEIGHED / doubt, 1) : 1,
      );
    add(`brix-${index}`, `Read the ${label} with a refractometer`, 'yield', (i) =>
      i.line === index && i.input === 'soluble' ? 0.25 : 1,
    );
    add(`pH-${index}`, `Measure the pH of the ${label}`, 'pH', (i) =>
      i.line === index && i.input === 'ripeness' ? 0.3 : 1,
    );
  }
  if (
    formula.finish.type === 'gel-temperature' &&
    formula.place.boilingPoint_C === undefined &&
    formula.place.pressure_kPa === undefined
  )
    add('boil-water', 'Boil water and read it on this thermometer today', 'yield', (i) =>
      i.input === 'finish' ? 0.55 : 1,
    );
  if (formula.finish.type !== 'weight')
    add('weigh-pot', 'Stop by the weight of the pot', 'yield', (i) =>
      i.input === 'finish' || i.input === 'curve' || i.input === 'inversion' ? 0.2 : 1,
    );
  add('measure-jar', 'Measure one of your jars with water', 'yield', (i) =>
    i.input === 'jar' ? 0.3 : 1,
  );
  add('pectin-test', 'Test the juice for pectin with alcohol', 'set', (i) =>
    i.input === 'pectin' || i.input === 'pectinModel' ? 0.6 : 1,
  );
  return matters.sort((a, b) => b.narrows - a.narrows);
}
