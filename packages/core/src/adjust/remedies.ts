import { batchesForPectin, type PreparedPot, type SetReasonCode } from '../balance/index.js';
import {
  readFormula,
  type FormulaDocument,
  type Kitchen,
  type WarningCode,
} from '../formula/index.js';
import {
  KEEPING_VERDICTS,
  FAT_TRACE,
  isAcidEnough,
  type KeepingOptions,
  type KeepingReasonCode,
} from '../keeping/index.js';
import { ingredientById, isProduce } from '../produce/index.js';
import type { UnitSystem } from '../quantity/index.js';
import { edited, scaledAmount, type Edit } from './edit.js';
import { assess, effectOf, type Assessment } from './effect.js';
import { leastAddition, reducedLine, tried, type TrialBench } from './trial.js';

/** One kind of change that helps; whoever shows it has a title for each. */
export type RemedyCode =
  | 'acid-for-keeping'
  | 'smaller-jars'
  | 'less-fat'
  | 'less-sugar'
  | 'more-water'
  | 'acid-for-set'
  | 'sugar-for-set'
  | 'boil-further'
  | 'pectin-partner'
  | 'pectin-for-set'
  | 'less-sugar-for-set'
  | 'less-fruit'
  | 'calcium-instead'
  | 'calcium-for-set'
  | 'softer'
  | 'acid-against-grains';

/** One change that helps, computed, with its effect. */
export interface Remedy {
  readonly code: RemedyCode;
  /** What to do: "Add 30 ml bottled lemon juice". */
  readonly text: string;
  /** What it does: "pH 3.6 → 3.3, firmness soft → medium, yield +0.1". */
  readonly effect: string;
  readonly change: readonly Edit[];
}

export interface RemedyOptions extends KeepingOptions {
  readonly kitchen?: Kitchen;
  readonly units?: UnitSystem;
  /** The pan is on the heat: what is in it stays in, and more can only be added. */
  readonly onHeat?: boolean;
}

/** What a remedy is looked for in. */
interface Situation {
  readonly document: FormulaDocument;
  readonly bench: TrialBench;
  readonly before: Assessment;
}

/** A change that may help, before it is tried in full. */
interface Proposal {
  readonly text: string;
  readonly edits: readonly Edit[];
}

/** One kind of remedy: when it is looked for, what it would be, and whether it helped. */
interface RemedyRule {
  readonly code: RemedyCode;
  readonly needed: (situation: Situation) => boolean;
  readonly propose: (situation: Situation) => Proposal | undefined;
  readonly helps: (after: Assessment, before: Assessment) => boolean;
}

/** pH most makers and most pectin like best, with what is near enough to it. */
const ACID_ENOUGH_PH = 3.25 + 0.1;
/** Firmness aimed at where a set is wanted; nearly so much is enough where fruit or sugar gives it. */
const GOOD_FIRMNESS = 1;
const NEARLY_GOOD_FIRMNESS = 0.85;
/** Below this a set is weak, and above this it is stiff. See `pectin`. */
const WEAK_BELOW = 0.8;
const STIFF_ABOVE = 2.1;
/** A stiff set is thinned to this. */
const THINNED_TO = 1.6;
/** A remedy for the set makes it firmer by this share at least. A choice of ours. */
const FIRMER_BY = 0.08;
const LITTLE_FIRMER_BY = 0.02;
/** Lemon for the set beyond one part in 25 would be a lemon preserve; apple, beyond a quarter. */
const MOST_LEMON_SHARE = 0.04;
const MOST_APPLE_SHARE = 0.25;
/**
 * Pectin beyond this share of the pan is glue, not a remedy. Common practice: one box or pouch to
 * about 2.5 kg.
 */
