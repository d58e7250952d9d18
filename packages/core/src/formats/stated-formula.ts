import { MEASURES, type Measures, type WritingHabit } from '../quantity/index.js';
import { KINDS, METHODS, type DocumentFinish, type FormulaDocument } from '../formula/index.js';

/** What a card of ours says of its formula in one line: kind, method and finish. */
export interface StatedFormula {
  readonly kind: FormulaDocument['kind'];
  readonly method: FormulaDocument['method'];
  readonly finish?: DocumentFinish;
}

function finishWords({ type, rise, percent, minutes, mass, temperature }: DocumentFinish): string {
  const detail =
    rise ??
    mass ??
    temperature ??
    (percent === undefined ? undefined : `${percent} %`) ??
    (minutes === undefined ? undefined : `${minutes} min`);
  return detail === undefined ? type : `${type} ${detail}`;
}

/**
 * "jam, long-boil, soluble-solids 65 %; us measures": read back by {@link readStatedFormula} and
 * {@link statedHabit}. Without the measures a card of ours could be taken for a British one by its
 * words.
 */
export const statedFormula = ({
  kind,
  method,
  finish,
  measures = 'us',
  decimal,
}: FormulaDocument): string =>
  `${kind}, ${method}, ${finishWords(finish)}; ${measures} measures${decimal === ',' ? ', decimal comma' : ''}`;

const STATED_HABIT = new RegExp(`; (${MEASURES.join('|')}) measures(, decimal comma)?$`, 'm');

/** Whose measures and decimal mark a card of ours says, or undefined where it is something else. */
export function statedHabit(text: string): WritingHabit | undefined {
  const found = STATED_HABIT.exec(text);
  if (!found) return undefined;
  const [, measures, comma] = found;
  return {
    // The usual measures go unsaid in a document.
    ...(measures !== 'us' && { measures: measures as Measures }),
    ...(comma !== undefined && { decimal: ',' as const }),
  };
}

const LINE = new RegExp(
  `^(${KINDS.join('|')}), (${METHODS.join('|')})(?:, (gel-temperature|soluble-solids|hard-boil|weight|consistency|curd)(?: ([^;]+))?)?(?:; .*)?$`,
);

const FINISH_DETAIL: Readonly<
  Record<DocumentFinish['type'], (detail: string) => Partial<DocumentFinish>>
> = {
  'gel-temperature': (rise) => ({ rise }),
  'soluble-solids': (percent) => ({ percent: Number.parseFloat(percent) }),
  consistency: (percent) => ({ percent: Number.parseFloat(percent) }),
  'hard-boil': (minutes) => ({ minutes: Number.parseFloat(minutes) }),
  weight: (mass) => ({ mass }),
  curd: (temperature) => ({ temperature }),
};

/** What {@link statedFormula} wrote, or undefined where it is something else. */
export function readStatedFormula(text: string): StatedFormula | undefined {
  const found = LINE.exec(text.trim());
  if (!found) return undefined;
  const [, kind, method, type, detail] = found;
  const finish = type as DocumentFinish['type'] | undefined;
  return {
    kind: kind as StatedFormula['kind'],
    method: method as StatedFormula['method'],
    ...(finish && {
      finish: { type: finish, ...(detail !== undefined && FINISH_DETAIL[finish](detail)) },
    }),
  };
}
