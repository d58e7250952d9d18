import { propagate, times, within, type Range } from '../range/index.js';
import { boilingPointAt } from '../water/index.js';
import { boilingPointElevation_K, syrupDensity_kgPerM3 } from '../syrup/index.js';
import { fillInOrder, fillVolume_ml, findJar, jarsToHaveHot, QUARTER_INCH_MM } from '../jars/index.js';
import type { PotFormula, Warning } from '../formula/index.js';
import { solidsAtConsistency, solidsAtGel, USUAL_INVERSION } from './solids.js';

/** Left on the pan and the ladle, kg. Common practice, no source; one figure for every pot. */
export const FILM_KG: Range = { low: 0.01, mid: 0.03, high: 0.08 };
/** Skimmed as foam, share of the finished mass. Common practice, no source. */
export const FOAM_SHARE: Range = { low: 0, mid: 0.015, high: 0.03 };
/** Air in the jarred spread, share of its volume. Common practice, no source. */
const AIR_SHARE: Range = { low: 0.01, mid: 0.02, high: 0.03 };
/** Water lost while a timed boil is brought up, and per minute of it, share of the pot. Common practice, no source. */
const TIMED_BOIL = { upTo: 0.03, eachMinute: 0.01, doubt: 0.5 } as const;
/** Spread goes into the jar at about this temperature. Common practice. */
const FILL_C = 90;
/** Doubt of a jar's volume, and of filling to the headspace, share. */
const JAR_DOUBT = 0.03;
/** No spread is boiled further than this, mass fraction: beyond it is toffee. */
const FURTHEST_SOLIDS = 0.72;

export interface JarCount {
  readonly size: string;
  /** Fractional jars. */
  readonly count: Range;
  /** Grams in one full jar. */
  readonly fillMass_g: Range;
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
  /** Foam and film that never reach a jar. */
  readonly losses_kg: Range;
  readonly jars: readonly JarCount[];
  /** Clean hot jars to have at hand. */
  readonly readyJars: number;
  /** Fraction of the last jar that is filled, at the middle. */
  readonly partJar: number;
  /** Half-pints no physics can leave. */
  readonly yieldBracket: { readonly least: number; readonly most: number };
  /** Share of the pot per document line, 0 to 1. */
  readonly lines: readonly { readonly index: number; readonly mass_kg: Range; readonly share: number }[];
  readonly warnings: readonly Warning[];
}

/** Sums over the lines at their middles. */
function totals(formula: PotFormula): {
  mass: number;
  soluble: number;
  insoluble: number;
  hexose: number;
  addedSugar: number;
} {
  const sum = { mass: 0, soluble: 0, insoluble: 0, hexose: 0, addedSugar: 0 };
  for (const { mass_kg, composition, ingredient } of formula.lines) {
    const soluble = mass_kg.mid * composition.soluble.mid;
    sum.mass += mass_kg.mid;
    sum.soluble += soluble;
    sum.insoluble += mass_kg.mid * composition.insoluble.mid;
    sum.hexose += soluble * composition.invertShare;
    if (ingredient?.category === 'sweetener') sum.addedSugar += soluble;
  }
  return sum;
}

/** The finish as one uncertain number, and how it turns a pot into a finished mass. */
function finishOf(formula: PotFormula): {
  value: Range;
  massAfter: (value: number, mass: number, soluble: number, insoluble: number) => number;
} {
  const { finish } = formula;
  const { soluble, hexose, addedSugar } = totals(formula);
  const bySolids = (solids: number, _mass: number, dissolved: number, insoluble: number): number =>
    dissolved / solids + insoluble;
  switch (finish.type) {
    case 'gel-temperature': {
      const { boilingPoint_C, pressure_kPa } = boilingPointAt(formula.place);
      const doubt = boilingPoint_C.high - boilingPoint_C.mid;
      return {
        value: solidsAtGel(finish.rise_K, doubt, soluble > 0 ? hexose / soluble : 0, pressure_kPa),
        massAfter: bySolids,
      };
    }
    case 'soluble-solids':
      return { value: times(finish.percent, 0.01), massAfter: bySolids };
    case 'consistency':
      return {
        value: finish.percent
          ? times(finish.percent, 0.01)
          : solidsAtConsistency(soluble > 0 ? addedSugar / soluble : 0),
        massAfter: bySolids,
      };
    case 'hard-boil':
      return {
        value: within(TIMED_BOIL.upTo + TIMED_BOIL.eachMinute * finish.minutes, TIMED_BOIL.doubt),
        massAfter: (lost, mass) => mass * (1 - lost),
      };
    case 'weight':
      return { value: finish.mass_kg, massAfter: (wanted) => wanted };
  }
}