const MOST_PECTIN_SHARE = {
  'pectin-powder': 0.035,
  'pectin-liquid': 0.08,
  'pectin-calcium': 0.02,
} as const;
/** Free calcium a gram of pectin aimed at, mg. */
const GOOD_CALCIUM_MG_PER_G = 15;
/** A pan must have this share of water to boil off to be boiled at all. A choice of ours. */
const WATER_TO_BOIL_SHARE = 0.08;
/** Solids at which high-methoxyl pectin sets well, and where to boil on to, per cent. */
const SETTING_SOLIDS = { sugared: 62, boiled: 65 } as const;
/** With this share of the sucrose inverted no grains form. Common practice. */
const UNGRAINY_INVERSION = 0.2;

const LEMON = 'lemon-juice-bottled';

const hasWarning =
  (code: WarningCode) =>
  ({ balance }: Assessment): boolean =>
    balance.warnings.some((warning) => warning.code === code);
const hasReason = ({ keeping }: Assessment, code: KeepingReasonCode): boolean =>
  keeping.reasons.some((reason) => reason.code === code);
const hasSetReason = ({ balance: { set } }: Assessment, code: SetReasonCode): boolean =>
  set.reasons.some((reason) => reason.code === code);

const isWeak = ({ before: { balance } }: Situation): boolean =>
  balance.set.firmness.mid < WEAK_BELOW;
const setsBy = ({ before: { balance } }: Situation): string => balance.set.model;
const isTimed = ({ document }: Situation): boolean => document.finish.type === 'hard-boil';

const isFirmer = (after: Assessment, before: Assessment): boolean =>
  after.balance.set.firmness.mid > before.balance.set.firmness.mid * (1 + FIRMER_BY);
const isShelf = ({ keeping }: Assessment): boolean => keeping.verdict === 'shelf';
const boilsOffMore = (after: Assessment, before: Assessment): boolean =>
  after.balance.waterToBoilOff_kg.mid > before.balance.waterToBoilOff_kg.mid;

const hasWaterToBoil = ({ outcome, contents }: PreparedPot): boolean =>
  outcome.waterOff > contents.mass * WATER_TO_BOIL_SHARE;
const isNearlyGood = ({ outcome }: PreparedPot): boolean =>
  outcome.firmness >= NEARLY_GOOD_FIRMNESS;
const isGood = ({ outcome }: PreparedPot): boolean => outcome.firmness >= GOOD_FIRMNESS;

/** Adds the least of an ingredient that is enough, said as what to do. */
function add(
  { bench }: Situation,
  id: string,
  enough: (pot: PreparedPot) => boolean,
  mostShare?: number,
): Proposal | undefined {
  const edits = leastAddition(bench, id, enough, mostShare);
  const name = ingredientById(id)?.name[1] ?? id;
  const edit = edits?.[0];
  if (!edits || !edit) return undefined;
  if (edit.op === 'set') return { text: `Make it ${edit.amount} ${name}`, edits };
  return edit.op === 'add' ? { text: `Add ${edit.amount} ${name}`, edits } : undefined;
}

/** Takes as little sweetener off its first line as is enough. */
function lessSugar(
  { bench, document }: Situation,
  enough: (pot: PreparedPot) => boolean,
): Proposal | undefined {
  const line = document.lines.findIndex(
    ({ ingredient }) => ingredientById(ingredient ?? '')?.category === 'sweetener',
  );
  const edits = line < 0 ? undefined : reducedLine(bench, line, enough);
  const edit = edits?.[0];
  if (!edits || edit?.op !== 'set') return undefined;
  const name = ingredientById(document.lines[line]?.ingredient ?? '')?.name[1] ?? '';
  return { text: `Make it ${edit.amount} ${name}`, edits };
}

const acidForKeeping: RemedyRule = {
  code: 'acid-for-keeping',
  needed: ({ before }) => hasReason(before, 'not-acid-enough') && before.keeping.limitPH !== null,
  propose: (situation) => {
    const limit = situation.before.keeping.limitPH ?? 0;
    return add(situation, LEMON, ({ formula }) => isAcidEnough(formula, limit));
  },
  helps: isShelf,
};

