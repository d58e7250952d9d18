import { exactly, type Range } from '../range/index.js';
import { acidContentOf, atRipeness, noAcid, pHOf, type AcidContent } from '../acid/index.js';
import type { Composition } from '../produce/index.js';
import type { PotLine } from '../formula/index.js';

/** What a pot holds, kilograms and moles; the sum of its lines. */
export interface Contents extends AcidContent {
  mass: number;
  soluble: number;
  insoluble: number;
  /** Soluble solids that raise the boiling point like glucose and fructose. */
  hexose: number;
  /** Soluble solids added as a sweetener. */
  addedSugar: number;
  /** Natural pectin. */
  pectin: number;
  /** Added pectin at 150 grade. */
  highMethoxyl: number;
  lowMethoxyl: number;
  /** Calcium free to join a gel. */
  freeCalcium_mg: number;
  /** Oxalic acid, kg. */
  oxalate: number;
  egg: number;
}

export const nothing = (): Contents => ({
  mass: 0,
  soluble: 0,
  insoluble: 0,
  hexose: 0,
  addedSugar: 0,
  pectin: 0,
  highMethoxyl: 0,
  lowMethoxyl: 0,
  freeCalcium_mg: 0,
  oxalate: 0,
  egg: 0,
  ...noAcid(),
});

/** Adds `part` times `factor` into `sum`. */
export function addInto(sum: Contents, part: Contents, factor = 1): Contents {
  sum.mass += part.mass * factor;
  sum.soluble += part.soluble * factor;
  sum.insoluble += part.insoluble * factor;
  sum.hexose += part.hexose * factor;
  sum.addedSugar += part.addedSugar * factor;
  sum.pectin += part.pectin * factor;
  sum.highMethoxyl += part.highMethoxyl * factor;
  sum.lowMethoxyl += part.lowMethoxyl * factor;
  sum.freeCalcium_mg += part.freeCalcium_mg * factor;
  sum.oxalate += part.oxalate * factor;
  sum.egg += part.egg * factor;
  sum.citric += part.citric * factor;
  sum.malic += part.malic * factor;
  sum.tartaric += part.tartaric * factor;
  sum.acetic += part.acetic * factor;
  sum.protein += part.protein * factor;
  sum.cation += part.cation * factor;
  return sum;
}

/** All parts together. */
export const sumOf = (parts: readonly Contents[]): Contents =>
  parts.reduce<Contents>((sum, part) => addInto(sum, part), nothing());

/** What may be uncertain about a line. */
export type LineInput = 'mass' | 'soluble' | 'insoluble' | 'ripeness' | 'acidity' | 'pectin';

/**
 * A line as numbers: a kilogram of it at the middle, and how each of its uncertain inputs moves it.
 * Every input is a factor or a fraction whose middle is 1 or the value itself.
 */
export interface LinePoint {
  readonly line: PotLine;
  readonly inputs: Readonly<Record<LineInput, Range>>;
  /** Contents a kilogram at the middle. */
  readonly perKg: Contents;
}

/**
 * Contents of a line for one set of its inputs.
 *
 * @param inputs mass in kg; soluble and insoluble as mass fractions; ripeness as the factor on the
 * acids at their base (less acid is riper); acidity as the factor on acids and base together;
 * pectin as a factor
 */
export function contentsAt(
  point: LinePoint,
  inputs: Readonly<Record<LineInput, number>>,
): Contents {
  const { perKg } = point;
  const { mass } = inputs;
  const hexoseShare = perKg.soluble > 0 ? perKg.hexose / perKg.soluble : 0;
  const added = perKg.addedSugar > 0;
  const acid = inputs.ripeness * inputs.acidity * mass;
  return {
    mass,
    soluble: mass * inputs.soluble,
    insoluble: mass * inputs.insoluble,
    hexose: mass * inputs.soluble * hexoseShare,
    addedSugar: added ? mass * inputs.soluble : 0,
    pectin: perKg.pectin * inputs.pectin * mass,
    highMethoxyl: perKg.highMethoxyl * inputs.pectin * mass,
    lowMethoxyl: perKg.lowMethoxyl * inputs.pectin * mass,
    freeCalcium_mg: perKg.freeCalcium_mg * mass,
    oxalate: perKg.oxalate * mass,
    egg: perKg.egg * mass,
    citric: perKg.citric * acid,
    malic: perKg.malic * acid,
    tartaric: perKg.tartaric * acid,
    acetic: perKg.acetic * acid,
    protein: perKg.protein * mass,
    cation: perKg.cation * inputs.acidity * mass,
  };
}

