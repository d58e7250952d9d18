import { preparePot, type PreparedPot } from '../balance/index.js';
import { ingredientById } from '../produce/index.js';
import { parseAmount, writeAmount, type UnitSystem } from '../quantity/index.js';
import { readFormula, type FormulaDocument, type Kitchen } from '../formula/index.js';
import { KEEPING_VERDICTS, worstPH, type KeepingOptions } from '../keeping/index.js';
import { addition } from './addition.js';
import { bisect } from './bisect.js';
import { edited, type Edit } from './edit.js';
import { effectOf, assess, type Assessment } from './effect.js';

/** One change that helps, computed, with its effect. */
export interface Remedy {
  readonly code: string;
  /** What to do: "Add 30 ml bottled lemon juice". */
  readonly text: string;
  /** What it does: "pH 3.6 → 3.3, set soft → good, yield +0.1". */
  readonly effect: string;
  readonly change: readonly Edit[];
}

export interface RemedyOptions extends KeepingOptions {
  readonly kitchen?: Kitchen;
  readonly units?: UnitSystem;
  /** The pot is on the heat: what is in it stays in, and more can only be added. */
  readonly onHeat?: boolean;
}

/** A pot as it would be, evaluated at the middle. */
interface Trial {
  readonly document: FormulaDocument;
  readonly pot: PreparedPot;
}

/** pH most makers and most pectin like best. */
const BEST_PH = 3.25;
/** Firmness aimed at where a set is wanted. */
const GOOD = 1;
/**
 * Pectin beyond this share of the pot is glue, not a remedy. Common practice: one box or pouch to
 * about 2.5 kg.
 */
const MOST_PECTIN = {
  'pectin-powder': 0.035,
  'pectin-liquid': 0.08,
  'pectin-calcium': 0.02,
} as const;
/** Free calcium a gram of pectin aimed at, mg. */
const GOOD_CALCIUM = 15;

/**
 * What to change, computed and not canned: for each thing that is wrong the least change that puts
 * it right, each tried in a full balance and kept only if it helps. Keeping comes before set, set
 * before the rest.
 *
 * @returns at most six, the most useful first; empty where nothing is wrong or nothing helps
 */
