import { nearest } from './nearest.js';
import { readNumber, type Decimal, type WrittenNumber } from './number.js';
import {
  findUnit,
  LONGEST_UNIT_WORDS,
  UNIT_SPELLINGS,
  unitById,
  type Measures,
  type Unit,
} from './units.js';

export const PIECE_SIZES = ['small', 'medium', 'large'] as const;
export type PieceSize = (typeof PIECE_SIZES)[number];

/** An amount as a person wrote it, in the unit they chose. */
export interface Amount {
  readonly value: number;
  readonly unit: Unit;
  /** Written as "about 11", or "half a lemon": the count is not exact. */
  readonly approximate: boolean;
  /** Brown sugar or peel pressed into the cup. */
  readonly packed: boolean;
  /** The ends of a range such as "3-4 cups", in `unit`; `value` is their middle. */
  readonly between?: readonly [least: number, most: number];
  /** "2 large", "1 small": how big the pieces are. */
  readonly size?: PieceSize;
  /**
   * "6 (2 lb) peaches": how many there are of what the brackets weigh. Whether they weigh one or all
   * is for whoever knows what one weighs; `value` takes it for one.
   */
  readonly pieces?: number;
}

/** How a person, or a recipe, writes numbers and names measures. */
export interface WritingHabit {
  readonly decimal?: Decimal;
  readonly measures?: Measures;
}

/** A second amount of the same line, "1 kg (2 lb 4 oz)", as read and as written. */
export interface OtherAmount {
  readonly amount: Amount;
  readonly written: string;
}

/** Why no amount could be read. */
export type AmountProblemCode =
  | 'nothing-written'
  | 'below-zero'
  | 'no-number'
  | 'zero'
  | 'choice-of-amounts'
  | 'unknown-unit'
  | 'words-after-unit';

export type AmountReading =
  | {
      readonly ok: true;
      readonly amount: Amount;
      /** The words of the amount that counts. */
      readonly written: string;
      /** The same amount in other measures; they are compared, never added. */
      readonly others: readonly OtherAmount[];
      /** What followed the amount, such as "damsons, pitted". */
      readonly rest: string;
    }
  | { readonly ok: false; readonly code: AmountProblemCode; readonly message: string };

type Found = Amount & { readonly rest: string };

/** Words before a number or a unit that make it more or less, as a factor. Common practice. */
const QUALIFIERS: readonly (readonly [RegExp, factor: number])[] = [
  [/^(?:about|around|approximately|approx\.?|roughly|circa|ca\.?|say|~|≈)(?![a-z])\s*/i, 1],
  [/^(?:just under|slightly under|a little under|slightly less than|a bit less than)\b\s*/i, 0.98],
  [/^(?:nearly|almost|just short of)\b\s*/i, 0.98],
  [
    /^(?:just over|slightly over|slightly more than|a little over|a little more than|a bit over)\b\s*/i,
    1.03,
  ],
  [
    /^(?:up to|at least|at most|no more than|not more than|a total of|a maximum of|a minimum of)\b\s*/i,
    1,
  ],
  [/^(?:a\s+)?(?:scant|bare|shy)\b\s*/i, 0.93],
  [/^(?:a\s+)?(?:generous|good|big)\b\s*/i, 1.1],
  [/^(?:a\s+)?(?:level|well|flat(?=[\s-]+(?:t|dessert|cup|spoon)))\b[\s-]*/i, 1],
];
/** A heap on a spoon is half as much again, on a cup a tenth. Common practice. */
const HEAPED = /^(?:a\s+)?(?:heaped|heaping)\b\s*/i;
const ROUNDED = /^(?:a\s+)?rounded\b\s*/i;
const HEAP = { heaped: { spoon: 1.5, cup: 1.1 }, rounded: { spoon: 1.25, cup: 1.05 } } as const;
const LARGEST_SPOON_ML = 30;
const SIZE_WORDS: readonly (readonly [RegExp, PieceSize])[] = [
  [/^(?:very\s+)?(?:small|little|tiny|smallish|sml?\b\.?)(?:-sized?)?(?![a-z])\s*/i, 'small'],
  [
    /^(?:medium|average|middling|regular|med\b\.?)(?:[\s-]+(?:sized?|large))?(?![a-z])\s*/i,
    'medium',
  ],
  [
    /^(?:extra[\s-]+|very\s+)?(?:large|big|largish|fat|lr?ge?\b\.?)(?:-sized?)?(?![a-z])\s*/i,
    'large',
  ],
];

