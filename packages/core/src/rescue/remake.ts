import { balance, type Balance, type SetModel, type SetReasonCode } from '../balance/index.js';
import type { PotFormula, WarningCode } from '../formula/index.js';
import { fillVolume_ml } from '../jars/index.js';
import { kitchenFraction, unitById } from '../quantity/index.js';

export const REMAKE_WAYS = ['powdered', 'liquid', 'none', 'calcium'] as const;
export type RemakeWay = (typeof REMAKE_WAYS)[number];

/** One ingredient of a remake, for a batch of it. */
export interface RemakeLine {
  readonly ingredient: string;
  readonly amount: string;
}

export interface Remake {
  readonly way: RemakeWay;
  /** Cups of spread cooked at once, 6 at most; what there is shared evenly. */
  readonly cupsAtOnce: number;
  readonly batches: number;
  readonly lines: readonly RemakeLine[];
  /** The same for one cup, to try it with. */
  readonly trial: readonly RemakeLine[];
  readonly steps: readonly string[];
  readonly source: string;
}

/** A likely cause of a soft set. */
export interface Cause {
  readonly code: SetReasonCode | WarningCode | 'finish';
  readonly text: string;
}

export interface Rescue {
  /** Likely causes of the soft set, by what the formula holds. */
  readonly causes: readonly Cause[];
  /** Spread to remake, millilitres. */
  readonly spread_ml: number;
  readonly ways: readonly Remake[];
  readonly notes: readonly string[];
}

const SOURCE = 'USDA Complete Guide to Home Canning, Guide 7, remaking soft jellies; from memory';

/** Per quart (4 cups) of spread, in the unit the table is written in. */
const PER_QUART: Readonly<
  Record<RemakeWay, readonly (readonly [ingredient: string, amount: number, unit: string])[]>
> = {
  powdered: [
    ['white-sugar', 1 / 4, 'cup'],
    ['water', 1 / 2, 'cup'],
    ['lemon-juice-bottled', 2, 'tbsp'],
    ['pectin-powder', 4, 'tsp'],
  ],
  liquid: [
    ['white-sugar', 3 / 4, 'cup'],
    ['lemon-juice-bottled', 2, 'tbsp'],
    ['pectin-liquid', 2, 'tbsp'],
  ],
  none: [['lemon-juice-bottled', 2, 'tbsp']],
  calcium: [
    ['white-sugar', 1 / 4, 'cup'],
    ['lemon-juice-bottled', 2, 'tbsp'],
    ['pectin-calcium', 2, 'tsp'],
    ['calcium-water', 2, 'tsp'],
  ],
};

const STEPS: Readonly<Record<RemakeWay, readonly string[]>> = {
  powdered: [
    'Try it with 1 cup first',
    'Mix pectin and water with the lemon juice and bring to the boil, stirring',
    'Stir in the sugar, then the spread, and bring to a full rolling boil over high heat',
    'Boil hard for 1/2 minute',
  ],
  liquid: [
    'Try it with 1 cup first',
    'Bring the spread to the boil over high heat',
    'Off the heat add sugar, lemon juice and pectin at once, and back to a full rolling boil',
    'Boil hard for 1 minute',
  ],
  none: [
    'Try it with 1 cup first',
    'Bring the spread to the boil with the lemon juice',
    'Boil 3 to 4 minutes to the gel point, and test on a cold plate',
  ],
  calcium: [
    'Try it with 1 cup first',
    'Whisk the calcium pectin into the sugar; calcium water and lemon juice into the spread',
    'Bring the spread to the boil, stir in the sugar with its pectin, and boil 1 to 2 minutes to dissolve it',
  ],
};
const LAST_STEPS = [
  'Skim, fill hot jars to 1/4 in (6 mm), wipe the rims, new lids',
  'Process again for your altitude, as new jars',
];

const CUP_ML = unitById('cup').si;
const MOST_CUPS = 6;
/** Cups of spread are measured to this. */
const CUPS_STEP = 1 / 4;
/** Under this a high-methoxyl pectin does not gel, however much of it: per cent of solids. Common practice. */
const FEWEST_SOLIDS_FOR_HIGH_METHOXYL = 55;

/** The ways that can work for a spread of so many solids, per cent. */
const waysFor = (solidsPercent: number): readonly RemakeWay[] =>
  solidsPercent < FEWEST_SOLIDS_FOR_HIGH_METHOXYL ? ['calcium'] : ['powdered', 'liquid', 'none'];

/** Warnings that tell why a spread did not set. */
const WEAK_SET_WARNINGS: ReadonlySet<WarningCode> = new Set<WarningCode>([
  'sugar-cut',
  'batch-doubled',
  'pectin-in-long-boil',
  'no-calcium-pectin',
  'no-jam-sugar',
  'sweet-without-solids',
]);