const smallerJars: RemedyRule = {
  code: 'smaller-jars',
  needed: ({ before }) => hasReason(before, 'no-row'),
  propose: ({ document }) => {
    const size = document.kind === 'curd' ? 'half-pint' : 'pint';
    return { text: `Fill ${size}s`, edits: [{ op: 'jars', jars: [{ size }] }] };
  },
  helps: isShelf,
};

const lessFat: RemedyRule = {
  code: 'less-fat',
  needed: ({ before, document }) => document.kind !== 'curd' && hasReason(before, 'fat'),
  propose: ({ before, document }) => {
    const line = document.lines.findIndex(
      ({ ingredient }) => ingredient === 'butter' || ingredient === 'cooking-oil',
    );
    if (line < 0) return undefined;
    const trace_g = Math.floor(before.balance.massIn_kg.mid * FAT_TRACE * 10_000 * 0.95) / 10;
    const amount = `${trace_g} g`;
    return { text: `Keep to ${amount} of it`, edits: [{ op: 'set', line, amount }] };
  },
  helps: isShelf,
};

const lessSugarToBoil: RemedyRule = {
  code: 'less-sugar',
  needed: ({ before }) => hasWarning('already-past-finish')(before),
  propose: (situation) => lessSugar(situation, hasWaterToBoil),
  helps: boilsOffMore,
};

const waterToBoil: RemedyRule = {
  code: 'more-water',
  needed: ({ before }) => hasWarning('already-past-finish')(before),
  propose: (situation) => add(situation, 'water', hasWaterToBoil),
  helps: boilsOffMore,
};

const acidForSet: RemedyRule = {
  code: 'acid-for-set',
  needed: (situation) =>
    setsBy(situation) === 'high-methoxyl' &&
    isWeak(situation) &&
    (hasSetReason(situation.before, 'little-acid') ||
      situation.before.balance.pH.mid > ACID_ENOUGH_PH),
  propose: (situation) => {
    const proposal = add(
      situation,
      situation.document.kind === 'savoury-jelly' ? 'citric-acid' : LEMON,
      ({ outcome }) => outcome.pH <= ACID_ENOUGH_PH,
      MOST_LEMON_SHARE,
    );
    return proposal && hasReason(situation.before, 'low-acid')
      ? { ...proposal, text: `${proposal.text}, for taste and set only` }
      : proposal;
  },
  // Lemon comes before any fruit: a little firmer is enough.
  helps: (after, before) =>
    after.balance.set.firmness.mid > before.balance.set.firmness.mid * (1 + LITTLE_FIRMER_BY),
};

const isShortOfSolids = (situation: Situation): boolean =>
  setsBy(situation) === 'high-methoxyl' &&
  isWeak(situation) &&
  hasSetReason(situation.before, 'few-solids');

const sugarForSet: RemedyRule = {
  code: 'sugar-for-set',
  needed: (situation) => isShortOfSolids(situation) && isTimed(situation),
  propose: (situation) =>
    add(situation, 'white-sugar', ({ outcome }) => outcome.solids >= SETTING_SOLIDS.sugared),
  helps: isFirmer,
};

const boilFurther: RemedyRule = {
  code: 'boil-further',
  needed: (situation) => isShortOfSolids(situation) && !isTimed(situation),
  propose: () => ({
    text: `Boil on to ${SETTING_SOLIDS.boiled} % soluble solids`,
    edits: [{ op: 'finish', finish: { type: 'soluble-solids', percent: SETTING_SOLIDS.boiled } }],
  }),
  helps: isFirmer,
};

const pectinPartner: RemedyRule = {
  code: 'pectin-partner',
  needed: (situation) =>
    setsBy(situation) === 'high-methoxyl' &&
    isWeak(situation) &&
    situation.document.method === 'long-boil' &&
    situation.document.kind !== 'jelly' &&
    situation.document.kind !== 'savoury-jelly',
  propose: (situation) => add(situation, 'tart-apple', isNearlyGood, MOST_APPLE_SHARE),
  helps: isFirmer,
};

