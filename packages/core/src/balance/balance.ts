import { FILL_BEFORE_FOAM } from './pan-fill.js';
import type { Range } from '../range/index.js';
import { syrupDensity_kgPerM3 } from '../syrup/index.js';
import { firmnessWord, type FirmnessWord } from '../pectin/index.js';
import { jarsToHaveHot } from '../jars/index.js';
import type { PotFormula, Warning } from '../formula/index.js';
import { addInto, contentsAt, middleOf, type LineInput } from './contents.js';
import {
  acidityOf,
  evaluate,
  LEAST_BOIL_MIN,
  SOFTENING_SAVES_MIN,
  type Outcome,
  type PotInput,
  type SetModel,
} from './evaluate.js';
import { finishTemperature } from './finish-temperature.js';
import { preparePot, type BalanceOptions, type PreparedPot } from './prepare.js';
import { setReasons, type SetReason } from './set-reasons.js';
import { standardsOf, type StandardCheck } from './standards.js';
import { auditWarnings, potWarnings } from './warnings.js';
import { yieldBracket } from './bracket.js';

export interface JarCount {
  readonly size: string;
  /** Fractional jars. */
  readonly count: Range;
  /** Grams in one full jar. */
  readonly fillMass_g: Range;
}

export interface GelSet {
  readonly model: SetModel;
  /** 1 is a good set; see `pectin`. */
  readonly firmness: Range;
  readonly verdict: FirmnessWord;
  readonly reasons: readonly SetReason[];
}

/** How much one uncertain input widens a result. */
export interface Influence {
  /** Document line, or undefined for a doubt of the whole pot. */
  readonly line: number | undefined;
  readonly input: LineInput | PotInput;
  /** Half the width it gives the yield (share of the middle), the firmness and the pH. */
  readonly yieldShare: number;
  readonly firmness: number;
  readonly pH: number;
}

/** What will come out of a pot. Ranges are the middle and the 5th and 95th percentile. */
export interface Balance {
  readonly massIn_kg: Range;
  readonly solubleSolids_kg: Range;
  readonly insolubleSolids_kg: Range;
  readonly finish: {
    /** Where to stop, on the thermometer in use. */
    readonly temperature_C: Range;
    readonly boilingPointOfWater_C: Range;
    /** Of the liquid, as a refractometer reads it. */
    readonly solubleSolidsPercent: Range;
    readonly mass_kg: Range;
    /** Hot, in the pan. */
    readonly volume_ml: Range;
  };
  readonly waterToBoilOff_kg: Range;
  /** Minutes at the boil with the sugar in, on a household burner. */
  readonly boilMinutes: Range;
  readonly pH: Range;
  /** As citric acid, of the finished spread. */
  readonly titratableAcidityPercent: Range;
  readonly set: GelSet;
  /** Share of the sucrose split by acid and heat, per cent. */
  readonly inversionPercent: Range;
  /** Foam and film that never reach a jar. */
  readonly losses_kg: Range;
  readonly jars: readonly JarCount[];
  /** Clean hot jars to have at hand. */
  readonly readyJars: number;
  /** Fraction of the last jar that is filled, at the middle. */
  readonly partJar: number;
  /** Half-pints no physics can leave. */
  readonly yieldBracket: { readonly least: number; readonly most: number };
  /**
   * Litres in the pot at the start, and what it must hold so that foam stays in it: three times
   * that at least, four times to be easy.
   */
  readonly pot_l: { readonly fill: number; readonly least: number; readonly easy: number };
  readonly standards: readonly StandardCheck[];
  /** Share of the pot per document line, 0 to 1. */
  readonly lines: readonly {
    readonly index: number;
    readonly mass_kg: Range;
    readonly share: number;
  }[];
  /** What widens the ranges, widest first. */
  readonly influences: readonly Influence[];
  readonly warnings: readonly Warning[];
}

const flat = (o: Outcome): number[] => [
  o.mass,
  o.soluble,
  o.insoluble,
  o.solids,
  o.finished,
  o.volume_ml,
  o.waterOff,
  o.losses,
  o.pH,
  o.firmness,
  o.inversion * 100,
  o.boilMinutes,
  ...o.counts,
  ...o.fillMass_g,
];
const AT = {
  mass: 0,
  soluble: 1,
  insoluble: 2,
  solids: 3,
  finished: 4,
  volume: 5,
  waterOff: 6,
  losses: 7,
  pH: 8,
  firmness: 9,
  inversion: 10,
  minutes: 11,
  counts: 12,
} as const;

/**
 * Inputs that act so nearly linearly that the low end mirrors the high one, where their range is
 * even.
 */
