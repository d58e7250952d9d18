import { readDuration, parseAmount } from '../quantity/index.js';
import { within, type Range } from '../range/index.js';
import {
  HEATS,
  LIDS,
  STAGE_WORK,
  WHERE_COOKED,
  type DocumentStage,
  type FinishType,
  type Heat,
  type Kind,
  type Lid,
  type StageWork,
  type WhereCooked,
} from './document.js';
import { FORMULA_FIELDS } from './fields.js';
import { isObject, quoted, type Json, type Reader } from './reader.js';

/** Where a batch stands, under which lid, on which heat: what its water loss follows from. */
export interface CookingPlace {
  readonly where: WhereCooked;
  readonly lid: Lid;
  readonly heat: Heat;
}

/** What ends a stage. */
export type StageEnd =
  /** Minutes since it began. */
  | { readonly type: 'time'; readonly minutes: Range }
  /** Kilograms in the pan. */
  | { readonly type: 'mass'; readonly mass_kg: number }
  /** The contents are down to this share of what they were when the stage began. */
  | { readonly type: 'share'; readonly left: number }
  /** Hot, in the pan. */
  | { readonly type: 'volume'; readonly volume_ml: number }
  /** The finish of the formula. */
  | { readonly type: 'finish' };

/** One stage of a cook. */
export interface CookStage extends CookingPlace {
  readonly work?: StageWork;
  /** Water lost there, as this kitchen weighed it, kg an hour. */
  readonly loss_kgPerH?: number;
  readonly end: StageEnd;
}

/** "Until it is soft": as long as fruit takes, minutes. Common practice. */
const UNTIL_SOFT_MIN: Range = { low: 10, mid: 25, high: 60 };
/** Sauce of raw fruit in a slow cooker or a low oven, minutes. Common practice. */
const UNTIL_SAUCE_MIN: Range = { low: 180, mid: 270, high: 360 };

/** Parts people say something is down by, or down to. */
const PARTS: readonly (readonly [RegExp, number])[] = [
  [/\b(?:a |one )?third\b|\b1\/3\b|⅓/i, 1 / 3],
  [/\btwo[ -]thirds\b|\b2\/3\b|⅔/i, 2 / 3],
  [/\b(?:a |one )?quarter\b|\b1\/4\b|¼/i, 1 / 4],
  [/\bthree[ -]quarters\b|\b3\/4\b|¾/i, 3 / 4],
  [/\bhalf\b|\bhalves\b|\bhalved\b|\b1\/2\b|½/i, 1 / 2],
];

/** A rule of what "until ..." may say: its words, and the end they mean. */
interface UntilRule {
  readonly words: RegExp;
  readonly end: (text: string) => StageEnd | undefined;
}

/** The share that is left, where a text says how far the contents are down. */
function shareLeft(text: string): StageEnd | undefined {
  // The longer words first: "two thirds" holds "third".
  const part = PARTS.toReversed().find(([words]) => words.test(text))?.[1];
  if (part === undefined) return undefined;
  const isGone = /\b(?:by|gone|lost|less)\b/i.test(text) && !/\bto\b/i.test(text);
  return { type: 'share', left: isGone ? 1 - part : part };
}

/** The first whose words are in the text. Common practice, no source. */
const UNTIL_RULES: readonly UntilRule[] = [
  {
    words: /\b(?:down|reduced?|gone|halved|volume|sunk|shrunk|cooked away|evaporated)\b/i,
    end: shareLeft,
  },
  {
    words:
      /\b(?:done|finish(?:ed)?|mounds?|thick(?:ened|ens)?|spread(?:able|s)?|set(?:s|ting)?|gels?|gel(?:ling)? point|holds?|coats?|no ring|wrinkles?|sheets?)\b/i,
    end: () => ({ type: 'finish' }),
  },
  {
    words: /\b(?:soft(?:ened)?|tender|fall(?:s|ing)? apart|mush(?:y)?|collapsed?)\b/i,
    end: () => ({ type: 'time', minutes: UNTIL_SOFT_MIN }),
  },
  { words: /\bsauce\b/i, end: () => ({ type: 'time', minutes: UNTIL_SAUCE_MIN }) },
];

