/**
 * What a unit measures. `piece` counts fruit; `pack` and `part` weigh what the ingredient's pack or
 * part weighs (a box, a punnet, a sprig); `pinch` is a volume nobody measures closely.
 */
export type UnitKind = 'mass' | 'volume' | 'piece' | 'pack' | 'part' | 'pinch';

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
 * ones from the UK Units of Measurement Regulations 1995 (pint 568.26125 ml). Common practice, no
 * source: the metric cup of 250 ml, a dessertspoon of 10, a teacup or wineglass of 150, a pinch of
 * about 1/16 and a dash of about 1/8 teaspoon. A US dry peck is used for pecks and bushels.
 */
export const UNITS: readonly Unit[] = [
  unit('mg', 'mass', 1e-6, ['mg', 'mg'], 'milligram', 'milligrams'),
  unit(
    'g',
    'mass',
    0.001,
    ['g', 'g'],
    'gr',
    'gm',
    'gms',
    'grm',
    'grms',
    'gram',
    'grams',
    'gramme',
    'grammes',
  ),
  unit('dag', 'mass', 0.01, ['dag', 'dag'], 'dkg', 'deka', 'decagram', 'decagrams'),
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
    'teaspoonfuls',
    'teaspoonsful',
    'tspn',
    'tspns',
    'teasp',
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
    'tablespoonfuls',
    'tablespoonsful',
    'tb',
    'tblsp',
    'tblspn',
    'tblspns',
    'tblsps',
    'tbspn',
    'tablesp',
    'tbls',
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
  unit(
    'cup',
    'volume',
    US_CUP_ML,
    ['cup', 'cups'],
    'c',
    'us cup',
    'us cups',
    'cupful',
    'cupfuls',
    'cupsful',
  ),
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
  unit('stone', 'mass', POUND_KG * 14, ['stone', 'stone'], 'st', 'stones'),
  unit(
    'dessertspoon',
    'volume',
    10,
    ['dessertspoon', 'dessertspoons'],
    'dsp',
    'dstsp',
    'dessertsp',
  ),
  unit('gill', 'volume', US_CUP_ML / 2, ['gill', 'gills'], 'us gill'),
  unit('imperial-gill', 'volume', 568.26125 / 4, ['imperial gill', 'imperial gills'], 'uk gill'),
  unit(
    'imperial-quart',
    'volume',
    568.26125 * 2,
    ['imperial quart', 'imperial quarts'],
    'uk quart',
  ),
  unit(
    'imperial-gallon',
    'volume',
    568.26125 * 8,
    ['imperial gallon', 'imperial gallons'],
    'uk gallon',
  ),
  unit('metric-tbsp', 'volume', 15, ['metric tbsp', 'metric tbsp'], 'el', 'essl', 'esslöffel'),
  unit('metric-tsp', 'volume', 5, ['metric tsp', 'metric tsp'], 'tl', 'teel', 'teelöffel'),
  unit('australian-tbsp', 'volume', 20, ['australian tbsp', 'australian tbsp'], 'au tbsp'),
  unit(
    'teacup',
    'volume',
    150,
    ['teacup', 'teacups'],
    'wineglass',
    'wineglasses',
    'wine glass',
    'wine glasses',
    'wineglassful',
  ),
  unit('each', 'piece', 1, ['', ''], 'piece', 'pieces', 'whole', 'pcs', 'pc', 'ea'),
  unit(
    'box',
    'pack',
    1,
    ['box', 'boxes'],
    'packet',
    'packets',
    'pack',
    'packs',
    'package',
    'packages',
    'pkg',
    'pkgs',
    'pkt',
    'pkts',
    'pck',
  ),
  unit(
    'pouch',
    'pack',
    1,
    ['pouch', 'pouches'],
    'sachet',
    'sachets',
    'envelope',
    'envelopes',
    'env',
  ),
  unit('can', 'pack', 1, ['can', 'cans'], 'tin', 'tins'),
  unit('jar', 'pack', 1, ['jar', 'jars']),
  unit('bottle', 'pack', 1, ['bottle', 'bottles'], 'btl'),
  unit('bag', 'pack', 1, ['bag', 'bags']),
  unit('carton', 'pack', 1, ['carton', 'cartons'], 'tub', 'tubs'),
  unit('punnet', 'pack', 1, ['punnet', 'punnets']),
  // Their content varies by more than a half: it is asked for.
  unit('tray', 'pack', 1, ['tray', 'trays']),
  unit('flat', 'pack', 1, ['flat', 'flats']),
  unit('basket', 'pack', 1, ['basket', 'baskets']),
  unit('crate', 'pack', 1, ['crate', 'crates'], 'case', 'cases', 'lug', 'lugs'),
  unit('sack', 'pack', 1, ['sack', 'sacks']),
  unit('bucket', 'pack', 1, ['bucket', 'buckets'], 'pail', 'pails', 'tubful', 'tubfuls'),
  unit('bowl', 'pack', 1, ['bowl', 'bowls'], 'bowlful', 'bowlfuls'),
  unit('glass', 'pack', 1, ['glass', 'glasses'], 'tumbler', 'tumblers', 'glassful', 'mug', 'mugs'),
  unit('clamshell', 'pack', 1, ['clamshell', 'clamshells']),
  unit('stick', 'part', 1, ['stick', 'sticks'], 'quill', 'quills'),
  unit('sprig', 'part', 1, ['sprig', 'sprigs'], 'stem', 'stems', 'branch', 'branches'),
  unit('leaf', 'part', 1, ['leaf', 'leaves'], 'sheet', 'sheets'),
  unit('bunch', 'part', 1, ['bunch', 'bunches']),
  unit('handful', 'part', 1, ['handful', 'handfuls'], 'fistful', 'handsful'),
  unit('knob', 'part', 1, ['knob', 'knobs'], 'nut', 'lump', 'lumps', 'walnut-sized piece'),
  unit(
    'thumb',
    'part',
    1,
    ['thumb', 'thumbs'],
    'thumb-sized piece',
    'thumb sized piece',
    'thumb-size piece',
    'thumb-sized knob',
    'thumb-sized pieces',
  ),
  unit(
    'inch',
    'part',
    1,
    ['inch', 'inches'],
    'inch piece',
    '-inch piece',
    'inch knob',
    'inch length',
  ),
  unit('centimetre', 'part', 1, ['cm', 'cm'], 'centimetre', 'centimetres', 'cm piece', 'cm knob'),
  unit('clove', 'part', 1, ['clove', 'cloves']),
  unit('head', 'part', 1, ['head', 'heads'], 'umbel', 'umbels'),
  unit('slice', 'part', 1, ['slice', 'slices'], 'strip', 'strips', 'ring', 'rings'),
  unit('stalk', 'part', 1, ['stalk', 'stalks'], 'rib', 'ribs'),
  unit('ear', 'part', 1, ['ear', 'ears'], 'cob', 'cobs'),
  unit('pinch', 'pinch', US_CUP_ML / 48 / 16, ['pinch', 'pinches'], 'prise', 'smidgen', 'tad'),
  unit(
    'dash',
    'pinch',
    US_CUP_ML / 48 / 8,
    ['dash', 'dashes'],
    'shake',
    'shakes',
    'grind',
    'grinds',
    'grinding',
  ),
  unit('drop', 'pinch', 0.05, ['drop', 'drops']),
  unit('splash', 'pinch', 8, ['splash', 'splashes'], 'dribble', 'drizzle', 'squirt'),
  unit('squeeze', 'pinch', 8, ['squeeze', 'squeezes'], 'squeeze of juice'),
  unit('glug', 'pinch', 20, ['glug', 'glugs']),
];