const LINEAR: ReadonlySet<LineInput> = new Set(['mass', 'soluble', 'insoluble'] as const);

/**
 * A spoonful of spice or salt cannot widen anything: below this share of the pot only acid and
 * pectin are moved.
 */
const TOO_LITTLE = 0.01;

/**
 * Minutes at the boil with the doubt of how much was boiled off before the sugar, where fruit was
 * softened.
 */
function withSoftening({ low, mid, high }: Range, { rules }: PreparedPot): Range {
  if (!rules.softens || rules.rule.timedMinutes !== undefined) return { low, mid, high };
  const [less, more] = [
    SOFTENING_SAVES_MIN.high - SOFTENING_SAVES_MIN.mid,
    SOFTENING_SAVES_MIN.mid - SOFTENING_SAVES_MIN.low,
  ];
  return {
    low: Math.max(mid - Math.hypot(mid - low, less), LEAST_BOIL_MIN),
    mid,
    high: mid + Math.hypot(high - mid, more),
  };
}

/**
 * Mass, acid, pectin and jars of a pot from what goes in to what comes out.
 *
 * Finish mass = soluble solids / their fraction at the finish + insoluble solids. The pH is a
 * charge balance, the set follows from solids, pH and pectin, and how much of the sugar has
 * inverted moves the solids a gel temperature means. Every uncertain input is moved to its low and
 * its high end by itself, and the deviations are added in quadrature. A pot that is past its finish
 * before it boils is taken as it is, with a warning.
 *
 * @param formula an understood formula (see `readFormula`)
 * @returns the balance, or null when there is nothing in the pot
 */