const pectinForSet: RemedyRule = {
  code: 'pectin-for-set',
  needed: (situation) => setsBy(situation) === 'high-methoxyl' && isWeak(situation),
  propose: (situation) => {
    const id = situation.document.method === 'liquid-pectin' ? 'pectin-liquid' : 'pectin-powder';
    return add(situation, id, isGood, MOST_PECTIN_SHARE[id]);
  },
  helps: isFirmer,
};

/** A box of powdered pectin wants about 5 cups of crushed fruit, 5 x 234 g. Common practice. */
const FRUIT_FOR_A_BOX_KG = 1.17;

const lessFruit: RemedyRule = {
  code: 'less-fruit',
  needed: (situation) => situation.document.method === 'powdered-pectin' && isWeak(situation),
  propose: ({ bench, before, document }) => {
    const { formula } = readFormula(document, bench.kitchen);
    const boxes = Math.max(batchesForPectin(formula), 1);
    const fruits = formula.lines.filter(({ ingredient }) => isProduce(ingredient));
    const fruit_kg = fruits.reduce((sum, { mass_kg }) => sum + mass_kg.mid, 0);
    const most_kg = FRUIT_FOR_A_BOX_KG * boxes;
    const largest = fruits.toSorted((a, b) => b.mass_kg.mid - a.mass_kg.mid)[0];
    if (!largest || fruit_kg <= most_kg || before.balance.massIn_kg.mid <= 0) return undefined;
    const left_kg = largest.mass_kg.mid - (fruit_kg - most_kg);
    if (left_kg <= 0) return undefined;
    const amount = scaledAmount(largest.amount, left_kg / largest.mass_kg.mid);
    return {
      text: `Use ${amount} ${largest.label}: this much pectin wants about ${5 * boxes} cups of crushed fruit`,
      edits: [{ op: 'set', line: largest.index, amount }],
    };
  },
  helps: isFirmer,
};

const lessSugarForSet: RemedyRule = {
  code: 'less-sugar-for-set',
  needed: (situation) =>
    setsBy(situation) === 'high-methoxyl' && isWeak(situation) && !isTimed(situation),
  propose: (situation) => lessSugar(situation, isNearlyGood),
  helps: isFirmer,
};

/** Calcium pectin and calcium water go in by the same spoons, teaspoons. Common practice. */
const CALCIUM_SPOONS = [1, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10, 12, 16] as const;

/**
 * The same fruit and sugar set by calcium pectin, which needs no sugar, in place of the pectin that
 * does.
 */
function byCalcium(document: FormulaDocument, spoons: number): Edit[] {
  const old = document.lines.flatMap(({ ingredient }, line) =>
    ingredientById(ingredient ?? '')?.category === 'pectin'
      ? [{ op: 'remove' as const, line }]
      : [],
  );
  return [
    // From the last, so that the places of the others stay as they are.
    ...old.toReversed(),
    { op: 'method', method: 'calcium-pectin', finish: { type: 'hard-boil', minutes: 2 } },
    { op: 'add', ingredient: 'calcium-water', amount: `${spoons} tsp` },
    { op: 'add', ingredient: 'pectin-calcium', amount: `${spoons} tsp` },
  ];
}

const calciumInstead: RemedyRule = {
  code: 'calcium-instead',
  needed: ({ before }) => hasWarning('sugar-cut')(before),
  propose: ({ bench, document }) => {
    const spoons = CALCIUM_SPOONS.find((tsp) => {
      const pot = tried(bench, byCalcium(document, tsp));
      return pot !== undefined && isGood(pot);
    });
    return spoons === undefined
      ? undefined
      : {
          text: `Set it with calcium pectin instead: ${spoons} tsp, and ${spoons} tsp calcium water`,
          edits: byCalcium(document, spoons),
        };
  },
  helps: isFirmer,
};

