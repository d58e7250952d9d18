/** A number as written, or the two ends of a range such as "3-4". */
export interface WrittenNumber {
  readonly value: number;
  /** Ends of a range; equal to `value` where one number was written. */
  readonly least: number;
  readonly most: number;
  /** "half", "a couple", "about a dozen": not counted exactly. */
  readonly approximate: boolean;
  /** What follows it. */
  readonly rest: string;
}

export type Decimal = '.' | ',';

const VULGAR: Readonly<Record<string, number>> = {
  '¼': 1 / 4,
  '½': 1 / 2,
  '¾': 3 / 4,
  '⅐': 1 / 7,
  '⅑': 1 / 9,
  '⅒': 1 / 10,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '⅕': 1 / 5,
  '⅖': 2 / 5,
  '⅗': 3 / 5,
  '⅘': 4 / 5,
  '⅙': 1 / 6,
  '⅚': 5 / 6,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};

const UNITS_IN_WORDS = [
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen',
  'fifteen sixteen seventeen eighteen nineteen',
]
  .join(' ')
  .split(' ');
const TENS_IN_WORDS = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');
/** "a few" and "several" are no number: they are asked for. */
const NUMBER_WORDS = new Map<string, number>([
  ...UNITS_IN_WORDS.map((word, i) => [word, i] as const),
  ...TENS_IN_WORDS.map((word, i) => [word, 20 + 10 * i] as const),
  ['hundred', 100],
  ['a', 1],
  ['an', 1],
  ['dozen', 12],
  ['couple', 2],
]);
const FRACTION_WORDS: Readonly<Record<string, number>> = {
  half: 1 / 2,
  halves: 1 / 2,
  third: 1 / 3,
  thirds: 1 / 3,
  quarter: 1 / 4,
  quarters: 1 / 4,
  fourth: 1 / 4,
  fourths: 1 / 4,
  eighth: 1 / 8,
  eighths: 1 / 8,
};

const SLASH = '[/\\u2044\\u2215]';
const FRACTION = new RegExp(
  `^(?:(\\d+)(?:\\s+(?:(?:and|&|\\+)\\s*)?|\\s*&\\s*|-))?(\\d+)\\s*${SLASH}\\s*(\\d+)(?![\\d/])`,
  'i',
);
const VULGAR_FRACTION = /^(?:(\d+)\s*(?:(?:and|&|-)\s*)?)?([¼-¾⅐-⅞])/i;
const DIGITS = /^(\d{1,3}(?:[ \u00a0\u202f]\d{3})+(?!\d)(?:[.,]\d+)?|\d[\d.,]*|[.,]\d+)/;
/** Nobody weighs to a milligram: three places before g or ml are thousands in any habit. */
const THOUSANDS = /^([1-9]\d{0,2})[.,](\d{3})(?=\s*(?:g|gr|grams?|grammes?|ml|mls?)\b)/i;

/**
 * One number at the start of the text: "2.5", "1 1/2", "1½", "three", "one and a half", "half a",
 * "two dozen".
 *
 * @param decimal the person's decimal mark; it decides between 1200 and 1.2 in "1,200"
 */
export function readOneNumber(
  text: string,
  decimal: Decimal,
): Pick<WrittenNumber, 'value' | 'approximate' | 'rest'> | undefined {
  const one = readDigits(text, decimal) ?? readNumberWords(text);
  if (!one || !/^\s*d/i.test(one.rest)) return one;
  const dozen = /^\s*(?:dozen|doz\.?|dz\.?)(?![a-z])(?:\s+of\b)?/i.exec(one.rest);
  return dozen ? { ...one, value: one.value * 12, rest: one.rest.slice(dozen[0].length) } : one;
}