/** Inputs of a line at their middles. */
export const middleOf = ({ inputs }: LinePoint): Record<LineInput, number> => ({
  mass: inputs.mass.mid,
  soluble: inputs.soluble.mid,
  insoluble: inputs.insoluble.mid,
  ripeness: inputs.ripeness.mid,
  acidity: inputs.acidity.mid,
  pectin: inputs.pectin.mid,
});

interface AcidFigures {
  readonly content: AcidContent;
  readonly ripeness: Range;
  readonly acidity: Range;
}

/** Acid figures of compositions already worked out: a table's row is the same object every time. */
const known = new WeakMap<object, AcidFigures>();

function acidFigures(composition: Composition): AcidFigures {
  const { acidity } = composition;
  if (!acidity) return { content: noAcid(), ripeness: exactly(1), acidity: exactly(1) };
  const key = acidity;
  const found = known.get(key);
  if (found) return found;
  const { titratablePercent: ta, pH, shares } = acidity;
  const content = acidContentOf(ta.mid, pH.mid, shares);
  const acids = content.citric + content.malic + content.tartaric + content.acetic;
  const scaledBy = (to: number): number => {
    if (!(acids > 0) || !(content.cation > 0)) return 1;
    const moved = atRipeness(content, to);
    return (moved.citric + moved.malic + moved.tartaric + moved.acetic) / acids;
  };
  const figures: AcidFigures = {
    content,
    // The sour end of the published pH is the end with more acid.
    ripeness: { low: scaledBy(pH.high), mid: 1, high: scaledBy(pH.low) },
    acidity: ta.mid > 0 ? { low: ta.low / ta.mid, mid: 1, high: ta.high / ta.mid } : exactly(1),
  };
  known.set(key, figures);
  return figures;
}

const shareOf = (range: Range): Range =>
  range.mid > 0 ? { low: range.low / range.mid, mid: 1, high: range.high / range.mid } : exactly(1);

/** One line with its composition (the maker's own, or the table's alone) as numbers. */
export function linePoint(line: PotLine, composition: Composition = line.composition): LinePoint {
  const { content, ripeness, acidity } = acidFigures(composition);
  const isEgg = line.ingredient.id === 'egg' || line.ingredient.id === 'egg-yolk';
  return {
    line,
    inputs: {
      mass: line.mass_kg,
      soluble: composition.soluble,
      insoluble: composition.insoluble,
      ripeness,
      acidity,
      pectin: shareOf(composition.added ? composition.added.share : composition.pectin),
    },
    perKg: {
      mass: 1,
      soluble: composition.soluble.mid,
      insoluble: composition.insoluble.mid,
      hexose: composition.soluble.mid * composition.invertShare,
      addedSugar: line.ingredient.category === 'sweetener' ? composition.soluble.mid : 0,
      pectin: composition.pectin.mid,
      highMethoxyl: composition.added?.type === 'high-methoxyl' ? composition.added.share.mid : 0,
      lowMethoxyl: composition.added?.type === 'low-methoxyl' ? composition.added.share.mid : 0,
      freeCalcium_mg: composition.freeCalcium_mgPerKg,
      oxalate: composition.oxalate,
      egg: isEgg ? 1 : 0,
      ...content,
      protein: composition.protein_molPerKg,
      cation: content.cation + composition.alkali_eqPerKg.mid + composition.protein_molPerKg,
    },
  };
}

/** pH of contents in a pot of this mass; protein came with its base, so that egg takes up acid. */
export const pHOfContents = (contents: Contents, mass_kg: number, guess?: number): number =>
  Math.min(pHOf(contents, Math.max(mass_kg - contents.insoluble, mass_kg * 0.2), guess), NEUTRAL);

/**
 * A pot is never taken as alkaline: sugar and water alone have a trace of ash and, from the air,
 * the carbonic acid that the charge balance does not hold. Baking soda is refused the shelf by
 * name.
 */
const NEUTRAL = 7;
