import {
  addInto,
  contentsAt,
  linePoint,
  middleOf,
  sumOf,
  pHOfContents,
  type Contents,
  type LineInput,
  type LinePoint,
} from '../balance/index.js';
import type { PotFormula, PotLine } from '../formula/index.js';
import type { Composition } from '../produce/index.js';
import { isFruitLike } from './pot-lines.js';

/**
 * Weakest acid that may be in the bottle, as citric acid, per cent: 4 % acetic for vinegar, 4.5 %
 * for bottled lemon or lime.
 */
const WEAKEST: Readonly<Record<string, number>> = {
  'lemon-juice-bottled': 4.5,
  'lime-juice-bottled': 4.5,
  'lemon-juice-fresh': 3.8,
  'cider-vinegar': 4.27,
  'wine-vinegar': 4.27,
  'distilled-vinegar': 4.27,
  'malt-vinegar': 4.27,
  'balsamic-vinegar': 4.27,
  'rice-vinegar': 4.27,
};

/** Lemon and lime as fruit, zest or fresh juice: nobody knows how acid these are. */
const FRESH_CITRUS_ACID: ReadonlySet<string> = new Set([
  'lemon',
  'lime',
  'lemon-juice-fresh',
  'lemon-zest',
]);
/** Citrus of the acid list: among themselves lemon and lime count by their rows. */
const ACID_CITRUS: ReadonlySet<string> = new Set([
  ...FRESH_CITRUS_ACID,
  'orange',
  'bitter-orange',
  'grapefruit',
  'kumquat',
  'yuzu',
  'orange-juice',
  'grapefruit-juice',
]);

/**
 * Whether the acid of a line counts: that of produce by the table, of bottled juice, of weighed
 * acids and of vinegar. What a maker of pectin or jam sugar puts in is guessed, and fresh lemon
 * varies: these are mass without acid, unless all the produce is citrus of the acid list.
 */
function acidCounts({ ingredient }: PotLine, isAllCitrus: boolean): boolean {
  if (FRESH_CITRUS_ACID.has(ingredient.id)) return isAllCitrus;
  return ingredient.category !== 'pectin' && ingredient.pectinProduct === undefined;
}

/** Water as hard as the table says that it may be. */
const atItsHardest = (composition: Composition): Composition => ({
  ...composition,
  alkali_eqPerKg: { ...composition.alkali_eqPerKg, mid: composition.alkali_eqPerKg.high },
});

function withoutAcid({ acidity: _, ...composition }: Composition): Composition {
  return composition;
}

/** pH of a kilogram of it alone, as little ripened acid as may be. */
const aloneOf = (point: LinePoint): number =>
  pHOfContents(
    contentsAt(point, { ...middleOf(point), mass: 1, ripeness: point.inputs.ripeness.low }),
    1,
  );

/** Whether what the maker measured of a line makes it less acid than the table does. */
const isMeasuredWorse = (line: PotLine): boolean =>
  line.composition !== line.byTable &&
  aloneOf(linePoint(line)) > aloneOf(linePoint(line, line.byTable));

/** A line as the gate sees it: by the table, and by what the maker measured where that is worse. */
function gatePoint(line: PotLine, isAllCitrus: boolean): LinePoint {
  const composition = isMeasuredWorse(line) ? line.composition : line.byTable;
  const hard = line.ingredient.category === 'water' ? atItsHardest(composition) : composition;
  return linePoint(line, acidCounts(line, isAllCitrus) ? hard : withoutAcid(hard));
}

/** One line as it is counted: its point, its inputs with the weakest bottle, and what they bring. */
interface Counted {
  readonly point: LinePoint;
  readonly inputs: Record<LineInput, number>;
  readonly contents: Contents;
  readonly isWeakest: boolean;
}

function counted(point: LinePoint): Counted {
  const inputs = middleOf(point);
  const { ingredient, byTable } = point.line;
  const weakest = WEAKEST[ingredient.id];
  const usual = byTable.acidity?.titratablePercent.mid;
  if (weakest !== undefined && usual !== undefined) inputs.acidity = Math.min(weakest / usual, 1);
  return {
    point,
    inputs,
    contents: contentsAt(point, inputs),
    isWeakest: weakest !== undefined,
  };
}

/** How far the pH may rise with one input of one ingredient at its worse end, all its lines together. */
function riseOf(own: readonly Counted[], rest: Contents, key: LineInput, middle: number): number {
  const ends = (['low', 'high'] as const).map((end) => {
    const moved = own.map(({ point, inputs, isWeakest }) =>
      contentsAt(point, {
        ...inputs,
        ...(!(key === 'acidity' && isWeakest) && { [key]: point.inputs[key][end] }),
      }),
    );
    const all = addInto(sumOf(moved), rest);
    return pHOfContents(all, all.mass, middle) - middle;
  });
  return Math.max(0, ...ends);
}

/** Charge balance against a meter; see docs/accuracy.md. */
const MODEL_DOUBT_PH = 0.05;

/** Highest published pH of acid fruit alone with sugar, or undefined where more is in the pan. */
function publishedHighest(lines: readonly PotLine[]): number | undefined {
  const isAcidFruit = (line: PotLine): boolean =>
    isFruitLike(line) &&
    line.ingredient.acidClass === 'acid' &&
    line.byTable.acidity !== undefined &&
    !isMeasuredWorse(line);
  const isSugar = ({ ingredient }: PotLine): boolean =>
    ingredient.category === 'sweetener' &&
    ingredient.acidClass === 'neutral' &&
    ingredient.pectinProduct === undefined;
  const fruit = lines.filter(isAcidFruit);
  if (fruit.length === 0 || !lines.every((line) => isAcidFruit(line) || isSugar(line)))
    return undefined;
  return Math.max(...fruit.map(({ byTable }) => byTable.acidity?.pH.high ?? 7));
}

/**
 * The highest pH a pot may have: the upper end of the 90 % range after all additions, from the
 * table's own ranges, with bottled juice and vinegar at the weakest their labels allow, water at
 * its hardest, and no acid but what is known.
 *
 * The doubt of one ingredient is one doubt, in however many lines it is written. What the maker
 * measured or wrote for an ingredient counts only where it is worse. A pot boiled down less is a
 * little less acid, so it is taken as it goes in. Acid fruit alone with sugar is never above its
 * own published upper end.
 *
 * @param extra further lines to count in, for a remedy
 */
export function worstPH(formula: PotFormula, extra: readonly PotLine[] = []): number {
  const lines = [...formula.lines, ...extra];
  if (lines.length === 0) return 7;
  const isAllCitrus = lines
    .filter((line) => isFruitLike(line))
    .every(({ ingredient }) => ACID_CITRUS.has(ingredient.id));
  const all = lines.map((line) => counted(gatePoint(line, isAllCitrus)));
  const total = sumOf(all.map(({ contents }) => contents));
  const middle = pHOfContents(total, total.mass);
  const ids = [...new Set(lines.map(({ ingredient }) => ingredient.id))];
  const rises = ids.flatMap((id) => {
    const own = all.filter(({ point }) => point.line.ingredient.id === id);
    const others = all.filter(({ point }) => point.line.ingredient.id !== id);
    const rest = sumOf(others.map(({ contents }) => contents));
    return (['mass', 'ripeness', 'acidity'] as const).map((key) => riseOf(own, rest, key, middle));
  });
  const up = Math.hypot(MODEL_DOUBT_PH, ...rises);
  return Math.min(middle + up, publishedHighest(lines) ?? Infinity);
}
