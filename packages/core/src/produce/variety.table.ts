/** One kind of an ingredient that has a name, and perhaps a weight, of its own. */
export interface VarietyRow {
  /** Id of the ingredient whose composition it has. */
  readonly of: string;
  readonly name: string;
  readonly also?: readonly string[];
  /** Grams a level US cup, where it differs. */
  readonly cup?: number;
  /** Grams a piece, where it differs. */
  readonly each?: number;
  /** Grams a packet or sachet, where it differs. */
  readonly packet?: number;
  /** Its name is enough without that of the ingredient: "2 kg Bramleys". */
  readonly alone?: boolean;
}

const named = (of: string, names: string): VarietyRow[] =>
  names.split(', ').map((name) => ({ of, name }));
const alone = (of: string, names: string): VarietyRow[] =>
  named(of, names).map((row) => ({ ...row, alone: true }));
/** Spices and herbs, "name/other name:grams a cup:grams a piece". */
const weighed = (of: string, rows: string): VarietyRow[] =>
  rows.split(', ').map((row) => {
    const [names = '', cup = '', each = ''] = row.split(':');
    const [name = '', ...also] = names.split('/');
    return {
      of,
      name,
      also,
      alone: true,
      ...(cup !== '' && { cup: Number(cup) }),
      ...(each !== '' && { each: Number(each) }),
    };
  });

/**
 * Varieties and kinds people name. Their composition is the ingredient's; a variety whose acid or
 * pectin is another (white peach, Asian pear) is an ingredient of its own. Grams of a cup of spice
 * from USDA SR Legacy household measures, from memory; of a piece, common practice.
 */
