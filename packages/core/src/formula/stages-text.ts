import { readDuration, type Decimal } from '../quantity/index.js';
import type { DocumentStage, Heat, Lid, StageWork, WhereCooked } from './document.js';
import { stageEndFrom } from './stages.js';

/*
 * How a cook is written, as stages: "10 hours on low, covered; blend; 2 hours uncovered". The words are
 * common practice, no source.
 */

/** Words for one thing, in the order they are looked for: what holds another word comes first. */
type WordList<T> = readonly (readonly [RegExp, T])[];

const WHERE_WORDS: WordList<WhereCooked> = [
  [/\bslow[- ]?cook(?:er)?\b|\bcrock\b/i, 'slow-cooker'],
  [/\boven\b/i, 'oven'],
  [/\bdouble boiler\b|\bbain[- ]marie\b|\bover (?:simmering|hot) water\b/i, 'double-boiler'],
  [
    /\boutdoors?\b|\bopen fire\b|\bover (?:a|the) (?:wood )?fire\b|\bgas ring outside\b/i,
    'outdoor-burner',
  ],
  [/\bstove(?:top)?\b|\bburner\b|\bhob\b|\bsaucepan\b|\bheavy (?:pan|pot)\b/i, 'burner'],
];
const LID_WORDS: WordList<Lid> = [
  [
    /\bajar\b|\btilted\b|\b(?:partly|partially|half)[- ]covered\b|\blid propped\b|\bvented\b|\bwooden spoon under the lid\b/i,
    'ajar',
  ],
  [
    /\buncover(?:ed)?\b|\blids? off\b|\bwithout (?:the |a |its )?lid\b|\b(?:remove|take off) the lid\b|\bopen\b/i,
    'off',
  ],
  [/\bcover(?:ed)?\b|\blids? on\b|\bwith (?:the |a |its )?lid\b|\bclosed\b/i, 'on'],
];
const HEAT_WORDS: WordList<Heat> = [
  [/\b(?:rolling|fast|rapid|hard) boil\b|\bboil (?:hard|fast|rapidly)\b/i, 'fast'],
  [/\bhigh\b/i, 'high'],
  [/\bsimmer(?:ing)?\b|\bmedium\b/i, 'simmer'],
  [/\blow\b|\bgentl[ey]\b|\bvery slowly\b/i, 'low'],
];
const WORK_WORDS: WordList<StageWork> = [
  [
    /\bblend(?:er)?\b|\bpur[eé]e (?:it|until|in|with|the)\b|\bliquidi[sz]e\b|\bimmersion\b/i,
    'blend',
  ],
  [/\bfood mill\b|\bmill\b/i, 'mill'],
  [/\bsieve\b|\bstrain\b/i, 'sieve'],
];

const found = <T>(words: WordList<T>, text: string): T | undefined =>
  words.find(([word]) => word.test(text))?.[1];

/** A time in these words is no stage of the cook. */
const NOT_COOKING =
  /\b(?:process(?:ing)?|canner|water bath|jars?|lids? (?:in|on the jars)|steril\w+|rest|stand|soak|chill|refrigerat\w+|cool(?:ed|ing)?|freez\w+|preheat)\b/i;

/** The first length of time in a text. */
function durationIn(text: string, decimal: Decimal): string | undefined {
  for (const { index } of text.matchAll(/(?<![\p{L}\d.,/])[\p{L}\d¼½¾]/gu)) {
    const rest = text.slice(index);
    const duration = readDuration(rest, decimal);
    if (duration) return rest.slice(0, rest.length - duration.rest.length).trim();
  }
  return undefined;
}

/** What ends a fragment's stage by what is seen, where it is known. */
function untilIn(text: string): string | undefined {
  const [, words] = /\b(?:until|till)\s+(.+)$/i.exec(text) ?? [];
  const until = words?.trim().replace(/[.,]$/, '') ?? '';
  const end = until === '' ? undefined : stageEndFrom(until);
  if (!end) return undefined;
  return end.type === 'finish' ? 'done' : until.slice(0, 80);
}

/** One part of a text as what it says of a stage. */
function fragmentOf(text: string, decimal: Decimal): DocumentStage {
  const where = found(WHERE_WORDS, text);
  const lid = found(LID_WORDS, text);
  const heat = found(HEAT_WORDS, text);
  const work = found(WORK_WORDS, text);
  const time = durationIn(text, decimal);
  const until = untilIn(text);
  return {
    ...(where && { where }),
    ...(lid && { lid }),
    ...(heat && { heat }),
    ...(work && { work }),
    ...(time !== undefined && { time }),
    ...(until !== undefined && { until }),
  };
}

const SEPARATORS =
  /\s*(?:[;.\n]|,?\s*\b(?:and )?then\b|,\s*(?=another\b|uncover\b|remove the lid\b|blend\b))\s*/i;

/**
 * The stages that a text tells of. A part without an end, such as "blend" or "uncover", is said of the
 * stage that follows.
 *
 * @returns none where the text tells of no cook
 */
export function stagesFromText(text: string, decimal: Decimal = '.'): DocumentStage[] {
  const stages: DocumentStage[] = [];
  let said: DocumentStage = {};
  for (const part of text.split(SEPARATORS)) {
    if (part.trim() === '' || NOT_COOKING.test(part)) continue;
    const fragment = fragmentOf(part, decimal);
    const { time, until } = fragment;
    if (time === undefined && until === undefined) {
      said = { ...said, ...fragment };
      continue;
    }
    stages.push({ ...said, ...fragment });
    said = {};
  }
  // What is said after the last stage has no end of its own: it goes on to the finish.
  if (stages.length > 0 && (said.lid ?? said.heat ?? said.where) !== undefined)
    stages.push({ ...said, until: 'done' });
  return stages;
}