export function remedies(document: FormulaDocument, options: RemedyOptions = {}): Remedy[] {
  const before = assess(document, options);
  if (!before) return [];
  const { kitchen = {}, units = 'metric', onHeat = false } = options;
  const found: Remedy[] = [];
  const trial = (edits: readonly Edit[]): Trial | undefined => {
    const next = edited(document, edits);
    const { formula, problems } = readFormula(next, kitchen);
    const pot = problems.length === 0 ? preparePot(formula) : null;
    return pot ? { document: next, pot } : undefined;
  };
  const offer = (
    code: string,
    text: string,
    edits: readonly Edit[] | undefined,
    helps: (after: Assessment) => boolean,
  ): void => {
    if (!edits || found.some((other) => JSON.stringify(other.change) === JSON.stringify(edits)))
      return;
    const after = assess(edited(document, edits), options);
    if (
      !after ||
      !helps(after) ||
      KEEPING_VERDICTS.indexOf(after.keeping.verdict) >
        KEEPING_VERDICTS.indexOf(before.keeping.verdict)
    )
      return;
    found.push({ code, text, effect: effectOf(before, after), change: edits });
  };
  /** The least of an ingredient that makes `enough` true, written as a kitchen measures it. */
  const least = (id: string, enough: (t: Trial) => boolean, most = 0.6): Edit[] | undefined => {
    const adding = (grams: number): Edit => addition(document, id, grams, units, onHeat);
    const amount = leastAmount(before.balance.massIn_kg.mid * 1000 * most, (grams) => {
      const t = trial([adding(grams)]);
      return t !== undefined && enough(t);
    });
    return amount === undefined ? undefined : [adding(amount)];
  };
  const said = (edits: readonly Edit[] | undefined, id: string): string => {
    const [edit] = edits ?? [];
    const name = ingredientById(id)?.name[1] ?? id;
    if (edit?.op === 'set') return `Make it ${edit.amount} ${name}`;
    return edit?.op === 'add' ? `Add ${edit.amount} ${name}` : '';
  };

  const { balance: now, keeping } = before;
  const { set } = now;
  if (keeping.reasons.some(({ code }) => code === 'not-acid-enough') && keeping.limitPH !== null) {
    const limit = keeping.limitPH;
    const lemon = least(
      'lemon-juice-bottled',
      ({ document: next }) => worstPH(readFormula(next, kitchen).formula) <= limit,
    );
    offer(
      'acid-for-keeping',
      said(lemon, 'lemon-juice-bottled'),
      lemon,
      (after) => after.keeping.verdict === 'shelf',
    );
  }
  if (keeping.reasons.some(({ code }) => code === 'no-row')) {
    const size = document.kind === 'curd' ? 'half-pint' : 'pint';
    offer(
      'smaller-jars',
      `Fill ${size}s`,
      [{ op: 'jars', jars: [{ size }] }],
      (after) => after.keeping.verdict === 'shelf',
    );
  }
  if (keeping.reasons.some(({ code }) => code === 'fat')) {
    const line = document.lines.findIndex(
      ({ ingredient }) => ingredient === 'butter' || ingredient === 'cooking-oil',
    );
    if (line >= 0 && document.kind !== 'curd')
      offer(
        'less-fat',
        'Keep to 1/2 tsp of it',
        [{ op: 'set', line, amount: '1/2 tsp' }],
        (after) => after.keeping.verdict === 'shelf',
      );
  }
  if (now.warnings.some(({ code }) => code === 'already-past-finish')) {
    const sugar = document.lines.findIndex(
      ({ ingredient }) => ingredientById(ingredient ?? '')?.category === 'sweetener',
    );
    if (sugar >= 0) {
      const less = lessOf(
        document,
        sugar,
        trial,
        ({ pot }) => pot.outcome.waterOff > pot.contents.mass * 0.08,
      );
      offer(
        'less-sugar',
        less?.[0]?.op === 'set' ? `Make it ${less[0].amount} ${nameOf(document, sugar)}` : '',
        less,
        (after) => after.balance.waterToBoilOff_kg.mid > now.waterToBoilOff_kg.mid,
      );
    }
    const water = least('water', ({ pot }) => pot.outcome.waterOff > pot.contents.mass * 0.08);
    offer(
      'more-water',
      said(water, 'water'),
      water,
      (after) => after.balance.waterToBoilOff_kg.mid > now.waterToBoilOff_kg.mid,
    );
  }
  const weak = set.firmness.mid < 0.8;
  const firmer = (after: Assessment): boolean =>
    after.balance.set.firmness.mid > set.firmness.mid * 1.08;
  if (set.model === 'high-methoxyl') {
    const reasons = new Set(set.reasons.map(({ code }) => code));
    const lemonId = document.kind === 'savoury-jelly' ? 'citric-acid' : 'lemon-juice-bottled';
    if (weak && reasons.has('little-acid')) {
      // More than one part in 25 would be a lemon preserve.
      const lemon = least(lemonId, ({ pot }) => pot.outcome.pH <= BEST_PH + 0.1, 0.04);
      offer('acid-for-set', said(lemon, lemonId), lemon, firmer);
    }
    if (weak && reasons.has('few-solids')) {
      if (document.finish.type === 'hard-boil') {
        const sugar = least('white-sugar', ({ pot }) => pot.outcome.solids >= 62);
        offer('sugar-for-set', said(sugar, 'white-sugar'), sugar, firmer);
      } else
        offer(
          'boil-further',
          'Boil on to 65 % soluble solids',
          [{ op: 'finish', finish: { type: 'soluble-solids', percent: 65 } }],
          firmer,
        );
    }
    if (weak) {
      const partner = least('tart-apple', ({ pot }) => pot.outcome.firmness >= 0.85, 0.25);
      if (
        document.method === 'long-boil' &&
        document.kind !== 'jelly' &&
        document.kind !== 'savoury-jelly'
      )
        offer('pectin-partner', said(partner, 'tart-apple'), partner, firmer);
      const id = document.method === 'liquid-pectin' ? 'pectin-liquid' : 'pectin-powder';
      const pectin = least(id, ({ pot }) => pot.outcome.firmness >= GOOD, MOST_PECTIN[id]);
      offer('pectin-for-set', said(pectin, id), pectin, firmer);
      const line = document.lines.findIndex(
        ({ ingredient }) => ingredientById(ingredient ?? '')?.category === 'sweetener',
      );
      if (line >= 0 && document.finish.type !== 'hard-boil') {
        const less = lessOf(document, line, trial, ({ pot }) => pot.outcome.firmness >= 0.85);
        offer(
          'less-sugar-for-set',
          less?.[0]?.op === 'set' ? `Make it ${less[0].amount} ${nameOf(document, line)}` : '',
          less,
          firmer,
        );
      }
    }
  }
  if (now.warnings.some(({ code }) => code === 'sugar-cut')) {
    const spoons = SPOONS.find(
      (tsp) => (trial(byCalcium(document, tsp))?.pot.outcome.firmness ?? 0) >= GOOD,
    );
    if (spoons !== undefined)
      offer(
        'calcium-instead',
        `Set it with calcium pectin instead: ${spoons} tsp, and ${spoons} tsp calcium water`,
        byCalcium(document, spoons),
        firmer,
      );
  }
  if (set.model === 'low-methoxyl') {
    if (set.reasons.some(({ code }) => code === 'little-calcium')) {
      const water = least(
        'calcium-water',
        ({ pot }) =>
          pot.contents.freeCalcium_mg / Math.max(pot.contents.lowMethoxyl * 1000, 1e-9) >=
          GOOD_CALCIUM,
      );
      offer('calcium-for-set', said(water, 'calcium-water'), water, firmer);
    }
    if (weak) {
      const pectin = least(
        'pectin-calcium',
        ({ pot }) => pot.outcome.firmness >= GOOD,
        MOST_PECTIN['pectin-calcium'],
      );
      offer('pectin-for-set', said(pectin, 'pectin-calcium'), pectin, firmer);
    }
  }
  if (set.firmness.mid > 2.1 && set.model !== 'egg') {
    const water = least('water', ({ pot }) => pot.outcome.firmness <= 1.6);
    offer(
      'softer',
      said(water, 'water'),
      water,
      (after) => after.balance.set.firmness.mid < set.firmness.mid,
    );
  }
  if (now.warnings.some(({ code }) => code === 'may-crystallise')) {
    const lemon = least('lemon-juice-bottled', ({ pot }) => pot.outcome.inversion > 0.2);
    offer(
      'acid-against-grains',
      said(lemon, 'lemon-juice-bottled'),
      lemon,
      (after) => !after.balance.warnings.some(({ code }) => code === 'may-crystallise'),
    );
  }
  return found
    .filter(
      ({ text, change }) =>
        text !== '' && !(onHeat && change.some(({ op }) => op !== 'add' && op !== 'finish')),
    )
    .slice(0, 6);
}

