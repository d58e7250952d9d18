import { readAmount, unitById, type Amount, type WritingHabit } from '../quantity/index.js';
import { isProduce, massOf, type Form, type Ingredient } from '../produce/index.js';
import { readName } from '../reading/index.js';
import type { Range } from '../range/index.js';

/** What of a line a ratio is worked out from. */
export interface MeasuredLine {
  readonly ingredient: Ingredient;
  readonly form: Form;
  readonly amount: Amount;
  readonly mass_kg: Range;
}

/** What a ratio is of: all fruit and juice, the juice, what is in the pan before the sugar, or a line. */
export type RatioBase =
  | { readonly of: 'fruit' }
  | { readonly of: 'juice' }
  | { readonly of: 'mixture' }
  | { readonly of: 'ingredient'; readonly id: string };

/** An amount that follows from others. */
export type Ratio =
  /** "3/4 cup to each cup of juice". */
  | {
      readonly type: 'per';
      readonly amount: Amount;
      readonly each: Amount;
      readonly base: RatioBase;
    }
  /** "half the fruit's weight": a share of the weight, or of the volume. */
  | {
      readonly type: 'share';
      readonly share: number;
      readonly by: 'weight' | 'volume';
      readonly base: RatioBase;
    }
  /** "to cover": water over the fruit. */
  | { readonly type: 'to-cover' }
  /** "to taste": asked for at the end. */
  | { readonly type: 'to-taste' };

const SHARES: readonly (readonly [RegExp, number])[] = [
  [/\b(?:three[ -]quarters?|3\/4)\b|¾/i, 3 / 4],
  [/\b(?:two[ -]thirds?|2\/3)\b|⅔/i, 2 / 3],
  [/\b(?:half|1\/2)\b|½/i, 1 / 2],
  [/\b(?:a |one )?(?:third|1\/3)\b|⅓/i, 1 / 3],
  [/\b(?:a |one )?(?:quarter|1\/4)\b|¼/i, 1 / 4],
  [/\b(?:twice|double)\b/i, 2],
];
const PERCENT = /(\d+(?:[.,]\d+)?)\s*(?:%|per ?cent)/i;
const EQUAL =
  /\b(?:equal|same)\b|\bits own (?:weight|volume)\b|\b(cup|measure|pint|pound|litre) for \1\b|\bas (?:much|many cups?)\b.*\bas\b/i;
const BY_VOLUME =
  /\bvolume\b|\bmeasure\b|\bcup for cup\b|\bpint for pint\b|\bas many cups?\b|\b(?:quantity|amount)\b/i;
const BY_WEIGHT = /\bweight\b|\bpound for pound\b|\bby weigh/i;

const BASES: readonly (readonly [RegExp, RatioBase])[] = [
  [/\b(?:mixture|mix|pulp|pur[eé]e|sauce|liquid|liquor|contents?)\b/i, { of: 'mixture' }],
  [/\bjuice\b/i, { of: 'juice' }],
  [/\bfruits?\b|\bberries\b/i, { of: 'fruit' }],
];

/** What the words of a base name; all the fruit where they say nothing. */
function baseIn(words: string): RatioBase {
  const found = BASES.find(([pattern]) => pattern.test(words))?.[1];
  if (found) return found;
  const named = readName(words.replace(/^(?:of|the|prepared|crushed)\s+/gi, '').trim());
  return named.ok ? { of: 'ingredient', id: named.ingredient.id } : { of: 'fruit' };
}

const LINK = /\b(?:per|for (?:each|every)|(?:to|with) (?:each|every)|for|to)\b\s*(?:the\s+)?/gi;
/** "for each cup of juice, 3/4 cup": the base first. */
const BASE_FIRST = /^(?:per|for|to) (?:each|every)?\s*(.+?)\s*[,:]\s*(.+)$/i;
const ONE = /^(?:each|every|a|an|the)\s+/i;

/** "cup of juice", "600 ml juice", "4 cups": how much of what. */
function eachOf(
  words: string,
  habit: WritingHabit,
): { readonly each: Amount; readonly base: RatioBase } | undefined {
  const bare = words.replace(ONE, '');
  const reading = readAmount(/^\d|^[¼-¾⅐-⅞]/.test(bare) ? bare : `1 ${bare}`, habit);
  if (!reading.ok || reading.amount.unit.kind === 'piece') return undefined;
  return { each: reading.amount, base: baseIn(reading.rest) };
}