/** First letters of the size words. */
const SIZE_STARTS = /^[aberfslmtv]/i;

const isWeightOrVolume = ({ kind }: Unit): boolean => kind === 'mass' || kind === 'volume';

/** Up to four words, the first up to a hyphen before a digit: "500g-600g". */
const UNIT_WORDS = /^(?:(?!-\d)[^\s,;:()/\d*–—])+(?:\s+(?:(?!-\d)[^\s,;:()/\d*–—])+){0,3}/;

/** Where the first words of a phrase end, as many as a unit may have. */
function wordEnds(phrase: string): number[] {
  const ends: number[] = [];
  for (let i = 1; i <= phrase.length && ends.length < LONGEST_UNIT_WORDS; i++)
    if (phrase[i - 1] !== ' ' && (i === phrase.length || phrase[i] === ' ')) ends.push(i);
  return ends;
}

/** The longest unit spelling the text begins with. */
function readUnit(text: string, measures: Measures): { unit: Unit; rest: string } | undefined {
  if (text.startsWith('#')) return { unit: unitById('lb'), rest: text.slice(1) };
  const phrase = UNIT_WORDS.exec(text)?.[0] ?? '';
  const ends = wordEnds(phrase);
  for (const end of ends.toReversed()) {
    const spelling = phrase.slice(0, end);
    const unit = findUnit(spelling, measures);
    if (unit) return { unit, rest: text.slice(end).replace(/^\.\s*/, ' ') };
  }
  return readMisspelledUnit(phrase.slice(0, ends[0]), text, measures);
}

/** Long words for measures with a letter or two wrong: "tablespons", "kilogramms". */
function readMisspelledUnit(
  word: string,
  text: string,
  measures: Measures,
): { unit: Unit; rest: string } | undefined {
  if (word.length < LEAST_MISSPELLED) return undefined;
  const known = MISSPELLABLE.filter(
    (spelling) =>
      spelling[0] === word[0]?.toLowerCase() && Math.abs(spelling.length - word.length) < 2,
  );
  const [guess] = nearest(word, known, 1);
  const unit = guess === undefined ? undefined : findUnit(guess, measures);
  return unit ? { unit, rest: text.slice(word.length) } : undefined;
}
const LEAST_MISSPELLED = 6;
const MISSPELLABLE = [
  'tablespoon',
  'tablespoons',
  'teaspoon',
  'teaspoons',
  'kilogram',
  'kilograms',
];

interface Lead {
  readonly factor: number;
  readonly approximate: boolean;
  readonly heap?: 'heaped' | 'rounded';
  readonly rest: string;
}

/** The first words of all qualifiers: most amounts have none, and are not looked at further. */
const LEAD_STARTS =
  /^(?:~|≈|(?:a|about|almost|approx\w*|around|at|bare|big|ca|circa|flat|generous|good|heaped|heaping|just|level|nearly|no|not|roughly|rounded|say|scant|shy|slightly|up|well)\b)/i;

/** Qualifying words at the start: "about", "just under", "a scant", "heaped". */
function readLead(text: string): Lead {
  let lead: Lead = { factor: 1, approximate: false, rest: text };
  if (!LEAD_STARTS.test(text)) return lead;
  for (let found = true; found;) {
    found = false;
    for (const [pattern, factor] of QUALIFIERS) {
      const words = pattern.exec(lead.rest)?.[0];
      if (words === undefined) continue;
      lead = {
        ...lead,
        factor: lead.factor * factor,
        approximate: true,
        rest: lead.rest.slice(words.length),
      };
      found = true;
    }
    const heap = HEAPED.test(lead.rest) ? 'heaped' : ROUNDED.test(lead.rest) && 'rounded';
    if (heap) {
      lead = { ...lead, heap, rest: lead.rest.replace(heap === 'heaped' ? HEAPED : ROUNDED, '') };
      found = true;
    }
  }
  return lead;
}