const spellings = new Map<string, Unit>();
for (const u of UNITS)
  for (const word of [u.id, ...u.name, ...u.aliases]) if (word !== '') spellings.set(word, u);

/** Every spelling that is understood, for "did you mean". */
export const UNIT_SPELLINGS: readonly string[] = [...spellings.keys()];

/** Most words in any spelling, so that a reader knows how far to look ahead ("imperial fl oz"). */
export const LONGEST_UNIT_WORDS = Math.max(...UNIT_SPELLINGS.map((word) => word.split(' ').length));

/** The country whose spoons, cups and pints a person measures with. */
export const MEASURES = ['us', 'uk', 'australian', 'metric'] as const;
export type Measures = (typeof MEASURES)[number];

/**
 * What a word means where it is not the US measure. Common practice: British recipes use the
 * imperial pint, Australian ones the 20 ml tablespoon, both today the metric cup.
 */
const ELSEWHERE: Readonly<Record<Exclude<Measures, 'us'>, Readonly<Record<string, string>>>> = {
  uk: {
    tsp: 'metric-tsp',
    tbsp: 'metric-tbsp',
    cup: 'metric-cup',
    'fl-oz': 'imperial-fl-oz',
    pint: 'imperial-pint',
    quart: 'imperial-quart',
    gallon: 'imperial-gallon',
    gill: 'imperial-gill',
  },
  australian: {
    tsp: 'metric-tsp',
    tbsp: 'australian-tbsp',
    cup: 'metric-cup',
    'fl-oz': 'imperial-fl-oz',
    pint: 'imperial-pint',
    quart: 'imperial-quart',
    gallon: 'imperial-gallon',
    gill: 'imperial-gill',
  },
  metric: { tsp: 'metric-tsp', tbsp: 'metric-tbsp', cup: 'metric-cup' },
};

/**
 * The unit a spelling stands for, or undefined. `T` is a tablespoon and `t` a teaspoon, as cooks
 * write. A bare pint, cup or spoon is the one of `measures`; "US pint" and "imperial pint" are
 * always themselves.
 */
export function findUnit(spelling: string, measures: Measures = 'us'): Unit | undefined {
  const unit = spelledUnit(spelling);
  if (!unit || measures === 'us' || /^us\b/i.test(spelling)) return unit;
  const there = ELSEWHERE[measures][unit.id];
  return there === undefined ? unit : unitById(there);
}

function spelledUnit(spelling: string): Unit | undefined {
  if (spelling === 'T' || spelling === 'T.') return spellings.get('tbsp');
  if (spelling === 't' || spelling === 't.') return spellings.get('tsp');
  return spellings.get(spelling.toLowerCase().replaceAll('.', ''));
}

/** The unit with this id. @throws if the id is not in the table. */
export function unitById(id: string): Unit {
  const found = spellings.get(id);
  if (!found) throw new RangeError(`no unit "${id}"`);
  return found;
}
