/**
 * The words around the name of an ingredient, each in its class. What is in no class, is no
 * ingredient, no number and no unit is not understood: nothing is skipped.
 *
 * To add a word, put it in the class whose rule it follows. A word may stand in several classes.
 */
export type WordClass =
  // These change neither what it is nor what it weighs.
  | 'quality'
  | 'size'
  | 'state'
  | 'preparation'
  | 'manner'
  | 'article'
  | 'packaging'
  | 'remark'
  // As those, beside what comes ready from a shop: sugar, pectin, spice, gelatine.
  | 'dry-goods'
  // These join words of the others.
  | 'connector'
  | 'purpose'
  | 'cutting'
  | 'length'
  | 'time'
  | 'number'
  | 'example'
  // These decide.
  | 'removal'
  | 'stays'
  | 'negation'
  | 'alternative'
  | 'containment'
  | 'liquid'
  | 'origin'
  | 'tool'
  | 'changed'
  | 'made';

/** Classes whose words may stand anywhere and change nothing; each is tested before every poison. */
export const HARMLESS: ReadonlySet<WordClass> = new Set([
  'quality',
  'size',
  'state',
  'preparation',
  'manner',
  'article',
  'packaging',
  'remark',
]);

/** Phrases between commas and line ends. */
const phrases = (text: string): string[] =>
  text
    .split(/[,\n]/)
    .map((phrase) => phrase.trim())
    .filter((phrase) => phrase !== '');