function readDigits(text: string, decimal: Decimal): ReturnType<typeof readOneNumber> {
  const exactly = (value: number, length: number): ReturnType<typeof readOneNumber> => ({
    value,
    approximate: false,
    rest: text.slice(length),
  });
  const isDigit = /^[\d.,]/.test(text);
  const fraction = isDigit ? FRACTION.exec(text) : null;
  if (fraction) {
    const [all, whole, top, bottom] = fraction;
    if (Number(bottom) === 0) return undefined;
    return exactly(Number(whole ?? 0) + Number(top) / Number(bottom), all.length);
  }
  const vulgar = isDigit || /^[¼-¾⅐-⅞]/.test(text) ? VULGAR_FRACTION.exec(text) : null;
  if (vulgar)
    return exactly(Number(vulgar[1] ?? 0) + (VULGAR[vulgar[2] ?? ''] ?? 0), vulgar[0].length);
  if (!isDigit && !vulgar) return readLookalike(text);
  const thousands = THOUSANDS.exec(text);
  if (thousands) return exactly(Number(`${thousands[1]}${thousands[2]}`), thousands[0].length);
  const digits = DIGITS.exec(text)?.[0].replace(/[.,]+$/, '');
  if (digits === undefined || /^\d+[OI]/.test(text)) return readLookalike(text);
  const value = Number(plainDecimal(digits.replace(/[ \u00a0\u202f]/g, ''), decimal));
  if (!Number.isFinite(value)) return undefined;
  const half = /^\s*(?:and|&)\s+(?:a\s+)?(half|quarter|third)\b/i.exec(text.slice(digits.length));
  return half
    ? exactly(value + (FRACTION_WORDS[half[1] ?? ''] ?? 0), digits.length + half[0].length)
    : exactly(value, digits.length);
}

/** Letters a scanner takes for digits: "l cup", "I lb", "5OO g", "1O". */
function readLookalike(text: string): ReturnType<typeof readOneNumber> {
  const zeros = /^\d[\dOI]*[OI][\dOI]*(?=\s|$|[.,/])/.exec(text)?.[0];
  if (zeros !== undefined) {
    const value = Number(zeros.replaceAll('O', '0').replaceAll('I', '1'));
    return { value, approximate: false, rest: text.slice(zeros.length) };
  }
  const alone = /^[lI|](?=\s+(?:[a-z]|\d\/))/.exec(text);
  return alone ? { value: 1, approximate: false, rest: text.slice(1) } : undefined;
}

/**
 * "1,200" or "1.200" as the person's habit reads it; a comma before one, two or four digits can
 * only be a decimal.
 */
function plainDecimal(digits: string, decimal: Decimal): string {
  if (!/[.,]/.test(digits)) return digits;
  const thousands = decimal === '.' ? ',' : '.';
  if (GROUPED[decimal].test(digits)) return digits.replaceAll(thousands, '').replace(decimal, '.');
  const marks = digits.replace(/\d/g, '');
  return marks.length > 1 ? 'NaN' : digits.replace(',', '.');
}

/** "1,200" and "1,200.5" by the decimal mark that is not their comma. */
const GROUPED: Readonly<Record<Decimal, RegExp>> = {
  '.': /^[1-9]\d{0,2}(?:,\d{3})+(?:\.\d+)?$/,
  ',': /^[1-9]\d{0,2}(?:\.\d{3})+(?:,\d+)?$/,
};

