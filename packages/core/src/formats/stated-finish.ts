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

/** "jam, long-boil, soluble-solids 65 %": read back by {@link readStatedFormula}. */
export const statedFormula = ({ kind, method, finish }: FormulaDocument): string =>
  `${kind}, ${method}, ${finishWords(finish)}`;

const LINE = new RegExp(
  `^(${KINDS.join('|')}), (${METHODS.join('|')})(?:, (gel-temperature|soluble-solids|hard-boil|weight|consistency|curd)(?: (.+))?)?$`,
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