function perRatio(text: string, habit: WritingHabit): Ratio | undefined {
  const baseFirst = BASE_FIRST.exec(text);
  if (baseFirst) {
    const base = eachOf(baseFirst[1] ?? '', habit);
    const amount = readAmount(baseFirst[2] ?? '', habit);
    if (base && amount.ok) return { type: 'per', amount: amount.amount, ...base };
  }
  for (const link of text.matchAll(LINK)) {
    const amount = readAmount(text.slice(0, link.index), habit);
    const base = eachOf(text.slice(link.index + link[0].length), habit);
    if (amount.ok && amount.amount.unit.kind !== 'piece' && base)
      return { type: 'per', amount: amount.amount, ...base };
  }
  return undefined;
}

function shareRatio(text: string): Ratio | undefined {
  const percent = PERCENT.exec(text);
  const isOfBase = /\bweight|volume|measure|quantity|amount|fruit|juice|mixture|pulp/i.test(text);
  const part =
    (percent ? Number((percent[1] ?? '').replace(',', '.')) / 100 : undefined) ??
    SHARES.find(([words]) => words.test(text))?.[1];
  const share = part ?? (EQUAL.test(text) ? 1 : undefined);
  if (share === undefined || (!isOfBase && !EQUAL.test(text))) return undefined;
  const by = BY_WEIGHT.test(text) || !BY_VOLUME.test(text) ? 'weight' : 'volume';
  const base = BASES.find(([words]) => words.test(text))?.[1] ?? { of: 'fruit' };
  return { type: 'share', share, by, base };
}

/**
 * An amount written as a ratio: "450 g per 600 ml juice", "3/4 cup to each cup of the mixture", "equal
 * weight", "half the fruit's weight", "cup for cup", "1 tsp to 4 cups", "to cover", "to taste".
 *
 * @returns undefined where the text is no ratio
 */
export function readRatio(text: string, habit: WritingHabit = {}): Ratio | undefined {
  const line = text.trim();
  if (/\bto (?:just |barely )?cover\b|\bbarely cover\b/i.test(line)) return { type: 'to-cover' };
  if (
    /^(?:[^\d¼-¾⅐-⅞]*\s)?(?:to (?:your )?taste|as (?:needed|desired|required|you like))\b/i.test(
      line,
    )
  )
    return { type: 'to-taste' };
  return perRatio(line, habit) ?? shareRatio(line);
}

/** Water over fruit, kg a kg of fruit: what fills the gaps and stands a finger over it. Common practice. */
const COVERS: Range = { low: 0.55, mid: 0.8, high: 1.15 };
/** A mixture that was not measured is known to this, share. A guess. */
const UNMEASURED_DOUBT = 0.12;
const CUP_ML = unitById('cup').si;

const isJuice = ({ ingredient, form }: MeasuredLine): boolean =>
  form === 'juice' || ingredient.category === 'juice';
const isFruitOrJuice = (line: MeasuredLine): boolean => isProduce(line.ingredient) || isJuice(line);
const isMixture = ({ ingredient: { category } }: MeasuredLine): boolean =>
  category !== 'sweetener' && category !== 'pectin';

/** The lines a base means. */
function linesOf(base: RatioBase, lines: readonly MeasuredLine[]): readonly MeasuredLine[] {
  switch (base.of) {
    case 'fruit':
      return lines.filter(isFruitOrJuice);
    case 'juice': {
      const juices = lines.filter(isJuice);
      return juices.length > 0 ? juices : lines.filter(isFruitOrJuice);
    }
    case 'mixture':
      return lines.filter(isMixture);
    case 'ingredient': {
      const own = lines.filter(({ ingredient }) => ingredient.id === base.id);
      return own.length > 0 ? own : lines.filter(isFruitOrJuice);
    }
  }
}

