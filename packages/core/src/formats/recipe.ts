import type { Ingredient } from '../produce/index.js';
import { cleanLine, isUnderstood, readLine, type LineReading } from '../reading/index.js';
import type { WritingHabit } from '../quantity/index.js';
import { readStatedFormula, type StatedFormula } from './stated-formula.js';
import {
  isStageHeading,
  isEquipment,
  isInstruction,
  isPageWords,
  sectionOf,
  type Section,
} from './sections.js';
import { textLines } from './text-lines.js';

/** What an import may hold. Larger files are refused before they are read. */
export const LARGEST_IMPORT = 2_000_000;
/** More than any recipe has; what is beyond is kept as a remark, unread. */
export const MOST_LINES = 400;
/** Letters of a line; a longer one is no ingredient and is not read. */
export const LONGEST_LINE = 1000;
const LONGEST_TITLE = 120;
/** A line longer than this tells something; an ingredient with a remark is shorter. */
const LONGEST_INGREDIENT = 160;

export const LINE_ROLES = [
  'title',
  'heading',
  'ingredient',
  'step',
  'yield',
  'note',
  'equipment',
  'unknown',
] as const;
export type LineRole = (typeof LINE_ROLES)[number];

/** One line of a recipe, with its own words, and how it was taken. */
export interface RecipeLine {
  readonly text: string;
  readonly role: LineRole;
  /** What it says as an ingredient. */
  readonly reading?: LineReading;
  /** A food named with its amount within a step, and in no ingredient line. */
  readonly fromStep?: boolean;
  /** A person said that it is no food. */
  readonly leftOut?: boolean;
}

/** A recipe as it was found: every line once, in its order. */
export interface FoundRecipe {
  readonly title: string;
  readonly lines: readonly RecipeLine[];
  /** Whose measures and decimal mark it was read with. */
  readonly habit: WritingHabit;
  /** "8 half-pints", as written, or undefined. */
  readonly statedYield: string | undefined;
  readonly notes: string | undefined;
  /** Kind, method and finish, where a card of ours says them. */
  readonly stated?: StatedFormula | undefined;
}

const YIELD =
  /^(?:\(?\s*)(?:(?:recipe\s+)?(?:yields?|yld\.?|makes|gives|fills|produces|ergibt|servings?|serves|quantity)(?![a-z])\s*[:-]?\s*(?:is\s+)?|for\s+(?=(?:about |approx\.? |ca\.? )?[\d¼-¾⅐-⅞]))(?:up to\s+)?(.+)$/i;
const YIELD_INSIDE =
  /(?:^|[.;(]\s*)(?:this\s+|recipe\s+|it\s+)?(?:yields?|makes|gives|fills)\s*:?\s+((?:about |approx\w*\.? |around )?[^.;)]*?(?:\d|one|two|three|four|five|six|seven|eight|nine|ten|twelve)[^.;)]*)/i;
const JARS_OR_WEIGHT =
  /jars?|pints?|quarts?|litres?|liters?|\bg\b|\bkg\b|lbs?|pounds?|cups?|oz|ounces?|bottles?|glasses|pots?|\bml\b|\bl\b|kg|\dg\b|\dml\b/i;

/** "6 half-pints" of "Makes about 6 half-pints", or undefined. */
function yieldIn(line: string, section: Section | undefined): string | undefined {
  const text = cleanLine(line);
  const found = YIELD.exec(text)?.[1];
  const isServings = /^\(?\s*serv/i.test(text);
  const says =
    found !== undefined && (JARS_OR_WEIGHT.test(found) || (!isServings && /^\W*\d/.test(found)));
  if (says && found.length < LONGEST_YIELD) return unclosed(found.replace(/[.;]\s*$/, ''));
  if (section === 'yield' && JARS_OR_WEIGHT.test(text)) return text;
  return undefined;
}

const LONGEST_YIELD = 90;

/** Without a closing bracket that belongs to one before the words. */
const unclosed = (text: string): string => (text.includes('(') ? text : text.replace(/\)\s*$/, ''));

