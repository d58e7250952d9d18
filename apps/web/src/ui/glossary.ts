/** A word of the trade, explained for somebody who meets it for the first time. */
export interface Term {
  readonly id: string;
  readonly term: string;
  /** Other names somebody may look for it by. */
  readonly also?: string;
  readonly text: string;
  /** Ids of terms that go with it. */
  readonly see?: readonly string[];
}

/**
 * In the order of the alphabet; one list, so that a readout, the search and the page say the same.
 * Common practice, unless a source stands in the text.
 */
export const GLOSSARY: readonly Term[] = [
  {
    id: 'acidity',
    term: 'Acidity',
    text: 'Two things go by this name. How sharp it tastes comes from how much acid there is; whether pectin sets, and whether jars are safe on the shelf, comes from the pH.',
    see: ['ph', 'titratable-acidity'],
  },
  {
    id: 'altitude',
    term: 'Altitude',
    text: 'Height above the sea. Higher up the air weighs less, so everything boils cooler: the setting point is lower, and jars are processed longer.',
    see: ['boiling-point', 'processing'],
  },
  {
    id: 'bands',
    term: 'Bands',
    text: 'The screw rings that hold the lids while jars are processed. Fingertip tight; off once the jars have cooled.',
    see: ['lids', 'fingertip-tight'],
  },
  {
    id: 'batch',
    term: 'Batch',
    text: 'What is cooked at one time in one pan, from the fruit to its jars.',
    see: ['formula'],
  },
  {
    id: 'best-before',
    term: 'Best before',
    text: 'The last day jars are at their best in colour and taste, stored cool, dark and dry. It is about quality; signs of spoilage always mean throw it away.',
    see: ['spoilage'],
  },
  {
    id: 'boiling-point',
    term: 'Boiling point',
    text: 'The temperature at which water boils here today. Measure it with your own thermometer: it corrects for altitude, weather and the thermometer at once.',
    see: ['setting-point', 'altitude'],
  },
  {
    id: 'bottled-lemon-juice',
    term: 'Bottled lemon juice',
    text: 'Lemon juice standardised to 4.5 to 5 % acid. Fresh lemons vary, so where acid is for safety, bottled juice is used.',
    see: ['ph'],
  },
  {
    id: 'botulism',
    term: 'Botulism',
    text: 'A rare, very dangerous poisoning from bacteria that grow without air in food that is not acid enough. It cannot be seen, smelled or tasted: never taste to find out.',
    see: ['ph', 'spoilage'],
  },
  {
    id: 'brix',
    term: 'Brix',
    also: 'degrees Brix concentration',
    text: 'How concentrated the contents are: grams of sugar and other dissolved solids in 100 g, as a refractometer reads it. A jam is usually 60 to 68 °Brix.',
    see: ['soluble-solids', 'refractometer'],
  },
  {
    id: 'burner',
    term: 'Burner',
    text: 'What heats the pan. How much heat it gives is learned from your boils.',
    see: ['water-loss'],
  },
  {
    id: 'butter',
    term: 'Fruit butter',
    text: 'Sieved fruit cooked down until it mounds on a spoon. It needs no gel and no setting point.',
    see: ['water-ring'],
  },
  {
    id: 'calcium-pectin',
    term: 'Calcium pectin',
    also: 'low methoxyl low sugar',
    text: 'Pectin that sets with calcium instead of sugar and acid: for jams with little sugar.',
    see: ['pectin', 'calcium-water'],
  },
  {
    id: 'calcium-water',
    term: 'Calcium water',
    text: 'A little calcium salt dissolved in water, stirred in so that calcium pectin can set.',
    see: ['calcium-pectin'],
  },
  {
    id: 'canner',
    term: 'Canner',
    text: 'A deep pan with a rack, in which filled jars are boiled under water, or stand in steam.',
    see: ['processing', 'headspace'],
  },
  {
    id: 'cold-plate-test',
    term: 'Cold plate test',
    also: 'wrinkle test saucer',
    text: 'A spoonful on a plate from the freezer: push it after a minute. It runs, closes slowly, holds a line, or wrinkles. Take the pan off the heat while you test.',
    see: ['setting-point', 'sheet-test'],
  },
  {
    id: 'conserve',
    term: 'Conserve',
    text: 'Whole or large pieces of fruit in a thick syrup or soft gel.',
    see: ['jam'],
  },
  {
    id: 'crystals',
    term: 'Crystals',
    also: 'grains sugar',
    text: 'Grains that form in the jar when there is too much sugar, too little acid, or sugar that never dissolved. Harmless.',
    see: ['inversion'],
  },
  {
    id: 'curd',
    term: 'Curd',
    text: 'Juice, sugar, butter and eggs, whisked over hot water until it thickens. For the fridge, but for one published pattern.',
    see: ['curdling'],
  },
  {
    id: 'curdling',
    term: 'Curdling',
    text: 'Egg that sets into lumps because it got too hot, from about 82 °C (180 °F).',
    see: ['curd'],
  },
  {
    id: 'extension',
    term: 'Extension service, food authority',
    text: 'Who publishes tested recipes and processing times where you live. Their current tables have the last word.',
    see: ['tested-recipe'],
  },
  {
    id: 'fingertip-tight',
    term: 'Fingertip tight',
    text: 'As tight as the fingertips turn a band: air can leave the jar in the canner, water cannot get in.',
    see: ['bands'],
  },
  {
    id: 'firmness',
    term: 'Firmness',
    text: 'How stiff the gel is once cold: runny, soft, medium, firm, stiff. It is estimated from pectin, pH and concentration, and shown with its doubt.',
    see: ['pectin', 'ph', 'brix'],
  },
  {
    id: 'floating-fruit',
    term: 'Floating fruit',
    text: 'Pieces that rise in the jar because they are lighter than the syrup. Let it rest 5 to 10 minutes before filling, and stir once.',
    see: ['rest'],
  },
  {
    id: 'foam',
    term: 'Foam',
    text: 'Air and pulp that rise as sugar boils, to three or four times the height. Leave the pan at most a third full; skim at the end, or use a scrap of butter.',
    see: ['full-rolling-boil'],
  },
  {
    id: 'forecast',
    term: 'Forecast',
    text: 'What is expected, as a range: 9 times in 10 the actual value lies in it. It gets narrower with every reading and every boil that was learned from.',
    see: ['learned'],
  },
  {
    id: 'formula',
    term: 'Formula',
    text: 'Your amounts, with how they are cooked, saved to be made again. A recipe is what you paste; a tested recipe is an authority’s.',
    see: ['tested-recipe', 'batch'],
  },
  {
    id: 'full-rolling-boil',
    term: 'Full rolling boil',
    text: 'A boil that does not stop when you stir.',
    see: ['foam', 'one-minute-boil'],
  },
  {
    id: 'headspace',
    term: 'Headspace',
    text: 'The room left between the food and the rim. Too little and it boils out, too much and air stays in: the tables say how much.',
    see: ['seal'],
  },
  {
    id: 'highest-likely-ph',
    term: 'Highest likely pH',
    text: 'The least acid this batch may be, with every ingredient at its least acid. The storage goes by it, not by the middle.',
    see: ['ph', 'storage'],
  },
  {
    id: 'inversion',
    term: 'Inversion',
    text: 'Acid and heat split table sugar into two simpler sugars. Some of it keeps crystals away.',
    see: ['crystals'],
  },
  {
    id: 'jam',
    term: 'Jam',
    text: 'Fruit and sugar boiled until they set.',
    see: ['jelly', 'marmalade', 'conserve'],
  },
  {
    id: 'jam-sugar',
    term: 'Jam sugar',
    also: 'gelling sugar',
    text: 'Sugar with pectin, and often acid, mixed in. Preserving sugar has none: it is only coarse.',
    see: ['pectin'],
  },
  {
    id: 'jelly',
    term: 'Jelly',
    text: 'Strained juice and sugar boiled to a clear gel.',
    see: ['jam'],
  },
  {
    id: 'learned',
    term: 'Learned from your boils',
    text: 'How your burner heats, your thermometer reads and your ladle fills, from boils that were logged to their end. Never a processing time.',
    see: ['forecast'],
  },
  {
    id: 'lids',
    term: 'Lids',
    text: 'Lids are used once, and pressed 12 to 24 hours later to check the seal.',
    see: ['bands', 'seal'],
  },
  {
    id: 'load',
    term: 'Load',
    text: 'The jars that are in the canner together. What does not fit is another load.',
    see: ['canner'],
  },
  {
    id: 'long-boil',
    term: 'Long boil',
    text: 'No added pectin: water is boiled off until the fruit’s own pectin sets.',
    see: ['setting-method', 'setting-point'],
  },
  {
    id: 'marmalade',
    term: 'Marmalade',
    text: 'Citrus peel in a clear gel. The peel is simmered soft before the sugar goes in, or it stays hard.',
    see: ['jam'],
  },
  {
    id: 'one-minute-boil',
    term: '1-minute boil',
    text: 'With added pectin: one minute by the clock at a full rolling boil, with everything in, then off the heat.',
    see: ['full-rolling-boil', 'powdered-pectin'],
  },
  {
    id: 'overnight',
    term: 'Standing overnight',
    also: 'macerate',
    text: 'Fruit in its sugar, covered and cool: it gives its juice and stays whole.',
    see: ['conserve'],
  },
  {
    id: 'part-jar',
    term: 'Part jar',
    text: 'The last jar, not full. Air under the lid means it is not for the shelf: refrigerate it and use it first.',
    see: ['headspace'],
  },
  {
    id: 'pectin',
    term: 'Pectin',
    text: 'What makes fruit set. Tart apples, quinces, currants and citrus peel have much; pears, cherries and strawberries little. Long boiling destroys some.',
    see: ['powdered-pectin', 'calcium-pectin', 'pectin-test'],
  },
  {
    id: 'pectin-test',
    term: 'Pectin test',
    also: 'alcohol',
    text: 'A spoonful of cooled juice in rubbing alcohol: one lump means plenty. It is poison afterwards: never taste it.',
    see: ['pectin'],
  },
  {
    id: 'ph',
    term: 'pH',
    text: 'How acid something is; lower is more acid. Pectin sets between about 2.8 and 3.5. Jars for the shelf must be under a limit, whatever the kind.',
    see: ['acidity', 'highest-likely-ph'],
  },
  {
    id: 'powdered-pectin',
    term: 'Powdered and liquid pectin',
    text: 'Powder goes in before the sugar, liquid after it at a full boil. The other way round it does not set.',
    see: ['pectin', 'one-minute-boil'],
  },
  {
    id: 'processing',
    term: 'Processing',
    text: 'Boiling filled jars in a canner, or steaming them, for the minutes of the published table at your altitude. Never paused, never shorter: if the boil stops, the time starts again.',
    see: ['canner', 'altitude'],
  },
  {
    id: 'refractometer',
    term: 'Refractometer',
    text: 'Shows degrees Brix of a drop. The drop has to be cooled first.',
    see: ['brix'],
  },
  {
    id: 'rest',
    term: 'Rest',
    text: 'Five minutes in the canner with the heat off before jars are lifted; or a jam off the heat before it is filled, so that fruit does not float.',
    see: ['processing', 'floating-fruit'],
  },
  {
    id: 'seal',
    term: 'Seal',
    text: 'A lid held down by the vacuum of the cooled jar: pressed in the middle, it does not give.',
    see: ['lids'],
  },
  {
    id: 'setting-method',
    term: 'Setting method',
    text: 'What makes it set: a long boil, added pectin, calcium, jam sugar, eggs; or nothing, as in a butter or syrup.',
    see: ['long-boil', 'powdered-pectin', 'calcium-pectin'],
  },
  {
    id: 'setting-point',
    term: 'Setting point',
    also: 'gel point',
    text: 'Where a long boil stops: about 4.4 °C (8 °F) above the boiling point of water here, so it is lower in the hills. Confirm with the cold plate.',
    see: ['boiling-point', 'cold-plate-test'],
  },
  {
    id: 'sheet-test',
    term: 'Spoon test',
    also: 'sheeting flake',
    text: 'Lift the spoon: two drops that join and hang as a sheet mean it is near its setting point.',
    see: ['cold-plate-test'],
  },
  {
    id: 'soluble-solids',
    term: 'Soluble solids',
    text: 'Everything dissolved in the water: sugar, acid, salts. In degrees Brix.',
    see: ['brix'],
  },
  {
    id: 'spoilage',
    term: 'Signs of spoilage',
    text: 'A bulging lid, spurting, moving bubbles, an off smell, mould, ferment: throw it away without tasting.',
    see: ['botulism'],
  },
  {
    id: 'sterilising',
    term: 'Sterilising jars',
    text: 'Boiling empty jars 10 minutes, longer higher up. Needed where the processing time is too short to do it.',
    see: ['processing'],
  },
  {
    id: 'storage',
    term: 'Storage',
    text: 'Where jars belong: on the shelf if processed, refrigerated, or frozen. It goes by published rules, with every estimate at its least safe, and is never kinder.',
    see: ['highest-likely-ph', 'processing'],
  },
  {
    id: 'sugar',
    term: 'Sugar',
    text: 'It holds water so that pectin sets, and slows moulds. Cut it and the set, the yield and the storage all change; some pectins need their full amount.',
    see: ['brix', 'calcium-pectin'],
  },
  {
    id: 'syrup',
    term: 'Syrup',
    text: 'Juice and sugar that pour.',
    see: ['brix'],
  },
  {
    id: 'tested-recipe',
    term: 'Tested recipe',
    text: 'One that a food authority has tested and published, made unchanged. What is computed here is not one.',
    see: ['extension', 'formula'],
  },
  {
    id: 'titratable-acidity',
    term: 'Titratable acidity',
    text: 'How much acid there is, as a share of the weight: what the tongue tastes as sharp.',
    see: ['acidity'],
  },
  {
    id: 'water-loss',
    term: 'Water loss',
    also: 'evaporation',
    text: 'What the pan boils off in an hour. A wide pan on a strong burner loses more. It decides how long a boil takes.',
    see: ['burner', 'yield'],
  },
  {
    id: 'water-ring',
    term: 'Ring of water',
    text: 'What runs from a spoonful of butter on a cold plate while it is not thick enough yet.',
    see: ['butter'],
  },
  {
    id: 'weeping',
    term: 'Weeping',
    also: 'syneresis',
    text: 'Liquid that comes out of a gel: too much acid, or a gel that is too firm.',
    see: ['firmness', 'ph'],
  },
  {
    id: 'yield',
    term: 'Yield',
    text: 'How many jars come of it: what goes in, less the water boiled off and what stays as foam and film.',
    see: ['water-loss', 'headspace'],
  },
];

/** One of the terms. @throws RangeError where there is none of that id */
export function termOf(id: string): Term {
  const found = GLOSSARY.find((each) => each.id === id);
  if (!found) throw new RangeError(`the glossary has no "${id}"`);
  return found;
}
