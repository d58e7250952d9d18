import type { Measures, WritingHabit } from '../quantity/index.js';
import { statedHabit } from './stated-formula.js';

/** Words that are written in one country only. Common practice. */
const WRITTEN_IN: readonly (readonly [Measures, RegExp])[] = [
  ['australian', /\b(?:australian|20 ?ml tablespoons?)\b/i],
  [
    'uk',
    /\b(?:caster sugar|granulated sugar.*\bpints?\b|dessertspoons?|preserving sugar|bramleys?|muslin|waxed discs?|wax discs?|golden syrup|imperial|sultanas|preserving pan|maslin pan)\b|\d ?(?:g|kg|ml) ?\/ ?\d|\d ?(?:oz|lb|pints?) ?\/ ?\d+ ?(?:g|kg|ml)|\bpints?\b.*\b(?:ml|litres?)\b|\b(?:ml|litres?)\b.*\bpints?\b/i,
  ],
  ['metric', /\b(?:gelling sugar|gelierzucker|EL|TL)\b/],
];
const US_WORDS =
  /\b(?:quarts?|fahrenheit|half-pints?|sticks? (?:of )?butter|confectioners|boiling-water canner|\d{3} ?°? ?F\b|all-purpose|ounce package|packages?)\b/i;
const DECIMAL_COMMA = /\b\d{1,3},\d{1,2}\s*(?:kg|g|l|ml|dl|cl)\b/i;

/** Whose cups, spoons and pints a recipe is written in, and its decimal mark, from its own words. */
export function habitOf(text: string): WritingHabit {
  const stated = statedHabit(text);
  if (stated) return stated;
  const written = WRITTEN_IN.find(([, words]) => words.test(text))?.[0];
  const measures = US_WORDS.test(text) ? undefined : written;
  return {
    ...(measures && { measures }),
    ...(DECIMAL_COMMA.test(text) && { decimal: ',' as const }),
  };
}