/** An end as an amount: "2.1 kg", "7 pints". */
function amountEnd(
  reader: Pick<Reader, 'decimal' | 'measures'>,
  text: string,
): StageEnd | undefined {
  const reading = parseAmount(text, reader);
  if (!reading.ok) return undefined;
  const { value, unit } = reading.amount;
  if (unit.kind === 'mass') return { type: 'mass', mass_kg: value * unit.si };
  return unit.kind === 'volume' ? { type: 'volume', volume_ml: value * unit.si } : undefined;
}

/**
 * What "until ..." of a stage says.
 *
 * @returns undefined where it says nothing known
 */
export function stageEndFrom(
  text: string,
  habit: Pick<Reader, 'decimal' | 'measures'> = { decimal: '.', measures: 'us' },
): StageEnd | undefined {
  const words = text
    .trim()
    .replace(/^until\s+/i, '')
    .replace(/^it(?:'s| is)?\s+/i, '');
  const amount = amountEnd(habit, words);
  if (amount) return amount;
  for (const rule of UNTIL_RULES) {
    const end = rule.words.test(words) ? rule.end(words) : undefined;
    if (end) return end;
  }
  return undefined;
}

/** How a stage goes on where it does not say, by where it stands. Common practice. */
const USUAL_PLACE: Readonly<Record<WhereCooked, Omit<CookingPlace, 'where'>>> = {
  burner: { lid: 'off', heat: 'simmer' },
  oven: { lid: 'off', heat: 'low' },
  'slow-cooker': { lid: 'on', heat: 'low' },
  'outdoor-burner': { lid: 'off', heat: 'simmer' },
  'double-boiler': { lid: 'off', heat: 'simmer' },
};

/**
 * A stage with what it leaves unsaid taken from the one before, or from what is usual.
 *
 * @param before the stage before it, where there is one
 */
export function placeOfStage(
  { where, lid, heat }: Pick<DocumentStage, 'where' | 'lid' | 'heat'>,
  before: CookingPlace | undefined,
): CookingPlace {
  const here = where ?? before?.where ?? 'burner';
  const usual = before?.where === here ? before : USUAL_PLACE[here];
  return { where: here, lid: lid ?? usual.lid, heat: heat ?? usual.heat };
}

/** A measured loss, kg an hour: "150 g/h", "0.2 kg an hour". */
function readLoss(reader: Reader, path: string, value: unknown): number | undefined {
  if (value === undefined) return undefined;
  const text = typeof value === 'string' ? value : '';
  const amount = parseAmount(text.replace(/\s*(?:\/|per|an?)\s*h(?:ou)?r?\.?\s*$/i, ''), reader);
  if (amount.ok && amount.amount.unit.kind === 'mass')
    return amount.amount.value * amount.amount.unit.si;
  reader.problem(path, `${quoted(value)}: ${FORMULA_FIELDS.stage.loss.write}`);
  return undefined;
}

/** What ends a stage; undefined with its problem noted. */
function readEnd(
  reader: Reader,
  path: string,
  { time, until }: Json,
  isLast: boolean,
): StageEnd | undefined {
  const untilEnd = typeof until === 'string' ? stageEndFrom(until, reader) : undefined;
  if (until !== undefined && !untilEnd) {
    reader.problem(`${path}.until`, `${quoted(until)}: ${FORMULA_FIELDS.stage.until.write}`);
    return undefined;
  }
  if (time !== undefined) {
    const written = typeof time === 'string' ? readDuration(time, reader.decimal) : undefined;
    if (!written || written.rest.trim() !== '') {
      reader.problem(`${path}.time`, `${quoted(time)}: ${FORMULA_FIELDS.stage.time.write}`);
      return undefined;
    }
    // "2 hours or until it mounds": what is seen beats the clock.
    return untilEnd && untilEnd.type !== 'time'
      ? untilEnd
      : { type: 'time', minutes: written.minutes };
  }
  if (untilEnd) return untilEnd;
  if (isLast) return { type: 'finish' };
  reader.problem(path, `stage without an end: write "time" or "until", such as "10 h"`);
  return undefined;
}

/** The stages of a cook; none where the document has none, or none that can be understood. */
export function readStages(reader: Reader, value: unknown): readonly CookStage[] {
  if (value === undefined) return [];
  const { most, write } = FORMULA_FIELDS.document.stages;
  if (!Array.isArray(value) || value.length > most) {
    reader.problem('stages', `${quoted(value)}: ${write}`);
    return [];
  }
  const stages: CookStage[] = [];
  value.forEach((entry: unknown, i) => {
    const path = `stages[${i}]`;
    if (!isObject(entry)) {
      reader.problem(path, `${quoted(entry)}: ${write}`);
      return;
    }
    const choice = <T extends string>(key: string, of: readonly T[]): T | undefined =>
      entry[key] === undefined
        ? undefined
        : reader.oneOf(`${path}.${key}`, entry[key], of, of[0] as T);
    const where = choice('where', WHERE_COOKED);
    const lid = choice('lid', LIDS);
    const heat = choice('heat', HEATS);
    const work = choice('work', STAGE_WORK);
    const end = readEnd(reader, path, entry, i === value.length - 1);
    const loss_kgPerH = readLoss(reader, `${path}.loss`, entry.loss);
    if (!end) return;
    stages.push({
      ...placeOfStage(
        { ...(where && { where }), ...(lid && { lid }), ...(heat && { heat }) },
        stages.at(-1),
      ),
      ...(work && { work }),
      ...(loss_kgPerH !== undefined && { loss_kgPerH }),
      end,
    });
  });
  return stages;
}

/** A butter on a low burner with its lid off: how one cooks where nobody said. Common practice. */
const USUAL_BUTTER: CookStage = {
  where: 'burner',
  lid: 'off',
  heat: 'low',
  end: { type: 'finish' },
};
const FAST_BOIL: CookStage = {
  where: 'burner',
  lid: 'off',
  heat: 'fast',
  end: { type: 'finish' },
};
const OVER_WATER: CookStage = {
  where: 'double-boiler',
  lid: 'off',
  heat: 'simmer',
  end: { type: 'finish' },
};

/** How a batch cooks that does not say so: one stage to its finish. */
export function usualCook(kind: Kind, finish: FinishType): CookStage {
  if (kind === 'curd') return OVER_WATER;
  return kind === 'fruit-butter' || finish === 'consistency' ? USUAL_BUTTER : FAST_BOIL;
}

/** How well a weighed loss holds the next time, share. Common practice. */
export const WEIGHED_LOSS_DOUBT = 0.2;

/** Kilograms an hour of a stage whose loss was weighed. */
export const weighedLoss = (loss_kgPerH: number): Range => within(loss_kgPerH, WEIGHED_LOSS_DOUBT);

/** A stage of so many times the batch: what it ends at grows with it, its hours do not. */
export function stageTimes(stage: CookStage, factor: number): CookStage {
  const { end } = stage;
  if (end.type === 'mass') return { ...stage, end: { ...end, mass_kg: end.mass_kg * factor } };
  if (end.type === 'volume')
    return { ...stage, end: { ...end, volume_ml: end.volume_ml * factor } };
  return stage;
}

/** The same for a stage of a document. */
export function documentStageTimes(stage: DocumentStage, factor: number): DocumentStage {
  const end = stage.until === undefined ? undefined : stageEndFrom(stage.until);
  const written = (amount: number): string => String(Number((amount * factor).toPrecision(4)));
  if (end?.type === 'mass') return { ...stage, until: `${written(end.mass_kg)} kg` };
  if (end?.type === 'volume') return { ...stage, until: `${written(end.volume_ml)} ml` };
  return stage;
}
