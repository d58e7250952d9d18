import { figures, kitchenFraction, type UnitSystem } from './format.js';
import { unitById, type Unit } from './units.js';

/** An amount written as close as a kitchen can measure it may be off by this share. Common practice. */
const CLOSE_ENOUGH = 0.03;

/** Smaller measures of a unit, to say what its own fractions cannot. */
const SMALLER: Readonly<Record<string, string>> = { gallon: 'quart', quart: 'cup', pint: 'cup', cup: 'tbsp', tbsp: 'tsp', 'imperial-pint': 'ml', 'metric-cup': 'ml', bushel: 'peck' }; // prettier-ignore
const DECIMAL = new Set(['mg', 'g', 'kg', 'ml', 'cl', 'dl', 'l']);

/** ASCII fractions, so that what is written is read back everywhere: "2 1/2", "3/4", "7". */
const ascii = (marked: string): string =>
  marked.replace(/^(\d*)([⅛¼⅓⅜½⅝⅔¾⅞])$/, (_, whole: string, mark: string) =>
    `${whole} ${{ '⅛': '1/8', '¼': '1/4', '⅓': '1/3', '⅜': '3/8', '½': '1/2', '⅝': '5/8', '⅔': '2/3', '¾': '3/4', '⅞': '7/8' }[mark] ?? ''}`.trim(),
  );

const valueOf = (marked: string): number => {
  const [, whole = '', top, bottom] = /^(\d*) ?(?:(\d)\/(\d))?$/.exec(ascii(marked)) ?? [];
  return Number(whole || 0) + (top && bottom ? Number(top) / Number(bottom) : 0);
};

/**
 * An amount in its own unit as a person would write it, readable by `parseAmount`: "2 1/2 cups", "1.35 kg", "3 tbsp".
 * Where no kitchen fraction of the unit is within 3 %, a smaller measure says it; weights stay decimal.
 *
 * @param value more than 0, in `unit`
 */
export function writeAmount(value: number, unit: Unit): string {
  if (DECIMAL.has(unit.id)) {
    if (unit.id === 'kg' && value < 1) return writeAmount(value * 1000, unitById('g'));
    if (unit.id === 'l' && value < 1) return writeAmount(value * 1000, unitById('ml'));
    const digits = value >= 100 ? Math.round(value).toString() : Number(figures(value, 3)).toString();
    return `${digits} ${unit.name[0]}`;
  }
  if (unit.id === 'lb' && value >= 1) {
    const ounces = Math.round(value * 16);
    const rest = ounces % 16;
    return rest === 0 ? `${ounces / 16} lb` : `${Math.floor(ounces / 16)} lb ${rest} oz`;
  }
  if (unit.id === 'lb') return writeAmount(value * 16, unitById('oz'));
  const marked = kitchenFraction(value);
  const near = valueOf(marked);
  const smaller = SMALLER[unit.id];
  if (Math.abs(near / value - 1) > CLOSE_ENOUGH) {
    if (smaller !== undefined && (unit.kind === 'volume' || unit.kind === 'mass')) {
      const whole = Math.floor(value + 1e-9);
      const part = unitById(smaller);
      const rest = ((value - whole) * unit.si) / part.si;
      if (whole === 0) return writeAmount(rest, part);
      const restMarked = kitchenFraction(rest);
      if (unit.kind === 'volume' && valueOf(restMarked) > 0 && part.si < unit.si && !DECIMAL.has(part.id))
        return `${whole} ${unit.name[whole === 1 ? 0 : 1]} ${ascii(restMarked)} ${part.name[1]}`;
    }
    return `${Number(figures(value, 3))} ${unit.kind === 'piece' ? 'each' : unit.name[1]}`;
  }
  const name = unit.kind === 'piece' ? 'each' : unit.name[near <= 1 ? 0 : 1];
  return `${ascii(marked)} ${name}`.trim();
}

/** A small addition in the habit of the person: "30 ml", "2 tbsp", "45 g", "1/4 cup". Rounded up to what a spoon or scale can do. */
export function writeAddition(grams: number, gramsPerMl: number | undefined, system: UnitSystem): string {
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
