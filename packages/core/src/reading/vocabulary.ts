import type { Form, Ripeness } from '../produce/index.js';

/**
 * Words around the name of an ingredient. What is in none of these lists, and is no ingredient, is
 * not understood.
 */

/** Words that say how it was prepared, by form; the first form that is said counts. */
export const FORM_WORDS: readonly (readonly [Form, readonly string[]])[] = [
  [
    'as-bought',
    [
      'as bought',
      'unprepared',
      'unpeeled weight',
      'gross weight',
      'with stones',
      'stones in',
      'unpitted',
      'untrimmed',
      'pits in',
      'in the pod',
      'as purchased',
    ],
  ],
  ['juice', ['juice', 'juiced', 'juice of', 'juice only', 'juice from', 'expressed juice']],
  [
    'zest',
    [
      'zest',
      'zested',
      'zest of',
      'zest only',
      'rind',
      'grated rind',
      'grated zest',
      'grated peel',
      'finely grated zest',
      'finely grated rind',
      'peel of',
      'zest from',
    ],
  ],
  ['dried', ['dried', 'dehydrated', 'sun dried', 'freeze dried', 'sundried']],
  ['puree', ['puree', 'pureed', 'sieved', 'blended', 'passed', 'strained pulp', 'sauce']],
  [
    'crushed',
    [
      'crushed',
      'mashed',
      'minced',
      'ground',
      'pulp',
      'pulped',
      'finely chopped',
      'chopped finely',
      'finely diced',
      'finely minced',
      'very finely chopped',
      'chopped fine',
      'smashed',
      'chopped very finely',
      'flesh',
      'processed',
      'finely ground',
      'coarsely ground',
      'bruised',
      'milled',
      'crushed berries',
    ],
  ],
  ['grated', ['grated', 'shredded', 'julienned', 'coarsely grated', 'finely grated', 'flaked']],
  [
    'sliced',
    [
      'sliced',
      'slices',
      'thinly sliced',
      'finely sliced',
      'segmented',
      'segments',
      'sectioned',
      'wedges',
      'rounds',
      'rings',
      'strips',
      'slivered',
      'shaved',
      'matchsticks',
      'cut into strips',
      'shreds',
      'slithers',
    ],
  ],
  [
    'chopped',
    [
      'chopped',
      'diced',
      'cubed',
      'cut',
      'pieces',
      'chunks',
      'cubes',
      'roughly chopped',
      'coarsely chopped',
      'chopped roughly',
      'snipped',
      'torn',
      'broken',
      'cut up',
      'bite size',
      'bite sized',
      'dice',
      'chop',
    ],
  ],
  ['drained', ['drained', 'canned', 'tinned', 'well drained']],
  [
    'pitted',
    [
      'pitted',
      'stoned',
      'destoned',
      'de stoned',
      'stones removed',
      'pits removed',
      'stone removed',
      'halved',
      'halves',
      'quartered',
      'quarters',
      'depitted',
      'de pitted',
      'pitted weight',
      'halved and stoned',
    ],
  ],
  [
    'peeled-cored',
    [
      'peeled',
      'cored',
      'skinned',
      'peeled and cored',
      'cored and peeled',
      'peeled weight',
      'skins removed',
      'peel removed',
      'pared',
      'cores removed',
      'skin removed',
      'peels removed',
      'blanched and peeled',
    ],
  ],
  ['hulled', ['hulled', 'hulls removed', 'capped', 'caps removed', 'stems removed']],
  [
    'frozen',
    [
      'frozen',
      'thawed',
      'defrosted',
      'part thawed',
      'from the freezer',
      'partially thawed',
      'fresh or frozen',
    ],
  ],
  ['stored', ['stored', 'from store']],
  ['peel', ['peel', 'peels', 'skins only', 'rinds']],
  [
    'whole',
    [
      'whole',
      'stemmed',
      'destemmed',
      'de stemmed',
      'topped and tailed',
      'stripped',
      'stripped from their stalks',
      'stalks removed',
      'stripped from stalks',
      'left whole',
      'stripped off the stalks',
    ],
  ],
];

/** Forms that take something away: "2 kg apples, peeled" was weighed before it. */
export const WASTE_FORMS: ReadonlySet<Form> = new Set(['pitted', 'peeled-cored', 'hulled']);