function heapOf(heap: Lead['heap'], unit: Unit): number {
  if (heap === undefined || unit.kind === 'mass') return 1;
  return HEAP[heap][unit.si < LARGEST_SPOON_ML && unit.kind === 'volume' ? 'spoon' : 'cup'];
}

function amountFrom(number: WrittenNumber, unit: Unit, lead: Lead, size?: PieceSize): Amount {
  const factor = lead.factor * heapOf(lead.heap, unit);
  return {
    value: number.value * factor,
    unit,
    approximate:
      lead.approximate || number.approximate || (unit.kind === 'piece' && number.value % 1 !== 0),
    packed: false,
    ...(number.least < number.most && {
      between: [number.least * factor, number.most * factor] as const,
    }),
    ...(size && { size }),
  };
}

const times = (amount: Amount, factor: number): Amount => ({
  ...amount,
  value: amount.value * factor,
  ...(amount.between && {
    between: [amount.between[0] * factor, amount.between[1] * factor] as const,
  }),
});

/** `second` in the unit of `first`, added or taken off. */
function plus(first: Amount, second: Amount, sign: 1 | -1): Amount {
  const value = (second.value * second.unit.si) / first.unit.si;
  return {
    ...first,
    value: first.value + sign * value,
    approximate: first.approximate || second.approximate,
    ...(first.between && {
      between: [first.between[0] + sign * value, first.between[1] + sign * value] as const,
    }),
  };
}

/** Reads amounts one after the other; every method returns what it found with what follows it. */
class AmountReader {
  constructor(
    private readonly decimal: Decimal,
    private readonly measures: Measures,
  ) {}

