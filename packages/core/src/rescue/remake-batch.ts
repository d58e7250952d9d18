import { type PreparedPot } from '../balance/index.js';
import type { FormulaDocument, FormulaLine, MainAcid, PotLine } from '../formula/index.js';
import { NATURAL_GRADE } from '../pectin/index.js';
import { syrupDensity_kgPerM3 } from '../syrup/index.js';
import type { BatchRecord } from './batch-record.js';
import { remakesOf, type Remake, type RemakeWay } from './remake.js';

/** Which spread is cooked again, and how. */
export interface RemakeOrder {
  /** Id of the batch it was. */
  readonly batch: string;
  readonly way: RemakeWay;
  /** What the jars hold, ml. */
  readonly spread_ml: number;
  /** The jars it goes into. */
  readonly size: string;
}

type Recipe = Pick<FormulaDocument, 'method' | 'finish'> & {
  /** When the spread goes in, and the sugar, where that is not the usual time of the method. */
  readonly spreadGoesIn?: FormulaLine['goesIn'];
  readonly sugarGoesIn?: FormulaLine['goesIn'];
};

/** How each way is cooked. USDA Complete Guide, Guide 7, from memory; calcium by common practice. */
const RECIPE_OF_WAY: Readonly<Record<RemakeWay, Recipe>> = {
  // Pectin and water boil with the lemon, then the sugar, then the spread.
  powdered: {
    method: 'powdered-pectin',
    finish: { type: 'hard-boil', minutes: 0.5 },
    spreadGoesIn: 'after-sugar',
  },
  // The spread boils, then sugar, lemon and pectin at once.
  liquid: {
    method: 'liquid-pectin',
    finish: { type: 'hard-boil', minutes: 1 },
    sugarGoesIn: 'full-boil',
  },
  none: { method: 'long-boil', finish: { type: 'gel-temperature' } },
  calcium: { method: 'calcium-pectin', finish: { type: 'hard-boil', minutes: 2 } },
};

/** Spread stands in its jar at about this, C. Common practice. */
const ROOM_C = 20;

const grams = (mass_kg: number): string => `${Number((mass_kg * 1000).toPrecision(4))} g`;

/** The line of a pan as it can be written again: what it weighs, with everything that counts against it. */
function writtenAgain(line: PotLine, { lines }: FormulaDocument): FormulaLine {
  const { ingredient, name, composition, overrides, writtenAs, variety } = lines[line.index] ?? {};
  const isOwn = ingredient === undefined;
  return {
    ...(isOwn ? { name: name ?? line.label } : { ingredient: line.ingredient.id }),
    ...(isOwn && composition && { composition }),
    ...(!isOwn && line.form !== line.ingredient.usualForm && { form: line.form }),
    ...(line.ripeness !== 'ripe' && { ripeness: line.ripeness }),
    ...(variety !== undefined && { variety }),
    ...(writtenAs !== undefined && { writtenAs }),
    ...(overrides && { overrides }),
    amount: grams(line.mass_kg.mid),
    ...(line.alsoStated_kg && { alsoStated: grams(line.alsoStated_kg.mid) }),
  };
}

const ACIDS = ['citric', 'malic', 'tartaric', 'acetic'] as const satisfies MainAcid[];

/** The spread as one ingredient, with the figures it came out with. */
function spreadLine(
  { made, madeBalance, document }: BatchRecord,
  mass_kg: number,
  batch: string,
): FormulaLine {
  const { contents, outcome, rules, formula } = made;
  const share = (part_kg: number): number =>
    Number(((part_kg / outcome.finished) * 100).toFixed(2));
  const acid = ACIDS.reduce((most, each) => (contents[each] > contents[most] ? each : most));
  return {
    name: 'spread from the jars',
    composition: {
      solubleSolidsPercent: share(contents.soluble),
      insolubleSolidsPercent: share(contents.insoluble),
      pH: Number(outcome.pH.toFixed(2)),
      titratableAcidityPercent: Number(madeBalance.titratableAcidityPercent.mid.toFixed(2)),
      acid,
      // What is left of its pectin; calcium pectin that did not gel is not counted on again.
      pectinPercent:
        rules.model === 'high-methoxyl'
          ? Number((outcome.pectinPercent / NATURAL_GRADE).toFixed(2))
          : 0,
    },
    madeOf: {
      mass: grams(outcome.finished),
      lines: formula.lines.map((line) => writtenAgain(line, document)),
      batch,
    },
    amount: grams(mass_kg),
  };
}

/** Whether everything that went in is known: only then can it be said how it stores. */
const isUnderstood = ({ made: { formula }, document, keeping }: BatchRecord): boolean =>
  document.lines.every((_, i) => formula.lines.some(({ index }) => index === i)) &&
  !keeping.reasons.some(({ code }) => code === 'not-understood');

const isSugar = ({ ingredient }: Remake['lines'][number]): boolean => ingredient === 'white-sugar';
const isAcid = ({ ingredient }: Remake['lines'][number]): boolean =>
  ingredient === 'lemon-juice-bottled';

const volumeMass_kg = ({ outcome }: PreparedPot, volume_ml: number): number =>
  volume_ml * 1e-6 * syrupDensity_kgPerM3(outcome.solids / 100, ROOM_C);

/**
 * The formula of a spread that is cooked again: the spread, with what it was made of, and what the
 * published remake adds, for one batch of 6 cups at most. What was not for the shelf is not
 * processed for it either.
 *
 * @returns undefined where something in the batch is not understood, or it is not remade that way
 */
export function remakeDocument(
  record: BatchRecord,
  { batch, way, spread_ml, size }: RemakeOrder,
): FormulaDocument | undefined {
  const remake = remakesOf(spread_ml, record.made.outcome.solids).find((each) => each.way === way);
  if (!remake || !isUnderstood(record)) return undefined;
  const { document, keeping } = record;
  const { method, finish, spreadGoesIn, sugarGoesIn } = RECIPE_OF_WAY[way];
  const mass_kg = volumeMass_kg(record.made, spread_ml) / remake.batches;
  const processing = keeping.verdict === 'shelf' ? document.processing : 'none';
  return {
    format: 'idle-kettle/formula',
    version: 1,
    title: `${document.title}, cooked again`.slice(0, 120),
    kind: document.kind,
    method,
    finish,
    measures: 'us',
    lines: [
      {
        ...spreadLine(record, mass_kg, batch),
        ...(spreadGoesIn && { goesIn: spreadGoesIn }),
      },
      ...remake.lines.map((line): FormulaLine => ({
        ...line,
        ...(sugarGoesIn && (isSugar(line) || isAcid(line)) && { goesIn: sugarGoesIn }),
      })),
    ],
    jars: [{ size }],
    ...(processing && { processing }),
    ...(document.leftOut && { leftOut: document.leftOut }),
    notes: remake.steps.join('\n'),
  };
}
