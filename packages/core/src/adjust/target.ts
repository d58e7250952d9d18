import { parseAmount } from '../quantity/index.js';
import { isProduce } from '../produce/index.js';
import { readName } from '../reading/index.js';
import { lineFromText, readFormula, readJarCount, type FormulaDocument } from '../formula/index.js';
import type { ScaleTarget } from './scale.js';

export type TargetReading =
  | { readonly ok: true; readonly target: ScaleTarget }
  | { readonly ok: false; readonly message: string };

const WRITE =
  'write what to fit: "12 half-pints", "all 3.1 kg", "2 kg sugar", "my 8 litre pan", "half" or "x 2"';

const WORDS: Readonly<Record<string, number>> = {
  half: 0.5,
  double: 2,
  twice: 2,
  triple: 3,
  thrice: 3,
  quarter: 0.25,
};
const FILLER = /\b(make|to|fit|fill|for|in|into|my|the|our|a|an|all|it|use|of)\b/gi;

/**
 * What a person wants a formula to fit, from what they typed: jars, a line of it, the pot, or so
 * many times.
 *
 * A bare amount is the fruit of the formula: "all 3.1 kg".
 */
export function readScaleTarget(text: string, document: FormulaDocument): TargetReading {
  const said = text.trim().toLowerCase();
  const bare = said.replace(FILLER, ' ').replace(/\s+/g, ' ').trim();
  if (bare === '') return { ok: false, message: WRITE };
  const times = /^(?:x|×|times)\s*(\d+(?:\.\d+)?)$|^(\d+(?:\.\d+)?)\s*(?:x|×|times)$/.exec(bare);
  const factor = times ? Number(times[1] ?? times[2]) : WORDS[bare];
  if (factor !== undefined) return { ok: true, target: { by: 'factor', factor } };
  const vessel =
    /^(.*?)[\s-]*\b(?:pan|pot|kettle|saucepan|cauldron|slow cooker|cooker|oven dish)$/.exec(bare);
  if (vessel) {
    const size = parseAmount((vessel[1] ?? '').replace(/-/g, ' '), document);
    if (!size.ok || size.amount.unit.kind !== 'volume')
      return { ok: false, message: 'write the size of the pan, such as "8 litre pan"' };
    return {
      ok: true,
      target: { by: 'pot', pot_l: (size.amount.value * size.amount.unit.si) / 1000 },
    };
  }
  const jars = readJarCount(bare);
  if (jars) return { ok: true, target: { by: 'jars', ...jars } };
  const { formula } = readFormula(document);
  const { amount, ingredient = '' } = lineFromText(bare, document);
  if (!parseAmount(amount === '' ? bare : amount, document).ok)
    return { ok: false, message: WRITE };
  const named = ingredient === '' ? undefined : readName(ingredient);
  const [mostFruit] = formula.lines
    .filter((each) => isProduce(each.ingredient))
    .toSorted((a, b) => b.mass_kg.mid - a.mass_kg.mid);
  const namedLine = formula.lines.find(
    (each) => named?.ok === true && each.ingredient.id === named.ingredient.id,
  );
  const line = named === undefined ? mostFruit : namedLine;
  if (!line)
    return {
      ok: false,
      message:
        ingredient === ''
          ? 'there is no fruit in the pan to fit'
          : `there is no ${named?.ok ? named.ingredient.name[0] : ingredient} in the pan; ${WRITE}`,
    };
  return { ok: true, target: { by: 'line', line: line.index, to: amount } };
}
