import { exactly, type Range } from '../range/index.js';
import { fillVolume_ml } from '../jars/index.js';
import { boilingPointAt } from '../water/index.js';
import { OWN_INGREDIENT, softeningIn, type PotFormula } from '../formula/index.js';
import {
  contentsAt,
  linePoint,
  middleOf,
  sumOf,
  type Contents,
  type LinePoint,
} from './contents.js';
import {
  evaluate,
  hexoseShare,
  ORDINARY_INVERSION,
  potInputs,
  setModelOf,
  type Outcome,
  type PotInput,
  type PotRules,
} from './evaluate.js';
import { batchCook } from './cooking.js';
import { finishRule, type FinishRule } from './finish.js';

/** A pot ready to be evaluated: its lines as numbers, its rules, and everything at the middle. */
export interface PreparedPot {
  readonly formula: PotFormula;
  readonly points: readonly LinePoint[];
  readonly parts: readonly Contents[];
  /** Lines of the same ingredient, by their places in `points`: their doubts are one doubt. */
  readonly sameIngredient: readonly (readonly number[])[];
  readonly contents: Contents;
  readonly rule: FinishRule;
  readonly rules: PotRules;
  readonly inputs: Readonly<Record<PotInput, Range>>;
  readonly middle: Record<PotInput, number>;
  readonly outcome: Outcome;
}

/** Places in `points` of the lines of each ingredient. One of the maker's own goes by its name. */
function placesByIngredient(points: readonly LinePoint[]): readonly (readonly number[])[] {
  const places = new Map<string, number[]>();
  points.forEach(({ line: { ingredient } }, i) => {
    const key = ingredient.id === OWN_INGREDIENT ? ingredient.name[0] : ingredient.id;
    const known = places.get(key);
    if (known) known.push(i);
    else places.set(key, [i]);
  });
  return [...places.values()];
}

/** @returns null when there is nothing in the pot */
export function preparePot(formula: PotFormula): PreparedPot | null {
  const points = formula.lines.map((line) => linePoint(line));
  const parts = points.map((point) => contentsAt(point, middleOf(point)));
  const contents = sumOf(parts);
  if (!(contents.mass > 0)) return null;
  const hexose = hexoseShare(contents);
  const cook = batchCook(formula, contents, parts, boilingPointAt(formula.place).pressure_kPa);
  const rule = finishRule(formula, contents, cook, hexose + (1 - hexose) * ORDINARY_INVERSION);
  const rules: PotRules = {
    rule,
    model: setModelOf(formula, contents),
    jars: formula.jars.map(({ jar, headspace_mm, available }) => ({
      fill_ml: fillVolume_ml(jar, headspace_mm),
      ...(available !== undefined && { available }),
    })),
    softens: softeningIn(formula.lines),
    yieldShare: formula.learned?.yieldShare?.mid ?? 1,
    curdTemperature_C: formula.finish.type === 'curd' ? formula.finish.temperature_C : 77,
  };
  const inputs = potInputs(
    rule,
    cook.heatings.at(-1)?.heat_W ?? exactly(0),
    formula.learned?.yieldShare,
  );
  const middle = Object.fromEntries(
    Object.entries(inputs).map(([key, range]) => [key, range.mid]),
  ) as Record<PotInput, number>;
  return {
    formula,
    points,
    parts,
    sameIngredient: placesByIngredient(points),
    contents,
    rule,
    rules,
    inputs,
    middle,
    outcome: evaluate(contents, middle, rules),
  };
}
