/** A recipe as it was found, before anything in it is understood. */
export interface FoundRecipe {
  readonly title: string;
  /** Lines that begin with an amount, as written. */
  readonly ingredients: readonly string[];
  readonly steps: readonly string[];
  /** "8 half-pints", as written, or undefined. */
  readonly statedYield: string | undefined;
  readonly notes: string | undefined;
}

/** What an import may hold. Larger files are refused before they are read. */
export const LARGEST_IMPORT = 2_000_000;
const MOST_LINES = 200;
const LONGEST_LINE = 1000;

const AMOUNT =
  /^(?:[-*•‣·]\s*)?(?:about\s+|approx\.?\s+|ca\.?\s+)?(?:\d|[¼½¾⅓⅔⅛⅜⅝⅞]|(?:half|one|two|three|four|five|six|a|an|juice of|zest of)\b)/i;
const UNIT_WORD =
  /\b(cups?|c\.|tbsps?|tsps?|tablespoons?|teaspoons?|lbs?|pounds?|oz|ounces?|g|grams?|kg|kilos?|ml|l|litres?|liters?|quarts?|pints?|gallons?|pecks?|bushels?|box(?:es)?|pouch(?:es)?|packets?|pinch|dash|large|medium|small|lemons?|limes?|oranges?|apples?|eggs?|yolks?|peppers?|vanilla pods?)\b/i;
const YIELD =
  /\b(?:yield|yields|makes|gives|fills)\b\s*:?\s*(?:about\s+|approximately\s+|approx\.?\s+|up to\s+)?(.+)$/i;
const HEADING =
  /^(?:ingredients?|method|directions|instructions|procedure|you will need|zutaten)\s*:?$/i;
const STEP_NUMBER = /^(?:step\s*)?\d{1,2}[.)]\s+/i;

/**
 * A recipe from text as people paste it: the first line is the title, lines that begin with an
 * amount and name a measure or a piece are ingredients, a line that says what it makes is the
 * yield, and the rest are steps.
 */
export function recipeFromText(text: string): FoundRecipe {
  const lines = text
    .split(/\r\n|\r|\n/)
    .map((line) => line.replace(/\s+/g, ' ').trim())
    .filter((line) => line !== '' && line.length <= LONGEST_LINE);
  let title = '';
  let statedYield: string | undefined;
  const ingredients: string[] = [];
  const steps: string[] = [];
  for (const line of lines) {
    const found = YIELD.exec(line);
    const isStep = STEP_NUMBER.test(line);
    if (HEADING.test(line)) continue;
    if (found?.[1] !== undefined && statedYield === undefined && line.length < 80) {
      statedYield = found[1].replace(/[.;]$/, '');
      continue;
    }
    if (!isStep && AMOUNT.test(line) && UNIT_WORD.test(line.slice(0, 60)) && line.length < 160)
      ingredients.push(line.replace(/^[-*•‣·]\s*/, ''));
    else if (title === '' && !isStep && line.length <= 120) title = line.replace(/^#+\s*/, '');
    else steps.push(line.replace(STEP_NUMBER, ''));
  }
  return {
    title: title === '' ? 'A recipe' : title,
    ingredients: ingredients.slice(0, MOST_LINES),
    steps: steps.slice(0, MOST_LINES),
    statedYield,
    notes: undefined,
  };
}
