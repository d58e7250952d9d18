import type { LabelContent } from '@idle-kettle/core';

/** Points in a millimetre. */
export const PT_PER_MM = 72 / 25.4;

export type Face = 'display' | 'text' | 'bold';
/** How wide a text is, pt. */
export type Measure = (text: string, size: number, face: Face) => number;

/** One line of text, from the top left of its label, pt; `y` is its baseline. */
export interface TextAt {
  readonly text: string;
  readonly face: Face;
  readonly size: number;
  readonly x: number;
  readonly y: number;
}

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface LabelLayout {
  readonly texts: readonly TextAt[];
  /** Where the code goes; absent where the label is too small for one. */
  readonly code: Box | undefined;
  /** What there was no room for. */
  readonly dropped: readonly Part[];
}

/** Our own designs: a band of the fruit's colour, a rule of it all around, or nothing but words. */
export const DESIGNS = ['band', 'frame', 'plain'] as const;
export type Design = (typeof DESIGNS)[number];

const PARTS = ['dates', 'net', 'storage', 'shares', 'ingredients', 'licence'] as const;
export type Part = (typeof PARTS)[number] | 'code';
/** Never left off: a label too small for them is too small. */
const NEEDED: ReadonlySet<Part> = new Set(['dates', 'net', 'storage']);

/** Left free at the edge of a label, where a cutter or a printer may be off, pt. */
const EDGE = 6;
/** The band of a design at its left, or its frame, pt. */
export const BAND = 11;
const FRAME = 4;
/** What each design takes of the left of a label, pt. */
const LEFT: Readonly<Record<Design, number>> = { band: BAND, frame: FRAME, plain: 0 };
/** Of what is not body text, pt, before it is scaled with the rest. */
const SMALL_SIZES: Readonly<Partial<Record<Part, number>>> = { net: 7.6, licence: 5.6 };
/**
 * A code with its white edge is read from about 13 mm up, printed at 300 dots to the inch, pt.
 * Common practice.
 */
const LEAST_CODE = 13 * PT_PER_MM;
const MOST_CODE = 26 * PT_PER_MM;
const LEAST_TEXT = 5.5;
const LEADING = 1.18;
/** Of the name, pt, before it is scaled with the rest. */
const NAME_SIZES = [17, 12.5, 9.5] as const;

export interface LabelWords {
  readonly title: string;
  readonly dates: string;
  readonly net: string;
  readonly content: LabelContent;
  readonly withIngredients: boolean;
  readonly withCode: boolean;
}

/**
 * Breaks a text at its spaces into lines of at most this width; a word that is wider by itself is
 * cut with an ellipsis. What is joined by a no-break space stays together, and gets a plain one.
 */
export function wrap(text: string, width: number, measure: (text: string) => number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(/[ \t\n]+/).filter((each) => each !== '')) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (measure(longer) <= width) {
      line = longer;
      continue;
    }
    if (line !== '') lines.push(line);
    line = word;
    while (measure(line) > width && line.length > 1)
      line = `${line.replace(/…$/, '').slice(0, -1)}…`;
  }
  return (line === '' ? lines : [...lines, line]).map((each) => each.replaceAll('\u00a0', ' '));
}

const partText = (part: Part, { dates, net, content }: LabelWords): string => {
  switch (part) {
    case 'dates':
      return dates;
    case 'net':
      return net;
    case 'storage':
      return [
        content.storage,
        content.opened,
        // Needed as the storage is: never left off.
        ...(content.allergens.length === 0
          ? []
          : [`Contains ${content.allergens.join(', ').toUpperCase()}.`]),
        ...content.warnings,
      ].join(' ');
    case 'shares':
      return content.fruitPer100_g === undefined || content.sugarPer100_g === undefined
        ? ''
        : `Prepared with ${content.fruitPer100_g} g of fruit per 100 g. Total sugar content ${content.sugarPer100_g} g per 100 g.`;
    case 'ingredients':
      return `Ingredients: ${content.ingredients.map(({ name, allergen }) => (allergen ? name.toUpperCase() : name)).join(', ')}.`;
    case 'code':
      return '';
    case 'licence':
      return 'For home and gifts. Selling needs the local home-food licence.';
  }
};