  /** A number and its unit: "2 1/2 cups", "2 (3-oz) pouches", "3 x 340 g", "a heaped tbsp". */
  simple(text: string): Found | undefined {
    const lead = readLead(text.trimStart());
    const number =
      readNumber(lead.rest, this.decimal) ?? this.impliedOne(lead, lead.rest.length < text.length);
    if (!number) return undefined;
    const start = number.rest.trimStart();
    const multiplied = /^[x×*]\s*(?=[\d.¼-¾⅐-⅞(])/i.exec(start);
    if (multiplied) {
      const each = this.size(start.slice(multiplied[0].length));
      if (each) return { ...times(each, number.value), rest: withoutPack(each.rest) };
    }
    return this.packed(number, start) ?? this.measured(number, lead, start);
  }

  /** "heaped tablespoon", "pinch of salt", "knob of butter": one of them. */
  private impliedOne(lead: Lead, qualified: boolean): WrittenNumber | undefined {
    const rest = SIZE_WORDS.reduce((text, [pattern]) => text.replace(pattern, ''), lead.rest);
    const found = readUnit(rest, this.measures);
    const isOne =
      found !== undefined &&
      (found.unit.kind === 'pinch' ||
        (found.unit.kind === 'part' && /^\s+of\b/i.test(found.rest)) ||
        (qualified && found.unit.kind !== 'piece'));
    return isOne ? { value: 1, least: 1, most: 1, approximate: true, rest: lead.rest } : undefined;
  }

  /** "2 (3-oz) pouches", "1 (49 or 57 g) package", "2 12-oz bags", "1 can (15 oz)". */
  private packed(number: WrittenNumber, text: string): Found | undefined {
    const bracket = /^\(([^()]*)\)\s*/.exec(text);
    if (bracket) {
      const each = this.size(bracket[1] ?? '');
      if (!each) return undefined;
      const onward = text.slice(bracket[0].length);
      const isOfOne =
        packWord(onward) !== undefined || /^\s*[\d./]+-|\beach\b/i.test(bracket[1] ?? '');
      return {
        ...times(each, number.value),
        ...(!isOfOne && number.value > 1 && { pieces: number.value }),
        rest: withoutPack(onward),
      };
    }
    if (/^\d/.test(text)) {
      const each = this.size(text);
      const after = each && packWord(each.rest);
      if (each && after) return { ...times(each, number.value), rest: after.rest };
      return undefined;
    }
    const pack = packWord(text);
    const inside = pack && /^\s*\(([^()]*)\)\s*/.exec(pack.rest);
    const each = inside && this.size(inside[1] ?? '');
    return each
      ? { ...times(each, number.value), rest: pack.rest.slice(inside[0].length) }
      : undefined;
  }

  /** A weight or a volume that says how big one pack is: "3-oz", "12 ounce", "49 or 57 g". */
  private size(text: string): Found | undefined {
    const lead = readLead(text.trimStart());
    const number = readNumber(lead.rest, this.decimal);
    const found = number && readUnit(number.rest.replace(/^[\s-]+/, ''), this.measures);
    return number && found && isWeightOrVolume(found.unit)
      ? {
          ...amountFrom(number, found.unit, lead),
          rest: found.rest.replace(/^\s*(?:-|each\b)\s*/i, ''),
        }
      : undefined;
  }

  private measured(number: WrittenNumber, before: Lead, text: string): Found {
    const middle = readLead(text);
    const lead: Lead = {
      ...middle,
      factor: before.factor * middle.factor,
      approximate: before.approximate || middle.approximate,
      ...(before.heap && { heap: before.heap }),
    };
    const size = SIZE_STARTS.test(middle.rest)
      ? SIZE_WORDS.find(([pattern]) => pattern.test(middle.rest))
      : undefined;
    const rest = size ? middle.rest.replace(size[0], '') : middle.rest;
    const found = readUnit(rest.replace(/^-\s*/, ''), this.measures);
    if (!found) return { ...amountFrom(number, unitById('each'), lead, size?.[1]), rest };
    const half = found.rest === '' ? null : AND_A_HALF.exec(found.rest);
    if (half)
      return this.measured(
        withPart(number, half[1]),
        before,
        `${text.slice(0, text.length - found.rest.length)}${found.rest.slice(half[0].length)}`,
      );
    const amount = amountFrom(number, found.unit, lead, size?.[1]);
    if (!isWeightOrVolume(found.unit)) return { ...amount, rest: found.rest };
    return this.compound({ ...amount, rest: withoutPack(found.rest) });
  }

  /** "4 lb 6 oz", "2 kg to 2.5 kg", "1 cup plus 2 tbsp", "3 cups less 2 tbsp". */
  private compound(first: Found): Found {
    if (first.rest === '') return first;
    const onward = /^\s*(?:(?:and|,|&)\s*)?(?=\d|[¼-¾⅐-⅞])/i.exec(first.rest);
    const second = onward && this.next(first, first.rest.slice(onward[0].length));
    if (second && second.unit.si < first.unit.si)
      return this.compound({ ...plus(first, second, 1), rest: second.rest });
    const to = /^\s*(?:-|–|—|to)\s*(?=\d|[¼-¾⅐-⅞])/i.exec(first.rest);
    const last = to && this.next(first, first.rest.slice(to[0].length));
    if (last) return rangeOf(first, last);
    const sum = /^\s*,?\s*(plus|\+|and|&|less|minus)\s+/i.exec(first.rest);
    const part = sum && this.next(first, first.rest.slice(sum[0].length));
    if (!sum || !part) return first;
    const sign = /less|minus/i.test(sum[1] ?? '') ? -1 : 1;
    return this.compound({ ...plus(first, part, sign), rest: part.rest });
  }

  /** A further measure of the same kind as the first one. */
  private next(first: Amount, text: string): Found | undefined {
    const number = readNumber(text, this.decimal);
    const found = number && readUnit(number.rest.trimStart(), this.measures);
    return number && found?.unit.kind === first.unit.kind
      ? { ...amountFrom(number, found.unit, readLead('')), rest: found.rest }
      : undefined;
  }

  /** The same amount in other measures: "/2lb 4oz", "(8 fl oz, 240 ml)", "or 500 g", "= 1 cup". */
  others(text: string): { found: OtherAmount[]; rest: string } {
    if (text === '') return { found: [], rest: text };
    const bracket = /^\s*[([]([^()[\]]*)[)\]]/.exec(text);
    if (bracket) {
      const inside = this.listed(bracket[1] ?? '');
      if (inside.length === 0) return { found: [], rest: text };
      const onward = this.others(text.slice(bracket[0].length));
      return { found: [...inside, ...onward.found], rest: onward.rest };
    }
    const next = /^\s*(?:\/|\||=|;|\bor\b|,\s*or\b)\s*(?=(?:about\s+)?[\d¼-¾⅐-⅞.])/i.exec(text);
    const other = next && this.simple(text.slice(next[0].length));
    if (!other || !isWeightOrVolume(other.unit)) return { found: [], rest: text };
    const written = text.slice(next[0].length, text.length - other.rest.length).trim();
    const onward = this.others(other.rest);
    return { found: [{ amount: other, written }, ...onward.found], rest: onward.rest };
  }

  private listed(text: string): OtherAmount[] {
    const parts = text.split(/\s*(?:[;|=]|(?<!\d)\/|\/(?!\d)|,(?!\d)|\bor\b)\s*/i);
    const found = parts.flatMap((written) => {
      const amount = this.simple(written);
      const counts = amount && (isWeightOrVolume(amount.unit) || /^\s*$/.test(amount.rest));
      return counts
        ? [{ amount, written: written.slice(0, written.length - amount.rest.length).trim() }]
        : [];
    });
    return found.length > 0 &&
      /^\W*(?:about|approx\w*\.?|around|roughly|ca\.?|or|~|=|each|net|total|\d|[¼-¾⅐-⅞])/i.test(
        text,
      )
      ? found
      : [];
  }
}

/** "a pound and a half". */
const AND_A_HALF = /^\s+and\s+a\s+(half|quarter|third)\b/i;
const PARTS: Readonly<Record<string, number>> = { half: 1 / 2, quarter: 1 / 4, third: 1 / 3 };
function withPart(number: WrittenNumber, part = 'half'): WrittenNumber {
  const more = PARTS[part.toLowerCase()] ?? 0;
  return {
    ...number,
    value: number.value + more,
    least: number.least + more,
    most: number.most + more,
  };
}

const rangeOf = (first: Found, last: Found): Found => {
  const [least = 0, most = 0] = [first.value, (last.value * last.unit.si) / first.unit.si].toSorted(
    (a, b) => a - b,
  );
  return { ...first, value: (least + most) / 2, between: [least, most], rest: last.rest };
};

function packWord(text: string): { rest: string } | undefined {
  const found = /^[\s-]*([a-z]+)\.?/i.exec(text);
  const unit = found?.[1] === undefined ? undefined : findUnit(found[1]);
  return found && unit?.kind === 'pack' ? { rest: text.slice(found[0].length) } : undefined;
}
const withoutPack = (text: string): string => packWord(text)?.rest ?? text;
/**
 * Which of several amounts of one line counts: a weight before a volume, metric before customary
 * (it also says which pint was meant), both before pieces and packs. No unit; more is better.
 */
const TRUST: Readonly<Record<Unit['kind'], number>> = {
  mass: 4,
  volume: 2,
  pack: 1,
  part: 1,
  piece: 1,
  pinch: 0,
};
const METRIC = new Set(['ml', 'cl', 'dl', 'l']);
/** How much one of several amounts of a line says; the highest counts. */
export const trust = ({ unit }: Amount): number => TRUST[unit.kind] + (METRIC.has(unit.id) ? 1 : 0);

const habitOf = (habit: Decimal | WritingHabit): Required<WritingHabit> =>
  typeof habit === 'string'
    ? { decimal: habit, measures: 'us' }
    : { decimal: habit.decimal ?? '.', measures: habit.measures ?? 'us' };

const ONE_WORD = /^ ?([a-z]+)$/i;

/**
 * "2.4 kg", "1½ cups": one number and its unit and nothing else, as documents hold them. It says
 * the same as the whole grammar, sooner: a formula is read again at every key.
 */
function plainAmount(line: string, decimal: Decimal, measures: Measures): Amount | undefined {
  const number = readNumber(line, decimal);
  const word = number && ONE_WORD.exec(number.rest)?.[1];
  const unit = word === undefined ? undefined : findUnit(word, measures);
  if (!number || !unit || unit.kind === 'piece') return undefined;
  const { value, least, most, approximate } = number;
  return least < most || value <= 0 || approximate
    ? undefined
    : { value, unit, approximate, packed: false };
}

/**
 * Reads the amount a line begins with, as people write it: `2 1/2 cups`, `1½ lb`, `4 lb 6 oz`,
 * `3-4 cups`, `2 (3-oz) pouches`, `3 x 340 g`, `1 cup plus 2 tbsp`, `1kg/2lb 4oz`, `about 11
 * medium`, `half a lemon`, `1 cup packed`, `1,2 kg`. What follows is returned as `rest`.
 *
 * @param text one line
 * @param habit the person's decimal mark, which decides in `1,200`, and the country of the measures
 * @returns the amount in the unit written, or a message that says what could not be read. Zero,
 * negative, infinite and missing numbers are refused; a number with no unit counts pieces.
 */
export function readAmount(text: string, habit: Decimal | WritingHabit = '.'): AmountReading {
  const { decimal, measures } = habitOf(habit);
  const line = text.trim().replace(/\s+/g, ' ');
  const plain = plainAmount(line, decimal, measures);
  if (plain) return { ok: true, amount: plain, written: line, others: [], rest: '' };
  if (line === '')
    return {
      ok: false,
      code: 'nothing-written',
      message: 'no amount; write a number and a unit, such as "1.2 kg" or "2 1/2 cups"',
    };
  if (/^[-−–]\s*\.?\d/.test(line))
    return {
      ok: false,
      code: 'below-zero',
      message: `"${line}" is below zero; an amount must be more than nothing`,
    };
  const reader = new AmountReader(decimal, measures);
  const found = reader.simple(line);
  if (!found)
    return {
      ok: false,
      code: 'no-number',
      message: `"${line}" does not begin with a number; write one, such as "1.2 kg" or "3/4 cup"`,
    };
  if (!Number.isFinite(found.value) || found.value <= 0)
    return {
      ok: false,
      code: 'zero',
      message: `"${line}" is nothing; an amount must be more than zero`,
    };
  if (found.unit.kind === 'piece' && /^\s*or\s+[\d¼-¾⅐-⅞]/i.test(found.rest))
    return {
      ok: false,
      code: 'choice-of-amounts',
      message: `"${line}" is a choice of two amounts; write the one you will use`,
    };
  return complete(found, line, reader.others(found.rest));
}

function complete(
  found: Found,
  line: string,
  { found: others, rest: onward }: { found: OtherAmount[]; rest: string },
): AmountReading {
  const { rest: foundRest, ...amount } = found;
  const packed =
    onward === ''
      ? null
      : /^\s*,?\s*\(?(?:(?:firmly|tightly|lightly|well)\s+)?packed\)?(?![a-z])\s*/i.exec(onward);
  const rest = (packed ? onward.slice(packed[0].length) : onward).replace(/^\s*of\s+/i, '').trim();
  const written = line.slice(0, line.length - foundRest.length).trim();
  const first: OtherAmount = { amount, written };
  const all = [first, ...others].filter(({ amount: { value } }) => value > 0);
  const best = all.reduce((a, b) => (trust(b.amount) > trust(a.amount) ? b : a), first);
  const isPacked = Boolean(packed) && best === first;
  return {
    ok: true,
    amount: { ...best.amount, packed: isPacked },
    written: isPacked && rest === '' ? line : best.written,
    others: all.filter((each) => each !== best),
    rest,
  };
}

/**
 * Reads a text that holds an amount and nothing else. A noun after a count ("half a lemon") is
 * allowed. An unknown unit is named with the nearest known ones.
 */
export function parseAmount(text: string, habit: Decimal | WritingHabit = '.'): AmountReading {
  const reading = readAmount(text, habit);
  if (!reading.ok || reading.rest === '') return reading;
  const { amount, rest } = reading;
  if (amount.unit.kind === 'piece' && amount.approximate) return { ...reading, rest: '' };
  const word = rest.split(/[\s,(]/)[0] ?? rest;
  if (amount.unit.kind !== 'piece') {
    return {
      ok: false,
      code: 'words-after-unit',
      message: `"${text.trim()}": "${rest}" after the unit was not understood; write the amount alone, such as "${amount.value} ${amount.unit.name[1]}"`,
    };
  }
  const guesses = nearest(word, UNIT_SPELLINGS);
  const hint =
    guesses[0] === undefined
      ? 'write a unit such as g, kg, lb, ml, cups, tbsp or each'
      : `did you mean "${guesses[0]}"?`;
  return {
    ok: false,
    code: 'unknown-unit',
    message: `"${text.trim()}": unknown unit "${word}"; ${hint}`,
  };
}
