import { readFormula, type PotFormula, type PotLine } from '../formula/index.js';
import { times } from '../range/index.js';
import { worstPH } from './acid-gate.js';

/** More bottled lemon juice than this share of the pot no spread bears. Common practice. */
const MOST_LEMON_SHARE = 0.12;
const HALVINGS = 7;
/** Shown in steps of so many millilitres, rounded up. */
const STEP_ML = 5;

/** A kilogram of bottled lemon juice as a line. */
function kiloOfLemon(): PotLine | undefined {
  const { formula } = readFormula({
    kind: 'jam',
    method: 'long-boil',
    finish: { type: 'gel-temperature' },
    jars: [],
    lines: [{ ingredient: 'lemon-juice-bottled', amount: '1 kg' }],
  });
  return formula.lines[0];
}

const LEMON_KG_PER_ML = 0.00103;

/**
 * How much bottled lemon juice is missing until the highest likely pH is at a limit, ml.
 *
 * @returns undefined where no amount that a spread could bear would do
 */
export function lemonMissing_ml(formula: PotFormula, limitPH: number): number | undefined {
  const pot_kg = formula.lines.reduce((sum, { mass_kg }) => sum + mass_kg.mid, 0);
  const kilo = kiloOfLemon();
  if (!kilo) return undefined;
  const pHWith = (mass_kg: number): number =>
    worstPH(formula, [{ ...kilo, mass_kg: times(kilo.mass_kg, mass_kg) }]);
  let [less, more] = [0, pot_kg * MOST_LEMON_SHARE];
  if (!(more > 0) || pHWith(more) > limitPH) return undefined;
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (less + more) / 2;
    if (pHWith(middle) > limitPH) less = middle;
    else more = middle;
  }
  return Math.ceil(more / LEMON_KG_PER_ML / STEP_ML) * STEP_ML;
}
