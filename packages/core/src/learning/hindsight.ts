import { balance } from '../balance/index.js';
import {
  readFormula,
  RISE_LIMITS_K,
  withoutPlace,
  type FormulaDocument,
  type Kitchen,
} from '../formula/index.js';
import { boilFrom, type Boil } from '../boil-log/index.js';
import { volumeFilled_ml, volumePlanned_ml } from '../made-batch/index.js';
import { watchBoil } from '../forecast/index.js';
import { boilingPointAt } from '../water/index.js';
import { MINUTE_MS } from '../quantity/index.js';

/** What comes of a batch: millilitres of jars, and minutes from the first reading to the end. */
export interface Coming {
  readonly yield_ml?: number;
  readonly minutes?: number;
}

/** What came of a batch that is done. */
export function cameOf(boil: Boil, written: FormulaDocument, kitchen: Kitchen): Coming {
  const { endedAt, readings } = boil;
  const { formula } = readFormula(withoutPlace(written), kitchen);
  const yield_ml = volumeFilled_ml(boil, formula);
  const [first] = readings;
  return {
    ...(yield_ml !== undefined && { yield_ml }),
    ...(endedAt !== undefined && first && { minutes: (endedAt - first.at) / MINUTE_MS }),
  };
}

/**
 * Millilitres of jars computed for the reading the batch was lit to be stopped at.
 * @param kitchen with or without what was learned
 */
export function foretoldYield_ml(
  boil: Boil,
  written: FormulaDocument,
  kitchen: Kitchen,
): number | undefined {
  const { gelTemperature_C } = boil;
  const rise =
    gelTemperature_C === undefined
      ? undefined
      : gelTemperature_C - boilingPointAt(kitchen).boilingPoint_C.mid;
  const document: FormulaDocument =
    rise !== undefined && written.finish.type === 'gel-temperature'
      ? {
          ...withoutPlace(written),
          finish: {
            type: 'gel-temperature',
            rise: `${Math.min(Math.max(rise, RISE_LIMITS_K.least), RISE_LIMITS_K.most).toFixed(2)} C`,
          },
        }
      : withoutPlace(written);
  const { formula } = readFormula(document, kitchen);
  return volumePlanned_ml(formula, balance(formula))?.mid;
}

/**
 * What would have been foretold of a batch when its first reading came in, for the reading it was
 * lit to be stopped at.
 *
 * @param kitchen as it was known then, with or without what was learned
 */
export function foretold(boil: Boil, written: FormulaDocument, kitchen: Kitchen): Coming {
  const yield_ml = foretoldYield_ml(boil, written, kitchen);
  const first = boil.readings[0]?.at;
  const then =
    first === undefined
      ? undefined
      : boilFrom(boil.log.filter(({ at }) => at <= first).map(({ event }) => event));
  const left =
    then && first !== undefined
      ? watchBoil(then, written, kitchen, first)?.forecast.left_s.mid
      : undefined;
  return {
    ...(yield_ml !== undefined && { yield_ml }),
    ...(left !== undefined && { minutes: left / 60 }),
  };
}

/** What came of a batch beside what was foretold without and with what earlier ones had taught. */
export interface Hindsight {
  readonly came: Coming;
  readonly without: Coming;
  readonly with: Coming;
}

/**
 * Mean errors of what was foretold: yields as a share of what came, times in minutes; undefined
 * where nothing can be compared.
 */
export interface Errors {
  readonly yield:
    { readonly without: number; readonly with: number; readonly batches: number } | undefined;
  readonly minutes:
    { readonly without: number; readonly with: number; readonly batches: number } | undefined;
}

/** By how much learning made what was foretold better, or worse. */
export function errorsOf(batches: readonly Hindsight[]): Errors {
  const mean = (of: keyof Coming, error: (foretold: number, came: number) => number) => {
    const found = batches.flatMap(({ came, without, with: learned }) => {
      const [is, one, other] = [came[of], without[of], learned[of]];
      return is === undefined || one === undefined || other === undefined
        ? []
        : [[error(one, is), error(other, is)] as const];
    });
    if (found.length === 0) return undefined;
    const sum = (side: 0 | 1): number =>
      found.reduce((total, pair) => total + pair[side], 0) / found.length;
    return { without: sum(0), with: sum(1), batches: found.length };
  };
  return {
    yield: mean('yield_ml', (said, is) => Math.abs(said / is - 1)),
    minutes: mean('minutes', (said, is) => Math.abs(said - is)),
  };
}
