import type { PotFormula } from '../formula/index.js';

/**
 * The one published curd for the shelf, kilograms to one cup (0.244 kg) of bottled lemon or lime
 * juice: 2 1/2 cups superfine sugar, 3/4 cup butter, 7 yolks, 4 eggs; up to 1/2 cup zest. National
 * Center for Home Food Preservation, from memory.
 */
const PATTERN = { sugar: 0.5125, butter: 0.17, 'egg-yolk': 0.119, egg: 0.2, zest: 0.048 } as const;
const JUICE_KG = 0.244;
/** Proportions count as the published ones within this share: what cups and egg sizes leave. */
const SAME = 0.06;

/** Why a curd is not the published pattern; empty when it is. */
export function curdDepartures(formula: PotFormula): string[] {
  const mass = { juice: 0, sugar: 0, butter: 0, 'egg-yolk': 0, egg: 0, zest: 0 };
  const departures: string[] = [];
  for (const { ingredient, mass_kg, composition, byTable } of formula.lines) {
    const { id } = ingredient;
    if (composition !== byTable)
      departures.push(`${ingredient.name[1]} with measured values of its own`);
    if (id === 'lemon-juice-bottled' || id === 'lime-juice-bottled') mass.juice += mass_kg.mid;
    else if (id === 'white-sugar' || id === 'caster-sugar') mass.sugar += mass_kg.mid;
    else if (id === 'butter' || id === 'egg-yolk' || id === 'egg') mass[id] += mass_kg.mid;
    else if (id === 'lemon-zest') mass.zest += mass_kg.mid;
    else departures.push(`it holds no ${ingredient.name[1]}`);
  }
  if (!(mass.juice > 0))
    return [...departures, 'it takes bottled lemon or lime juice, whose acid is standardised'];
  const scale = mass.juice / JUICE_KG;
  for (const key of ['sugar', 'butter', 'egg-yolk', 'egg'] as const) {
    const ratio = mass[key] / (PATTERN[key] * scale);
    if (Math.abs(ratio - 1) > SAME)
      departures.push(
        `it takes ${Math.round(PATTERN[key] * scale * 1000)} g of ${key === 'egg-yolk' ? 'egg yolk' : key} to this much juice, not ${Math.round(mass[key] * 1000)} g`,
      );
  }
  if (mass.zest > PATTERN.zest * scale * (1 + SAME))
    departures.push('more zest than the pattern has');
  if (formula.finish.type !== 'curd' || formula.finish.temperature_C < 76.5)
    departures.push('it is cooked to 170 F (77 C)');
  return departures;
}
