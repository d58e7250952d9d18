import type { UnitSystem } from '@idle-kettle/core';

/** A cup of white sugar, kg. Common practice. */
const CUP_KG = 0.2;
const ROUND = [1, 2, 5, 10] as const;

/** The rounded figures (1, 2 or 5 times a power of ten) nearest to half of it and to it. */
function roundNear(value: number): number[] {
  const power = 10 ** Math.floor(Math.log10(value));
  const nearest = (wanted: number): number =>
    ROUND.map((figure) => figure * power)
      .concat(power / 2)
      .reduce((best, each) =>
        Math.abs(Math.log(each / wanted)) < Math.abs(Math.log(best / wanted)) ? each : best,
      );
  return [...new Set([nearest(value / 2), nearest(value)])];
}

const metric = (kg: number): string => (kg >= 1 ? `${kg} kg` : `${Math.round(kg * 1000)} g`);
const inCups = (cups: number): string => {
  if (cups < 1) return '1/2 cup';
  return cups === 1 ? '1 cup' : `${cups} cups`;
};

/**
 * Amounts of sugar to put in at a tap, as one measures them: round grams or whole cups.
 * @param about_kg what one part is about
 */
export function partAmounts(about_kg: number, units: UnitSystem): readonly string[] {
  if (!(about_kg > 0)) return [];
  return units === 'metric'
    ? roundNear(Math.max(about_kg, 0.02)).map(metric)
    : [
        ...new Set(
          roundNear(Math.max(about_kg / CUP_KG, 1)).map((cups) => inCups(Math.max(cups, 0.5))),
        ),
      ];
}