/** Millilitres a line takes up: as it was measured, else by the weight of its cup. */
function volumeOf_ml({ amount, ingredient, form, mass_kg }: MeasuredLine): number | undefined {
  if (amount.unit.kind === 'volume') return amount.value * amount.unit.si;
  const cup = massOf(
    { ...amount, value: 1, unit: unitById('cup'), approximate: false },
    ingredient,
    form,
  );
  return cup.ok ? (mass_kg.mid / cup.mass_kg.mid) * CUP_ML : undefined;
}

/** An amount that a ratio came to. */
export interface ResolvedRatio {
  readonly amount: Amount;
  readonly mass_kg: Range;
}

/** What else a ratio is worked out from. */
export interface RatioContext {
  /** The understood lines that are no ratios. */
  readonly lines: readonly MeasuredLine[];
  /** The mixture as it was measured, ml. */
  readonly mixture_ml?: number;
  /** It is measured after its night: nothing stands for that. */
  readonly waitsForMixture: boolean;
}

/** What could not be worked out, and what would help. */
export type RatioProblem = 'to-taste' | 'no-base' | 'measure-mixture' | 'no-weight';

/** A ratio as an amount and a mass, or why it waits. */
export function resolveRatio(
  ratio: Ratio,
  ingredient: Ingredient,
  form: Form,
  context: RatioContext,
): ResolvedRatio | RatioProblem {
  if (ratio.type === 'to-taste') return 'to-taste';
  if (ratio.type === 'to-cover') {
    const fruit_kg = sumOf(context.lines.filter(isFruitOrJuice).map(({ mass_kg }) => mass_kg.mid));
    return fruit_kg > 0 ? grams(COVERS, fruit_kg) : 'no-base';
  }
  const { base } = ratio;
  const isMeasured = base.of === 'mixture' && context.mixture_ml !== undefined;
  if (base.of === 'mixture' && !isMeasured && context.waitsForMixture) return 'measure-mixture';
  const lines = linesOf(base, context.lines);
  if (lines.length === 0 && !isMeasured) return 'no-base';
  const volumes = lines.map(volumeOf_ml);
  const known_ml = volumes.every((each) => each !== undefined) ? sumOf(volumes) : undefined;
  const volume_ml = isMeasured ? context.mixture_ml : known_ml;
  const base_kg = sumOf(lines.map(({ mass_kg }) => mass_kg.mid));
  const doubt = base.of === 'mixture' && !isMeasured ? UNMEASURED_DOUBT : 0;
  const inUnit = (amount: Amount, times: number): ResolvedRatio | RatioProblem => {
    const resolved: Amount = { ...amount, value: amount.value * times };
    const mass = massOf(resolved, ingredient, form);
    return mass.ok ? { amount: resolved, mass_kg: widened(mass.mass_kg, doubt) } : 'no-weight';
  };
  if (ratio.type === 'share') {
    if (ratio.by === 'weight') return grams(around(base_kg, doubt), ratio.share);
    if (volume_ml === undefined) return 'no-weight';
    return inUnit(cups(volume_ml), ratio.share);
  }
  const { each, amount } = ratio;
  if (each.unit.kind === 'mass') return inUnit(amount, base_kg / (each.value * each.unit.si));
  if (volume_ml === undefined || each.unit.kind !== 'volume') return 'no-weight';
  return inUnit(amount, volume_ml / (each.value * each.unit.si));
}

const sumOf = (values: readonly (number | undefined)[]): number =>
  values.reduce<number>((sum, each) => sum + (each ?? 0), 0);
const around = (mid: number, doubt: number): Range => ({
  low: mid * (1 - doubt),
  mid,
  high: mid * (1 + doubt),
});
const widened = ({ low, mid, high }: Range, doubt: number): Range => ({
  low: low * (1 - doubt),
  mid,
  high: high * (1 + doubt),
});
const plain = { approximate: false, packed: false } as const;
const cups = (ml: number): Amount => ({ value: ml / CUP_ML, unit: unitById('cup'), ...plain });
const grams = ({ low, mid, high }: Range, factor: number): ResolvedRatio => ({
  amount: { value: mid * factor * 1000, unit: unitById('g'), ...plain },
  mass_kg: { low: low * factor, mid: mid * factor, high: high * factor },
});

/** Whether an amount is asked for at the end. */
export const isToTaste = (amount: unknown): boolean =>
  typeof amount === 'string' && readRatio(amount)?.type === 'to-taste';
