import { figures, type UnitSystem } from './format.js';
import { unitById, type Unit } from './units.js';

/**
 * An amount written as close as a kitchen can measure it may be off by this share. Common practice.
 */
const CLOSE_ENOUGH = 0.03;

/** Smaller measures of a unit, to say what its own fractions cannot. */
const SMALLER: Readonly<Record<string, string>> = {
  gallon: 'quart',
  quart: 'cup',
  pint: 'cup',
  cup: 'tbsp',
  tbsp: 'tsp',
  'imperial-pint': 'ml',
  'metric-cup': 'ml',
  bushel: 'peck',
};
const DECIMAL = new Set(['mg', 'g', 'kg', 'ml', 'cl', 'dl', 'l']);

/** Parts of a measure that are worth asking for, coarsest first: a spoon knows fewer than a cup. */
const PARTS: Readonly<Record<string, readonly number[]>> = { tbsp: [1, 2], tsp: [1, 2, 4, 8] };
const ANY_PARTS: readonly number[] = [1, 2, 4, 3, 8];

/** ASCII fractions, so that what is written is read back everywhere: "2 1/2", "3/4", "7". */
function fraction(parts: number, of: number): string {
  const whole = Math.floor(parts / of);
  const rest = parts - whole * of;
  if (rest === 0) return `${whole}`;
  const shared = rest % 2 === 0 && of % 2 === 0 ? 2 : 1;
  return `${whole > 0 ? `${whole} ` : ''}${rest / shared}/${of / shared}`;
}

/** The coarsest fraction of a measure within 3 %, or undefined. Eighths are for less than three. */
function near(value: number, unit: Unit): { text: string; value: number } | undefined {
  for (const of of PARTS[unit.id] ?? ANY_PARTS) {
    const parts = Math.round(value * of);
    if (of === 8 && value > 3) continue;
    if (parts > 0 && Math.abs(parts / of / value - 1) <= CLOSE_ENOUGH)
      return { text: fraction(parts, of), value: parts / of };
  }
  return undefined;
}

/**
 * The rest of a measure in the next smaller one: cups to an eighth, spoons to a half or a quarter.
 */
function restIn(rest: number, unit: Unit): string {
  const ofSpoon = unit.id === 'tsp' && rest < 2 ? 4 : 2;
  const of = unit.id === 'cup' ? 8 : ofSpoon;
  const parts = Math.round(rest * of);
  return parts === 0 ? '' : ` ${fraction(parts, of)} ${unit.name[parts / of <= 1 ? 0 : 1]}`;
}

/**
 * An amount in its own unit as a person would write it, readable by `parseAmount`: "2 1/2 cups",
 * "1.35 kg", "3 tbsp". Where no kitchen fraction of the unit is within 3 %, a smaller measure says
 * it; weights stay decimal.
 *
 * @param value more than 0, in `unit`
 */
export function writeAmount(value: number, unit: Unit): string {
  if (DECIMAL.has(unit.id)) {
    if (unit.id === 'kg' && value < 1) return writeAmount(value * 1000, unitById('g'));
    if (unit.id === 'l' && value < 1) return writeAmount(value * 1000, unitById('ml'));
    const digits =
      value >= 100 ? Math.round(value).toString() : Number(figures(value, 3)).toString();
    return `${digits} ${unit.name[0]}`;
  }
  if (unit.id === 'lb' && value >= 1) {
    const ounces = Math.round(value * 16);
    const rest = ounces % 16;
    return rest === 0 ? `${ounces / 16} lb` : `${Math.floor(ounces / 16)} lb ${rest} oz`;
  }
  if (unit.id === 'lb') return writeAmount(value * 16, unitById('oz'));
  if (unit.id === 'tbsp' && value >= 4) return writeAmount(value / 16, unitById('cup'));
  const found = near(value, unit);
  if (found) {
    const name = unit.kind === 'piece' ? 'each' : unit.name[found.value <= 1 ? 0 : 1];
    return `${found.text} ${name}`.trim();
  }
  const smaller = SMALLER[unit.id];
  if (smaller !== undefined && !DECIMAL.has(smaller) && unit.kind === 'volume') {
    const part = unitById(smaller);
    const step = unit.id === 'cup' ? 4 : 1;
    const parts = Math.floor(value * step + 1e-9);
    const rest = ((value - parts / step) * unit.si) / part.si;
    if (parts === 0) return writeAmount(rest, part);
    return `${fraction(parts, step)} ${unit.name[parts <= step ? 0 : 1]}${restIn(rest, part)}`;
  }
  return `${Number(figures(value, 3))} ${unit.kind === 'piece' ? 'each' : unit.name[1]}`;
}

/**
 * A small addition in the habit of the person: "30 ml", "2 tbsp", "45 g", "1/4 cup". Rounded up to
 * what a spoon or scale can do.
 */
export function writeAddition(
  grams: number,
  gramsPerMl: number | undefined,
  system: UnitSystem,
): string {
  if (gramsPerMl === undefined)
    return grams >= 20 ? `${Math.ceil(grams / 5) * 5} g` : `${Math.max(Math.ceil(grams), 1)} g`;
  const ml = grams / gramsPerMl;
  if (system === 'metric')
    return ml >= 100 ? `${Math.ceil(ml / 10) * 10} ml` : `${Math.max(Math.ceil(ml / 5) * 5, 5)} ml`;
  const tsp = ml / unitById('tsp').si;
  if (tsp <= 2.5) return `${Math.max(Math.ceil(tsp), 1)} tsp`;
  if (tsp <= 23) return `${Math.ceil(tsp / 3)} tbsp`;
  return writeAmount(Math.ceil((tsp / 48) * 8) / 8, unitById('cup'));
}