export function balance(formula: PotFormula, options: BalanceOptions = {}): Balance | null {
  const pot = preparePot(formula, options);
  if (!pot) return null;
  const { points, parts, contents, rules, rule, inputs, middle, outcome } = pot;
  const base = flat(outcome);
  const up = new Float64Array(base.length);
  const down = new Float64Array(base.length);
  const influences: Influence[] = [];
  const basePH = outcome.pH - middle.pHModel;
  const jarCount = formula.jars.length;
  const baseJars = sum(base, AT.counts, jarCount);
  const note = (
    line: number | undefined,
    input: LineInput | PotInput,
    low: Outcome | undefined,
    high: Outcome | undefined,
    mirrored = false,
  ): void => {
    let yieldDeviation = 0;
    let firmness = 0;
    let pH = 0;
    for (const moved of [low, high]) {
      if (!moved) continue;
      const values = flat(moved);
      for (let k = 0; k < values.length; k++) {
        const deviation = (values[k] ?? 0) - (base[k] ?? 0);
        const square = deviation * deviation;
        if (deviation > 0 || mirrored) up[k] = (up[k] ?? 0) + square;
        if (deviation < 0 || mirrored) down[k] = (down[k] ?? 0) + square;
      }
      yieldDeviation = Math.max(
        yieldDeviation,
        Math.abs(sum(values, AT.counts, jarCount) - baseJars),
      );
      firmness = Math.max(firmness, Math.abs((values[AT.firmness] ?? 0) - outcome.firmness));
      pH = Math.max(pH, Math.abs((values[AT.pH] ?? 0) - outcome.pH));
    }
    influences.push({
      line,
      input,
      yieldShare: baseJars > 0 ? yieldDeviation / baseJars : 0,
      firmness,
      pH,
    });
  };
  for (const key of Object.keys(inputs) as PotInput[]) {
    const { low, mid, high } = inputs[key];
    if (low === high) continue;
    // An evaporation rate only moves how long the boil takes, and through it inversion and pectin.
    const at = (value: number): Outcome =>
      evaluate(contents, { ...middle, [key]: value }, rules, basePH);
    note(undefined, key, low === mid ? undefined : at(low), high === mid ? undefined : at(high));
  }
  points.forEach((point, i) => {
    const part = parts[i];
    if (!part) return;
    const values = middleOf(point);
    const { perKg } = point;
    const acid = perKg.citric + perKg.malic + perKg.tartaric + perKg.acetic + perKg.cation > 0;
    const pectin = perKg.pectin + perKg.highMethoxyl + perKg.lowMethoxyl > 0;
    const little = part.mass < contents.mass * TOO_LITTLE;
    const rest = addInto({ ...contents }, part, -1);
    for (const input of Object.keys(point.inputs) as LineInput[]) {
      const { low, mid, high } = point.inputs[input];
      if (low === high) continue;
      if ((input === 'ripeness' || input === 'acidity') && !acid) continue;
      if (input === 'pectin' && !pectin) continue;
      if (
        little &&
        !(input === 'mass' && (acid || pectin)) &&
        input !== 'acidity' &&
        input !== 'pectin'
      )
        continue;
      const changesPH = acid && (input === 'mass' || input === 'ripeness' || input === 'acidity');
      const at = (value: number): Outcome =>
        evaluate(
          addInto(contentsAt(point, { ...values, [input]: value }), rest),
          middle,
          rules,
          changesPH ? undefined : basePH,
        );
      const mirrored = LINEAR.has(input) && Math.abs(high + low - 2 * mid) < 0.02 * (high - low);
      note(
        point.line.index,
        input,
        low === mid || mirrored ? undefined : at(low),
        high === mid ? undefined : at(high),
        mirrored,
      );
    }
  });

  const at = (k: number, most = Infinity): Range => {
    const mid = base[k] ?? 0;
    return {
      low: Math.max(mid - Math.sqrt(down[k] ?? 0), 0),
      mid,
      high: Math.min(mid + Math.sqrt(up[k] ?? 0), Math.max(most, mid)),
    };
  };
  const jars = formula.jars.map(({ size }, i) => ({
    size,
    count: at(AT.counts + i),
    fillMass_g: at(AT.counts + jarCount + i),
  }));
  const lastFilled = jars.findLast((jar) => jar.count.mid > 1e-6);
  const solids = at(AT.solids, 95);
  const massIn = at(AT.mass);
  const acidity = acidityOf(contents, outcome);
  const doubt = acidityDoubt(pot);
  const firmness = at(AT.firmness);
  const bracket = yieldBracket(massIn.high, at(AT.soluble), at(AT.insoluble), solids.low / 100);
  const startDensity = syrupDensity_kgPerM3(Math.min(contents.soluble / contents.mass, 0.8), 80);
  const fill_l = (contents.mass / startDensity) * 1000;
  const result = {
    massIn_kg: massIn,
    solubleSolids_kg: at(AT.soluble),
    insolubleSolids_kg: at(AT.insoluble),
    finish: {
      ...finishTemperature(pot, solids),
      solubleSolidsPercent: solids,
      mass_kg: at(AT.finished),
      volume_ml: at(AT.volume),
    },
    waterToBoilOff_kg: at(AT.waterOff),
    boilMinutes: withSoftening(at(AT.minutes), pot),
    pH: at(AT.pH, 14),
    titratableAcidityPercent: {
      low: acidity * (1 - doubt),
      mid: acidity,
      high: acidity * (1 + doubt),
    },
    set: {
      model: rules.model,
      firmness,
      verdict: rules.model === 'none' ? ('none' as const) : firmnessWord(firmness.mid),
      reasons: setReasons(pot),
    },
    inversionPercent: at(AT.inversion, 100),
    losses_kg: at(AT.losses),
    jars,
    readyJars: jarsToHaveHot(jars.map((jar) => jar.count)),
    partJar: lastFilled ? lastFilled.count.mid - Math.floor(lastFilled.count.mid + 1e-9) : 0,
    yieldBracket: bracket,
    pot_l: { fill: fill_l, least: fill_l / FILL_BEFORE_FOAM, easy: fill_l * 4 },
    standards: standardsOf(pot),
    lines: formula.lines.map(({ index, mass_kg }) => ({
      index,
      mass_kg,
      share: mass_kg.mid / contents.mass,
    })),
    influences: influences.sort((a, b) => b.yieldShare - a.yieldShare),
  };
  return {
    ...result,
    warnings: [
      ...formula.warnings,
      ...potWarnings(pot, rule),
      ...auditWarnings(formula, bracket, result),
    ],
  };
}

const sum = (values: readonly number[], from: number, count: number): number => {
  let total = 0;
  for (let i = from; i < from + count; i++) total += values[i] ?? 0;
  return total;
};

/** Doubt of the titratable acidity, a share: that of its largest parts together. */
function acidityDoubt({ points, parts }: PreparedPot): number {
  const weights = points.map(
    ({ perKg }, i) =>
      (perKg.citric * 3 + perKg.malic * 2 + perKg.tartaric * 2 + perKg.acetic) *
      (parts[i]?.mass ?? 0),
  );
  const all = weights.reduce((a, b) => a + b, 0);
  if (!(all > 0)) return 0;
  return Math.min(
    Math.sqrt(
      points.reduce(
        (total, { inputs }, i) =>
          total +
          (((weights[i] ?? 0) / all) * ((inputs.acidity.high - inputs.acidity.low) / 2)) ** 2,
        0,
      ),
    ),
    0.9,
  );
}