/** Calcium pectin and calcium water go in by the same spoons. Common practice. */
const SPOONS = [1, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10, 12, 16] as const;

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
    // From the last, so that the places of the others stand.
    ...old.toReversed(),
    { op: 'method', method: 'calcium-pectin', finish: { type: 'hard-boil', minutes: 2 } },
    { op: 'add', ingredient: 'calcium-water', amount: `${spoons} tsp` },
    { op: 'add', ingredient: 'pectin-calcium', amount: `${spoons} tsp` },
  ];
}

const nameOf = (document: FormulaDocument, line: number): string =>
  ingredientById(document.lines[line]?.ingredient ?? '')?.name[1] ?? '';

/** Least grams, up to `most`, for which `enough` holds; it is tried in the amounts as written. */
function leastAmount(most: number, enough: (grams: number) => boolean): number | undefined {
  let high = most * 0.006;
  while (!enough(high)) {
    if (high >= most) return undefined;
    high = Math.min(high * 2, most);
  }
  return bisect(0, high, 12, (grams) => !enough(grams)).fails;
}

/** A remedy takes away no more than leaves this share. */
const LEAST_LEFT = 0.25;

/** The most of a line that still makes `enough` true. */
function lessOf(
  document: FormulaDocument,
  line: number,
  trial: (edits: readonly Edit[]) => Trial | undefined,
  enough: (t: Trial) => boolean,
): Edit[] | undefined {
  const text = document.lines[line]?.amount;
  const had = typeof text === 'string' ? parseAmount(text, document.decimal) : undefined;
  if (!had?.ok) return undefined;
  const { amount } = had;
  const at = (share: number): Edit[] => [
    { op: 'set', line, amount: writeAmount(amount.value * share, amount.unit) },
  ];
  const works = (share: number): boolean => {
    const t = trial(at(share));
    return t !== undefined && enough(t);
  };
  return works(LEAST_LEFT) ? at(bisect(LEAST_LEFT, 1, 10, works).holds) : undefined;
}