const STOPPED_EARLY: Cause = {
  code: 'finish',
  text: 'by its formula it should set: it may have been stopped early, or need up to two weeks',
};

/** Why it probably did not set. */
function causesOf({ set, warnings }: Balance): readonly Cause[] {
  const causes = [
    ...set.reasons.filter(({ code }) => code !== 'by-consistency'),
    ...warnings.filter(({ code }) => WEAK_SET_WARNINGS.has(code)),
  ];
  return causes.length > 0 ? causes : [STOPPED_EARLY];
}

/** What the jars hold, ml. */
const spreadIn_ml = ({ jars }: PotFormula, made: Balance): number =>
  made.jars.reduce((sum, { count }, i) => {
    const jar = jars[i];
    return sum + count.mid * (jar ? fillVolume_ml(jar.jar, jar.headspace_mm) : 0);
  }, 0);

/** The published table is for a quart, which is so many cups. */
const CUPS_IN_TABLE = 4;

/** Cups and spoons from the largest, the least of each worth dirtying it for, and what it is filled to. */
const MEASURES = [
  { id: 'cup', least: 1 / 4, step: 1 / 4 },
  { id: 'cup', least: 1 / 3, step: 1 / 3 },
  { id: 'tbsp', least: 1, step: 1 / 2 },
  { id: 'tsp', least: 1 / 4, step: 1 / 4 },
  { id: 'tsp', least: 1 / 8, step: 1 / 8 },
] as const;
/** An amount is measured this closely, share of it. Common practice. */
const CLOSE_ENOUGH = 0.08;

/** A volume in the cups and spoons one has: the largest that measures it closely. @param ml from 0 */
function inSpoons(ml: number): string {
  const ways = MEASURES.map(({ id, least, step }) => {
    const unit = unitById(id);
    const exact = ml / unit.si;
    const measured = Math.max(Math.round(exact / step), 1) * step;
    return { unit, measured, off: exact < least * 0.9 ? Infinity : Math.abs(measured / exact - 1) };
  });
  const chosen = ways.find(({ off }) => off <= CLOSE_ENOUGH) ?? ways.at(-1);
  return chosen
    ? `${kitchenFraction(chosen.measured)} ${chosen.unit.name[chosen.measured > 1 ? 1 : 0]}`
    : '';
}

/** What goes into so many cups of spread, in spoons and cups one has. */
const linesFor = (way: RemakeWay, cups: number): readonly RemakeLine[] =>
  PER_QUART[way].map(([ingredient, amount, unit]) => ({
    ingredient,
    amount: inSpoons(((amount * cups) / CUPS_IN_TABLE) * unitById(unit).si),
  }));

/**
 * The published remakes for so much spread, in batches of 6 cups at most.
 *
 * @param spread_ml what the jars hold, more than 0
 * @param solidsPercent of the spread: it decides which pectin can set it
 */
export function remakesOf(spread_ml: number, solidsPercent: number): readonly Remake[] {
  const cups = spread_ml / CUP_ML;
  const batches = Math.max(Math.ceil(cups / MOST_CUPS - 1e-9), 1);
  const cupsAtOnce = cups / batches;
  return waysFor(solidsPercent).map((way) => ({
    way,
    cupsAtOnce: Math.round(cupsAtOnce / CUPS_STEP) * CUPS_STEP || CUPS_STEP,
    batches,
    lines: linesFor(way, cupsAtOnce),
    trial: linesFor(way, 1),
    steps: [...STEPS[way], ...LAST_STEPS],
    source: way === 'calcium' ? 'common practice, no source' : SOURCE,
  }));
}

/** Kinds of set that no pectin remakes. */
const NOT_REMADE: ReadonlySet<SetModel> = new Set<SetModel>(['egg', 'consistency', 'none']);

/**
 * How to remake a spread that did not set: why it probably did not, and the published remake scaled
 * to what there is, in batches of 4 to 6 cups.
 *
 * @param formula as it was made
 * @returns undefined when there is nothing in the pan, or the kind has no gel to remake
 */
export function rescueOf(formula: PotFormula): Rescue | undefined {
  const made = balance(formula);
  if (!made || NOT_REMADE.has(made.set.model)) return undefined;
  const spread_ml = spreadIn_ml(formula, made);
  return {
    causes: causesOf(made),
    spread_ml,
    ways: remakesOf(spread_ml, made.finish.solubleSolidsPercent.mid),
    notes: [
      'wait 24 to 48 hours first, some sets take up to two weeks',
      'or keep it as syrup',
      'remake only what was good: mould, ferment or a bulging lid is thrown away without tasting',
    ],
  };
}