const AMOUNT_START =
  /^(?:about\s+|approx\.?\s+|ca\.?\s+|~\s*)?(?:\d|[¼½¾⅓⅔⅛⅜⅝⅞]|(?:half|one|two|three|four|five|six|eight|ten|twelve|an? (?:pinch|handful|knob|few|couple|dozen|half|cup|litre|liter|kilo|pound|pint|quart|large|small|medium|little|good|generous|splash|dash|squeeze|sprig|thumb|bunch|stick|box|packet|sachet|pouch|can|tin|jar|bottle|punnet|bag))\b|(?:grated |finely grated )?(?:juice|zest|rind|peel)\b)/i;

interface Reader {
  readonly habit: WritingHabit;
  readonly hasSections: boolean;
  section: Section | undefined;
  title: string;
  statedYield: string | undefined;
  stated: StatedFormula | undefined;
}

/**
 * A recipe from text as people paste it: the role of every line, with what the ingredient lines
 * say. Headings are followed where there are any; without them a line is an ingredient if it reads
 * as one, and a step if it tells what to do.
 */
export function recipeFromText(text: string, habit: WritingHabit = {}): FoundRecipe {
  const lines = textLines(text);
  const reader: Reader = {
    habit,
    hasSections: lines.some(
      (line) => sectionOf(line) === 'ingredients' || sectionOf(line) === 'method',
    ),
    section: undefined,
    title: '',
    statedYield: undefined,
    stated: undefined,
  };
  const read = lines.map((line, i) =>
    i < MOST_LINES ? recipeLine(line, reader, lines[i + 1]) : { text: line, role: 'note' as const },
  );
  return {
    title: reader.title === '' ? 'A recipe' : reader.title,
    lines: withFoodsOfSteps(read, habit),
    habit,
    statedYield: reader.statedYield,
    stated: reader.stated,
    notes: undefined,
  };
}

function recipeLine(text: string, reader: Reader, next: string | undefined): RecipeLine {
  if (text.length > LONGEST_LINE)
    return { text, role: reader.section === 'method' ? 'step' : 'note' };
  if (isPageWords(text) && !yieldIn(text, reader.section)) return { text, role: 'note' };
  const stated = readStatedFormula(text);
  if (stated) {
    reader.stated = stated;
    return { text, role: 'note' };
  }
  if (reader.title !== '' && titleOf(text).toLowerCase() === reader.title.toLowerCase())
    return { text, role: 'heading' };
  if (isStageHeading(text)) return { text, role: 'heading' };
  const opened = openedSection(text, reader);
  if (opened) {
    reader.section = opened;
    return { text, role: 'heading' };
  }
  const made = yieldIn(text, reader.section);
  if (made !== undefined) {
    // "Servings: 4 jars" and "4 x 227 g jars" may both be there: the one with a size says more.
    if (reader.statedYield === undefined || reader.section === 'yield') reader.statedYield = made;
    return { text, role: 'yield' };
  }
  if (reader.section === 'notes') return { text, role: 'note' };
  if (reader.title === '' && isTitle(text, reader, next)) {
    reader.title = titleOf(text);
    return { text, role: 'title' };
  }
  const line = reader.hasSections ? sectionRole(text, reader) : freeRole(text, reader);
  if (line.role === 'step') reader.statedYield ??= YIELD_INSIDE.exec(text)?.[1]?.trim();
  return line;
}

