import { firmnessWord, type FirmnessWord } from '../pectin/index.js';
import { jarsToHaveHot } from '../jars/index.js';
import { times, type Range } from '../range/index.js';
import type { PotFormula, Warning } from '../formula/index.js';
import { yieldBracket } from './bracket.js';
import { acidityOf, LEAST_BOIL_MIN, SOFTENING_SAVES_MIN, type SetModel } from './evaluate.js';
import { finishTemperature } from './finish-temperature.js';
import { panForFoam_l, volumeInPan_l } from './pan-fill.js';
import { cookForecast, type CookForecast } from './cooking.js';
import { preparePot, type PreparedPot } from './prepare.js';
import { setReasons, type SetReason } from './set-reasons.js';
import { spreadOf, type Influence, type Spread } from './spread.js';
import { standardsOf, type StandardCheck } from './standards.js';
import { auditWarnings, potWarnings } from './warnings.js';

export interface JarCount {
  readonly size: string;
  /** Fractional jars. */
  readonly count: Range;
  /** Grams in one full jar. */
  readonly fillMass_g: Range;
}

/** Jars of all sizes together, as expected; fractional. */
export const jarsExpected = ({ jars }: Pick<Balance, 'jars'>): number =>
  jars.reduce((sum, { count }) => sum + count.mid, 0);

export interface GelSet {
  readonly model: SetModel;
  /** 1 is a good set; see `pectin`. */
  readonly firmness: Range;
  readonly verdict: FirmnessWord;
  readonly reasons: readonly SetReason[];
}

/** What will come out of a pot. Ranges are the middle and the 5th and 95th percentile. */
export interface Balance {
  readonly massIn_kg: Range;
  readonly solubleSolids_kg: Range;
  readonly insolubleSolids_kg: Range;
  readonly finish: {
    /** Where to stop, on the thermometer in use; null where the place is not known. */
    readonly temperature_C: Range | null;
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
  /** Stage by stage; a batch without stages has one, from cold to its finish. */
  readonly cook: CookForecast;
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

/** Per cent of solids no refractometer goes beyond, and the end of the pH scale. */
const MOST_SOLIDS_PERCENT = 95;
const MOST_PH = 14;

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
export function balance(formula: PotFormula): Balance | null {
  const pot = preparePot(formula);
  if (!pot) return null;
  const spread = spreadOf(pot);
  const result = {
    ...amounts(pot, spread),
    ...acidAndSet(pot, spread),
    ...jarsOf(pot, spread),
    pot_l: panSizes(pot),
    standards: standardsOf(pot),
    lines: formula.lines.map(({ index, mass_kg }) => ({
      index,
      mass_kg,
      share: mass_kg.mid / pot.contents.mass,
    })),
    influences: spread.influences.sort((a, b) => b.yieldShare - a.yieldShare),
  };
  return {
    ...result,
    warnings: [...formula.warnings, ...potWarnings(pot), ...auditWarnings(formula, result)],
  };
}

/** Kilograms in and out, where to stop, and how long it boils. */
function amounts(pot: PreparedPot, spread: Spread) {
  const solids = spread.range('solids', MOST_SOLIDS_PERCENT);
  return {
    massIn_kg: spread.range('mass'),
    solubleSolids_kg: spread.range('soluble'),
    insolubleSolids_kg: spread.range('insoluble'),
    finish: {
      ...finishTemperature(pot, solids),
      solubleSolidsPercent: solids,
      mass_kg: spread.range('finished'),
      volume_ml: spread.range('volume_ml'),
    },
    waterToBoilOff_kg: spread.range('waterOff'),
    losses_kg: spread.range('losses'),
    boilMinutes: withSoftening(spread.range('boilMinutes'), pot),
    cook: cookForecast(pot.rule.cook, pot.contents, spread.range('finished')),
  };
}

/** pH, titratable acidity and set. */
function acidAndSet(pot: PreparedPot, spread: Spread) {
  const { contents, outcome, rules } = pot;
  const acidity = acidityOf(contents, outcome);
  const doubt = acidityDoubt(pot);
  const firmness = spread.range('firmness');
  return {
    pH: spread.range('pH', MOST_PH),
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
    inversionPercent: times(spread.range('inversion', 1), 100),
  };
}

/** Jars to fill, and how many no physics can leave. */
function jarsOf({ formula }: PreparedPot, spread: Spread) {
  const jars = formula.jars.map(({ size }, i) => ({
    size,
    count: spread.count(i),
    fillMass_g: spread.fillMass_g(i),
  }));
  const lastFilled = jars.findLast((jar) => jar.count.mid > 1e-6);
  return {
    jars,
    readyJars: jarsToHaveHot(jars.map((jar) => jar.count)),
    partJar: lastFilled ? lastFilled.count.mid - Math.floor(lastFilled.count.mid + 1e-9) : 0,
    yieldBracket: yieldBracket(
      spread.range('mass').high,
      spread.range('soluble'),
      spread.range('insoluble'),
      spread.range('solids', MOST_SOLIDS_PERCENT).low / 100,
    ),
  };
}

/** What is in the pan, and what the pan must hold for its foam, litres. */
function panSizes({ contents }: PreparedPot): Balance['pot_l'] {
  const fill = volumeInPan_l(contents);
  return { fill, ...panForFoam_l(fill) };
}

/**
 * Minutes at the boil with the doubt of how much was boiled off before the sugar, where fruit was
 * softened.
 */
function withSoftening({ low, mid, high }: Range, { rules }: PreparedPot): Range {
  if (!rules.softens || rules.rule.timedMinutes !== undefined) return { low, mid, high };
  const saves = SOFTENING_SAVES_MIN;
  return {
    low: Math.max(mid - Math.hypot(mid - low, saves.high - saves.mid), LEAST_BOIL_MIN),
    mid,
    high: mid + Math.hypot(high - mid, saves.mid - saves.low),
  };
}

/** Carboxyl groups of each acid, to weigh it by in the titratable acidity. */
const CARBOXYLS = { citric: 3, malic: 2, tartaric: 2, acetic: 1 } as const;
/** Doubt of the titratable acidity is never taken as more than this share. */
const MOST_ACIDITY_DOUBT = 0.9;

/** Doubt of the titratable acidity, a share: that of its largest parts together. */
function acidityDoubt({ points, parts, sameIngredient }: PreparedPot): number {
  const weights = points.map(
    ({ perKg }, i) =>
      (perKg.citric * CARBOXYLS.citric +
        perKg.malic * CARBOXYLS.malic +
        perKg.tartaric * CARBOXYLS.tartaric +
        perKg.acetic * CARBOXYLS.acetic) *
      (parts[i]?.mass ?? 0),
  );
  const all = weights.reduce((a, b) => a + b, 0);
  if (!(all > 0)) return 0;
  const deviationOf = (i: number): number => {
    const { low = 0, high = 0 } = points[i]?.inputs.acidity ?? {};
    return ((weights[i] ?? 0) / all) * ((high - low) / 2);
  };
  const deviations = sameIngredient.map((places) =>
    places.reduce((sum, i) => sum + deviationOf(i), 0),
  );
  return Math.min(Math.hypot(...deviations), MOST_ACIDITY_DOUBT);
}
