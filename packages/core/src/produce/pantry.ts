import { ACIDS, fromPhList, type Form, type Ingredient } from './ingredient.js';
import { none, PANTRY_ROWS, type PantryRow } from './pantry.table.js';

const pantry = (row: PantryRow): Ingredient => {
  const form: Form = row.form ?? (row.dry ? 'whole' : 'juice');
  const sugars = row.sugars ?? (row.category === 'sweetener' ? row.soluble.mid * 0.99 : 0);
  return {
    id: row.id,
    name: [row.name, row.name],
    synonyms: row.also ?? [],
    category: row.category,
    usualForm: form,
    solubleSolidsPercent: row.soluble,
    insolubleSolidsPercent: row.insoluble ?? none,
    sugarsPercent: {
      ...row.soluble,
      low: sugars * 0.85,
      mid: sugars,
      high: Math.min(sugars * 1.15, Math.max(row.soluble.high, sugars)),
    },
    invertShare: row.invertShare ?? 0,
    ...(row.ta &&
      row.pH && {
        acidity: {
          titratablePercent: row.ta,
          pH: fromPhList(...row.pH),
          shares: ACIDS[row.acids ?? 'malic'],
        },
      }),
    ...(row.pectin && { pectinPercent: row.pectin }),
    ...(row.pectinProduct && { pectinProduct: row.pectinProduct }),
    ...(row.protein !== undefined && { proteinPercent: row.protein }),
    ...(row.alkali && { alkali_eqPerKg: row.alkali }),
    calcium_mg: row.calcium ?? 0,
    acidClass: row.keeps ?? 'neutral',
    ...(row.seasoningShare !== undefined && { seasoningShare: row.seasoningShare }),
    ...(row.fat !== undefined && { fatPercent: row.fat }),
    cautions: row.cautions ?? [],
    gramsPerCup: { [form]: row.cup },
    ...(row.packedCup !== undefined && { gramsPerPackedCup: row.packedCup }),
    ...(row.each && { gramsEach: row.each }),
    ...(row.box && { gramsPerBox: row.box }),
    ...(row.pouch && { gramsPerPouch: row.pouch }),
    liquid: !row.dry,
  };
};

export const PANTRY: readonly Ingredient[] = PANTRY_ROWS.map(pantry);