/**
 * Mass balance of a pot from what goes in to the jars that come out.
 *
 * Finish mass = soluble solids / their fraction at the finish + insoluble solids; everything else follows. A pot that
 * is past its finish before it boils is taken as it is, with a warning.
 *
 * @param formula an understood formula (see `readFormula`)
 * @returns the balance, or null when there is nothing in the pot
 */
export function balance(formula: PotFormula): Balance | null {
  const middle = totals(formula);
  if (!(middle.mass > 0)) return null;
  const { value, massAfter } = finishOf(formula);
  const choices = formula.jars.map(({ jar, headspace_mm, available }) => ({
    fill_ml: fillVolume_ml(jar, headspace_mm),
    ...(available !== undefined && { available }),
  }));

  const lineInputs = formula.lines.flatMap(({ mass_kg, composition }) => [
    mass_kg,
    composition.soluble,
    composition.insoluble,
  ]);
  const jarInput = within(1, JAR_DOUBT);
  const ranges = propagate([value, FILM_KG, FOAM_SHARE, AIR_SHARE, jarInput, ...lineInputs], (x) => {
    const [end = 0, film = 0, foam = 0, air = 0, jarFactor = 1] = x;
    let mass = 0;
    let soluble = 0;
    let insoluble = 0;
    for (let i = 5; i < x.length; i += 3) {
      const lineMass = x[i] ?? 0;
      mass += lineMass;
      soluble += lineMass * (x[i + 1] ?? 0);
      insoluble += lineMass * (x[i + 2] ?? 0);
    }
    const finished = Math.min(massAfter(end, mass, soluble, insoluble), mass);
    const solids = Math.min(soluble / Math.max(finished - insoluble, soluble, 1e-9), 0.95);
    const density = syrupDensity_kgPerM3(Math.min(solids, 0.85), FILL_C) * (1 - air);
    const jarred = Math.max(finished - film, 0) * (1 - foam);
    const counts = fillInOrder(
      (jarred / density) * 1e6,
      choices.map((choice) => ({ ...choice, fill_ml: choice.fill_ml * jarFactor })),
    );
    const fillMasses = choices.map((choice) => choice.fill_ml * jarFactor * density * 1e-3);
    return [
      mass,
      soluble,
      insoluble,
      solids * 100,
      finished,
      (finished / density) * 1e6,
      mass - finished,
      finished - jarred,
      ...counts,
      ...fillMasses,
    ];
  });
  const at = (i: number): Range => {
    const { low, mid, high } = ranges[i] ?? { low: 0, mid: 0, high: 0 };
    return { low: Math.max(low, 0), mid, high };
  };
  const jars = formula.jars.map(({ size }, i) => ({
    size,
    count: at(8 + i),
    fillMass_g: at(8 + choices.length + i),
  }));
  const lastFilled = jars.findLast((jar) => jar.count.mid > 1e-6);
  const solids = at(3);
  const bracket = yieldBracket(at(0).high, at(1), at(2), solids.low / 100);
  return {
    massIn_kg: at(0),
    solubleSolids_kg: at(1),
    insolubleSolids_kg: at(2),
    finish: {
      ...finishTemperature(formula, solids, middle),
      solubleSolidsPercent: solids,
      mass_kg: at(4),
      volume_ml: at(5),
    },
    waterToBoilOff_kg: at(6),
    losses_kg: at(7),
    jars,
    readyJars: jarsToHaveHot(jars.map((jar) => jar.count)),
    partJar: lastFilled ? lastFilled.count.mid - Math.floor(lastFilled.count.mid + 1e-9) : 0,
    yieldBracket: bracket,
    lines: formula.lines.map(({ index, mass_kg }) => ({ index, mass_kg, share: mass_kg.mid / middle.mass })),
    warnings: [...formula.warnings, ...pastFinish(formula, value, middle)],
  };
}

