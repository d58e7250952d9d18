import {
  about,
  ACIDS,
  fromHandbooks,
  fromPhList,
  fromPractice,
  fromRefuse,
  fromTables,
  type Ingredient,
} from './ingredient.js';
import { FRUIT_ROWS, VEGETABLE_ROWS, type ProduceRow } from './fruit.table.js';

const produce =
  (category: 'fruit' | 'vegetable') =>
  (row: ProduceRow): Ingredient => {
    const [soluble, insoluble, sugars] = row.solids;
    const whole = row.cup[row.form] ?? 150;
    const [ta, least, most] =
      typeof row.ta === 'number'
        ? [row.ta, row.ta * 0.65, row.ta * 1.35]
        : [row.ta[0], row.ta[1], row.ta[2]];
    return {
      id: row.id,
      name: row.name,
      synonyms: row.also ?? [],
      category,
      usualForm: row.form,
      solubleSolidsPercent: about(fromTables, soluble, 0.18),
      insolubleSolidsPercent: about(fromTables, insoluble, 0.4),
      sugarsPercent: about(fromTables, sugars, 0.25),
      invertShare: row.invert ?? 0.8,
      acidity: {
        titratablePercent: fromHandbooks(ta, least, most),
        pH: fromPhList(...row.pH),
        shares: ACIDS[row.acids],
      },
      pectinPercent: about(fromHandbooks, row.pectin, 0.4),
      ...(row.juicePectin !== undefined && {
        juicePectinPercent: about(fromHandbooks, row.juicePectin, 0.4),
      }),
      ...(row.oxalate !== undefined && { oxalatePercent: row.oxalate }),
      calcium_mg: row.calcium ?? 18,
      acidClass: row.keeps,
      ...(row.seasoningShare !== undefined && { seasoningShare: row.seasoningShare }),
      cautions: row.cautions ?? [],
      gramsPerCup: { frozen: whole, stored: whole, ...row.cup },
      gramsEach: about(fromPractice, row.each, 0.25),
      wastePercent: about(fromRefuse, row.waste, 0.4),
      liquid: false,
    };
  };

export const FRUITS: readonly Ingredient[] = FRUIT_ROWS.map(produce('fruit'));
export const VEGETABLES: readonly Ingredient[] = VEGETABLE_ROWS.map(produce('vegetable'));