function readNumberWords(text: string): ReturnType<typeof readOneNumber> {
  const wordAt = (from: string): string => /^[a-z]+/i.exec(from)?.[0].toLowerCase() ?? '';
  const first = wordAt(text);
  const fraction = FRACTION_WORDS[first];
  if (fraction !== undefined && !first.endsWith('s')) {
    const rest = text.slice(first.length).replace(/^[\s-]+(?:of\s+)?(?:an?\s+)?/i, '');
    return { value: fraction, approximate: false, rest };
  }
  const value = NUMBER_WORDS.get(first);
  if (value === undefined) return undefined;
  const rest = text.slice(first.length);
  const isArticle = first === 'a' || first === 'an';
  const next = /^[\s-]+([a-z]+)/i.exec(rest);
  const word = next?.[1]?.toLowerCase() ?? '';
  const after = rest.slice(next?.[0].length ?? 0);
  const part = FRACTION_WORDS[word];
  if (part !== undefined) {
    const onward = after.replace(/^\s+(?:of\s+)?(?:an?\s+)?/i, ' ');
    return { value: value * part, approximate: false, rest: onward };
  }
  if (isArticle && (word === 'couple' || word === 'hundred' || word === 'dozen'))
    return {
      value: NUMBER_WORDS.get(word) ?? 1,
      approximate: word === 'couple',
      rest: after.replace(/^\s+of\b/i, ''),
    };
  if (value >= 20 && value < 100 && UNITS_IN_WORDS.indexOf(word) > 0)
    return { value: value + UNITS_IN_WORDS.indexOf(word), approximate: false, rest: after };
  const half = /^\s+and\s+(?:(?:a|one)\s+)?(half|quarter|third)\b/i.exec(rest);
  if (half)
    return {
      value: value + (FRACTION_WORDS[half[1]?.toLowerCase() ?? ''] ?? 0),
      approximate: false,
      rest: rest.slice(half[0].length).replace(/^\s+of\s+(?:an?\s+)?/i, ' '),
    };
  return { value, approximate: false, rest };
}

/** Between the two ends of a range; "or" and "to" only before another number. */
const TO = /^\s*(?:-|–|—|‒|\bto\b|\bor\b|\band\b)\s*/i;

/** A number that reads the same in every habit, and what may make more of it: the usual case, quickly. */
const PLAIN = /^\d+(?:\.\d\d?)?(?![\d.,OI])/;
const PLAIN_FRACTION = /^(?:(\d+) )?(\d+)\/(\d+)(?![\d/])/;
const GOES_ON = /^\s*(?:[-–—‒&/⁄∕+\d¼-¾⅐-⅞]|and\b|to\b|or\b|do?z)/i;

/**
 * A number or a range at the start of the text: "3-4", "2 to 3", "1 to 1½", "4 or 5". "1-1/2" is
 * one and a half, as cards write it.
 */
export function readNumber(text: string, decimal: Decimal): WrittenNumber | undefined {
  const plain = PLAIN.exec(text)?.[0];
  if (plain !== undefined) {
    const rest = text.slice(plain.length);
    const value = Number(plain);
    if (!GOES_ON.test(rest)) return { value, least: value, most: value, approximate: false, rest };
    const fraction = PLAIN_FRACTION.exec(text);
    if (fraction) {
      const [all, whole, top, bottom] = fraction;
      const sum = Number(whole ?? 0) + Number(top) / Number(bottom);
      const after = text.slice(all.length);
      if (Number.isFinite(sum) && !GOES_ON.test(after))
        return { value: sum, least: sum, most: sum, approximate: false, rest: after };
    }
  }
  const between = /^[bf]/i.test(text) ? /^(?:between|from)\s+/i.exec(text) : null;
  const first = readOneNumber(between ? text.slice(between[0].length) : text, decimal);
  if (!first) return undefined;
  const single = { ...first, least: first.value, most: first.value };
  const to = TO.exec(first.rest);
  if (!to || (!between && /and/i.test(to[0]))) return single;
  const onward = first.rest.slice(to[0].length);
  const second = /^[\d¼-¾⅐-⅞.]/.test(onward) || /[a-z]/i.test(to[0]) ? onward : '';
  const last = /^(?:a|an)\b/i.test(second) ? undefined : readOneNumber(second, decimal);
  if (!last || last.value <= 0) return single;
  // "1 or 6" are two amounts to choose from, not the ends of one.
  const isChoice =
    /or/i.test(to[0]) && Math.max(last.value, first.value) > 2 * Math.min(last.value, first.value);
  if (isChoice) return single;
  const [least = 0, most = 0] = [first.value, last.value].toSorted((a, b) => a - b);
  return {
    value: (least + most) / 2,
    least,
    most,
    approximate: first.approximate || last.approximate,
    rest: last.rest,
  };
}