export const VARIETY_ROWS: readonly VarietyRow[] = [
  {
    of: 'white-sugar',
    name: 'vanilla sugar',
    also: ['vanillin sugar', 'vanillezucker'],
    packet: 8,
    alone: true,
  },
  ...alone(
    'tart-apple',
    'bramley, granny smith, boskoop, antonovka, northern spy, rhode island greening, grenadier, howgate wonder, bramleys seedling',
  ),
  ...alone(
    'apple',
    'cox, gala, fuji, golden delicious, red delicious, braeburn, honeycrisp, jonagold, mcintosh, empire, egremont russet, russet, elstar, discovery, cortland, gravenstein, jonathan, worcester',
  ),
  ...alone(
    'plum',
    'mirabelle, greengage, victoria plum, reine claude, zwetschge, quetsche, bullace, myrobalan',
  ),
  ...named(
    'plum',
    'victoria, santa rosa, italian, black, red, yellow, golden, purple, cherry, satsuma, japanese, egg, wild, czar, marjorie, damask, beach, sugar, blue',
  ),
  ...named('damson', 'shropshire, merryweather'),
  ...alone('cherry', 'bing cherry, rainier cherry, lapins cherry'),
  ...named('cherry', 'bing, rainier, lapins, stella, kordia, lambert, napoleon'),
  ...named('strawberry', 'elsanta, gariguette, cambridge, june-bearing, everbearing'),
  ...named('raspberry', 'black, golden, yellow, red, autumn, purple'),
  ...named('gooseberry', 'green, red, yellow, dessert'),
  ...named('redcurrant', 'red, white, pink'),
  ...named(
    'grape',
    'seedless, red, green, white, black, thompson, muscat, purple, champagne, dessert',
  ),
  ...named('slip-skin-grape', 'concord, niagara, blue, catawba'),
  ...named(
    'pear',
    'conference, bartlett, williams, bosc, comice, anjou, kieffer, seckel, bartlett',
  ),
  ...named('peach', 'yellow, freestone, clingstone, redhaven, elberta'),
  ...named('nectarine', 'yellow'),
  ...named('apricot', 'moorpark, blenheim, bergeron'),
  ...named(
    'orange',
    'sweet, navel, blood, valencia, jaffa, juicing, juice, cara cara, large-skinned',
  ),
  ...named('bitter-orange', 'seville'),
  ...named('lemon', 'meyer, eureka, lisbon, amalfi, unwaxed, sicilian'),
  { of: 'lime', name: 'key', each: 33 },
  ...named('lime', 'persian, tahitian'),
  ...named('quince', 'vranja, smyrna, portuguese, pear, apple'),
  ...named('fig', 'mission, brown turkey, black, green, kadota, smyrna'),
  ...named('mango', 'alphonso, kent, tommy atkins, ataulfo'),
  ...named('crab-apple', 'john downie, dolgo, golden hornet'),
  ...named('rhubarb', 'red, green, timperley'),
  ...named('cranberry', 'american, bog'),
  ...named('tomato', 'san marzano, heirloom, yellow, red, green, black'),
  ...named('sweet-pepper', 'romano, pointed, ramiro, purple'),
  ...named('onion', 'red, white, yellow, sweet, vidalia, spanish, banana, pearl'),
  ...named('pumpkin', 'sugar, pie, crown prince'),
  ...named('raisin', 'seedless, golden, thompson'),
  ...weighed(
    'ground-spice',
    'cinnamon/ground cinnamon/cinnamon powder/cassia:125, cloves/ground cloves/ground clove/clove powder:101, ginger powder/ground ginger/dried ginger/powdered ginger:86, allspice/ground allspice/pimento:91, nutmeg/ground nutmeg/grated nutmeg:106, cardamom/ground cardamom:96, mace/ground mace:82, ground coriander/coriander:86, cumin/ground cumin:101, turmeric/ground turmeric:150, paprika/smoked paprika/sweet paprika:110, cayenne/cayenne pepper/chilli powder/chili powder/chilli flakes/chili flakes/red pepper flakes/crushed red pepper:86, black pepper/ground black pepper/white pepper/ground pepper:110, pumpkin pie spice/apple pie spice/pumpkin spice:82, mixed spice/quatre epices/five spice/five-spice powder:86, ground star anise/anise/ground anise:100, saffron/saffron threads/saffron strands:34, mustard powder/dry mustard/ground mustard:96, curry powder/garam masala:101, fennel seed/fennel seeds/ground fennel:96, caraway/caraway seed/caraway seeds:100, celery seed/celery seeds:96, fenugreek:120, sumac:100, onion powder:115, garlic powder:155, lemongrass powder:80, tonka bean/tonka beans:100:1',
  ),
  ...weighed(
    'whole-spice',
    'cinnamon stick/cinnamon sticks/stick cinnamon/cinnamon bark/cinnamon quill/cassia bark:90:3, star anise/star anise pod:100:1, whole cloves/whole clove/clove heads:85:0.08, peppercorns/black peppercorns/whole peppercorns/pink peppercorns/green peppercorns:140:0.05, cardamom pods/cardamom pod/green cardamom pods/cardamom seeds:95:0.2, allspice berries/whole allspice/allspice berry:90:0.06, juniper berries/juniper berry/juniper:90:0.1, whole nutmeg/nutmegs:100:5, mustard seeds/mustard seed/yellow mustard seeds:180, coriander seeds/coriander seed:80:0.01, blade of mace/mace blade/blades of mace:80:0.5, cumin seeds/cumin seed:96, szechuan pepper/sichuan pepper:70',
  ),
  ...weighed(
    'fresh-herb',
    'rosemary:28:2, thyme/lemon thyme:38:1.5, sage/sage leaves:20:1, bay leaf/bay leaves/bay/laurel leaf:15:0.5, mint/mint leaves/spearmint/peppermint/fresh mint leaves:24:0.3, basil/basil leaves/thai basil/lemon basil:24:0.5, lemon balm:22:0.5, lemon verbena/verbena:20:0.4, tarragon:26:1, parsley:60:1, cilantro/coriander leaves/fresh coriander/coriander leaf:16:1, dill/dill weed:9:1, chives:48:0.5, marjoram:24:1, oregano:24:1, lemongrass/lemon grass/lemongrass stalk:67:15, lime leaves/kaffir lime leaves/makrut lime leaves:20:0.5, curry leaves:20:0.3, scented geranium leaves/geranium leaves:15:0.5, sweet woodruff/woodruff:15:1, fig leaf/fig leaves:15:2, blackcurrant leaf/blackcurrant leaves:15:1, vine leaf/vine leaves/grape leaf/grape leaves:15:2, hyssop/savory/chervil/lovage/borage:20:1, angelica:60:20, pineapple sage/bee balm:20:1',
  ),
  ...weighed(
    'nuts',
    'walnuts/walnut/walnut halves/walnut pieces:117:4, pecans/pecan/pecan halves:109:2, almonds/almond/whole almonds/blanched almonds:143:1.2, slivered almonds:108, flaked almonds/sliced almonds/almond flakes:92, ground almonds/almond meal/almond flour:96, hazelnuts/hazelnut/filberts/cobnuts:135:1, pistachios/pistachio/pistachio nuts:123:0.7, cashews/cashew/cashew nuts:137:1.5, pine nuts/pine kernels:135:0.2, macadamias/macadamia nuts/macadamia:134:2.5, chestnuts/chestnut/cooked chestnuts:145:8, brazil nuts:133:5, peanuts/peanut:146:1',
  ),
  ...weighed(
    'liqueur',
    'brandy/apple brandy/cognac/calvados/armagnac/plum brandy/cherry brandy/fruit brandy, kirsch/kirschwasser, rum/dark rum/white rum/spiced rum, whisky/whiskey/bourbon/scotch whisky, gin/sloe gin, vodka, amaretto/almond liqueur, orange liqueur/triple sec/curacao, cassis liqueur/creme de cassis/blackcurrant liqueur, elderflower liqueur, limoncello, tequila, schnapps/fruit schnapps/eau de vie, grappa, coffee liqueur, hazelnut liqueur, cherry liqueur/maraschino liqueur, ginger liqueur/ginger wine, absinthe/pastis/anise liqueur, advocaat',
  ),
];
