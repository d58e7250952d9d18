import type {
  Balance,
  CookingPlace,
  FinishType,
  Heat,
  Ingredient,
  Kind,
  Lid,
  Method,
  PotFormula,
  ShowResult,
  StageWork,
  AddWhen,
  WhereCooked,
} from '@idle-kettle/core';
import { spanWords } from '../ui/length-words.js';
import type { Formats } from '../ui/preferences.js';

/** How a jar had set when it was opened, from -2 to 2. */
export { SET_WORDS } from '@idle-kettle/core';

/** What came of an entry at a show. */
export const RESULT_WORDS: Readonly<Record<ShowResult, string>> = {
  first: 'first prize',
  second: 'second prize',
  third: 'third prize',
  commended: 'commended',
  entered: 'entered',
};

export const KIND_WORDS: Readonly<Record<Kind, string>> = {
  jam: 'Jam',
  jelly: 'Jelly',
  marmalade: 'Marmalade',
  conserve: 'Conserve',
  'fruit-butter': 'Fruit butter',
  'jellied-sauce': 'Jellied sauce',
  'savoury-jelly': 'Savoury jelly',
  curd: 'Curd',
  syrup: 'Syrup',
};

export const METHOD_WORDS: Readonly<Record<Method, string>> = {
  'long-boil': 'long boil',
  'powdered-pectin': 'powdered pectin',
  'liquid-pectin': 'liquid pectin',
  'calcium-pectin': 'calcium pectin',
  'jam-sugar': 'jam sugar',
  'no-gel': 'no gel',
  egg: 'egg',
};

export const FINISH_WORDS: Readonly<Record<FinishType, string>> = {
  'gel-temperature': 'setting point',
  'soluble-solids': 'soluble solids',
  'hard-boil': 'timed hard boil',
  weight: 'weight of the pan',
  consistency: 'consistency',
  curd: 'curd temperature',
};

/** What an ingredient is there for. */
export const ROLE_WORDS: Readonly<Record<Ingredient['category'], string>> = {
  fruit: 'fruit',
  vegetable: 'vegetable',
  juice: 'juice',
  sweetener: 'sweetness',
  acid: 'acid',
  pectin: 'pectin',
  water: 'water',
  extra: 'extra',
};

/** When something goes in. */
export const ADD_WHEN_WORDS: Readonly<Record<AddWhen, string>> = {
  start: 'at the start',
  'skins-soft': 'skins soft',
  'before-sugar': 'before sugar',
  'full-boil': 'full boil',
  'after-sugar': 'after sugar',
  'near-end': 'near the end',
  'off-heat': 'off the heat',
};

export const WHERE_WORDS: Readonly<Record<WhereCooked, string>> = {
  burner: 'pan on a burner',
  oven: 'oven, wide pan',
  'slow-cooker': 'slow cooker',
  'outdoor-burner': 'outdoor burner',
  'double-boiler': 'bowl over simmering water',
};
export const LID_WORDS: Readonly<Record<Lid, string>> = {
  on: 'lid on',
  ajar: 'lid ajar',
  off: 'lid off',
};
export const HEAT_WORDS: Readonly<Record<Heat, string>> = {
  low: 'low',
  simmer: 'simmer',
  high: 'high',
  fast: 'fast boil',
};
export const WORK_WORDS: Readonly<Record<StageWork, string>> = {
  blend: 'blend first',
  sieve: 'sieve first',
  mill: 'food mill first',
};
/** "slow cooker, low, lid on". */
export const placeWords = ({ where, heat, lid }: CookingPlace): string =>
  [WHERE_WORDS[where], HEAT_WORDS[heat], LID_WORDS[lid]].join(', ');

/** How jars are processed, after their minutes. */
export const PROCESS_WORDS = { 'boiling-water': 'in boiling water', steam: 'in steam' } as const;

/** Whether a boil is stopped by its temperature; others have a temperature near their finish. */
export const isByTemperature = ({ type }: { readonly type: FinishType }): boolean =>
  type === 'gel-temperature';

/** What the line at the finish is called in a curve; undefined where no temperature tells of it. */
export function finishLineName(
  finish: { readonly type: FinishType },
  when: 'here' | 'then',
): string | undefined {
  if (finish.type === 'consistency') return undefined;
  return isByTemperature(finish) ? `setting point ${when}` : 'at the finish';
}

/**
 * Where to stop, as "stop at" and "100.5 °C", "stop after" and "1 min of hard boil", "stop when"
 * and "it mounds on a spoon".
 */
export function stopWords(
  { finish, stages }: PotFormula,
  { finish: outcome, cook }: Balance,
  formats: Formats,
): { lead: string; words: string } {
  const end = stages.at(-1)?.end;
  if (end?.type === 'time')
    return { lead: 'stop after', words: spanWords(cook.minutes.low, cook.minutes.high) };
  if (end && end.type !== 'finish')
    return { lead: 'stop at', words: formats.mass(outcome.mass_kg.mid) };
  switch (finish.type) {
    case 'gel-temperature':
      return outcome.temperature_C
        ? { lead: 'stop at', words: formats.temperature(outcome.temperature_C.mid) }
        : { lead: 'to know where to stop,', words: 'enter the altitude' };
    case 'soluble-solids':
      return { lead: 'stop at', words: `${outcome.solubleSolidsPercent.mid.toFixed(0)} % solids` };
    case 'hard-boil':
      return { lead: 'stop after', words: `${finish.minutes} min of hard boil` };
    case 'weight':
      return { lead: 'stop at', words: formats.mass(finish.mass_kg.mid) };
    case 'consistency':
      return { lead: 'stop when', words: 'it mounds on a spoon' };
    case 'curd':
      return { lead: 'stop at', words: formats.temperature(finish.temperature_C) };
  }
}
