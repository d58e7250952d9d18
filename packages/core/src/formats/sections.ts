/** The parts of a recipe, by the headings people put over them. */
export type Section = 'ingredients' | 'method' | 'equipment' | 'yield' | 'notes';

const HEADINGS: readonly (readonly [Section, RegExp])[] = [
  [
    'equipment',
    /^(?:special )?(?:equipment|tools|utensils|supplies|hardware)(?: (?:needed|required|list))?$|^(?:you will|you’ll|you'll) (?:also )?need (?:this )?equipment$/i,
  ],
  ['yield', /^(?:yields?|makes|servings?|serves|quantity|amount made)$/i],
  [
    'method',
    /^(?:the )?(?:methods?|directions?|instructions?|procedure|preparation|process|steps|what to do|how to (?:make|do|cook).*|to (?:make|cook|prepare|process|finish|can).*|making (?:it|the .*)|cooking|preparation and cooking|zubereitung)$/i,
  ],
  [
    'ingredients',
    /^(?:the )?(?:ingredients?(?: list)?|ingredients? (?:amount|quantity|measure)|(?:amount|quantity|measure) ingredients?|what you(?:’ll|'ll| will)? need|you(?:’ll|'ll| will) need|shopping list|zutaten|for (?:the |about |a |one )?[a-z ]{2,30}|[a-z]+ (?:ingredients|mixture|layer)|in the pot|fruit|the fruit|to finish|finish)$/i,
  ],
  [
    'notes',
    /^(?:what will come out|keeping|(?:recipe |cook’s |cook's |my )?(?:notes?|tips?(?: and tricks)?|hints?|storage|storing|variations?|nutrition(?:al)?(?: (?:facts|information|info))?|comments?|reviews?|source|about(?: this recipe)?|faqs?|serving suggestions?|keywords?|related recipes?|you may also like|more recipes|credits?))$/i,
  ],
];

/** Decoration around a heading: "## Method:", "--- INGREDIENTS ---", "**For the jam**". */
const plainHeading = (line: string): string =>
  line
    .replace(/[*_#=~>|]+/g, ' ')
    .replace(/^[\s\-–—•]+|[\s\-–—:.]+$/g, '')
    .trim();

/**
 * The section a line opens, or undefined where it is no heading. "For the jam" opens ingredients
 * only where it is written as a heading: alone, with a colon or in capitals.
 */
export function sectionOf(line: string): Section | undefined {
  const text = plainHeading(line);
  if (text === '' || text.length > 50) return undefined;
  return HEADINGS.find(([, pattern]) => pattern.test(text))?.[0];
}

/** "Stage 1", "Day 2": a heading that leaves the section as it is. */
export const isStageHeading = (line: string): boolean =>
  /^(?:stage|part|day|phase)\s*(?:\d{1,2}|one|two|three|four)$/i.test(plainHeading(line));

/** What a page puts around a recipe: times, ratings, buttons. */
const PAGE_WORDS =
  /^(?:(?:prep(?:aration)?|cook(?:ing)?|total|active|ready|standing|resting|processing|additional)(?: in)?(?: time)?\s*[:\d]|(?:course|cuisine|author|category|keywords?|rating|difficulty|level|skill|calories|cost|diet|published|updated|posted|by|from the kitchen of|source|season)\s*:|(?:print|pin|share|save|jump to|rate|email|review|leave a|subscribe|sign up|advertisement|skip to|back to|home|menu|search|follow|click|scroll)\b[^.]{0,60}$|[★☆⭐]|[\s|:+=-]+$|(?:home|recipes?|about(?: us| me)?|contact(?: us)?|blog|shop|log ?in|sign ?in|menu|search|skip)$|(?:\d(?:\/\d)?x\s*)+$|\d(?:\.\d)? (?:from|stars?|out of)\b|calories\b|(?:carbohydrates|protein|fat|sodium|fiber|fibre|sugar|sugars|energy|salt)\s*:\s*[\d.<]+\s*(?:g|mg|kcal|kj)?$|nutrition\b|©|copyright|https?:\/\/|www\.)/i;

export const isPageWords = (line: string): boolean => PAGE_WORDS.test(line.trim());

/** Verbs, and words for when, that an instruction begins with. */
const STEP_STARTS = new RegExp(
  `^(?:${[
    'add allow apply arrange bake beat blend blitz boil bottle bring brush can carefully check chill chop clean coat collect combine continue cook cool core cover crush cut deseed discard dissolve do drain drop ensure fill filter first finally finish fold freeze gently get give grate grind halve have heat hull if immediately in increase invert juice keep ladle lay leave let lift line load lower macerate make mash measure melt meanwhile mince mix move next on once open pack pare peel pick pierce pit place pop pot pour preheat prepare press process pull puree purée push put quarter raise reduce refrigerate reheat release remove repeat rest return rinse roast rub sanitise sanitize scald scoop scrape scrub screw seal segment select separate serve set shake shred sieve sift simmer skim slice slide slowly soak soften spoon spread sprinkle squeeze stand start steam steep sterilise sterilize stew stir stone store strain strip strip submerge sweat switch take taste test then this tie tightly tip toast top toss transfer trim try turn use using wait warm wash watch weigh when whisk whilst while wipe wrap you zest after before at as with without to lastly remember note don’t dont do not',
  ]
    .join(' ')
    .split(/\s+/)
    .join('|')})\\b(?!\\s*:)`,
  'i',
);

/** Whether a line tells what to do. "Juice of 2 lemons" does not. */
export function isInstruction(line: string): boolean {
  const text = line.replace(/^(?:step\s*\d{1,2}[.):]?|\(?\d{1,2}[.):])\s+/i, '').trim();
  if (/^(?:juice|zest|top|can|pit|core|stone|line|peel|rest)\s+(?:and|of|from|\d)/i.test(text))
    return false;
  if (/^(?:some|enough)\b/i.test(text)) return false;
  return STEP_STARTS.test(text) && /\s/.test(text);
}

const EQUIPMENT_WORDS =
  /\b(?:preserving pan|jam pan|maslin pan|stock ?pot|saucepan|saucepot|dutch oven|canner|canning rack|funnel|ladle|thermometer|jelly bag|muslin|cheesecloth|sieve|colander|food mill|slow cooker|double boiler|wooden spoon|wax discs?|lids?(?: and bands)?|labels?|cellophane|tongs|kitchen scales?|blender|food processor|(?:glass |canning |preserving |sterilised |sterilized |clean |jam |screw-top )jars?|jars? with lids)\b/i;
const JARS_ALONE =
  /^(?:about\s+)?\d{1,2}\s*(?:x|×)?\s*(?:\(?\d[\d./]*\s*-?(?:g|ml|oz|pint)s?\)?\s*)?(?:small |medium |large |clean |hot |sterili[sz]ed |half-pint |pint )*jars?\b/i;

/** Whether a line names what is cooked with, not what is cooked. */
export const isEquipment = (line: string): boolean =>
  (EQUIPMENT_WORDS.test(line) || JARS_ALONE.test(line)) && !/[.!]\s+[A-Z]/.test(line);
