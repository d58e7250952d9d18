import type { Ingredient } from '../produce/index.js';

/** A share that is printed on what one buys: "5 % acidity", "70 % cocoa". */
export interface Strength {
  readonly percent: number;
  readonly written: string;
}

const STRENGTH =
  /\(?\b(\d{1,3}(?:[.,]\d+)?)\s*(?:%|per ?cent)\s*(acidity|acetic acid|acid|abv|alcohol|vol\.?|proof|fat|cocoa|cacao|solids|strength|pure|fruit)?\)?/gi;

/** The shares that a text says, and the text without them. */
export function strengthsIn(text: string): { rest: string; found: readonly Strength[] } {
  const found: Strength[] = [];
  const rest = text.replace(STRENGTH, (written: string, percent: string) => {
    found.push({ percent: Number(percent.replace(',', '.')), written });
    return ' ';
  });
  return { rest, found };
}

/**
 * Shares that the row of an ingredient stands for, per cent by volume or mass as labels print them.
 * Vinegar of less than 4 % acid is none to keep food with; the others are common practice, no source.
 */
const USUAL_STRENGTH: readonly {
  readonly of: (ingredient: Ingredient) => boolean;
  readonly least: number;
  readonly most: number;
}[] = [
  { of: ({ id }) => id.endsWith('vinegar'), least: 4, most: 7 },
  { of: ({ id }) => id === 'liqueur', least: 10, most: 60 },
  { of: ({ id }) => id === 'wine' || id === 'beer', least: 3, most: 22 },
  { of: ({ id }) => id === 'milk' || id === 'butter', least: 0, most: 90 },
  { of: ({ id }) => id === 'baking-chips' || id.includes('chocolate'), least: 20, most: 100 },
];
/** Whether a share is one that the row of an ingredient stands for; other shares are another food. */
export const isUsualStrength = (ingredient: Ingredient, { percent }: Strength): boolean =>
  percent === 100 ||
  USUAL_STRENGTH.some(
    ({ of, least, most }) => of(ingredient) && percent >= least && percent <= most,
  );
