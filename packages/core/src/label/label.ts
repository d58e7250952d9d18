import { fruitMass_kg, type Balance } from '../balance/index.js';
import { asMadeOf, type PotFormula } from '../formula/index.js';
import type { KeepingVerdict, KeptIn } from '../keeping/index.js';
import { ALLERGENS } from '../produce/index.js';

/** The jars a label is for. */
export interface LabelledJars {
  readonly batchId: string;
  readonly size: string;
  /** 0 to 1 for a part jar, null for full ones. */
  readonly partFill: number | null;
  /** What a full one of this size holds, where it was weighed, g; it beats what is computed. */
  readonly net_g?: number;
  /** As 2026-09-12. */
  readonly madeOn: string;
  readonly keptIn: KeptIn | null;
  readonly verdict: KeepingVerdict;
  /** As 2027-09-12; null where they are not kept. */
  readonly bestBefore: string | null;
}

export interface LabelIngredient {
  readonly name: string;
  /** The law wants it to stand out. */
  readonly allergen: boolean;
}

/** What stands on the label of a jar. */
export interface LabelContent {
  readonly lot: string;
  readonly madeOn: string;
  readonly bestBefore: string;
  /** How to keep it, in the words of its verdict. */
  readonly storage: string;
  readonly opened: string;
  /** Net amount, g, to 5 g; undefined where it is not known. */
  readonly net_g: number | undefined;
  /**
   * Prepared fruit for 100 g of the spread, g, and soluble solids in it, which is what the
   * directive calls its sugar.
   */
  readonly fruitPer100_g: number | undefined;
  readonly sugarPer100_g: number | undefined;
  /** In order of weight. */
  readonly ingredients: readonly LabelIngredient[];
  /** Allergens in it: "egg", "sulphites". */
  readonly allergens: readonly string[];
  /** Warnings that belong on a jar: honey and infants. */
  readonly warnings: readonly string[];
}

/** A net amount is written in such steps, g: nobody fills a jar nearer. Common practice. */
const NET_STEP_G = 5;

/** "lemon juice, bottled" as it reads in a list: "bottled lemon juice". */
const plainName = (name: string): string => {
  const [what, how] = name.split(', ', 2);
  return how === undefined ? name : `${how} ${what}`;
};

/**
 * A code that tells jars of one batch from those of another: the day, and the batch's own three
 * signs.
 */
export const lotCode = (madeOn: string, batchId: string): string =>
  `${madeOn.slice(2, 4)}${madeOn.slice(5, 7)}${madeOn.slice(8, 10)}-${batchId.replaceAll('-', '').slice(0, 3).toUpperCase()}`;

/**
 * Storage words by verdict; a label never promises more than the verdict. Common practice, as the
 * guides have it.
 */
const STORAGE: Readonly<Record<Exclude<KeepingVerdict, 'stop'>, string>> = {
  shelf: 'Keep cool, dark and dry.',
  fridge: 'Keep in the fridge.',
  freezer: 'Keep frozen; thaw in the fridge.',
};

/**
 * What stands on the label of these jars: of the batch as made, at the weight its jars hold.
 * Undefined where they are not to be kept: such a jar gets no label.
 *
 * Fruit and sugar for 100 g as directive 2001/113/EC asks for them (from memory): the sugar is the
 * soluble solids, by refractometer.
 */
export function labelContent(
  written: Pick<PotFormula, 'lines'>,
  balance: Balance | null,
  jars: LabelledJars,
): LabelContent | undefined {
  if (jars.verdict === 'stop' || jars.bestBefore === null) return undefined;
  const formula = asMadeOf(written);
  const byName = new Map<string, { mass: number; allergen: boolean }>();
  const fruit_kg = fruitMass_kg(formula);
  for (const { label, ingredient, mass_kg } of formula.lines) {
    // Water boils away: it is no ingredient of a spread.
    if (ingredient.id === 'water') continue;
    const had = byName.get(label);
    byName.set(label, {
      mass: (had?.mass ?? 0) + mass_kg.mid,
      allergen: ingredient.cautions.some((caution) => ALLERGENS.has(caution)),
    });
  }
  const fill_g = jars.net_g ?? balance?.jars.find(({ size }) => size === jars.size)?.fillMass_g.mid;
  const finish_kg = balance?.finish.mass_kg.mid;
  const honey = formula.lines.some(({ ingredient }) => ingredient.cautions.includes('honey'));
  return {
    lot: lotCode(jars.madeOn, jars.batchId),
    madeOn: jars.madeOn,
    bestBefore: jars.bestBefore,
    storage: STORAGE[jars.verdict],
    opened:
      jars.verdict === 'shelf' ? 'Once opened, in the fridge.' : 'Use by the date, opened or not.',
    net_g:
      fill_g === undefined
        ? undefined
        : Math.round((fill_g * (jars.partFill ?? 1)) / NET_STEP_G) * NET_STEP_G,
    fruitPer100_g:
      finish_kg === undefined || fruit_kg === 0
        ? undefined
        : Math.round((fruit_kg / finish_kg) * 100),
    sugarPer100_g:
      balance === null ? undefined : Math.round(balance.finish.solubleSolidsPercent.mid),
    allergens: [
      ...new Set(
        formula.lines.flatMap(({ ingredient }) =>
          ingredient.cautions.filter((caution) => ALLERGENS.has(caution)),
        ),
      ),
    ],
    ingredients: [...byName]
      .sort((a, b) => b[1].mass - a[1].mass)
      .map(([name, { allergen }]) => ({ name: plainName(name), allergen })),
    warnings: honey ? ['Honey: not for children under one year.'] : [],
  };
}