const calciumForSet: RemedyRule = {
  code: 'calcium-for-set',
  needed: (situation) =>
    setsBy(situation) === 'low-methoxyl' && hasSetReason(situation.before, 'little-calcium'),
  propose: (situation) =>
    add(
      situation,
      'calcium-water',
      ({ contents: { freeCalcium_mg, lowMethoxyl } }) =>
        freeCalcium_mg / Math.max(lowMethoxyl * 1000, 1e-9) >= GOOD_CALCIUM_MG_PER_G,
    ),
  helps: isFirmer,
};

const calciumPectinForSet: RemedyRule = {
  code: 'pectin-for-set',
  needed: (situation) => setsBy(situation) === 'low-methoxyl' && isWeak(situation),
  propose: (situation) =>
    add(situation, 'pectin-calcium', isGood, MOST_PECTIN_SHARE['pectin-calcium']),
  helps: isFirmer,
};

const softer: RemedyRule = {
  code: 'softer',
  needed: (situation) =>
    setsBy(situation) !== 'egg' && situation.before.balance.set.firmness.mid > STIFF_ABOVE,
  propose: (situation) => add(situation, 'water', ({ outcome }) => outcome.firmness <= THINNED_TO),
  helps: (after, before) => after.balance.set.firmness.mid < before.balance.set.firmness.mid,
};

const acidAgainstGrains: RemedyRule = {
  code: 'acid-against-grains',
  needed: ({ before }) => hasWarning('may-crystallise')(before),
  propose: (situation) =>
    add(situation, LEMON, ({ outcome }) => outcome.inversion > UNGRAINY_INVERSION),
  helps: (after) => !hasWarning('may-crystallise')(after),
};

/** Keeping comes before set, set before the rest. */
const REMEDY_RULES: readonly RemedyRule[] = [
  acidForKeeping,
  smallerJars,
  lessFat,
  lessSugarToBoil,
  waterToBoil,
  acidForSet,
  lessFruit,
  sugarForSet,
  boilFurther,
  pectinPartner,
  pectinForSet,
  lessSugarForSet,
  calciumInstead,
  calciumForSet,
  calciumPectinForSet,
  softer,
  acidAgainstGrains,
];

/** No more than this many are offered. */
const MOST_REMEDIES = 6;

const strictness = ({ keeping }: Assessment): number => KEEPING_VERDICTS.indexOf(keeping.verdict);
/** What a pan on the heat allows: more of something, or another finish. */
const canBeDoneOnHeat = ({ op }: Edit): boolean => op === 'add' || op === 'finish';

/**
 * What to change, computed and not canned: for each thing that is wrong the least change that puts
 * it right, each tried in a full balance and kept only if it helps.
 *
 * @returns at most six, the most useful first; empty where nothing is wrong or nothing helps
 */
export function remedies(document: FormulaDocument, options: RemedyOptions = {}): Remedy[] {
  const before = assess(document, options);
  if (!before) return [];
  const { kitchen = {}, units = 'metric', onHeat = false } = options;
  const mass_kg = before.balance.massIn_kg.mid;
  const situation: Situation = {
    document,
    before,
    bench: { document, kitchen, units, onHeat, mass_kg },
  };
  const found: Remedy[] = [];
  for (const { code, needed, propose, helps } of REMEDY_RULES) {
    const proposal = needed(situation) ? propose(situation) : undefined;
    if (!proposal || found.some(({ change }) => isSame(change, proposal.edits))) continue;
    const after = assess(edited(document, proposal.edits), options);
    if (!after || !helps(after, before) || strictness(after) > strictness(before)) continue;
    if (warnsOfMore(after, before)) continue;
    const { text, edits: change } = proposal;
    found.push({ code, text, effect: effectOf(before, after), change });
  }
  return found
    .filter(({ change }) => !onHeat || change.every(canBeDoneOnHeat))
    .slice(0, MOST_REMEDIES);
}

/** What is offered by one rule is never what another warns of. */
const warnsOfMore = (after: Assessment, before: Assessment): boolean =>
  after.balance.warnings.some(({ code }) => !hasWarning(code)(before));

const isSame = (one: readonly Edit[], other: readonly Edit[]): boolean =>
  JSON.stringify(one) === JSON.stringify(other);