export const WORD_CLASSES: Readonly<Record<WordClass, readonly string[]>> = {
  /** How good, where from, what colour: the same food. */
  quality: phrases(`
    fresh, freshly picked, freshly, good, good quality, best, best quality, quality, fine, superfine, nice, lovely, beautiful, perfect,
    organic, natural, pure, real, raw, uncooked, clean, firm, soft, tender, juicy, plump, crisp, fleshy, meaty
    sweet, tart, sour, sharp, tangy, mild, strong, fragrant, aromatic, scented, tasty, flavourful, flavorful, full flavoured, full flavored
    unblemished, undamaged, sound, blemish free, bruised, old, new, young, mature, ripened, ripening, vine ripened, sun ripened, tree ripened
    green, red, yellow, black, white, blue, purple, golden, pink, dark, light, pale, bright, deep, ruby, blush
    local, locally grown, homegrown, home grown, garden, wild, foraged, hedgerow, seasonal, in season, new season, early, late, cultivated, farm, farmhouse
    market, shop bought, store bought, shop, store, bought, supermarket, english, british, scottish, irish, welsh, french, italian, californian, european, thai
    unwaxed, untreated, unsprayed, spray free, pesticide free, waxed, thick skinned, thin skinned, thin skin, large skinned, seedless, pipless, stoneless, skinless, boneless
    unsweetened, unsalted, no added sugar, without added sugar, no sugar added, without sugar, no salt added, additive free, preservative free, without preservatives
    plain, regular, ordinary, standard, classic, original, everyday, normal, usual, common, true, traditional
    free range, grade a, grade, culinary, eating, cooking, dessert, table, food grade, edible
    pasteurised, pasteurized, unpasteurised, unpasteurized, unstrained, unfiltered, filtered, clear, cloudy, clean tasting, undiluted
    fine cut, coarse cut, thick cut, thin cut, unopened, bottled, shop squeezed
    loose, assorted, different, favourite, favorite, brand, kind, kinds, type, types, variety, varieties, sort, sorts
    premium, finest, select, prime, first grade, jam making, mellow, rich, crunchy
  `),
  size: phrases(`
    large, medium, small, big, little, tiny, mini, baby, giant, jumbo, huge, average, medium sized, large sized, small sized, good sized, sized, size
    medium size, large size, small size, bite size, bite sized, even sized, equal sized, long, short, fat, slim, round, whole
  `),
  state: phrases(`
    cold, chilled, ice cold, cool, cooled, warm, warmed, lukewarm, tepid, hot, boiling, just boiled, at room temperature, room temperature, room temp
    melted, softened, soft, hard, frozen, thawed, defrosted, partly thawed, refrigerated
  `),
  preparation: phrases(`
    washed, rinsed, wiped, wiped clean, cleaned, scrubbed, brushed, dried well, patted dry, pat dry, dried off, washed and dried, rinsed and dried, wiped and dried, washed and drained, rinsed and drained, dried on a towel, dried with a towel, shaken dry, spun dry, sorted, picked over, picked, picked clean, looked over
    trimmed, undrained, tidied, prepared, prepped, ready to use, ready prepared, sifted, sieved, beaten, lightly beaten, whisked, separated, stirred, shaken
    toasted, lightly toasted, blanched, scalded, soaked, soaked overnight, macerated, steeped, infused, poached, steamed, stewed, cooked, cooked soft, softened, brewed
    squeezed, freshly squeezed, fresh squeezed, hand squeezed, pressed, freshly pressed, strained, skimmed
    split, split lengthwise, split lengthways, scraped, bruised, crumbled, bashed, crushed lightly, lightly crushed, torn, broken, flaked, slivered, chiffonade, zested, pared
    peeled, unpeeled, cored, uncored, seeded, deseeded, de seeded, unseeded, pitted, stoned, hulled, unhulled, husked, shelled, unshelled, skinned, stemmed, destalked, de stalked, topped, tailed
    topped and tailed, topped tailed, top and tailed, stringed, de stringed, dehusked, plucked, stripped, halved, quartered, divided, rolled, scored, pricked, pierced, weighed, measured, reserved
    tied in muslin, tied in a muslin bag, tied in a bag, in a muslin bag, tied in cheesecloth, in a spice bag, tied together
  `),
  manner: phrases(`
    finely, roughly, coarsely, thinly, thickly, lightly, well, very, quite, really, just, only, firmly, loosely, tightly, evenly, carefully, thoroughly, gently, partially, partly, slightly
    freshly, fine, coarse, thin, thick, rough, small, lengthwise, lengthways, crosswise, crossways, diagonally, into, extra, fairly, rather, nice and, then, first, again, by hand, hand, still, all, too, also, both, almost
    horizontally, vertically, widthwise, across
  `),
  article: phrases(`
    a, an, the, of, my, your, our, their, its, his, her, some, any, each, every, these, those, this, that, about, approximately, approx, around, roughly, circa, ca, say, more, is, are, be, it, them, they, other, such
  `),
  packaging: phrases(`
    bag, bags, box, boxes, packet, packets, pack, packs, package, packages, sachet, sachets, pouch, pouches, carton, cartons, container, containers, tub, tubs, punnet, punnets, clamshell
    clamshells, bottle, bottles, jar, jars, jarred, can, cans, tin, tins, canned, tinned, packed, firmly packed, lightly packed, loosely packed, tightly packed, well packed
    level, heaped, heaping, rounded, scant, generous, generously, full, stick, sticks, handful, handfuls, bunch, bunches, sprig, sprigs, slice, slices, piece, pieces, cube, cubes, block, sheet, sheets, knob, drop, drops
  `),
  remark: phrases(`
    optional, if desired, if liked, if you like, if wished, if necessary, if needed, if required, if using, if available, if possible, as needed, as required, as desired, as necessary, as you like, as preferred
    to taste, to your taste, or to taste, or as needed, or as required, or as desired, or to your liking, according to taste, according to sweetness, depending on taste, depending on sweetness, depending on size, depending on the size
    or more, or less, or so, or more to taste, or less to taste, more or less, or a little more, or a little less, or a bit more, give or take, or thereabouts
    plus more to taste, plus extra to taste, plus more if needed, plus more as needed, plus extra if needed, plus a little more, plus a little extra, plus extra, plus more, or more if needed, or more as needed
    see note, see notes, see note below, see notes below, see tip, see tips, see recipe, see above, see below, see headnote, see headnotes, see method, see step, note, notes, recipe below, recipe follows
    your choice, of your choice, of choice, any kind, any variety, any type, any sort, any colour, any color, either is fine, either will do
    in all, in total, total, net, gross, net weight, total weight, altogether, or equivalent, or the equivalent
    weighed after preparation, weighed before preparation, weighed after preparing, after preparation, before preparation, prepared weight, weight after preparation, weight before preparation
    weighed after peeling, weighed after peeling and coring, weighed after pitting, weighed after stoning, weighed after hulling, weighed before peeling, weighed before pitting, weighed before stoning, measured after chopping, measured after crushing
    after peeling, after peeling and coring, after pitting, after stoning, after hulling, after trimming, after straining, when prepared, once prepared, when chopped, when crushed
    from the garden, from the market, from the shop, from the store, from the freezer, from the hedge, from the hedgerow, from your garden, from my garden, from a bag, from a bottle, from a jar, from a tin, from a can, from a packet, from store
    overnight, for best results, ideally, preferably, day old, a day old, at least, at most, no more than, up to, not packed, set aside, kept whole, keep whole, left whole, in advance, straight from the fridge, out of the fridge
    keep, thanks, yum, such as you have, whatever you have, do not substitute, no substitutes, important
  `),
  'dry-goods': phrases(`
    distilled, instant, granules, granulated, powdered, powder, crystals, crystal, liquid, dry, dried, solid, flavour, flavor, unflavoured, unflavored, flavoured, flavored, pickling, preserving, canning, baking, pure cane, double strength, single strength, sifted, ground, light, extra, classic, smooth, thick, homogenised, active, quick acting, no cook, low sugar, no sugar needed, cubed, cubes, lump, lumps, roasted, dry roasted, salted, blanched, smoked
  `),
  connector: phrases(`and, &, +, then, but`),
  /** After "for" or "to". */
  purpose: phrases(`
    pan, pot, jars, jar, tin, dish, mould, muslin, greasing, dusting, rolling, coating, brushing, sprinkling, topping, rubbing, lining, serving, serve, garnish, garnishing, decoration, decorate, decorating, finish, finishing
    colour, color, colouring, coloring, flavour, flavor, flavouring, flavoring, sweetness, taste, texture, thickness, acidity, set, setting, gel, foam, foaming, froth, scum, reduce, prevent, stop, disperse, help, keep, brighten, avoid, boiling over, boil over, browning
    jam, jelly, marmalade, preserve, preserves, preserving, conserve, curd, chutney, syrup, butter, canning, jam making, cooking, simmering, soaking, bag, spice bag, filling, first step, second step, later, recipe, batch, each jar, jam pan, the
  `),
  /** How it is cut, as nouns after "in" or "into". */
  cutting: phrases(`
    pieces, piece, chunks, chunk, cubes, cube, dice, slices, slice, wedges, wedge, strips, strip, rounds, round, rings, ring, halves, half, quarters, quarter, thirds, eighths, sixths, segments, shreds, matchsticks, slivers, slithers, sections, bits, lengths, ribbons, batons, coins, crescents, spears, two, four, three, eight
  `),
  length: phrases(
    `inch, inches, cm, mm, in, centimetre, centimetres, centimeter, centimeters, millimetres, finger, thick, thickness, wide, long, deep, square`,
  ),
  time: phrases(
    `minute, minutes, min, mins, hour, hours, hrs, hr, day, days, week, weeks, night, nights, month, months`,
  ),
  number: phrases(
    `one, two, three, four, five, six, seven, eight, nine, ten, eleven, twelve, twenty, thirty, dozen, half a dozen, couple, few`,
  ),
  /** Names of kinds follow. */
  example: phrases(
    `such as, like, for example, eg, e g, for instance, ideally, preferably, i e, ie, say, i use, i used`,
  ),
  /** After a part: it is taken out. */
  removal: phrases(`
    removed, discarded, discard, taken out, taken off, cut off, cut out, cut away, pulled off, pulled, picked off, pinched off, peeled off, trimmed off, trimmed away, trimmed, stripped, snipped off, scooped out, scraped out, scraped off, sliced off, off, out, remove, to be removed, thrown away, strained out, strained off, squeezed out, free, less
  `),
  /** After a part: it is left where it is. */
  stays: phrases(
    `on, left on, in, left in, intact, attached, included, still on, still attached, kept, unremoved, retained, and all, reserved, saved`,
  ),
  negation: phrases(
    `not, no, without, never, non, nor, neither, hardly, dont, isnt, arent, minus, excluding, except, omit, exclude, instead of, rather than`,
  ),
  alternative: phrases(
    `or, and or, either, alternatively, otherwise, substitute, substituted, in place of, can use, could use, may use, use`,
  ),
  containment: phrases(
    `with, including, includes, include, incl, inc, containing, contains, of which, mixed with, mixed, mix of, mixture of, mixture, blend, blend of, half, half and half, part, parts, third, thirds, quarter, quarters, share, equal parts, plus, in, into, inside, covered, coated, rolled in, tossed in, tossed, topped, stuffed, filled, together with, along with, alongside, combined, combined with, added, add, among, between, stirred into, over, under, per, from, for, to, by, on, at, as, than, majority, mostly, mainly, chiefly, rest, remainder, remaining, balance`,
  ),
  /** What a tin is filled up with, after "in". */
  liquid: phrases(
    `juice, own juice, its own juice, their own juice, natural juice, its juice, their juice, water, syrup, light syrup, heavy syrup, brine`,
  ),
  /** Where it is bought or kept, after "from", "in" or "out of". */
  origin: phrases(
    `garden, market, shop, store, freezer, fridge, farm, hedge, hedgerow, tree, trees, bush, bottle, jar, tin, can, packet, bag, box, allotment, orchard`,
  ),
  /** What it is done with, after "with", "using" or "in". */
  tool: phrases(
    `fork, knife, sharp knife, masher, potato masher, peeler, vegetable peeler, zester, grater, fine grater, coarse grater, microplane, spoon, wooden spoon, rolling pin, blender, food processor, processor, mincer, mandoline, cloth, damp cloth, towel, clean towel, tea towel, paper towel, kitchen paper, brush, stiff brush, sieve, colander, food mill, mouli, juicer, scissors, hands, fingers, needle, skewer`,
  ),
  /** It was changed: another strength, another food, or nothing to eat. */
  changed: phrases(`
    diluted, watered, watered down, weak, weakened, thinned, let down, dissolved, reconstituted, concentrated, concentrate, from concentrate, condensed, evaporated, reduced, reduced by half, boiled down
    fermented, fermenting, mouldy, moldy, mildewed, mould, mold, rotten, rotting, rot, spoiled, spoilt, bad, off, decayed, decaying, wilted, slimy, fizzy, sour tasting, worm eaten, wormy, maggoty, poisonous, toxic, expired, out of date, past its best, leftover, left over, frostbitten, half eaten
    sweetened, sugared, salted, candied, crystallised, crystallized, glace, glaced, honeyed, spiced, flavoured, flavored, infused with, pickled, brined, cured, smoked, marinated, fried, deep fried, roasted, grilled, baked, charred, caramelised, caramelized, buttered, oiled, battered, breaded, creamed, chocolate, alcoholic, brandied
    imitation, artificial, mock, fake, substitute, alternative, replacement, style, essence, home bottled, homebottled, home made, homemade, home canned, low acid, acid free, sugar free, fat free, alcohol free, salt free, unripened, hybrid, ornamental, decorative
  `),
  /** Foods that are made of an ingredient, and are not it. */
  made: phrases(`
    jam, jelly, marmalade, preserve, preserves, conserve, chutney, pickle, pickles, relish, ketchup, curd, pie, pies, cake, cakes, filling, mix, concentrate, extract, essence, flavouring, flavoring, leather, crisps, chips, soup, pudding, yoghurt, yogurt, sorbet, ice, sauce, paste, cordial
    syrup, squash, wine, beer, liqueur, brandy, butter, oil, bread, biscuits, cookies, cream, spread, compote, cheese, vinegar, smoothie, lemonade, soda, sweets, candy, gum, gummies, powder, flakes, flour, dressing, dip, salad, ice cream, muesli, granola, bar, bars, tart, tarts, crumble, cobbler, cocktail, tea, tisane, infusion, milk, milkshake
  `),
};