function finishTemperature(
  formula: PotFormula,
  solids: Range,
  middle: ReturnType<typeof totals>,
): { temperature_C: Range; boilingPointOfWater_C: Range } {
  const { boilingPoint_C: water, pressure_kPa } = boilingPointAt(formula.place);
  if (formula.finish.type === 'gel-temperature') {
    const rise = formula.finish.rise_K;
    return {
      boilingPointOfWater_C: water,
      temperature_C: { low: water.low + rise, mid: water.mid + rise, high: water.high + rise },
    };
  }
  const hexose = middle.soluble > 0 ? middle.hexose / middle.soluble : 0;
  const invert = hexose + (1 - hexose) * USUAL_INVERSION.mid;
  const rise = (percent: number): number =>
    boilingPointElevation_K(Math.min(percent / 100, 0.92), invert, pressure_kPa);
  return {
    boilingPointOfWater_C: water,
    temperature_C: {
      low: water.low + rise(solids.low),
      mid: water.mid + rise(solids.mid),
      high: water.high + rise(solids.high),
    },
  };
}

/** Half-pints between "boiled to toffee" and "no water lost at all". */
function yieldBracket(
  mostIn_kg: number,
  soluble_kg: Range,
  insoluble_kg: Range,
  thinnest: number,
): { least: number; most: number } {
  const halfPint = findJar('half-pint');
  const fill_ml = halfPint ? fillVolume_ml(halfPint, QUARTER_INCH_MM) : 236.6;
  const jars = (mass_kg: number, solids: number): number =>
    (mass_kg / syrupDensity_kgPerM3(solids, FILL_C) / fill_ml) * 1e6;
  const least =
    Math.max(soluble_kg.low / FURTHEST_SOLIDS + insoluble_kg.low - FILM_KG.high, 0) * (1 - FOAM_SHARE.high);
  const thin = Math.min(soluble_kg.low / mostIn_kg, thinnest);
  return {
    least: jars(least, FURTHEST_SOLIDS) * (1 - JAR_DOUBT),
    most: jars(mostIn_kg, thin) * (1 + JAR_DOUBT) * (1 + AIR_SHARE.high),
  };
}

function pastFinish(
  formula: PotFormula,
  value: Range,
  { mass, soluble, insoluble }: ReturnType<typeof totals>,
): Warning[] {
  const now = (soluble / Math.max(mass - insoluble, 1e-9)) * 100;
  const { finish } = formula;
  if (finish.type === 'hard-boil') return [];
  if (finish.type === 'weight') {
    if (value.mid < soluble + insoluble)
      return [
        {
          code: 'finish-below-solids',
          text: `the pot cannot be boiled to ${value.mid.toFixed(2)} kg: ${(soluble + insoluble).toFixed(2)} kg of it is not water`,
        },
      ];
    return value.mid < mass
      ? []
      : [
          {
            code: 'already-past-finish',
            text: `${mass.toFixed(2)} kg goes in, less than the ${value.mid.toFixed(2)} kg wanted at the finish; nothing would boil off`,
          },
        ];
  }
  if (now < value.mid * 100) return [];
  return [
    {
      code: 'already-past-finish',
      text: `the pot holds ${now.toFixed(0)} % soluble solids before it boils, past the ${(value.mid * 100).toFixed(0)} % of the finish; take out sugar, or add fruit or water`,
    },
  ];
}
