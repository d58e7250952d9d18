/** What a unit measures. `piece`, `container` and `pinch` need the ingredient to become grams. */
export type UnitKind = 'mass' | 'volume' | 'piece' | 'container' | 'pinch';

export interface Unit {
  readonly id: string;
  readonly kind: UnitKind;
  /** Kilograms for a mass, millilitres for a volume, otherwise 1. */
  readonly si: number;
  /** Singular and plural as shown to a person. */
  readonly name: readonly [string, string];
  /** Other spellings that are understood, in lower case without full stops. */
  readonly aliases: readonly string[];
}

const US_CUP_ML = 236.5882365; // 1/16 US gallon of 231 cubic inches: NIST Handbook 44, appendix C
const US_PECK_ML = 8809.76754; // 537.605 cubic inches: NIST Handbook 44, appendix C
const POUND_KG = 0.45359237; // international avoirdupois pound: NIST Handbook 44, appendix C

const unit = (
  id: string,
  kind: UnitKind,
  si: number,
  name: readonly [string, string],
  ...aliases: string[]
): Unit => ({
  id,
  kind,
  si,
  name,
  aliases,
});

/**
 * The units people write amounts in. US customary sizes from NIST Handbook 44, appendix C; imperial
 * ones from the UK Units of Measurement Regulations 1995 (pint 568.26125 ml); the metric cup of 250
 * ml is common practice. A US dry peck is used for pecks and bushels. A pinch is about 1/16 and a
 * dash about 1/8 teaspoon (common practice).
 */
export const UNITS: readonly Unit[] = [
  unit('mg', 'mass', 1e-6, ['mg', 'mg'], 'milligram', 'milligrams'),
  unit('g', 'mass', 0.001, ['g', 'g'], 'gr', 'gm', 'gms', 'gram', 'grams', 'gramme', 'grammes'),
  unit('kg', 'mass', 1, ['kg', 'kg'], 'kgs', 'kilo', 'kilos', 'kilogram', 'kilograms'),
  unit('oz', 'mass', POUND_KG / 16, ['oz', 'oz'], 'ounce', 'ounces'),
  unit('lb', 'mass', POUND_KG, ['lb', 'lb'], 'lbs', 'pound', 'pounds', '#'),
  unit(
    'ml',
    'volume',
    1,
    ['ml', 'ml'],
    'millilitre',
    'millilitres',
    'milliliter',
    'milliliters',
    'cc',
  ),
  unit('cl', 'volume', 10, ['cl', 'cl'], 'centilitre', 'centilitres'),
  unit('dl', 'volume', 100, ['dl', 'dl'], 'decilitre', 'decilitres', 'deciliter', 'deciliters'),
  unit('l', 'volume', 1000, ['l', 'l'], 'litre', 'litres', 'liter', 'liters', 'ltr'),
  unit(
    'tsp',
    'volume',
    US_CUP_ML / 48,
    ['tsp', 'tsp'],
    'tsps',
    'teaspoon',
    'teaspoons',
    'teaspoonful',
  ),
  unit(
    'tbsp',
    'volume',
    US_CUP_ML / 16,
    ['tbsp', 'tbsp'],
    'tbsps',
    'tbs',
    'tbl',
    'tablespoon',
    'tablespoons',
    'tablespoonful',
  ),
  unit(
    'fl-oz',
    'volume',
    US_CUP_ML / 8,
    ['fl oz', 'fl oz'],
    'floz',
    'fluid ounce',
    'fluid ounces',
    'fl ounce',
    'fl ounces',
  ),
  unit('cup', 'volume', US_CUP_ML, ['cup', 'cups'], 'c', 'us cup', 'us cups', 'cupful', 'cupfuls'),
  unit('pint', 'volume', US_CUP_ML * 2, ['pint', 'pints'], 'pt', 'pts', 'us pint', 'us pints'),
  unit('quart', 'volume', US_CUP_ML * 4, ['quart', 'quarts'], 'qt', 'qts'),
  unit('gallon', 'volume', US_CUP_ML * 16, ['gallon', 'gallons'], 'gal', 'gals'),
  unit('metric-cup', 'volume', 250, ['metric cup', 'metric cups'], 'metric-cups'),
  unit(
    'imperial-pint',
    'volume',
    568.26125,
    ['imperial pint', 'imperial pints'],
    'imperial-pints',
    'uk pint',
    'uk pints',
  ),
  unit('imperial-fl-oz', 'volume', 28.4130625, ['imperial fl oz', 'imperial fl oz'], 'uk fl oz'),
  unit('peck', 'volume', US_PECK_ML, ['peck', 'pecks'], 'pk'),
  unit('bushel', 'volume', US_PECK_ML * 4, ['bushel', 'bushels'], 'bu'),
  unit('each', 'piece', 1, ['', ''], 'piece', 'pieces', 'whole', 'pcs', 'pc', 'ea'),
  unit(
    'box',
    'container',
    1,
    ['box', 'boxes'],
    'packet',
    'packets',
    'pack',
    'packs',
    'package',
    'packages',
    'pkg',
  ),
  unit('pouch', 'container', 1, ['pouch', 'pouches'], 'sachet', 'sachets'),
  unit('pinch', 'pinch', US_CUP_ML / 48 / 16, ['pinch', 'pinches']),
  unit('dash', 'pinch', US_CUP_ML / 48 / 8, ['dash', 'dashes']),
];

const spellings = new Map<string, Unit>();
for (const u of UNITS)
  for (const word of [u.id, ...u.name, ...u.aliases]) if (word !== '') spellings.set(word, u);

/** Every spelling that is understood, for "did you mean". */
export const UNIT_SPELLINGS: readonly string[] = [...spellings.keys()];

/** Most words in any spelling, so that a reader knows how far to look ahead ("imperial fl oz"). */
export const LONGEST_UNIT_WORDS = Math.max(...UNIT_SPELLINGS.map((word) => word.split(' ').length));

/**
 * The unit a spelling stands for, or undefined. `T` is a tablespoon and `t` a teaspoon, as cooks
 * write.
 */
export function findUnit(spelling: string): Unit | undefined {
  if (spelling === 'T') return spellings.get('tbsp');
  if (spelling === 't') return spellings.get('tsp');
  return spellings.get(spelling.toLowerCase().replaceAll('.', ''));
}

/** The unit with this id. @throws if the id is not in the table. */
export function unitById(id: string): Unit {
  const found = spellings.get(id);
  if (!found) throw new RangeError(`no unit "${id}"`);
  return found;
}
