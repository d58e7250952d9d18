import { nearest } from './nearest.js';
import { findUnit, LONGEST_UNIT_WORDS, UNIT_SPELLINGS, unitById, type Unit } from './units.js';

/** An amount as a person wrote it, in the unit they chose. */
export interface Amount {
  readonly value: number;
  readonly unit: Unit;
  /** Written as "about 11", or "half a lemon": the count is not exact. */
  readonly approximate: boolean;
  /** Brown sugar or peel pressed into the cup. */
  readonly packed: boolean;
}

export type Decimal = '.' | ',';

export type AmountReading =
  | {
      readonly ok: true;
      readonly amount: Amount;
      /** What followed the amount, such as "damsons, pitted". */ readonly rest: string;
    }
  | { readonly ok: false; readonly message: string };

const VULGAR: Readonly<Record<string, string>> = {
  '¼': '1/4',
  '½': '1/2',
  '¾': '3/4',
  '⅐': '1/7',
  '⅑': '1/9',
  '⅒': '1/10',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅕': '1/5',
  '⅖': '2/5',
  '⅗': '3/5',
  '⅘': '4/5',
  '⅙': '1/6',
  '⅚': '5/6',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

const WORDS: Readonly<Record<string, number>> = {
  half: 0.5,
  quarter: 0.25,
  third: 1 / 3,
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  dozen: 12,
};

const ABOUT = /^(about|around|approximately|approx\.?|roughly|circa|ca\.?|~|≈)\s*/i;
const SIZE_WORD = /^(small|medium|medium-sized|large|big)\b\s*/i;

/** One number at the start of the text, with what follows it. */
function readNumber(text: string, decimal: Decimal): { value: number; rest: string } | undefined {
  const fraction = /^(?:(\d+)[\s-]+)?(\d+)\s*\/\s*(\d+)(?![\d/])/.exec(text);
  if (fraction) {
    const [all, whole, top, bottom] = fraction;
    if (Number(bottom) === 0) return undefined;
    return {
      value: Number(whole ?? 0) + Number(top) / Number(bottom),
      rest: text.slice(all.length),
    };
  }
  const digits = /^(\d{1,3}(?:[ \u202f]\d{3})+(?![\d])(?:[.,]\d+)?|\d[\d.,]*|[.,]\d+)/
    .exec(text)?.[0]
    ?.replace(/[.,]$/, '');
  if (digits !== undefined) {
    const value = Number(plainDecimal(digits.replace(/[ \u202f]/g, ''), decimal));
    return Number.isFinite(value) ? { value, rest: text.slice(digits.length) } : undefined;
  }
  const word = /^[a-z]+/i.exec(text)?.[0];
  if (word === undefined) return undefined;
  const value = WORDS[word.toLowerCase()];
  if (value === undefined) return undefined;
  const rest = text.slice(word.length).trimStart();
  if (/^(half|quarter|third)$/i.test(word))
    return { value, rest: rest.replace(/^(of\s+)?an?\s+/i, '') };
  if (/^an?$/i.test(word)) {
    const inner = /^(half|quarter|third|dozen)\b\s*(of\s+)?(an?\s+)?/i.exec(rest);
    if (inner?.[1])
      return { value: WORDS[inner[1].toLowerCase()] ?? 1, rest: rest.slice(inner[0].length) };
  }
  return { value, rest };
}

/**
 * "1,200" or "1.200" as the person's habit reads it; a comma before one, two or four digits can
 * only be a decimal.
 */
function plainDecimal(digits: string, decimal: Decimal): string {
  const thousands = decimal === '.' ? ',' : '.';
  const grouped = new RegExp(`^[1-9]\\d{0,2}(\\${thousands}\\d{3})+(\\${decimal}\\d+)?$`);
  if (grouped.test(digits)) return digits.replaceAll(thousands, '').replace(decimal, '.');
  const marks = digits.replace(/\d/g, '');
  return marks.length > 1 ? 'NaN' : digits.replace(',', '.');
}

/** The longest unit spelling the text begins with. */
function readUnit(text: string): { unit: Unit; rest: string } | undefined {
  if (text.startsWith('#')) return { unit: unitById('lb'), rest: text.slice(1) };
  const words = text.match(/^[^\s,;()\d]+(?:\s+[^\s,;()\d]+)*/)?.[0]?.split(/\s+/) ?? [];
  for (let n = Math.min(words.length, LONGEST_UNIT_WORDS); n > 0; n--) {
    const pattern = new RegExp('^' + words.slice(0, n).map(escapeRegExp).join('\\s+'));
    const unit = findUnit(words.slice(0, n).join(' '));
    const found = pattern.exec(text);
    if (unit && found) return { unit, rest: text.slice(found[0].length) };
  }
  return undefined;
}

const escapeRegExp = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** Vulgar fractions, odd spaces and slashes made plain, so that one grammar reads them all. */
function plain(text: string): string {
  return text
    .replace(/[\u00a0\u2009\u202f]/g, ' ')
    .replace(/[\u2044\u2215]/g, '/')
    .replace(
      /(\d)?\s*([¼-¾⅐-⅞])/g,
      (_, digit: string | undefined, mark: string) =>
        `${digit ? digit + ' ' : ''}${VULGAR[mark] ?? mark}`,
    )
    .trim();
}

/**
 * Reads the amount a line begins with, as people write it: `2 1/2 cups`, `1½ lb`, `4 lb 6 oz`,
 * `about 11 medium`, `half a lemon`, `1 cup packed`, `1,2 kg`. What follows is returned as `rest`.
 *
 * @param text one line
 * @param decimal the person's decimal mark; in doubt (`1,200`) it decides between one thousand two
 * hundred and 1.2
 * @returns the amount in the unit written, or a message that says what could not be read. Zero,
 * negative, infinite and missing numbers are refused; a number with no unit counts pieces.
 */
export function readAmount(text: string, decimal: Decimal = '.'): AmountReading {
  let rest = plain(text);
  const about = ABOUT.exec(rest);
  if (about) rest = rest.slice(about[0].length);
  if (rest === '')
    return {
      ok: false,
      message: 'no amount; write a number and a unit, such as "1.2 kg" or "2 1/2 cups"',
    };
  if (/^[-−–]\s*\.?\d/.test(rest))
    return {
      ok: false,
      message: `"${text.trim()}" is below zero; an amount must be more than nothing`,
    };

  const first = readNumber(rest, decimal);
  if (!first)
    return {
      ok: false,
      message: `"${text.trim()}" does not begin with a number; write one, such as "1.2 kg" or "3/4 cup"`,
    };
  rest = first.rest.trimStart();
  if (/^(-|–|to\b|or\b)\s*\d/i.test(rest)) {
    return {
      ok: false,
      message: `"${text.trim()}" is a choice of two amounts; write the one you will use`,
    };
  }
  const size = SIZE_WORD.exec(rest);
  if (size) rest = rest.slice(size[0].length);
  const found = size ? undefined : readUnit(rest);
  let value = first.value;
  let unit = unitById('each');
  if (found) {
    unit = found.unit;
    rest = found.rest.replace(/^\.?\s*/, '');
    // "4 lb 6 oz": a second, smaller amount of the same kind belongs to the first.
    const second = readNumber(rest.replace(/^(and|,|&|\+)\s*/i, ''), decimal);
    const secondUnit =
      second && /^\d/.test(rest.replace(/^(and|,|&|\+)\s*/i, ''))
        ? readUnit(second.rest.trimStart())
        : undefined;
    if (
      second &&
      secondUnit &&
      secondUnit.unit.kind === unit.kind &&
      secondUnit.unit.si < unit.si
    ) {
      value += (second.value * secondUnit.unit.si) / unit.si;
      rest = secondUnit.rest.replace(/^\.?\s*/, '');
    }
  }
  if (!Number.isFinite(value) || value <= 0)
    return { ok: false, message: `"${text.trim()}" is nothing; an amount must be more than zero` };
  const packed = /^\(?packed\)?\b\s*/i.exec(rest);
  if (packed) rest = rest.slice(packed[0].length);
  rest = rest.replace(/^of\s+/i, '').trim();
  return {
    ok: true,
    amount: {
      value,
      unit,
      approximate: Boolean(about) || (unit.kind === 'piece' && value % 1 !== 0),
      packed: Boolean(packed),
    },
    rest,
  };
}

/**
 * Reads a text that holds an amount and nothing else. A noun after a count ("half a lemon") is
 * allowed. An unknown unit is named with the nearest known ones.
 */
export function parseAmount(text: string, decimal: Decimal = '.'): AmountReading {
  const reading = readAmount(text, decimal);
  if (!reading.ok || reading.rest === '') return reading;
  if (reading.amount.unit.kind === 'piece' && reading.amount.approximate)
    return { ...reading, rest: '' };
  const word = reading.rest.split(/[\s,(]/)[0] ?? reading.rest;
  if (reading.amount.unit.kind !== 'piece') {
    return {
      ok: false,
      message: `"${text.trim()}": "${reading.rest}" after the unit was not understood; write the amount alone, such as "${reading.amount.value} ${reading.amount.unit.name[1]}"`,
    };
  }
  const guesses = nearest(word, UNIT_SPELLINGS);
  const hint =
    guesses[0] === undefined
      ? 'write a unit such as g, kg, lb, ml, cups, tbsp or each'
      : `did you mean "${guesses[0]}"?`;
  return { ok: false, message: `"${text.trim()}": unknown unit "${word}"; ${hint}` };
}