function openedSection(text: string, { section }: Reader): Section | undefined {
  const opened = sectionOf(text);
  if (!opened) return undefined;
  // "Fruit", "To finish" and the like are headings of the list only where the list is.
  const isBareName = !/[:*#=]/.test(text) && text !== text.toUpperCase();
  const strict =
    /ingredients?|method|directions|instructions|procedure|equipment|notes?|tips?|nutrition|yield|makes|zutaten|zubereitung|steps|preparation|you.*need|to make/i.test(
      text,
    );
  return isBareName && !strict && section !== 'ingredients' ? undefined : opened;
}

const titleOf = (text: string): string =>
  text.replace(/^[#*_\s]+|[*_#\s]+$/g, '').slice(0, LONGEST_TITLE);

/** The first line that is a name: short, no instruction, and no food with its amount. */
function isTitle(text: string, { section }: Reader, next: string | undefined): boolean {
  if (section !== undefined || text.length > LONGEST_TITLE || /[.!]$/.test(text)) return false;
  if (AMOUNT_START.test(cleanLine(text))) return false;
  const reading = readLine(text);
  if (reading.parts.length > 0) return false;
  if (isInstruction(text) && !/^can|^pot|^set|^top|^stone|^stir/i.test(text)) return false;
  // A pantry word alone ("Water") is an ingredient; a fruit alone may name the recipe.
  const { named } = reading;
  return !(
    named &&
    (next === undefined || (named.ingredient.category !== 'fruit' && !/^#/.test(text)))
  );
}

/** Without headings: by what the line looks like. */
function freeRole(text: string, { habit }: Pick<Reader, 'habit'>): RecipeLine {
  const clean = cleanLine(text);
  const numbered = /^(?:step\s*)?\d{1,2}[.)]\s+/i.test(text);
  if (isInstruction(clean) || (numbered && isInstruction(text))) return { text, role: 'step' };
  if (isEquipment(text)) return { text, role: 'equipment' };
  return ingredientOr(text, clean, habit);
}

function ingredientOr(text: string, clean: string, habit: WritingHabit): RecipeLine {
  const reading = clean.length <= LONGEST_INGREDIENT ? readLine(clean, habit) : undefined;
  if (reading && isUnderstood(reading))
    return { text, role: 'ingredient', reading: { ...reading, text } };
  const isSentence = /[.!?]$/.test(clean) && clean.split(' ').length > 8;
  if (reading && AMOUNT_START.test(clean) && !isSentence)
    return { text, role: 'ingredient', reading: { ...reading, text } };
  if (clean.split(' ').length > 6 || /[.!?]$/.test(clean)) return { text, role: 'step' };
  if (/:$/.test(text) || (text === text.toUpperCase() && /[A-Z]{3}/.test(text)))
    return { text, role: 'heading' };
  return reading && looksLikeFood(reading)
    ? { text, role: 'ingredient', reading: { ...reading, text } }
    : { text, role: 'unknown' };
}

const looksLikeFood = ({ named, suggestions, parts }: LineReading): boolean =>
  named !== undefined || parts.length > 0 || suggestions.length > 0;

function sectionRole(text: string, { section, habit }: Reader): RecipeLine {
  const clean = cleanLine(text);
  switch (section) {
    case 'equipment':
      return { text, role: 'equipment' };
    case 'method':
      return isColumnHeading(text) ? { text, role: 'heading' } : { text, role: 'step' };
    case 'notes':
      return { text, role: 'note' };
    case 'ingredients':
      return listedRole(text, clean, habit);
    default:
      return introduction(freeRole(text, { habit }));
  }
}

/** Before the first heading of a recipe that has some: a story, unless it is plainly an ingredient. */
function introduction(line: RecipeLine): RecipeLine {
  const isFood =
    line.role === 'ingredient' &&
    line.reading !== undefined &&
    (isUnderstood(line.reading) || AMOUNT_START.test(cleanLine(line.text)));
  return isFood || line.role === 'equipment' ? line : { text: line.text, role: 'note' };
}

const isColumnHeading = (text: string): boolean => /^[^.]{2,40}:$/.test(text);

/** Under "Ingredients" everything is one, but for what is plainly something else. */
function listedRole(text: string, clean: string, habit: WritingHabit): RecipeLine {
  if (isColumnHeading(text)) return { text, role: 'heading' };
  const reading = readLine(clean.slice(0, LONGEST_LINE), habit);
  const line: RecipeLine = { text, role: 'ingredient', reading: { ...reading, text } };
  if (isUnderstood(reading)) return line;
  if (isEquipment(text)) return { text, role: 'equipment' };
  if (isInstruction(clean) && clean.split(' ').length > 4) return { text, role: 'step' };
  return clean.split(' ').length > 25 && !AMOUNT_START.test(clean) ? { text, role: 'note' } : line;
}

/** Where an amount may begin within a sentence. */
const AMOUNT_WITHIN = /(?<![\d.,/°-])(?:\d[\d.,]*(?:\s*[\d/⁄]+)*|[¼-¾⅐-⅞])(?=\s*[a-z(¼-¾⅐-⅞])/gi;
const PHRASE_END =
  /\.(?!\d)|[;:!?]|,\s|\s(?:and|until|over|into|to|for|in|then|with|at|from|on|while|when|per|stirring|or)\s/i;
const NOT_A_FOOD =
  /^\s*\d[\d.,/]*\s*(?:°|º|degrees|minutes?|mins?|hours?|hrs?|seconds?|secs?|inch|in\b|"|cm|mm|days?|weeks?|times?|jars?|batches|cups? at a time)/i;

/** "the juice of " before "2 lemons". */
const PART_BEFORE =
  /(?:grated |finely grated )?\b(?:juice|zest|rind|peel)(?: and (?:juice|zest|rind))? (?:of|from) $/i;

/** The words of one food within a step, from its amount on. */
function phraseAt(step: string, index: number): string {
  const before = PART_BEFORE.exec(step.slice(0, index))?.[0] ?? '';
  const onward = step.slice(index);
  const end = PHRASE_END.exec(onward)?.index ?? onward.length;
  return `${before}${onward.slice(0, end)}`.trim();
}

/** Foods with their amounts within one step: "stir in 2 cups sugar". */
function foodsOf(step: string, habit: WritingHabit): LineReading[] {
  return [...step.matchAll(AMOUNT_WITHIN)].flatMap(({ index }) => {
    if (NOT_A_FOOD.test(step.slice(index))) return [];
    const phrase = phraseAt(step, index);
    const reading = readLine(phrase, habit);
    const isMeasured = reading.parts.some(({ mass_kg }) => mass_kg !== undefined);
    return isMeasured && isUnderstood(reading) ? [{ ...reading, text: phrase }] : [];
  });
}

/**
 * The lines with what the steps add: foods that stand with an amount in a step and in no ingredient
 * line, right after their step.
 */
export function withFoodsOfSteps(
  lines: readonly RecipeLine[],
  habit: WritingHabit,
): readonly RecipeLine[] {
  const listed = new Set(lines.flatMap(({ reading }) => foodIds(reading)));
  const added = new Set<string>();
  return lines.flatMap((line) => {
    if (line.role !== 'step') return [line];
    const more = foodsOf(line.text, habit).filter((reading) =>
      foodIds(reading).every((id) => !listed.has(id) && !added.has(id)),
    );
    for (const reading of more) for (const id of foodIds(reading)) added.add(id);
    return [
      line,
      ...more.map((reading): RecipeLine => ({
        text: reading.text,
        role: 'ingredient',
        reading,
        fromStep: true,
      })),
    ];
  });
}

/** What a step may call a food of the list: "sugar" for caster sugar, "vinegar" for any. */
function foodGroup({ id, category }: Ingredient): string {
  if (id.endsWith('vinegar')) return 'vinegar';
  if (category === 'pectin') return 'pectin';
  if (category === 'sweetener' && id.includes('sugar')) return 'sugar';
  if (/^(?:lemon|lime|orange|apple|egg|grape)\b/.test(id)) return id.split('-')[0] ?? id;
  return id.endsWith('-apple') ? 'apple' : id;
}

function foodIds(reading: LineReading | undefined): string[] {
  const all = reading?.parts.map(({ ingredient }) => ingredient) ?? [];
  const named = reading?.named ? [reading.named.ingredient] : [];
  return [...all, ...named].map(foodGroup);
}