/**
 * Lays a label out: the name as large as it goes, then the words in their order, all inside the
 * cell. What is not needed is left off, the last first, before anything grows too small to read.
 *
 * @param cell mm
 * @returns undefined where not even the needed words have room
 */
export function layOutLabel(
  words: LabelWords,
  cell: { readonly width: number; readonly height: number },
  design: Design,
  measure: Measure,
): LabelLayout | undefined {
  const [width, height] = [cell.width * PT_PER_MM, cell.height * PT_PER_MM];
  const left = EDGE + LEFT[design];
  const inset = EDGE + (design === 'frame' ? FRAME : 0);
  const inner = height - 2 * inset;
  const all: readonly Part[] = PARTS.filter(
    (part) => words.withIngredients || (part !== 'ingredients' && part !== 'licence'),
  );
  const wanted = all.filter((part) => partText(part, words) !== '');
  const large = Math.min(MOST_CODE, inner, width * 0.34);
  // As large as it goes; smaller, then none, where the needed words have no room beside it.
  for (const side of words.withCode && large >= LEAST_CODE
    ? [large, Math.max(LEAST_CODE, large * 0.75), 0]
    : [0]) {
    const room = width - left - inset - side;
    const texts = (kept: readonly Part[]): readonly TextAt[] | undefined => {
      for (let scale = 1.5; scale >= 0.8; scale -= 0.05)
        // A name that leaves no room for the words is set smaller before the words are.
        for (const name of NAME_SIZES) {
          const found = attempt(words, kept, { left, inset, inner, room, scale, name }, measure);
          if (found) return found;
        }
      return undefined;
    };
    const least = wanted.filter((part) => NEEDED.has(part)).length;
    for (let count = wanted.length; count >= least; count--) {
      const found = texts(wanted.slice(0, count));
      if (!found) continue;
      const code =
        side === 0 ? undefined : { x: width - inset - side, y: inset, width: side, height: side };
      const dropped: readonly Part[] =
        words.withCode && side === 0 ? [...wanted.slice(count), 'code'] : wanted.slice(count);
      return { texts: found, code, dropped };
    }
  }
  return undefined;
}

/** The texts at one size, or undefined where they do not fit. */
function attempt(
  words: LabelWords,
  parts: readonly Part[],
  {
    left,
    inset,
    inner,
    room,
    scale,
    name,
  }: { left: number; inset: number; inner: number; room: number; scale: number; name: number },
  measure: Measure,
): TextAt[] | undefined {
  const texts: TextAt[] = [];
  let y = inset;
  const add = (text: string, face: Face, size: number, most: number): boolean => {
    const lines = wrap(text, room, (each) => measure(each, size, face));
    if (lines.length > most || lines.some((line) => line.includes('…') && !text.includes('…')))
      return false;
    for (const line of lines) {
      y += size * LEADING;
      texts.push({ text: line, face, size, x: left, y: y - size * (LEADING - 1) - size * 0.06 });
    }
    return true;
  };
  // The name is as large as two lines of it can be, and cut only where even its smallest is too
  // long.
  const smallest = 8 * Math.min(scale, 1);
  let size = name * scale;
  while (size > smallest && !add(words.title, 'display', size, 2)) size -= 0.5;
  if (texts.length === 0) {
    const lines = wrap(words.title, room, (each) => measure(each, smallest, 'display')).slice(0, 2);
    for (const line of lines) {
      y += smallest * LEADING;
      texts.push({ text: line, face: 'display', size: smallest, x: left, y: y - smallest * 0.24 });
    }
  }
  y += 2 * scale;
  for (const part of parts) {
    const body = Math.max((SMALL_SIZES[part] ?? 6.6) * scale, LEAST_TEXT);
    if (!add(partText(part, words), part === 'net' ? 'bold' : 'text', body, 12)) return undefined;
    y += 0.8 * scale;
  }
  return y <= inset + inner + 0.01 ? texts : undefined;
}
