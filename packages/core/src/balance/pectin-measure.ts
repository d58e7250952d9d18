import type { PotFormula } from '../formula/index.js';

/** What one batch is set with: a box of powder or a pouch of liquid. */
interface PectinMeasure {
  readonly ingredient: string;
  /** The most that is cooked at once, kg. */
  readonly most_kg: number;
}

/**
 * Added pectin that is cooked at once; never double a batch. Common practice: one box of powder of
 * 57 g, 15 % more counts as one; two pouches of liquid of 89 g, as the larger recipes have.
 */
const MEASURES: Readonly<Partial<Record<PotFormula['method'], PectinMeasure>>> = {
  'powdered-pectin': { ingredient: 'pectin-powder', most_kg: 0.057 * 1.15 },
  'liquid-pectin': { ingredient: 'pectin-liquid', most_kg: 0.089 * 2.15 },
};

/** Into how many batches of its own a formula with added pectin is parted, 1 and up. */
export function batchesForPectin({ method, lines }: PotFormula): number {
  const measure = MEASURES[method];
  if (!measure) return 1;
  const pectin_kg = lines.reduce(
    (sum, { ingredient, mass_kg }) =>
      sum + (ingredient.id === measure.ingredient ? mass_kg.mid : 0),
    0,
  );
  return Math.max(Math.ceil(pectin_kg / measure.most_kg), 1);
}