export const RIPENESS_WORDS: readonly (readonly [Ripeness, readonly string[]])[] = [
  [
    'under-ripe',
    [
      'under ripe',
      'underripe',
      'unripe',
      'slightly under ripe',
      'slightly underripe',
      'barely ripe',
      'not quite ripe',
      'just under ripe',
      'half ripe',
    ],
  ],
  ['over-ripe', ['over ripe', 'overripe', 'very ripe', 'soft ripe']],
  [
    'mixed',
    ['some under ripe', 'some underripe', 'just ripe', 'ripe and under ripe', 'mixed ripeness'],
  ],
  ['ripe', ['ripe', 'fully ripe']],
];

const list = (text: string): string[] => text.trim().split(/\s+/);

/** Words that change neither what it is nor what it weighs. */
export const PLAIN_WORDS: ReadonlySet<string> = new Set(
  list(`
a an the of and or to for in into on at by with from as if but plus per each about approximately around approx roughly
some any more extra additional other your own our my their its is are be been will not too very quite really just only
also then than that this these those it them all both either such like well
fresh freshly good best quality fine superfine nice lovely large medium small big little tiny sized size jumbo giant
mini baby young old new organic natural pure real raw uncooked cooked clean cleaned washed rinsed wiped dry dried
scrubbed brushed picked over sorted trimmed tidied prepared prepped unwaxed waxed untreated unsprayed spray
firm soft tender juicy plump sweet tart sour sharp tangy mild strong bitter fragrant perfect unblemished sound
ripe ripened unripe green red yellow black white blue purple golden pink orange dark light pale bright
local homegrown garden wild foraged seasonal winter summer autumn spring early late cultivated farm market shop bought
store supermarket home made homemade bottle bottled jar jarred unsweetened sweetened plain regular ordinary standard
classic original unsalted salted free range room temperature temp cold chilled cool warm warmed hot boiling tepid lukewarm
melted softened frozen thawed defrosted packed firmly lightly loosely tightly level heaped heaping rounded scant
generous generously sifted divided separated beaten whisked lightly toasted roasted blanched soaked overnight
squeezed freshly strained unstrained filtered clear cloudy concentrated undiluted
peeled unpeeled cored uncored seeded deseeded seedless pitted stoned hulled hulls husked shelled skinned skin skins
topped tailed stemmed destemmed stalks stalk stems stem removed remove discarded discard reserved
pips pith piths pits pit stones stone seeds seed cores core kernels membrane membranes tops ends leaves leaf
chopped sliced diced cubed cut crushed mashed minced grated ground shredded halved quartered pureed zested juiced
halves quarters pieces piece chunks wedges strips rounds cubes thin thinly thick thickly coarse coarsely fine finely
rough roughly small inch cm mm thick lengthwise lengthways crosswise crossways half quarter eighths bite
optional preferably ideally necessary needed required desired taste wish like want depending according
use using used add added adding make making made stir see note recipe above below following tip photo
weight weighed weigh after before preparation prep prepping net gross total altogether
bag bags box boxes packet packets pack packs package packages sachet sachets pouch pouches carton cartons container containers
can cans canned tin tins tinned tub punnet punnets clamshell bunch bunches stick sticks head heads sprig sprigs clove cloves
handful handfuls handful bottle bottles jar jars
unpasteurized unpasteurised pasteurized pasteurised shop store grade eating cooking culinary dessert baking
brand favourite favorite your choice mixed assorted variety varieties type kind
yield yields gives equals equivalent worth amount quantity
thai italian french spanish english british american european indian chinese japanese greek turkish californian
reduce reducing foam foaming scum prevent help helps helping keep brighten serve serving decorate decoration garnish
dust dusting greasing
skimmed pressed split scraped deveined bruised crumbled broken torn snipped chiffonade
buds brewed stewed poached steamed ripened whisked stirred infused steeped
tbsp tsp cup cups g kg ml oz lb
unflavored unflavoured flavor flavour flavored flavoured powdered powder liquid granulated instant granules
double single twice once more less even evenly
day days old week weeks hour hours minute minutes
desired equal parts part
`),
);

/** Words before another food in a remark: "raisins, soaked in rum", "ginger in syrup". */
export const REMARK_WORDS: ReadonlySet<string> = new Set(
  list('in for from as like into such without not if see or'),
);

/** Foods that are made of an ingredient, and are not it. */
export const MADE_FOODS: ReadonlySet<string> = new Set(
  list(
    'jam jelly marmalade preserve preserves conserve chutney pickle pickles relish ketchup curd pie pies cake filling mix concentrate extract essence flavouring flavoring leather crisps chips soup pudding yoghurt yogurt sorbet ice sauce paste cordial syrup squash wine beer liqueur brandy butter oil bread biscuits cookies cream spread compote seeds kernels leaves',
  ),
);
