import { readFormula, type PotFormula, type PotLine } from '../formula/index.js';
import { times } from '../range/index.js';
import { worstPH } from './acid-gate.js';

/** More bottled juice or vinegar than this share of the pot no spread bears. Common practice. */
const MOST_SHARE = { 'lemon-juice-bottled': 0.12, 'distilled-vinegar': 0.3 } as const;
/** An acid that counts, and can be poured. */
type Acid = keyof typeof MOST_SHARE;
const KG_PER_ML: Readonly<Record<Acid, number>> = {
  'lemon-juice-bottled': 0.00103,
  'distilled-vinegar': 0.00101,
};
const HALVINGS = 7;
/** Shown in steps of so many millilitres, rounded up. */
const STEP_ML = 5;

/** A kilogram of an acid as a line. */
function kiloOf(ingredient: Acid): PotLine | undefined {
  const { formula } = readFormula({
    kind: 'jam',
    method: 'long-boil',
    finish: { type: 'gel-temperature' },
    jars: [],
    lines: [{ ingredient, amount: '1 kg' }],
  });
  return formula.lines[0];
}

/**
 * How much bottled lemon juice, or vinegar of 5 % acid, is missing until the highest likely pH is at a limit, ml.
 *
 * @returns undefined where no amount that a spread could bear would do
 */
export function acidMissing_ml(
  formula: PotFormula,
  limitPH: number,
  acid: Acid = 'lemon-juice-bottled',
): number | undefined {
  const pot_kg = formula.lines.reduce((sum, { mass_kg }) => sum + mass_kg.mid, 0);
  const kilo = kiloOf(acid);
  if (!kilo) return undefined;
  const pHWith = (mass_kg: number): number =>
    worstPH(formula, [{ ...kilo, mass_kg: times(kilo.mass_kg, mass_kg) }]);
  let [less, more] = [0, pot_kg * MOST_SHARE[acid]];
  if (!(more > 0) || pHWith(more) > limitPH) return undefined;
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (less + more) / 2;
    if (pHWith(middle) > limitPH) less = middle;
    else more = middle;
  }
  return Math.ceil(more / KG_PER_ML[acid] / STEP_ML) * STEP_ML;
}
