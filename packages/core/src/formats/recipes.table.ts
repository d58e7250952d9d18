import type { Kind, Method } from '../formula/index.js';

/** A recipe of our own invention, with what a reader is to find in it. */
export interface RecipeCase {
  readonly text: string;
  /** Null where it is no fruit preserve. */
  readonly kind: Kind | null;
  readonly method: Method | null;
  /** Ids of the foods in order; "?" for one that no table knows. */
  readonly foods: readonly string[];
  readonly made: string | null;
}

export const RECIPES: readonly RecipeCase[] = [
  {
    text: `Grandmother's quince jam

Peel and core 2 kg quinces, grate them and cover with 1.5 litres water. Simmer until soft, about 40 minutes. Stir in 1.6 kg sugar and the juice of 2 lemons, then boil to 220F. Makes about 8 half-pint jars.`,
    kind: 'jam',
    method: 'long-boil',
    foods: ['quince', 'water', 'white-sugar', 'lemon-juice-fresh'],
    made: '8 half-pint',
  },
  {
    text: `Strawb. Jam (Aunt's)
2 qt. strawberries
1 pkg. pectin
7 c. sugar
1/4 c. lemon juice
1/2 t. butter
Crush berries. Add pectin & lemon juice, bring to full rolling boil. Add sugar all at once. Boil hard 1 min. Skim. Pour into jars.
Yld: 8 1/2 pts.`,
    kind: 'jam',
    method: 'powdered-pectin',
    foods: ['strawberry', 'pectin-powder', 'white-sugar', 'lemon-juice-fresh', 'butter'],
    made: '8 half-pint',
  },
  {
    text: `Seville Orange Marmalade
Makes 6 x 454g jars
1. 1 kg Seville oranges
2. 2 lemons
3. 2.5 litres water
4. 2 kg granulated sugar
Method
1. Halve the oranges and squeeze them.
2. Soak the peel overnight in the water.
3. Simmer 2 hours, add the sugar and boil to 104.5C for 15 minutes.
`,
    kind: 'marmalade',
    method: 'long-boil',
    foods: ['bitter-orange', 'lemon', 'water', 'white-sugar'],
    made: '6 454-g',
  },
  {
    text: `Passion fruit curd
Serves 12
Ingredients:
- 6 passion fruits
- 100g unsalted butter, cubed
- 200g caster sugar
- 3 eggs plus 1 yolk

Instructions:
Whisk everything over simmering water until thick (about 10 minutes). Do not let it boil.
Keep in the fridge for 2 weeks.
`,
    kind: 'curd',
    method: 'egg',
    foods: ['passion-fruit', 'butter', 'caster-sugar', 'egg', 'egg-yolk'],
    made: null,
  },
  {
    text: `SLOW COOKER APPLE BUTTER

Ingredients
6 lbs apples, peeled, cored and sliced
1 cup packed brown sugar
1 tbsp cinnamon
1/2 tsp ground cloves
pinch of salt

Directions
Put everything in the slow cooker. Cook 10 hours on low, covered. Blend. Cook uncovered 2 hours on low until thick.
Yield: 4 pints`,
    kind: 'fruit-butter',
    method: 'no-gel',
    foods: ['apple', 'brown-sugar', 'ground-spice', 'ground-spice', 'salt'],
    made: '4 pint',
  },
  {
    text: `# **Blackcurrant Jam**

*A family favourite*

## Ingredients

* **1 kg** blackcurrants
* **500 ml** water
* **1.3 kg** sugar

## Method

1. Simmer the currants in the water for 20 minutes.
2. Add the sugar; boil to setting point.

**Makes:** 7 x 340 g jars
`,
    kind: 'jam',
    method: 'long-boil',
    foods: ['blackcurrant', 'water', 'white-sugar'],
    made: '7 340-g',
  },
  {
    text: `PLUM JAM
l kg plums
5OO g sugar
l lemon, juiced
1OO ml water
Stone the plums. Boil l5 minutes. Makes 4 half pints.`,
    kind: 'jam',
    method: 'long-boil',
    foods: ['plum', 'white-sugar', 'lemon-juice-fresh', 'water'],
    made: '4 half-pint',
  },
  {
    text: `Freezer raspberry jam with gelatine
4 cups raspberries
1 cup sugar
2 env. unflavored gelatin
1/2 cup water
Dissolve gelatin in water. Stir into berries. Freeze.
`,
    kind: null,
    method: null,
    foods: ['raspberry', 'white-sugar', 'gelatin', 'water'],
    made: null,
  },
  {
    text: `Tomato Ketchup
4 kg tomatoes
2 onions
500 ml vinegar
400 g sugar
Boil everything until thick.`,
    kind: null,
    method: null,
    foods: ['tomato', 'onion', 'distilled-vinegar', 'white-sugar'],
    made: null,
  },
  {
    text: `<html><head><title>Peach jam</title></head><body><nav><a href="/">Home</a><a href="/recipes">Recipes</a></nav><h1>Peach Jam</h1><p>Jump to recipe</p><h2>Ingredients</h2><ul><li>4 cups crushed peaches</li><li>2 tbsp bottled lemon juice</li><li>1 (1.75 oz) pkg powdered pectin</li><li>5 cups sugar</li></ul><h2>Instructions</h2><ol><li>Combine peaches, lemon juice and pectin; bring to a full rolling boil.</li><li>Add sugar, return to a full rolling boil, boil hard for 1 minute.</li></ol><p>Yield: about 6 half-pint jars</p><footer>© 2020 Someone. Subscribe to our newsletter</footer></body></html>`,
    kind: 'jam',
    method: 'powdered-pectin',
    foods: ['peach', 'lemon-juice-bottled', 'pectin-powder', 'white-sugar'],
    made: '6 half-pint',
  },
  {
    text: `Redcurrant jelly
Redcurrants      2 kg
Water            500 ml
Sugar            900 g
Boil the fruit in the water, strain through a jelly bag, add sugar and boil to a set.`,
    kind: 'jelly',
    method: 'long-boil',
    foods: ['redcurrant', 'water', 'white-sugar'],
    made: null,
  },
  {
    text: `Apricot Jam
You will need:
1.5 kg apricots, halved and stoned
1.2 kg jam sugar
juice of 1 lemon

Equipment:
a large preserving pan
5 x 340g jars with lids
jam thermometer

Put the fruit and lemon juice in the pan.
Add the sugar and boil for 4 minutes.
`,
    kind: 'jam',
    method: 'jam-sugar',
    foods: ['apricot', 'jam-sugar', 'lemon-juice-fresh'],
    made: '5 340-g',
  },
  {
    text: `Low-Sugar Blueberry Jam
4 cups mashed blueberries
1/4 cup lemon juice
2 tsp calcium water
1 cup honey
2 tsp calcium pectin
Mix pectin with honey. Bring berries to a boil, add honey mixture, stir 1-2 minutes. Fill jars to 1/4 inch of top. Process 10 minutes.
Makes 4-5 cups`,
    kind: 'jam',
    method: 'calcium-pectin',
    foods: ['blueberry', 'lemon-juice-fresh', 'calcium-water', 'honey', 'pectin-calcium'],
    made: '4.5 half-pint',
  },
  {
    text: `2 kg plums
1 kg sugar
Boil it.`,
    kind: 'jam',
    method: 'long-boil',
    foods: ['plum', 'white-sugar'],
    made: null,
  },
  {
    text: `Damsons
3 lb damsons
3 lb sugar
1/2 pint water
Cook until set.`,
    kind: 'jam',
    method: 'long-boil',
    foods: ['damson', 'white-sugar', 'water'],
    made: null,
  },
  {
    text: `Nana's Rhubarb & Ginger Jam

This is a wonderful jam I have made every spring since 1990. It keeps for a year and everyone loves it.

Prep time: 20 mins | Cook time: 30 mins

For the jam
1kg rhubarb, trimmed and cut into 2cm chunks
1kg preserving sugar
50g stem ginger, finely chopped
Zest and juice of 1 lemon

To make
Layer the rhubarb and sugar in a bowl and leave overnight.
Tip into a preserving pan, add the ginger and lemon, and boil for 10-15 minutes until it reaches 105°C.
Pour into sterilised jars.

Makes about 5 x 340g jars
Tip: add vanilla for a twist.`,
    kind: 'jam',
    method: 'long-boil',
    foods: ['rhubarb', 'white-sugar', 'crystallized-ginger', 'lemon-juice-fresh', 'lemon-zest'],
    made: '5 340-g',
  },
  {
    text: `Moon jam
1 kg moonfruit
1 kg sugar
1 package powdered pectin
Boil.`,
    kind: 'jam',
    method: 'powdered-pectin',
    foods: ['?', 'white-sugar', 'pectin-powder'],
    made: null,
  },
  {
    text: `Concord Grape Jelly
5 cups juice (from about 3 1/2 lb Concord grapes)
1 box (1 3/4 oz) powdered pectin
7 cups sugar
Measure juice into kettle...
YIELD: 8 or 9 eight-ounce jars`,
    kind: 'jelly',
    method: 'powdered-pectin',
    foods: ['slip-skin-grape', 'pectin-powder', 'white-sugar'],
    made: '8.5 8-oz',
  },
  {
    text: `• 5 lb tomatoes, chopped
• 3 1/2 c sugar
• 8 tbsp lime juice
• 2 tsp fresh ginger, grated
• 1 tsp cinnamon
• ½ tsp cloves
• 1 Tbsp salt
• 1 Tbsp red pepper flakes

Combine all in a large pot. Bring to boil, reduce and simmer until jammy, 1-1 1/2 hours.
Fill hot jars leaving 1/4 inch headspace. Process 20 min.
Makes 4-5 pints.`,
    kind: 'jam',
    method: 'long-boil',
    foods: [
      'tomato',
      'white-sugar',
      'lime',
      'ginger',
      'ground-spice',
      'ground-spice',
      'salt',
      'ground-spice',
    ],
    made: '4.5 pint',
  },
  {
    text: `Blackberry Jam
4 c. blackberries, 3 c. sugar, 1 T. lemon juice
Mash berries, add sugar and juice. Boil until thick, 20-25 min. Seal in hot jars. 3 half pints.`,
    kind: 'jam',
    method: 'long-boil',
    foods: ['blackberry', 'white-sugar', 'lemon-juice-fresh'],
    made: null,
  },
  {
    text: `Home
Recipes
About
Contact
Strawberry Rhubarb Jam
By Someone | June 3, 2019 | 14 Comments
Jump to Recipe
This post may contain affiliate links.
My favorite spring jam! It is tangy and sweet and takes under an hour.
Ingredients
1x 2x 3x
2 cups crushed strawberries
2 cups chopped rhubarb
6 cups sugar
1 box (1.75 oz) powdered fruit pectin
½ tsp unsalted butter (optional)
Instructions
Combine strawberries, rhubarb and pectin in a large pot.
Bring to a full rolling boil.
Add sugar all at once. Boil hard 1 minute.
Ladle into jars leaving 1/4 inch headspace.
Process 10 minutes.
Notes
Makes 7 half-pint jars.
Nutrition
Calories: 49kcal | Carbohydrates: 13g
Did you make this recipe?
Leave a comment`,
    kind: 'jam',
    method: 'powdered-pectin',
    foods: ['strawberry', 'rhubarb', 'white-sugar', 'pectin-powder', 'butter'],
    made: '7 half-pint',
  },
  {
    text: `# Gooseberry and Elderflower Jam

| Ingredient | Amount |
|---|---|
| gooseberries, topped and tailed | 1 kg |
| water | 400 ml |
| sugar | 1 kg |
| elderflower heads | 10 |

1. Simmer the gooseberries with the elderflower in a muslin bag.
2. Add sugar and boil until 104 °C.

Yield: 5 jars (340 g)`,
    kind: 'jam',
    method: 'long-boil',
    foods: ['gooseberry', 'water', 'white-sugar', 'elderflower'],
    made: '5 340-g',
  },
  {
    text: `PLUM BUTTER
Yield: about 6 half-pints

* 5 lbs plums
* 2 cups sugar
* 1 stick cinnamon

* Cook plums until soft; put through food mill.
* Add sugar and cinnamon and cook slowly until it mounds on a spoon, about 2 hours.`,
    kind: 'fruit-butter',
    method: 'no-gel',
    foods: ['plum', 'white-sugar', 'whole-spice'],
    made: '6 half-pint',
  },
  {
    text: `Jalapeño Jelly

Makes 5 (8-ounce) jars

12 ounces jalapeño peppers (about 12 medium)
2 cups cider vinegar (5% acidity), divided
6 cups sugar
2 (3-ounce) pouches liquid pectin
Green food coloring (optional)

PUREE peppers and 1 cup vinegar in a food processor.
COMBINE puree, remaining vinegar and sugar. Boil 10 minutes.
STIR IN pectin. Boil hard 1 minute.
`,
    kind: 'savoury-jelly',
    method: 'liquid-pectin',
    foods: ['hot-pepper', 'cider-vinegar', 'white-sugar', 'pectin-liquid', 'food-colouring'],
    made: '5 8-oz',
  },
  {
    text: `Elderberry syrup
500 g elderberries
750 ml water
400 g honey
1 cinnamon stick
Simmer the berries in the water for 30 min, strain, stir in honey.
Makes 750ml`,
    kind: 'syrup',
    method: 'no-gel',
    foods: ['elderberry', 'water', 'honey', 'whole-spice'],
    made: null,
  },
  {
    text: `Tangerine Marmalade
Stage 1
1.2kg tangerines
2 lemons
2.4 litres water
Stage 2
1.8kg sugar
Put the fruit in a pan with the water and simmer for 1 hour.
Slice the peel, return it to the pan, add the sugar and boil for a set.
Fills about 6 jars (450g)`,
    kind: 'marmalade',
    method: 'long-boil',
    foods: ['mandarin', 'lemon', 'water', 'white-sugar'],
    made: '6 454-g',
  },
  {
    text: `Lemon curd
Makes about 600g

Finely grated zest and juice of 4 unwaxed lemons
200g/7oz caster sugar
100g/3½oz unsalted butter, cut into cubes
3 free-range eggs, plus 1 free-range egg yolk

1. Put the lemon zest and juice, the sugar and the butter into a heatproof bowl.
2. Whisk the eggs and stir them in. Cook for 10-13 minutes until thick enough to coat the back of a spoon.`,
    kind: 'curd',
    method: 'egg',
    foods: ['lemon-juice-fresh', 'lemon-zest', 'caster-sugar', 'butter', 'egg', 'egg-yolk'],
    made: '0.6 kg',
  },
  {
    text: `Crab apple jelly
4kg/8lb 13oz crab apples
caster sugar
1 lemon, juiced

Wash the apples. Put in a saucepan, cover with water, simmer until soft (about 30 mins).
Pour the pulp into a jelly bag and let drip overnight. Do not squeeze the bag.
Next day measure the juice and add sugar in the ratio of 10 parts juice to 7 of sugar.
Boil for 40 minutes to setting point. Fills 6-7 jars.`,
    kind: 'jelly',
    method: 'long-boil',
    foods: ['crab-apple', 'caster-sugar', 'lemon-juice-fresh'],
    made: null,
  },
  {
    text: `Fig preserves. 2 lb figs; 1 1/2 lb sugar; 1 lemon, thinly sliced; 1 cup water.
Cook slowly till clear and thick.`,
    kind: 'jam',
    method: 'long-boil',
    foods: ['fig', 'white-sugar', 'lemon', 'water'],
    made: null,
  },
];
